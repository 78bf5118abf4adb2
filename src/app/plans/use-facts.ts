import { messageOf } from '../../core/quantity/message-of'
import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { endJobs, startJobs, type Jobs } from '../engine/jobs'
import type { PlanFacts } from '../engine/plan-facts'
import { within } from '../engine/within'
import type { StoredPlan } from '../storage/db'
import { useShelf } from '../stores/shelf'

/** Facts of a stored plan that are of its present state, with what it costs and how far it is built. */
export const freshFacts = ({ facts, revision }: StoredPlan): PlanFacts | undefined =>
  facts?.revision === revision && facts.work !== undefined && facts.units !== undefined
    ? facts
    : undefined

/** Longer than any plan takes, ms. */
const patienceMs = 30_000

/**
 * Works out what the shelf does not know yet of its plans, one after another in a worker, and keeps it beside them.
 *
 * @returns why plans could not be worked out, by their ids
 */
export function useMissingFacts(
  plans: Ref<readonly StoredPlan[] | undefined>,
): Ref<ReadonlyMap<string, string>> {
  const { shelf } = useShelf()
  const problems = shallowRef<ReadonlyMap<string, string>>(new Map())
  let jobs: Jobs | undefined
  let isBusy = false
  /** A plan that cannot be worked out is not tried again and again. */
  const tried = new Set<string>()

  function end(): void {
    if (jobs !== undefined) endJobs(jobs)
    jobs = undefined
  }

  async function work({ id, revision }: StoredPlan): Promise<void> {
    const loaded = await shelf.load(id)
    if (!loaded.ok) {
      if (loaded.reason === 'missing') return
      const [first] = loaded.issues
      throw new Error(
        first === undefined || first.path === ''
          ? (first?.message ?? 'it cannot be read')
          : `${first.path} ${first.message}`,
      )
    }
    jobs ??= startJobs()
    const facts = await within(jobs.service.facts(loaded.plan), {
      ms: patienceMs,
      message: 'it takes too long',
      // A worker that does not come back is of no use to the next plan.
      onLate: end,
    })
    await shelf.keepFacts(id, revision, facts)
  }

  async function next(): Promise<void> {
    const stored = plans.value?.find(
      (plan) => freshFacts(plan) === undefined && !tried.has(`${plan.id}.${String(plan.revision)}`),
    )
    if (isBusy || stored === undefined) return
    isBusy = true
    tried.add(`${stored.id}.${String(stored.revision)}`)
    try {
      await work(stored)
    } catch (error) {
      // The others are worked out all the same.
      problems.value = new Map([...problems.value, [stored.id, messageOf(error)]])
    } finally {
      isBusy = false
    }
    await next()
  }

  watch(plans, () => void next(), { immediate: true })
  onScopeDispose(end)
  return problems
}
