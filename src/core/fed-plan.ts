import { cut, type CutStripRun } from './cut/cut'
import { plugTrees, type PlugTree } from './feed/plugs'
import { hiddenPlaces, leadsOf, type Hidden, type Lead } from './feed/leads'
import { feedSupplies, type FedSupply } from './feed/supplies'
import { litRuns, type LitRun } from './load/lights'
import { loadRuns, type RunLoad } from './load/load'
import { nodeRuns, type NodeRun } from './load/nodes'
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
  /** How lights with plugs are plugged together. */
  readonly plugs: readonly PlugTree[]
  /** Runs whose lights are assemblies. */
  readonly nodes: readonly NodeRun[]
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
  const plugs = plugTrees(plan, cuts, lit, layout)
  const nodes = nodeRuns(measured.runs)
  const loads = loadRuns(plan, cuts, lit)
  const supplies = feedSupplies(plan, loads, parts)
  const leads = leadsOf(plan, cuts, layout, hidden)
  return { plan, parts, measured, layout, hidden, cuts, lit, plugs, nodes, loads, supplies, leads }
}
