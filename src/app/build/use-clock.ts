import { useDocumentVisibility, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, watch, type ComputedRef, type Ref } from 'vue'

/** So often it is looked at, ms: once a second, a little late each time, it would leave a second out now and then. */
const lookMs = 250
/** Away from the page for longer, the clock stops where the page was left, ms. */
const awayMs = 5 * 60_000

/** A clock as it is kept on this device: a crash of the tab costs it a second. */
interface KeptClock {
  /** The step that it runs for. */
  step: string
  /** Counted so far, ms. */
  countedMs: number
  /** When it was looked at last while it ran; `null` while it stands. */
  seenMs: number | null
}

export interface Clock {
  readonly minutes: ComputedRef<number>
  readonly text: ComputedRef<string>
  readonly isRunning: ComputedRef<boolean>
  readonly toggle: () => void
  /** Begins anew for another step; goes on running where it ran. */
  readonly restart: (step: string, minutes?: number) => void
  /** It stopped by itself: nobody was here. */
  readonly wasLeft: Ref<boolean>
}

/** The clock of the step at hand: it runs while somebody works, and stops by itself when the page is left for long. */
export function useClock(planId: () => string | undefined): Clock {
  const kept = useLocalStorage<Record<string, KeptClock>>('glow-tally-clocks', {})
  const wasLeft = useLocalStorage('glow-tally-clock-left', false)
  const visibility = useDocumentVisibility()
  const own = computed<KeptClock>(
    () => kept.value[planId() ?? ''] ?? { step: '', countedMs: 0, seenMs: null },
  )
  const put = (clock: KeptClock): void => {
    const id = planId()
    if (id !== undefined) kept.value = { ...kept.value, [id]: clock }
  }

  function count(): void {
    const { seenMs, countedMs } = own.value
    if (seenMs === null) return
    const now = Date.now()
    const passed = now - seenMs
    if (passed > awayMs || passed < 0) {
      wasLeft.value = true
      put({ ...own.value, seenMs: null })
    } else put({ ...own.value, countedMs: countedMs + passed, seenMs: now })
  }
  const { pause } = useIntervalFn(count, lookMs)
  watch(visibility, count)
  onScopeDispose(pause)

  const seconds = computed(() => Math.floor(own.value.countedMs / 1000))
  return {
    wasLeft,
    minutes: computed(() => own.value.countedMs / 60_000),
    text: computed(
      () =>
        `${String(Math.floor(seconds.value / 60))}:${String(seconds.value % 60).padStart(2, '0')}`,
    ),
    isRunning: computed(() => own.value.seenMs !== null),
    toggle: () => {
      count()
      wasLeft.value = false
      put({ ...own.value, seenMs: own.value.seenMs === null ? Date.now() : null })
    },
    restart: (step, minutes = 0) => {
      if (own.value.step === step) return
      count()
      put({
        step,
        countedMs: minutes * 60_000,
        seenMs: own.value.seenMs === null ? null : Date.now(),
      })
    },
  }
}
