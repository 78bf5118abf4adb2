import { computed, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { mostFlashes } from '../../core/glow/flash'
import type { Flashing } from '../../core/glow/flashing'
import type { Show } from '../../core/plan/plan'
import type { ShowPlayer } from './use-show'

export interface FlashConsent {
  /** What is asked about: how the show flashes, or how it did just now while it was shown. */
  readonly asked: ComputedRef<{ readonly flashing: Flashing; readonly isLive: boolean } | undefined>
  /** Whether the show may be played; asks where it flashes above the limit and nobody has agreed. */
  readonly mayPlay: () => boolean
  readonly agree: () => void
  readonly close: () => void
}

/** Nothing that flashes above the limit is played before somebody agrees to it. */
export function useFlashConsent(
  { frame, isPlaying }: Pick<ShowPlayer, 'frame' | 'isPlaying'>,
  show: Ref<Show | undefined>,
  flashing: Ref<Flashing | undefined>,
): FlashConsent {
  /** What somebody agreed to see flash. */
  const agreed = shallowRef<Show>()
  const isAsking = ref(false)
  /** What flashed while it was shown, as it was touched or as fast as it plays: it stops at the limit. */
  const live = shallowRef<Flashing>()
  const isRefused = (one: Flashing | undefined): boolean =>
    (one?.perSecond ?? 0) > mostFlashes && agreed.value !== show.value
  watch(flashing, (next) => {
    if (isRefused(next)) isPlaying.value = false
  })
  watch(frame, (next) => {
    if (!isPlaying.value || !isRefused(next?.flashing)) return
    isPlaying.value = false
    live.value = next?.flashing
    isAsking.value = true
  })
  function mayPlay(): boolean {
    live.value = undefined
    isAsking.value = isRefused(flashing.value)
    return !isAsking.value
  }
  function agree(): void {
    agreed.value = show.value
    isAsking.value = false
    isPlaying.value = true
  }
  const asked = computed(() => {
    const one = live.value ?? flashing.value
    return isAsking.value && one ? { flashing: one, isLive: live.value !== undefined } : undefined
  })
  return {
    asked,
    mayPlay,
    agree,
    close: () => {
      isAsking.value = false
    },
  }
}
