import { expose } from 'comlink'
import { worked } from '../../core/engine'
import { planFeeds, type FeedGoal, type FeedPlan } from '../../core/feed/planner'
import type { Plan } from '../../core/plan/plan'

const service = {
  /** Looks for feeds that reach a goal; `tell` hears the share that is done. */
  plan: (plan: Plan, goal: FeedGoal, tell: (done: number) => void): FeedPlan =>
    planFeeds(worked(plan), goal, (done) => {
      tell(done)
      return false
    }),
}

export type PlannerService = typeof service

expose(service)
