import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { goesByClock } from '../../core/glow/by-clock'
import type { InputEvent } from '../../core/glow/play'
import type { Show } from '../../core/plan/plan'
import type { ShowPlayer } from './use-show'

export interface ShowClock {
  readonly isByClock: ComputedRef<boolean>
  /** Of the day. */
  readonly minute: Ref<number>
  readonly setMinute: (minute: number) => void
  /** Something was touched since the show was opened. */
  readonly isTouched: ComputedRef<boolean>
  /** As if nothing had been touched. */
  readonly forget: () => void
}

/** Evening, when most shows have begun. */
const usualMinute = 20 * 60

/**
 * The time of day that a show sees while it is played here. To the player the clock is one more input, behind those of the board.
 *
 * @param inputs how many inputs the board has
 */
export function useShowClock(
  player: Pick<ShowPlayer, 'events' | 'touch' | 'forget'>,
  show: Ref<Show | undefined>,
  inputs: () => number,
): ShowClock {
  const minute = ref(usualMinute)
  const isByClock = computed(() => show.value !== undefined && goesByClock(show.value))
  /** What the show is told before anything is touched. */
  const fromStart = (): readonly InputEvent[] =>
    isByClock.value ? [[0, inputs(), minute.value]] : []
  const forget = (): void => {
    player.forget(fromStart())
  }
  watch([isByClock, inputs, () => show.value?.id], forget, { immediate: true })
  return {
    isByClock,
    minute,
    setMinute: (next) => {
      minute.value = next
      player.touch(inputs(), next)
    },
    isTouched: computed(() => player.events.value.length > fromStart().length),
    forget,
  }
}
