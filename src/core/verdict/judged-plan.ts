import type { BoughtPlan } from '../buy/bought-plan'
import type { JudgedVerdict } from './verdict'

/** A plan with everything that is worked out of it, and the verdicts on that. */
export interface JudgedPlan extends BoughtPlan {
  readonly verdicts: readonly JudgedVerdict[]
}
