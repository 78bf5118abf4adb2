import { toRef, type Ref } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { usePlanStore } from './plan'

/** The plan that is open, for what is shown only while one is. */
export const useOpenPlan = (): Readonly<Ref<Plan>> => toRef(usePlanStore(), 'openPlan')
