import type { CutStripRun } from '../cut/cut'
import { placesOf } from '../measure/layout'
import type { Feed } from '../plan/plan'
import type { Lead } from '../route/lead'
import { junctionLeads, runLeads } from '../route/leads'
import type { RoutedPlan } from '../route/routed-plan'
import { stripNetwork } from './plan-network'
import { solve } from './solve'
import { solvedParts } from './solved-parts'
import type { SolvedRun } from './solution'

/** A run as it would be fed at some places. */
export interface FedAlone {
  readonly leads: readonly Lead[]
  /** Through each of the leads, A. */
  readonly amperes: readonly number[]
  /** `undefined` where it reaches no supply, or there is no answer. */
  readonly run: SolvedRun | undefined
}

/**
 * Solves one run at full white as if it were fed in this way and hung on its supplies and junctions alone.
 *
 * @param options.isTriedOnce this way of feeding will not be tried again, so its solution is not worth remembering
 */
export function feedAlone(
  { plan, layout, sources, volts }: Pick<RoutedPlan, 'plan' | 'layout' | 'sources' | 'volts'>,
  entry: CutStripRun,
  feeds: readonly Feed[],
  { isTriedOnce = false }: { readonly isTriedOnce?: boolean } = {},
): FedAlone {
  const { id } = entry.run
  const place = placesOf(layout).get(id)
  if (place === undefined) return { leads: [], amperes: [], run: undefined }
  const leads = runLeads(plan, entry, place, sources, feeds)
  const others = junctionLeads(plan, sources)
  const result = solve(
    stripNetwork({ plan, cutRuns: [entry], volts, leads: [...others, ...leads] }, 'full-white'),
    isTriedOnce ? undefined : solvedParts,
  )
  const run = result.ok ? result.solution.runs.get(id) : undefined
  if (!result.ok || run === undefined || 'floating' in run)
    return { leads, amperes: [], run: undefined }
  const amperes = leads.map((_, index) =>
    Math.abs(result.solution.leads[others.length + index]?.plusA ?? 0),
  )
  return { leads, amperes, run }
}
