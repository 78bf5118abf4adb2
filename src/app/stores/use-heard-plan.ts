import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { usePlanStore } from './plan'

/** The open plan as something long hears of it: the same object while only parts change that it does not read. */
export function useHeardPlan(unheard: readonly (keyof Plan)[]): ShallowRef<Plan | undefined> {
  const store = usePlanStore()
  const heard = shallowRef<Plan>()
  watch(
    () => store.plan,
    (plan) => {
      const before = heard.value
      const isSame =
        plan !== undefined &&
        before !== undefined &&
        (Object.keys(plan) as (keyof Plan)[]).every(
          (key) => unheard.includes(key) || plan[key] === before[key],
        )
      if (!isSame) heard.value = plan
    },
    { immediate: true },
  )
  return heard
}
