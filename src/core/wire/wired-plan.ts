import type { FedPlan } from '../feed/fed-plan'
import type { Levels } from '../signal/signal-levels'
import type { PlanJoint } from './joints'
import type { Wiring } from './wires'

/** What is known of a plan once levels are judged and every joint is known. */
export interface WiredPlan extends FedPlan {
  readonly signal: Levels
  readonly wiring: Wiring
  readonly joints: readonly PlanJoint[]
}
