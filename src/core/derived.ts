import type { Plan } from './plan/plan'
import type { JudgedPlan } from './verdict/judged-plan'

/** A plan with the result of every stage. */
export type WorkedPlan = JudgedPlan

/** Everything that is worked out of a plan, by the name of its result. */
export type StageName = Exclude<keyof WorkedPlan, 'plan'>

/** How something is worked out: which parts of the plan and which results of stages it reads, and the pure function of them. */
export interface Derived<Result> {
  readonly plan: readonly (keyof Plan)[]
  readonly reads: readonly StageName[]
  readonly work: (given: WorkedPlan) => Result
}

/** Types the function by what is declared: it cannot reach a result that it does not name. */
export const derived = <Result, Reads extends StageName>(
  plan: readonly (keyof Plan)[],
  reads: readonly Reads[],
  work: (given: Pick<WorkedPlan, Reads | 'plan'>) => Result,
): Derived<Result> => ({ plan, reads, work })
