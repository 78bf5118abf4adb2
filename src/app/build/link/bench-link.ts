import { useRafFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import type { SimulatedBoard, StripFault } from '../../../core/glow/link/board'
import type { LinkPlan } from '../../../core/glow/link/lanes'
import { linkVersion, type Lit } from '../../../core/glow/link/protocol'
import { messageOf } from '../../../core/quantity/message-of'
import { LinkClient, LinkProblem } from './link-client'
import type { LinkPort } from './link-port'
import { openSerial } from './serial-port'
import { SimulatedPort, type WireFaults } from './simulated-port'

export interface LaneFault {
  readonly lane: number
  readonly fault: StripFault
}

// The link lasts while the page does: leaving the view, or the plan, does not end it.
const status = ref<'none' | 'opening' | 'open' | 'lost'>('none')
const problem = ref<string>()
const port = shallowRef<LinkPort>()
const client = shallowRef<LinkClient>()
/** What the board said of itself: protocol, lanes, inputs, mark of the plan. */
const hello = shallowRef<readonly string[]>()
const lit = shallowRef<Lit>({ word: 'off' })
const litSince = ref(0)
/** Lines of the board that answered nothing, the last ones. */
const said = ref<readonly string[]>([])
const repeated = ref(0)
const faults = shallowRef<readonly LaneFault[]>([])
const wire = shallowRef<WireFaults>({ isNoisy: false, isDeaf: false })
/** The simulated board as it is now. */
const strip = shallowRef<{ readonly board: SimulatedBoard }>()
/** What the inputs of the simulated board say, by their number. */
const inputValues = shallowRef<readonly number[]>([])

const mostSaid = 8

function lose(why: string): void {
  status.value = 'lost'
  problem.value = why
  client.value = undefined
  lit.value = { word: 'off' }
}

async function join(next: LinkPort): Promise<void> {
  const own = new LinkClient(next, (line) => {
    said.value = [...said.value.slice(1 - mostSaid), line]
  })
  port.value = next
  next.onGone(() => {
    lose('The board is gone: plug it in and connect it again. Nothing that you marked is lost.')
  })
  // Twice the same: a damaged word is no other plan.
  let before: string | undefined
  for (let attempt = 0; attempt < 6; attempt += 1) {
    const answer = await own.ask({ word: 'hello' })
    if (answer === before) break
    before = answer
  }
  const words = (before ?? '').split(' ')
  if (words[0] !== String(linkVersion))
    throw new Error(
      `The board speaks version ${words[0] ?? '?'} of the bench link, this page version ${String(linkVersion)}: save the C again and load it`,
    )
  hello.value = words
  client.value = own
  status.value = 'open'
}

async function open(find: () => Promise<LinkPort | undefined>): Promise<void> {
  problem.value = undefined
  said.value = []
  repeated.value = 0
  status.value = 'opening'
  try {
    const found = await find()
    if (found === undefined) status.value = 'none'
    else await join(found)
  } catch (error) {
    await port.value?.close()
    status.value = 'none'
    problem.value =
      error instanceof LinkProblem && error.kind === 'silent'
        ? 'The board does not answer. Is the program with the bench link on it, does nothing else hold its port, and can the cable carry data?'
        : `It could not be opened: ${messageOf(error)}`
  }
}

async function close(): Promise<void> {
  await client.value?.light({ word: 'off' }).catch(() => undefined)
  await port.value?.close()
  port.value = undefined
  client.value = undefined
  hello.value = undefined
  lit.value = { word: 'off' }
  status.value = 'none'
  problem.value = undefined
}

/** Lights something on the board, and says so when that fails. */
async function light(next: Lit): Promise<void> {
  const own = client.value
  if (own === undefined) return
  try {
    await own.light(next)
    lit.value = next
    litSince.value = performance.now()
    problem.value = undefined
  } catch (error) {
    tellProblem(error)
  } finally {
    repeated.value = own.repeated
  }
}

function tellProblem(error: unknown): void {
  if (error instanceof LinkProblem && error.kind === 'gone') return
  problem.value = `${messageOf(error)}. ${
    error instanceof LinkProblem && error.kind !== 'silent'
      ? 'Its program is from another state of the plan: save the C again and load it.'
      : 'Nothing is lost: look at its plug, then try again.'
  }`
}

/** What an input says, 0 to 65535; `undefined` where the board does not tell. */
async function read(input: number): Promise<number | undefined> {
  try {
    const answer = await client.value?.ask({ word: 'read', input })
    const value = Number(answer)
    return answer !== undefined && answer !== '' && value <= 65_535 ? value : undefined
  } catch (error) {
    tellProblem(error)
    return undefined
  }
}

const simulatedOf = (link: LinkPlan): ConstructorParameters<typeof SimulatedPort>[0] => ({
  lanes: link.lanes.map((lane, index) => ({
    ...lane,
    faults: faults.value.filter((one) => one.lane === index).map(({ fault }) => fault),
  })),
  inputs: link.inputs.map((_, index) => inputValues.value[index] ?? 0),
  mark: link.mark,
})

export interface BenchLink {
  readonly status: typeof status
  readonly problem: typeof problem
  readonly boardName: ComputedRef<string>
  readonly lit: typeof lit
  readonly litSince: Ref<number>
  readonly said: typeof said
  readonly repeated: typeof repeated
  /** The board's program is of other lanes or inputs than the plan has now. */
  readonly isOther: ComputedRef<boolean>
  /** The simulated board, where that is spoken to. */
  readonly simulated: ComputedRef<SimulatedPort | undefined>
  /** … with its strip: another object whenever the strip is another. */
  readonly strip: typeof strip
  readonly faults: typeof faults
  readonly wire: typeof wire
  readonly inputValues: typeof inputValues
  readonly connect: () => Promise<void>
  readonly simulate: () => Promise<void>
  readonly close: () => Promise<void>
  readonly light: (lit: Lit) => Promise<void>
  readonly read: (input: number) => Promise<number | undefined>
}

/** The link to a board, real or simulated, for the lanes of a plan. */
export function useBenchLink(link: () => LinkPlan | undefined): BenchLink {
  const simulated = computed(() =>
    status.value === 'open' && port.value instanceof SimulatedPort ? port.value : undefined,
  )
  watch([link, faults, inputValues, wire, simulated], () => {
    const [own, now] = [simulated.value, link()]
    strip.value = own && { board: own.board }
    if (own === undefined || now === undefined) return
    own.board.change(simulatedOf(now))
    own.wire = wire.value
  })
  return {
    status,
    problem,
    boardName: computed(() => port.value?.name ?? ''),
    lit,
    litSince,
    said,
    repeated,
    isOther: computed(() => {
      const now = link()
      return (
        simulated.value === undefined &&
        now !== undefined &&
        hello.value !== undefined &&
        hello.value[3] !== now.mark
      )
    }),
    simulated,
    strip,
    faults,
    wire,
    inputValues,
    connect: () => open(openSerial),
    simulate: () =>
      open(() => {
        const now = link()
        if (now === undefined) return Promise.resolve(undefined)
        wire.value = { isNoisy: false, isDeaf: false }
        return Promise.resolve(new SimulatedPort(simulatedOf(now)))
      }),
    close,
    light,
    read,
  }
}

/** The time while something moves on the strip, ms; it stands still when nothing does. */
export function useLinkTime(isMoving: () => boolean): Ref<number> {
  const now = ref(performance.now())
  const { pause, resume } = useRafFn(
    () => {
      now.value = performance.now()
    },
    { immediate: false },
  )
  watch(
    isMoving,
    (moves) => {
      now.value = performance.now()
      if (moves) resume()
      else pause()
    },
    { immediate: true },
  )
  onScopeDispose(pause)
  return now
}
