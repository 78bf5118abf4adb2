import { Engine } from './engine'
import { allStages } from './late-stages'
import type { Plan } from './plan/plan'
import type { WorkedPlan } from './stages'

/** A plan with the results of all stages, each worked out when it is read. */
export const worked = (plan: Plan): WorkedPlan => new Engine(plan, allStages).worked
