import type { BoughtPlan } from '../buy/bought-plan'
import type { JudgedFinding, JudgedVerdict } from './verdict'

/** A plan with everything that is worked out of it, and the verdicts on that. */
export interface JudgedPlan extends BoughtPlan {
  /** Verdicts whose remedies nobody has asked for yet. */
  readonly findings: readonly JudgedFinding[]
  readonly verdicts: readonly JudgedVerdict[]
}
