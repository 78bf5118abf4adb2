import { Engine } from './engine'
import { allStages } from './late-stages'
import type { Plan } from './plan/plan'
import type { WorkedPlan } from './derived'

// A plan is immutable: what was worked out of it stands as long as it is there.
const engines = new WeakMap<Plan, Engine>()

/** The engine with all stages that follows this plan and no other. */
export function engineOf(plan: Plan): Engine {
  const engine = engines.get(plan) ?? new Engine(plan, allStages)
  engines.set(plan, engine)
  return engine
}

/** A plan with the results of all stages, each worked out when it is read. */
export const worked = (plan: Plan): WorkedPlan => engineOf(plan).worked
