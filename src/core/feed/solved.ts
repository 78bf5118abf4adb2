import type { CutStripRun } from '../cut/cut'
import type { SceneName } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { weakestAt } from './brightness'
import { loadsPerGroup, networkOf } from './build'
import { drawOf } from './draw'
import { fuseFor } from './fuse'
import type { Lead, LitLead } from './leads'
import type { Network } from './network'
import { solve, type FloatingRun, type SolvedRun } from './solve'
import type { FedSupply } from './supplies'

/** A run as it is fed in one scene. */
export interface FedRun {
  readonly id: string
  readonly minV: number
  readonly maxV: number
  /** The load with the lowest volts, from 0 where the wire enters. */
  readonly minAt: number
  readonly firstV: number
  readonly firstGroundV: number
  readonly currentA: number
  /** What is left of the weakest colour where it is weakest and strongest, 0–1. */
  readonly weakest: number
  readonly strongest: number
  /** The most that goes through the strip's own copper, A, and in which cut group. */
  readonly copperA: number
  readonly copperAt: number
  readonly volts: Float64Array
}

export interface FedLead {
  readonly lead: Lead
  readonly currentA: number
  /** Lost along both wires, V and W. */
  readonly dropV: number
  readonly lossW: number
}

/** A lead with what it loses at a current: both its wires count. */
function fedLead(lead: Lead, currentA: number): FedLead {
  const dropV = 2 * (lead.lengthMm / 1000) * lead.wire.ohmPerM * currentA
  return { lead, currentA, dropV, lossW: dropV * currentA }
}

/** What a lead's fuse is, A: as it was set, or the one that fits; `null` where none does. */
export const leadFuse = ({
  lead,
  currentA,
}: Pick<FedLead, 'lead' | 'currentA'>): number | 'none' | null =>
  lead.fuse === 'auto' ? fuseFor(currentA, lead.wire.limitA) : lead.fuse

/** The solved network of a plan in one scene. */
export interface FedScene {
  readonly scene: SceneName
  readonly runs: ReadonlyMap<string, FedRun>
  /** Runs that reach no supply, by what they lack. */
  readonly floating: ReadonlyMap<string, FloatingRun['floating']>
  readonly leads: readonly FedLead[]
  readonly supplyA: ReadonlyMap<string, number>
  /** Lost in leads and strip copper together, W. */
  readonly lostW: number
  /** `undefined` where the network has no answer: then nothing above is told. */
  readonly problem: string | undefined
}

/** Solves the plan's network in a scene. */
export function feedScene(
  plan: Plan,
  cuts: readonly CutStripRun[],
  leads: readonly Lead[],
  supplies: readonly FedSupply[],
  scene: SceneName,
): FedScene {
  const network = networkOf(plan, cuts, leads, supplies, scene)
  const result = solve(network)
  if (!result.ok)
    return {
      scene,
      runs: new Map(),
      floating: new Map(),
      leads: [],
      supplyA: new Map(),
      lostW: 0,
      problem: `The feed has no answer (${result.reason === 'singular' ? 'a short between supplies, or wires far too unequal' : 'it did not settle'})`,
    }
  const { solution } = result
  const runs = new Map<string, FedRun>()
  const floating = new Map<string, FloatingRun['floating']>()
  const networkRuns = new Map(network.runs.map((run) => [run.id, run]))
  for (const entry of cuts) {
    const solved = solution.runs.get(entry.run.id)
    const run = networkRuns.get(entry.run.id)
    if (solved === undefined || run === undefined) continue
    if ('floating' in solved) floating.set(entry.run.id, solved.floating)
    else runs.set(entry.run.id, fedRun(entry, solved, run, leads, solution.leads))
  }
  const fedLeads = leads.map((lead, index) =>
    fedLead(lead, Math.abs(solution.leads[index]?.plusA ?? 0)),
  )
  let given = 0
  for (const { slot, volts } of supplies)
    given += volts * (solution.supplyA.get(`supply:${slot.id}`) ?? 0)
  let used = 0
  for (const { id, load } of network.runs) {
    const draw = drawOf(load)
    for (const v of runs.get(id)?.volts ?? []) used += v * draw.current(v)
  }
  return {
    scene,
    runs,
    floating,
    leads: fedLeads,
    supplyA: new Map(
      supplies.map(({ slot }) => [slot.id, solution.supplyA.get(`supply:${slot.id}`) ?? 0]),
    ),
    lostW: Math.max(0, given - used),
    problem: undefined,
  }
}

function fedRun(
  { run, strip }: CutStripRun,
  solved: SolvedRun,
  { load, loads }: Network['runs'][number],
  leads: readonly Lead[],
  solvedLeads: readonly { readonly plusA: number }[],
): FedRun {
  const { volts } = solved
  const perGroup = loadsPerGroup(strip)
  // What comes in at the pads up to a place, less what was drawn before it, goes on through the strip's own rail.
  const inflow = new Map<number, number>()
  for (const [index, { to }] of leads.entries())
    if (to.kind === 'run' && to.run === run.id)
      inflow.set(to.pad, (inflow.get(to.pad) ?? 0) + (solvedLeads[index]?.plusA ?? 0))
  const draw = drawOf(load)
  let [rail, copperA, copperAt, maxV] = [0, 0, 0, 0]
  for (let at = 0; at < loads; at += 1) {
    if (at % perGroup === 0) rail += inflow.get(at / perGroup) ?? 0
    const v = volts[at] ?? 0
    const through = Math.max(Math.abs(rail), Math.abs(rail - draw.current(v)))
    if (through > copperA + 1e-9) {
      copperA = through
      copperAt = Math.floor(at / perGroup)
    }
    rail -= draw.current(v)
    maxV = Math.max(maxV, v)
  }
  return {
    id: run.id,
    minV: solved.minV,
    maxV,
    minAt: solved.minAt,
    firstV: solved.firstV,
    firstGroundV: solved.firstGroundV,
    currentA: solved.currentA,
    weakest: weakestAt(strip, solved.minV),
    strongest: weakestAt(strip, maxV),
    copperA,
    copperAt,
    volts,
  }
}

/**
 * The scene with the leads to single lights, which draw what their resistors let them: nothing of it is solved. The junctions that they
 * hang on carry it too.
 */
export function withLitLeads(
  plan: Pick<Plan, 'junctions'>,
  scene: FedScene,
  lit: readonly LitLead[],
): FedScene {
  if (lit.length === 0) return scene
  const before = new Map(plan.junctions.map(({ id, from }) => [id, from]))
  const more = new Map<string, number>()
  for (const { lead, currentA } of lit)
    for (
      let from: string | undefined = lead.from;
      from !== undefined && before.has(from);
      from = before.get(from)
    )
      more.set(from, (more.get(from) ?? 0) + currentA)
  return {
    ...scene,
    leads: [
      // The id of a junction's lead is the junction's.
      ...scene.leads.map((own) => fedLead(own.lead, own.currentA + (more.get(own.lead.id) ?? 0))),
      ...lit.map(({ lead, currentA }) => fedLead(lead, currentA)),
    ],
  }
}
