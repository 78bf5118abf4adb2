import type { WiredPlan } from '../wire/wired-plan'
import type { BuildOrder } from './order'
import type { Step } from './step'

/** What is known of a plan once the steps of building it are. */
export interface BuiltPlan extends WiredPlan {
  /** In no order yet. */
  readonly steps: readonly Step[]
  /** … and in the plan's own. */
  readonly schedule: BuildOrder
}
