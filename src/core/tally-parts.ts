import { dimsOf } from './feed/supplies'
import type { Dims } from './plan/mix-text'
import { litSpansOf, type CutStripRun, type Piece } from './cut/cut'
import type { Prewired } from './cut/prewired'
import type { StripReels } from './cut/reels'
import type { BatteryUse } from './feed/batteries'
import { branchesOf, type Branch } from './feed/branches'
import { leadFuse } from './feed/lead-fuse'
import type { FedLead, FedRun } from './feed/solved-feed'
import { standbyOf, type Standby } from './feed/standby'
import type { FedSupply } from './feed/supplies'
import type { LitRun } from './load/lights'
import type { CaseAmperes, RunLoad } from './load/load'
import type { NodeRun } from './load/nodes'
import type { LoadCase } from './plan/choices'
import type { Plan } from './plan/plan'
import { Kept } from './quantity/kept'
import type { Lead } from './route/lead'
import type { PlugTree } from './route/plugs'
import { derived, type Derived, type WorkedPlan } from './derived'

export interface TallyRun {
  readonly id: string
  readonly name: string
  readonly shape: string
  readonly stripId: string
  readonly wantedMm: number
  readonly placedMm: number
  readonly gapMm: number
  readonly groups: number
  readonly pixels: number
  readonly lights: number
  /** What its single lights are and draw; `null` where nothing is said of them. */
  readonly lit: LitRun | null
  /** What of each segment is lit, mm along it, in the order of the run's segments. */
  readonly litMm: readonly (readonly [fromMm: number, toMm: number])[]
  readonly pieces: readonly Piece[]
  /** Lowest and highest volts at its loads at full white; `null` where it is not fed. */
  readonly minV: number | null
  readonly maxV: number | null
  /** At the worst case, A. */
  readonly currentA: number
}

export interface TallySupply {
  readonly id: string
  readonly name: string
  readonly partId: string | null
  readonly part: string | null
  readonly volts: number
  readonly ratedA: number | null
  readonly loadA: number
  readonly needA: number
  /** What the program may let draw of it beyond what is drawn anyway, mA; `null` where no part is chosen. */
  readonly limitMa: number | null
  /** In the load case that the plan shows. */
  readonly shownA: number
  /** What hangs on it in each load case. */
  readonly currentA: CaseAmperes
  /** The board with its sensors, where it lives on this supply. */
  readonly boardA: number
  /** How much of what it feeds can be dimmed: `none` counts at full in every sum. */
  readonly dims: Dims
  readonly standby: Standby
}

/** What a plan comes to, whatever load case is shown. */
export interface Amounts {
  readonly lightLengthMm: number
  readonly pixels: number
  readonly singleLights: number
  readonly peakCurrentA: number
}

export interface Totals extends Amounts {
  readonly peakPowerW: number
  readonly idleCurrentA: number
  readonly shownCurrentA: number
  readonly shownPowerW: number
}

/** A lead with what it carries at full white. */
export interface TallyLead extends Omit<Lead, 'wire'> {
  /** Id of its gauge. */
  readonly wire: string
  readonly currentA: number
  readonly dropV: number
  readonly lossW: number
  /** What its fuse is; `none`, or `null` where none fits. */
  readonly fuseA: number | 'none' | null
}

export interface TallyFeed {
  /** The load case of `runs` and `lostW`: the one that the plan shows. */
  readonly loadCase: LoadCase
  readonly problem: string | null
  readonly runs: readonly FedRun[]
  readonly leads: readonly TallyLead[]
  readonly lostW: number
  /** What hangs on what at full white, a supply each. */
  readonly branches: readonly Branch[]
  /** How lights with plugs are plugged together. */
  readonly plugs: readonly PlugTree[]
}

/** What a plan comes to without its levels, its wires as they are cut, joints, verdicts and the roll. */
export interface EarlyTally {
  readonly totals: Totals
  readonly runs: readonly TallyRun[]
  readonly supplies: readonly TallySupply[]
  readonly reels: readonly StripReels[]
  readonly prewired: readonly Prewired[]
  readonly feed: TallyFeed
  /** Runs whose lights are assemblies. */
  readonly nodes: readonly NodeRun[]
  readonly batteries: readonly (BatteryUse & { readonly id: string })[]
  /** Lines that were not understood. */
  readonly unread: readonly {
    readonly id: string
    readonly text: string
    readonly message: string
  }[]
}

/** Parts of the tally that need no late stage, and how each is made of the results of stages. */
export const earlyParts: { readonly [Part in keyof EarlyTally]: Derived<EarlyTally[Part]> } = {
  totals: derived(['scene'], ['cutRuns', 'loads'], totalsOf),
  runs: derived([], ['cutRuns', 'loads', 'full', 'lit'], ({ cutRuns, loads, full, lit }) => {
    const litById = new Map(lit.map((run) => [run.id, run]))
    return cutRuns.map((entry, index) => {
      const { id } = entry.run
      const [load, fed, own] = [loads[index], full.runs.get(id), litById.get(id)]
      return keptRuns.get(entry, [load, fed, own], () => tallyRun(entry, load, fed, own))
    })
  }),
  supplies: derived(['scene', 'supplies', 'own'], ['supplies'], (results) =>
    results.supplies.map((supply) => tallySupply(supply, results.plan)),
  ),
  reels: derived([], ['reels'], ({ reels }) => reels),
  prewired: derived([], ['prewired'], ({ prewired }) => prewired),
  feed: derived(
    ['junctions', 'supplies'],
    ['cutRuns', 'full', 'shown', 'supplies', 'plugs'],
    (results) => {
      const { full, shown, plugs } = results
      return {
        loadCase: shown.loadCase,
        problem: full.problem ?? shown.problem ?? null,
        runs: [...shown.runs.values()],
        leads: full.leads.map((fed) =>
          keptLeads.get(fed.lead, [fed.currentA, fed.fuseLoadA], () => tallyLead(fed)),
        ),
        lostW: shown.lostW,
        branches: branchesOf(results),
        plugs,
      }
    },
  ),
  nodes: derived([], ['nodes'], ({ nodes }) => nodes),
  batteries: derived([], ['batteries'], ({ batteries }) =>
    [...batteries].map(([id, use]) => ({ id, ...use })),
  ),
  unread: derived([], ['measured'], ({ measured }) =>
    measured.lines.flatMap(({ line, reading }) =>
      reading.kind === 'error' ? [{ id: line.id, text: line.text, message: reading.message }] : [],
    ),
  ),
}

const keptRuns = new Kept<CutStripRun, TallyRun>()
const keptLeads = new Kept<Lead, TallyLead>()

function tallyLead({ lead, currentA, fuseLoadA, dropV, lossW }: FedLead): TallyLead {
  return {
    ...lead,
    wire: lead.wire.id,
    currentA,
    dropV,
    lossW,
    fuseA: leadFuse({ lead, fuseLoadA }),
  }
}

function tallyRun(
  entry: CutStripRun,
  load: RunLoad | undefined,
  fed: FedRun | undefined,
  lit: LitRun | undefined,
): TallyRun {
  const { run, strip, ...placed } = entry
  return {
    id: run.id,
    name: run.name,
    shape: run.shape,
    stripId: strip.id,
    wantedMm: run.wantedMm,
    placedMm: placed.placedMm,
    gapMm: placed.gapMm,
    groups: placed.groups,
    pixels: placed.pixels,
    lights: run.lights.length,
    lit: lit ?? null,
    litMm: litSpansOf(entry),
    pieces: placed.pieces,
    minV: fed?.minV ?? null,
    maxV: fed?.maxV ?? null,
    currentA: load?.currentA['full-white'] ?? 0,
  }
}

function tallySupply(
  supply: FedSupply,
  plan: Pick<Plan, 'scene' | 'supplies' | 'own'>,
): TallySupply {
  const { slot, part, volts, ratedA, loadA, needA, limitA, currentA, boardA } = supply
  return {
    id: slot.id,
    name: slot.name,
    partId: part?.id ?? null,
    part: part?.name ?? null,
    volts,
    ratedA,
    loadA,
    needA,
    limitMa: limitA === null ? null : Math.floor(limitA * 1000 + 1e-6),
    shownA: currentA[plan.scene.shown],
    currentA,
    boardA,
    dims: dimsOf(supply),
    standby: standbyOf(plan, supply),
  }
}

const add = <Item>(items: readonly Item[], of: (item: Item) => number): number =>
  items.reduce((sum, item) => sum + of(item), 0)

const amperesIn = (loads: readonly RunLoad[], loadCase: LoadCase): number =>
  add(loads, ({ currentA }) => currentA[loadCase])

/** Length, pixels, lights and the most that is drawn, as the tally and the shelf tell them. */
export const amountsOf = ({ cutRuns, loads }: Pick<WorkedPlan, 'cutRuns' | 'loads'>): Amounts => ({
  lightLengthMm: add(cutRuns, ({ placedMm }) => placedMm),
  pixels: add(cutRuns, ({ pixels }) => pixels),
  singleLights: add(cutRuns, ({ run }) => run.lights.length),
  peakCurrentA: amperesIn(loads, 'full-white'),
})

function totalsOf({ plan, ...results }: Pick<WorkedPlan, 'plan' | 'cutRuns' | 'loads'>): Totals {
  const { loads } = results
  const watts = (loadCase: LoadCase): number =>
    add(loads, ({ currentA, volts }) => currentA[loadCase] * volts)
  const { shown } = plan.scene
  return {
    ...amountsOf(results),
    peakPowerW: watts('full-white'),
    idleCurrentA: amperesIn(loads, 'idle'),
    shownCurrentA: amperesIn(loads, shown),
    shownPowerW: watts(shown),
  }
}
