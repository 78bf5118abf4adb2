import { computed, type ComputedRef } from 'vue'
import { emptyPlan } from '../../core/plan/empty'
import type { Rules } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'

/** The rules of the open plan, and how one of them is changed. */
export function useRules(): {
  rules: ComputedRef<Rules>
  /** @param label what Undo calls it; changes of the same in a row are one step back */
  set: (change: Partial<Rules>, label: string) => void
} {
  const store = usePlanStore()
  return {
    rules: computed(() => (store.plan ?? emptyPlan('', 'line')).rules),
    set: (rules, label) => {
      store.commit([{ do: 'set-rules', rules }], { label, key: `rules.${label}` })
    },
  }
}
