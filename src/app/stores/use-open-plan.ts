import { computed, type ComputedRef } from 'vue'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan } from '../../core/plan/plan'
import { usePlanStore } from './plan'

/** The plan that is open, for what is shown only while one is. While it is being closed it stays as it was last. */
export function useOpenPlan(): ComputedRef<Plan> {
  const store = usePlanStore()
  return computed<Plan>((last) => store.plan ?? last ?? emptyPlan('', 'line'))
}
