import type { WiredPlan } from '../wire/wired-plan'
import type { Verdict } from './verdict'

/** A plan with everything that is worked out of it, and the verdicts on that. */
export interface JudgedPlan extends WiredPlan {
  readonly verdicts: readonly Verdict[]
}
