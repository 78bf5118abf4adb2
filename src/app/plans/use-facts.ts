import { onScopeDispose, watch, type Ref } from 'vue'
import { endJobs, startJobs, type Jobs } from '../engine/jobs'
import type { PlanFacts } from '../engine/plan-facts'
import type { StoredPlan } from '../storage/db'
import { useShelf } from '../stores/shelf'

/** Facts of a stored plan that are of its present state. */
export const freshFacts = ({ facts, revision }: StoredPlan): PlanFacts | undefined =>
  facts?.revision === revision ? facts : undefined

/** Works out what the shelf does not know yet of its plans, one after another in a worker, and keeps it beside them. */
export function useMissingFacts(plans: Ref<readonly StoredPlan[] | undefined>): void {
  const { shelf } = useShelf()
  let jobs: Jobs | undefined
  let isBusy = false
  /** A plan that cannot be worked out is not tried again and again. */
  const tried = new Set<string>()

  async function next(): Promise<void> {
    const stored = plans.value?.find(
      (plan) => freshFacts(plan) === undefined && !tried.has(`${plan.id}.${String(plan.revision)}`),
    )
    if (isBusy || stored === undefined) return
    isBusy = true
    tried.add(`${stored.id}.${String(stored.revision)}`)
    jobs ??= startJobs()
    try {
      const loaded = await shelf.load(stored.id)
      if (loaded.ok)
        await shelf.keepFacts(stored.id, stored.revision, await jobs.service.facts(loaded.plan))
    } catch {
      // One that fails stays without facts; the others are worked out all the same.
    } finally {
      isBusy = false
    }
    await next()
  }

  watch(plans, () => void next(), { immediate: true })
  onScopeDispose(() => {
    if (jobs !== undefined) endJobs(jobs)
  })
}
