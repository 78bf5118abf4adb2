import { proxy, releaseProxy, wrap } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import type { FeedGoal, FeedPlan } from '../../core/feed/planner'
import type { Plan } from '../../core/plan/plan'
import type { PlannerService } from '../workers/planner.worker'

/** A search for feeds, in a worker of its own. A change of the plan ends it; its last answer stays until it is for another plan. */
export function usePlanner(plan: () => Plan): {
  found: ShallowRef<FeedPlan | undefined>
  /** Share that is done; `undefined` while no search is on. */
  progress: ShallowRef<number | undefined>
  start: (goal: FeedGoal) => void
  stop: () => void
} {
  const found = shallowRef<FeedPlan>()
  const progress = shallowRef<number>()
  let worker: Worker | undefined

  function stop(): void {
    worker?.terminate()
    worker = undefined
    progress.value = undefined
  }
  function start(goal: FeedGoal): void {
    stop()
    const own = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), {
      type: 'module',
      name: 'planner',
    })
    worker = own
    progress.value = 0
    const service = wrap<PlannerService>(own)
    const tell = proxy((done: number) => {
      if (worker === own) progress.value = done
    })
    void service.plan(plan(), goal, tell).then((answer) => {
      service[releaseProxy]()
      if (worker !== own) return
      found.value = answer
      stop()
    })
  }

  watch(plan, () => {
    stop()
    found.value = undefined
  })
  onScopeDispose(stop)
  return { found, progress, start, stop }
}
