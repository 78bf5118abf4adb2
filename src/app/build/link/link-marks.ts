import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

/** What was found at a run over the link. */
export interface RunMarks {
  /** Elements of its lane that stay dark. */
  readonly dark: readonly number[]
  /** How many pixels it really has. */
  readonly counted?: number
}

export interface LinkMarks {
  readonly of: (run: string) => RunMarks
  readonly mark: (run: string, set: Partial<RunMarks>) => void
  readonly forget: (run: string) => void
}

const nothing: RunMarks = { dark: [] }

/** What was found over the link, kept on this device until it is noted in the plan or forgotten. */
export function useLinkMarks(plan: () => string): LinkMarks {
  const kept = useLocalStorage<Record<string, Record<string, RunMarks>>>(
    'glow-tally bench link',
    {},
    { onError: () => undefined },
  )
  const own = computed(() => kept.value[plan()] ?? {})
  const of = (run: string): RunMarks => own.value[run] ?? nothing
  return {
    of,
    mark: (run, set) => {
      kept.value = {
        ...kept.value,
        [plan()]: { ...own.value, [run]: { ...of(run), ...set } },
      }
    },
    forget: (run) => {
      const without = <Value>(all: Record<string, Value>, key: string): Record<string, Value> =>
        Object.fromEntries(Object.entries(all).filter(([one]) => one !== key))
      const rest = without(own.value, run)
      const others = without(kept.value, plan())
      kept.value = Object.keys(rest).length === 0 ? others : { ...others, [plan()]: rest }
    },
  }
}
