import { Kept } from '../quantity/kept'
import type { CutStripRun } from '../cut/cut'
import type { LoadCase } from '../plan/choices'
import type { RunLoad } from '../load/load'
import type { Lead } from '../route/lead'
import { weakestAt } from './brightness'
import { drawOf } from './draw'
import { nominalAmperes } from './lead-fuse'
import type { Network } from './network'
import { loadsPerGroup } from '../load/group-draw'
import { solve } from './solve'
import { solvedParts } from './solved-parts'
import type { FloatingRun, SolvedRun } from './solution'
import { listed } from '../quantity/listed'

/** A run as it is fed in one load case. */
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
  /** What its fuse and wire have to stand, A: the larger of the solved current and its share of the nominal one. */
  readonly fuseLoadA: number
  /** Lost along both wires, V and W. */
  readonly dropV: number
  readonly lossW: number
}

/** A lead with what it loses at a current: both its wires count. */
function fedLead(lead: Lead, currentA: number, nominalA: number): FedLead {
  const dropV = 2 * (lead.lengthMm / 1000) * lead.wire.ohmPerM * currentA
  return { lead, currentA, fuseLoadA: Math.max(currentA, nominalA), dropV, lossW: dropV * currentA }
}

/** The solved network of a plan in one load case. */
export interface SolvedFeed {
  readonly loadCase: LoadCase
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

/**
 * Solves the network of a plan.
 *
 * @param network made from just these runs and leads: its first leads are `leads`, in their order
 * @param loads what the runs draw nominally
 */
export function solveFeed(
  network: Network,
  loadCase: LoadCase,
  cutRuns: readonly CutStripRun[],
  leads: readonly Lead[],
  loads: readonly RunLoad[],
): SolvedFeed {
  const result = solve(network, solvedParts)
  if (!result.ok)
    return {
      loadCase,
      runs: new Map(),
      floating: new Map(),
      leads: [],
      supplyA: new Map(),
      lostW: 0,
      problem: `The feed has no answer (${result.reason === 'singular' ? 'a short between supplies, or wires far too unequal' : 'it did not settle'})`,
    }
  const { solution } = result
  const solvedA = leads.map((_, index) => Math.abs(solution.leads[index]?.plusA ?? 0))
  const nominal = new Map(loads.map(({ id, currentA }) => [id, currentA[loadCase]]))
  const nominalA = nominalAmperes(leads, solvedA, (run) => nominal.get(run) ?? 0)
  const runs = new Map<string, FedRun>()
  const floating = new Map<string, FloatingRun['floating']>()
  const networkRuns = new Map(network.runs.map((run) => [run.id, run]))
  const leadsTo = new Map<string, { pad: number; plusA: number }[]>()
  for (const [index, { to }] of leads.entries()) {
    if (to.kind !== 'run') continue
    const inflow = { pad: to.pad, plusA: solution.leads[index]?.plusA ?? 0 }
    listed(leadsTo, to.run).push(inflow)
  }
  for (const entry of cutRuns) {
    const { id } = entry.run
    const [solved, run] = [solution.runs.get(id), networkRuns.get(id)]
    if (solved === undefined || run === undefined) continue
    if ('floating' in solved) floating.set(id, solved.floating)
    else
      runs.set(
        id,
        keptRuns.get(solved, [entry.strip], () =>
          fedRun(entry, solved, run, leadsTo.get(id) ?? []),
        ),
      )
  }
  let given = 0
  for (const { id, volts } of network.supplies) given += volts * (solution.supplyA.get(id) ?? 0)
  let used = 0
  for (const run of network.runs) {
    const solved = solution.runs.get(run.id)
    if (solved !== undefined && !('floating' in solved)) used += wattsUsed(solved, run)
  }
  return {
    loadCase,
    runs,
    floating,
    leads: leads.map((lead, index) => fedLead(lead, solvedA[index] ?? 0, nominalA[index] ?? 0)),
    supplyA: solution.supplyA,
    lostW: Math.max(0, given - used),
    problem: undefined,
  }
}

// A run that was recalled is the same object: what was read off it is read off once.
const keptRuns = new Kept<SolvedRun, FedRun>()
const watts = new WeakMap<SolvedRun, number>()

/** What the loads of a run use, W. */
function wattsUsed(solved: SolvedRun, { load, duties }: Network['runs'][number]): number {
  const known = watts.get(solved)
  if (known !== undefined) return known
  const draw = drawOf(load, duties)
  let sum = 0
  for (const [at, v] of solved.volts.entries()) sum += v * draw.current(v, at)
  watts.set(solved, sum)
  return sum
}

function fedRun(
  { run, strip }: CutStripRun,
  solved: SolvedRun,
  { load, loads, duties }: Network['runs'][number],
  leads: readonly { readonly pad: number; readonly plusA: number }[],
): FedRun {
  const { volts } = solved
  const perGroup = loadsPerGroup(strip)
  // What comes in at the pads up to a place, less what was drawn before it, goes on through the strip's own rail.
  const inflow = new Map<number, number>()
  for (const { pad, plusA } of leads) inflow.set(pad, (inflow.get(pad) ?? 0) + plusA)
  const draw = drawOf(load, duties)
  let [rail, copperA, copperAt, maxV] = [0, 0, 0, 0]
  for (let at = 0; at < loads; at += 1) {
    if (at % perGroup === 0) rail += inflow.get(at / perGroup) ?? 0
    const v = volts[at] ?? 0
    const drawn = draw.current(v, at)
    const through = Math.max(Math.abs(rail), Math.abs(rail - drawn))
    if (through > copperA + 1e-9) {
      copperA = through
      copperAt = Math.floor(at / perGroup)
    }
    rail -= drawn
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
