import type { CutStripRun } from '../cut/cut'
import type { Layout } from '../measure/layout'
import type { Feed, Plan } from '../plan/plan'
import { networkOf } from './build'
import { junctionLeads, runLeads, type Hidden, type Lead } from './leads'
import { solve, type SolvedRun } from './solve'
import type { FedSupply } from './supplies'

/** What is fed from where. */
export interface Fed {
  readonly plan: Plan
  readonly layout: Layout
  readonly hidden: Hidden
  readonly supplies: readonly FedSupply[]
}

/** A run as it would be fed at some places. */
export interface FedAlone {
  readonly leads: readonly Lead[]
  /** Through each of the leads, A. */
  readonly amperes: readonly number[]
  /** `undefined` where it reaches no supply, or there is no answer. */
  readonly run: SolvedRun | undefined
}

/** Solves one run at full white as if it were fed in this way and hung on its supplies and junctions alone. */
export function feedAlone(
  { plan, layout, hidden, supplies }: Fed,
  entry: CutStripRun,
  feeds: readonly Feed[],
): FedAlone {
  const { id } = entry.run
  const place = layout.placed.find((placed) => placed.id === id)?.place
  if (place === undefined) return { leads: [], amperes: [], run: undefined }
  const leads = runLeads(plan, entry, place, hidden, feeds)
  const others = junctionLeads(plan, hidden)
  const result = solve(networkOf(plan, [entry], [...others, ...leads], supplies, 'full-white'))
  const run = result.ok ? result.solution.runs.get(id) : undefined
  if (!result.ok || run === undefined || 'floating' in run)
    return { leads, amperes: [], run: undefined }
  const amperes = leads.map((_, index) =>
    Math.abs(result.solution.leads[others.length + index]?.plusA ?? 0),
  )
  return { leads, amperes, run }
}
