import { computed, type ComputedRef } from 'vue'
import { partsOf, type Parts } from '../../core/parts/find'
import { usePlanStore } from './plan'

/** All parts that the open plan can use. */
export function usePlanParts(): ComputedRef<Parts> {
  const store = usePlanStore()
  return computed(() => partsOf(store.plan?.own ?? {}))
}
