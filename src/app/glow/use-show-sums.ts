import { proxy } from 'comlink'
import { computed, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import type { Flashing } from '../../core/glow/flashing'
import type { InputEvent } from '../../core/glow/play'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan, Show } from '../../core/plan/plan'
import type { EarlyShow } from '../engine/jobs.worker'
import { useJob } from '../engine/use-job'
import { framesPerSecond } from './use-show'

/** Touches are played through once the hand has left them for a moment, ms. */
const restMs = 400

export interface ShowSums {
  /** What the show comes to; remedies come last, once they have been tried. */
  readonly results: ComputedRef<EarlyShow['results']>
  /** How it flashes, which is known first. */
  readonly flashing: ComputedRef<Flashing | undefined>
  /** How far they are, 0–1; `undefined` once they are there. */
  readonly progress: Ref<number | undefined>
  /** Why they did not come. */
  readonly problem: Ref<string | undefined>
  /** Plays the show through again. */
  readonly again: () => void
}

/** Plays a show through beside the page: its amperes, energy, flashes and verdicts. What is known of it stays while it is worked out anew. */
export function useShowSums(
  plan: Ref<Plan | undefined>,
  show: Ref<Show | undefined>,
  events: Ref<readonly InputEvent[]>,
): ShowSums {
  const early = shallowRef<EarlyShow>()
  const { result, progress, problem, start } = useJob(
    () => plan.value ?? emptyPlan('', 'line'),
    (service, own, tell, current: Show) =>
      service.show(
        own,
        current,
        { framesPerSecond, events: [...events.value] },
        tell,
        proxy((known: EarlyShow) => {
          early.value = known
        }),
      ),
  )
  let later: ReturnType<typeof setTimeout> | undefined
  watch(
    [plan, show, events],
    ([own, current], [before, playedBefore]) => {
      if (own === undefined || current === undefined) return
      if (current !== playedBefore) early.value = undefined
      else if (own !== before && early.value !== undefined)
        early.value = { flashing: early.value.flashing }
      clearTimeout(later)
      later = setTimeout(() => {
        start(current)
      }, restMs)
    },
    { immediate: true },
  )
  return {
    results: computed(() => {
      const known = early.value?.results
      return progress.value === undefined && known !== undefined && result.value !== undefined
        ? { ...known, verdicts: result.value }
        : known
    }),
    flashing: computed(() => early.value?.flashing),
    progress,
    problem,
    again: () => {
      if (show.value !== undefined) start(show.value)
    },
  }
}
