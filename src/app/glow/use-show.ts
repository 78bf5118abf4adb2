import { useRafFn } from '@vueuse/core'
import { releaseProxy, wrap } from 'comlink'
import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import type { InputEvent } from '../../core/glow/play'
import type { FaultyRuns } from '../../core/mend/in-show'
import type { Plan, Show } from '../../core/plan/plan'
import { messageOf } from '../../core/quantity/message-of'
import type { Eye as PlayingEye, OpenShow, ShownFrame, ShowWorker } from '../engine/show.worker'

const restMs = 60
/** How a picture is looked at: its exposure in stops, and the white that counts as neutral, K. */
export type Eye = Omit<PlayingEye, 'speed'>
/** How a show is looked at first: dim enough that colours show beside the strips, and the white that a screen takes for neutral, K. */
export const usualEye: Eye = { stops: -1.5, kelvin: 6500 }
/** So often a show is looked at where it is judged. */
export const framesPerSecond = 50

export interface ShowPlayer {
  readonly open: Ref<OpenShow | undefined>
  readonly frame: Ref<ShownFrame | undefined>
  readonly problem: Ref<string | undefined>
  /** Time in the show, ms. */
  readonly ms: Ref<number>
  readonly lengthMs: ComputedRef<number>
  readonly isPlaying: Ref<boolean>
  readonly isLooping: Ref<boolean>
  /** 1 is as it will run. */
  readonly speed: Ref<number>
  /** Frames drawn in the last second. */
  readonly rate: Ref<number>
  /** What each input says now, 0–65535. */
  readonly values: Ref<readonly number[]>
  readonly events: Ref<readonly InputEvent[]>
  readonly touch: (input: number, value: number) => void
  /** Plays without what was touched; what is told here is said from the start. */
  readonly forget: (from?: readonly InputEvent[]) => void
  readonly seek: (ms: number) => void
  /** Shows the frame at a time while nothing plays, and is done when it is there; until `release` nothing else is drawn. */
  readonly hold: (ms: number) => Promise<void>
  readonly release: () => void
}

export interface ShowOptions {
  /** What looks wrong while it plays, where something does. */
  readonly fault?: () => FaultyRuns
}

function withValue(values: readonly number[], input: number, value: number): readonly number[] {
  const next = [...values]
  next[input] = value
  return next
}

/**
 * Plays a show: a worker works out the frames, the page asks for the next one when the last has come, so that neither waits for the other.
 *
 * @param eye how it is looked at
 * @param aspect width of the picture by its height
 */
export function useShow(
  plan: () => Plan | undefined,
  show: () => Show | undefined,
  eye: () => Eye,
  aspect: Ref<number>,
  { fault }: ShowOptions = {},
): ShowPlayer {
  const worker = new Worker(new URL('../engine/show.worker.ts', import.meta.url), {
    type: 'module',
    name: 'show',
  })
  const service = wrap<ShowWorker>(worker)
  const open = shallowRef<OpenShow>()
  const frame = shallowRef<ShownFrame>()
  const problem = shallowRef<string>()
  const [ms, speed, rate] = [ref(0), ref(1), ref(0)]
  const [isPlaying, isLooping] = [ref(false), ref(true)]
  const events = shallowRef<readonly InputEvent[]>([])
  const values = shallowRef<readonly number[]>([])
  const lengthMs = computed(() => (open.value?.seconds ?? 10) * 1000)
  /** The last moment of it: right behind begins its first scene again. */
  const lastMs = computed(() => lengthMs.value - 1)

  let isBusy = false
  /** What was asked for last: nothing is asked for twice. */
  let asked: string | undefined
  let [isGone, isHeld] = [false, false]
  let generation = 0
  worker.addEventListener('error', ({ message }) => {
    problem.value = message || 'its worker could not be started'
    isPlaying.value = false
  })

  async function load(): Promise<void> {
    const [own, current] = [plan(), show()]
    if (own === undefined || current === undefined) return
    const mine = (generation += 1)
    isBusy = true
    try {
      const loaded = await service.load(own, current)
      if (fault !== undefined) await service.suppose(fault())
      if (mine !== generation || isGone) return
      open.value = loaded
      problem.value = undefined
      asked = undefined
    } catch (error) {
      problem.value = messageOf(error)
    } finally {
      if (mine === generation) isBusy = false
    }
  }
  watch([plan, show], () => void load(), { immediate: true })
  if (fault !== undefined)
    watch(fault, (next) => {
      void service.suppose(next).then(() => {
        asked = undefined
      })
    })

  // A window that is being drawn larger is looked at once it has come to rest.
  let resting: ReturnType<typeof setTimeout> | undefined
  watch(
    aspect,
    (next) => {
      clearTimeout(resting)
      resting = setTimeout(() => {
        void service.reshape(next).then(() => {
          asked = undefined
        })
      }, restMs)
    },
    { immediate: true },
  )

  let [counted, since] = [0, performance.now()]
  async function draw(): Promise<void> {
    const at = Math.floor(ms.value)
    const { stops, kelvin } = eye()
    const key = `${String(at)}|${String(stops)}|${String(kelvin)}|${String(events.value.length)}|${String(generation)}`
    if (isBusy || isHeld || open.value === undefined || key === asked) return
    isBusy = true
    asked = key
    const mine = generation
    try {
      const next = await service.frame(at, events.value, {
        stops,
        kelvin,
        speed: speed.value,
      })
      if (mine !== generation || isGone || next === undefined) return
      frame.value = next
      counted += 1
    } catch (error) {
      problem.value = messageOf(error)
      isPlaying.value = false
    } finally {
      if (mine === generation) isBusy = false
    }
  }
  function tellRate(): void {
    const now = performance.now()
    if (now - since < 1000) return
    rate.value = Math.round((counted * 1000) / (now - since))
    counted = 0
    since = now
  }

  /** A pause of the page, such as a tab in the background, is no leap in the show, ms. */
  const longestStep = 100
  useRafFn(({ delta }) => {
    if (isPlaying.value) {
      ms.value += Math.min(delta, longestStep) * speed.value
      if (ms.value >= lastMs.value) {
        if (isLooping.value) seek(0)
        else {
          ms.value = lastMs.value
          isPlaying.value = false
        }
      }
    }
    tellRate()
    void draw()
  })

  function seek(to: number): void {
    ms.value = Math.min(lastMs.value, Math.max(0, to))
  }
  function touch(input: number, value: number): void {
    // After the frame that is shown: what was seen stays as it was.
    const at = Math.max(Math.floor(ms.value), frame.value?.ms ?? 0) + 1
    events.value = [...events.value.filter(([when]) => when <= at), [at, input, value]]
    values.value = withValue(values.value, input, value)
    if (!isPlaying.value) ms.value = at + 10
  }
  function forget(from: readonly InputEvent[] = []): void {
    events.value = from
    values.value = []
    for (const [, input, value] of from) values.value = withValue(values.value, input, value)
    asked = undefined
  }
  async function hold(at: number): Promise<void> {
    isHeld = true
    isPlaying.value = false
    ms.value = at
    const next = await service.frame(Math.floor(at), events.value, { ...eye(), speed: 1 })
    if (next !== undefined) frame.value = next
  }
  function release(): void {
    isHeld = false
    asked = undefined
  }
  onScopeDispose(() => {
    isGone = true
    clearTimeout(resting)
    service[releaseProxy]()
    worker.terminate()
  })
  return {
    open,
    frame,
    problem,
    ms,
    lengthMs,
    isPlaying,
    isLooping,
    speed,
    rate,
    values,
    events,
    touch,
    forget,
    seek,
    hold,
    release,
  }
}
