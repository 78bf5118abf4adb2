import { wrap, type Remote } from 'comlink'
import { onScopeDispose, watch, type Ref } from 'vue'
import type { JobService } from '../engine/jobs.worker'
import type { PlanFacts } from '../engine/plan-facts'
import type { StoredPlan } from '../storage/db'
import { useShelf } from '../stores/shelf'

/** Facts of a stored plan that are of its present state. */
export const freshFacts = ({ facts, revision }: StoredPlan): PlanFacts | undefined =>
  facts?.revision === revision ? facts : undefined

/** Works out what the shelf does not know yet of its plans, one after another in a worker, and keeps it beside them. */
export function useMissingFacts(plans: Ref<readonly StoredPlan[] | undefined>): void {
  const { shelf } = useShelf()
  let worker: Worker | undefined
  // Held as long as the worker: once a proxy is collected, its far end stops answering.
  let jobs: Remote<JobService> | undefined
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
    if (worker === undefined || jobs === undefined) {
      worker = new Worker(new URL('../engine/jobs.worker.ts', import.meta.url), {
        type: 'module',
        name: 'jobs',
      })
      jobs = wrap<JobService>(worker)
    }
    try {
      const loaded = await shelf.load(stored.id)
      const facts = loaded.ok ? await jobs.facts(loaded.plan) : undefined
      if (facts !== undefined) await shelf.keepFacts(stored.id, stored.revision, facts)
    } catch {
      // One that fails stays without facts; the others are worked out all the same.
    } finally {
      isBusy = false
    }
    await next()
  }

  watch(plans, () => void next(), { immediate: true })
  onScopeDispose(() => {
    worker?.terminate()
  })
}
