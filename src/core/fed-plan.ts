import { cut, type CutStripRun } from './cut/cut'
import { hiddenPlaces, leadsOf, type Hidden, type Lead } from './feed/leads'
import { feedSupplies, type FedSupply } from './feed/supplies'
import { litRuns, type LitRun } from './load/lights'
import { loadRuns, type RunLoad } from './load/load'
import { layOut, type Layout } from './measure/layout'
import { measure, type Measured } from './measure/measure'
import { partsOf, type Parts } from './parts/find'
import type { Plan } from './plan/plan'

/** What is known of a plan before its feed is solved. */
export interface FedPlan {
  readonly plan: Plan
  readonly parts: Parts
  readonly measured: Measured
  readonly layout: Layout
  readonly hidden: Hidden
  readonly cuts: readonly CutStripRun[]
  /** Runs of single lights that say what hangs there. */
  readonly lit: readonly LitRun[]
  readonly loads: readonly RunLoad[]
  readonly supplies: readonly FedSupply[]
  readonly leads: readonly Lead[]
}

/** Works the stages out up to the leads, in the order of the work. */
export function fedPlan(plan: Plan): FedPlan {
  const parts = partsOf(plan.own)
  const measured = measure(plan)
  const layout = layOut(measured.runs, plan.bench)
  const hidden = hiddenPlaces(plan, layout)
  const cuts = cut(plan, measured.runs, parts)
  const lit = litRuns(plan, cuts, parts)
  const loads = loadRuns(plan, cuts, lit)
  const supplies = feedSupplies(plan, loads, parts)
  const leads = leadsOf(plan, cuts, layout, hidden)
  return { plan, parts, measured, layout, hidden, cuts, lit, loads, supplies, leads }
}
