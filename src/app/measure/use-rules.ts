import { computed, type ComputedRef } from 'vue'
import type { Rules } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'

/** The rules of the open plan, and how one of them is changed. */
export function useRules(): {
  rules: ComputedRef<Rules>
  /** @param label what Undo calls it; changes of the same in a row are one step back */
  set: (change: Partial<Rules>, label: string) => void
} {
  const [store, plan] = [usePlanStore(), useOpenPlan()]
  return {
    rules: computed(() => plan.value.rules),
    set: (rules, label) => {
      store.commit([{ do: 'set-rules', rules }], { label, key: `rules.${label}` })
    },
  }
}
