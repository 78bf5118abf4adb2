import { litOf, type CutStripRun, type Piece } from './cut/cut'
import { countJoints, type Joints } from './cut/joints'
import { prewiredInstead, type Prewired } from './cut/prewired'
import { cutFromReels, type StripReels } from './cut/reels'
import { branchesOf, type Branch } from './feed/branches'
import { batteryUse, drainOf, type BatteryUse, type Drain } from './feed/batteries'
import type { Lead } from './feed/leads'
import type { PlugTree } from './feed/plugs'
import type { FedSupply } from './feed/supplies'
import { leadFuse, feedScene, type FedRun, type FedScene } from './feed/solved'
import type { LitRun } from './load/lights'
import type { RunLoad } from './load/load'
import type { NodeRun } from './load/nodes'
import type { SceneName } from './plan/choices'
import { tallySignal, type TallySignal } from './signal/told'
import type { Plan } from './plan/plan'
import { rollOf, type RollSection } from './roll/roll'
import { offMark, spliceShows } from './verdict/cutting'
import { fade, notFed, uneven } from './verdict/fading'
import { gapShows } from './verdict/gap-shows'
import { mountingJudges } from './verdict/mounting'
import { nameplate } from './verdict/nameplate'
import {
  boardFeed,
  boardOver,
  memory,
  pinKind,
  pinsShort,
  serialPin,
  slowFrames,
} from './verdict/board'
import {
  againstArrow,
  boardQuirk,
  dataResistor,
  diodeSmall,
  levels,
  longData,
} from './verdict/level'
import {
  lightPinsOver,
  lightResistors,
  matrixFlicker,
  sharedResistor,
  sinkOver,
  switchDrive,
  switchInPlus,
} from './verdict/lights'
import { leadOver, leadShort, nodesApart, plugHole, portsShort } from './verdict/plugs'
import { batteries, capacitor, hotStrip, over100Watt, regulatorHot } from './verdict/sources'
import { statusColours } from './verdict/status'
import { stockShort } from './verdict/stock-short'
import { supplyLoad } from './verdict/supply-load'
import type { Grade, Verdict } from './verdict/verdict'
import { voltsDiffer } from './verdict/volts-differ'
import { copperHot, fuses, joinedSupplies, leadHot, trackOver } from './verdict/wiring'
import { wrongEnd } from './verdict/wrong-end'
import type { Circuit } from './wire/circuit'
import { wiredPlan } from './wired-plan'
import { jointsOf, type PlanJoint } from './wire/lists'

export interface TallyRun {
  readonly id: string
  readonly name: string
  readonly shape: string
  readonly stripId: string
  readonly wantedMm: number
  readonly placedMm: number
  readonly gapMm: number
  readonly cuts: number
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
  /** In the scene that the plan shows. */
  readonly shownA: number
  /** What hangs on it in each scene. */
  readonly drain: Drain
}

export interface Totals {
  readonly lightLengthMm: number
  readonly pixels: number
  readonly singleLights: number
  readonly peakCurrentA: number
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
  /** The scene of `runs` and `lostW`: the one that the plan shows. */
  readonly scene: SceneName
  readonly problem: string | null
  readonly runs: readonly FedRun[]
  readonly leads: readonly TallyLead[]
  readonly lostW: number
  /** What hangs on what at full white, a supply each. */
  readonly branches: readonly Branch[]
  /** How lights with plugs are plugged together. */
  readonly plugs: readonly PlugTree[]
}

export interface Tally {
  readonly totals: Totals
  readonly runs: readonly TallyRun[]
  readonly supplies: readonly TallySupply[]
  readonly reels: readonly StripReels[]
  readonly prewired: readonly Prewired[]
  readonly joints: readonly Joints[]
  readonly feed: TallyFeed
  /** Runs whose lights are assemblies. */
  readonly nodes: readonly NodeRun[]
  readonly batteries: readonly (BatteryUse & { readonly id: string })[]
  readonly signal: TallySignal
  readonly wiring: Circuit & { readonly joints: readonly PlanJoint[] }
  readonly verdicts: readonly Verdict[]
  readonly roll: readonly RollSection[]
  /** Lines that were not understood. */
  readonly unread: readonly {
    readonly id: string
    readonly text: string
    readonly message: string
  }[]
}

const judges = [
  voltsDiffer,
  notFed,
  supplyLoad,
  regulatorHot,
  batteries,
  fade,
  uneven,
  leadHot,
  fuses,
  trackOver,
  copperHot,
  joinedSupplies,
  hotStrip,
  capacitor,
  over100Watt,
  offMark,
  ...mountingJudges,
  wrongEnd,
  gapShows,
  spliceShows,
  stockShort,
  nameplate,
  levels,
  longData,
  dataResistor,
  againstArrow,
  diodeSmall,
  boardQuirk,
  pinsShort,
  pinKind,
  serialPin,
  boardOver,
  boardFeed,
  slowFrames,
  memory,
  lightResistors,
  sharedResistor,
  lightPinsOver,
  switchInPlus,
  switchDrive,
  matrixFlicker,
  sinkOver,
  leadShort,
  nodesApart,
  leadOver,
  plugHole,
  portsShort,
  statusColours,
]

/** While somebody types the packing may not take long; the Cut page can search on where it was cut short. */
const quickPacking = { mostNodes: 2_000, mostSets: 400 }

const gravity: Readonly<Record<Grade, number>> = { stop: 0, care: 1, note: 2 }

/** Works a plan out, stage after stage in the order of the work. Pure: the same plan gives the same tally. */
export function tally(plan: Plan): Tally {
  const wired = wiredPlan(plan)
  const {
    parts,
    measured,
    layout,
    hidden,
    cuts,
    lit,
    plugs,
    nodes,
    loads,
    supplies,
    leads,
    full,
    signal,
    circuit,
  } = wired
  const reels = cutFromReels(cuts, plan.offcuts, plan.rules, quickPacking)
  const prewired = prewiredInstead(cuts)
  const joints = countJoints(cuts, reels)
  const shown =
    plan.scene.shown === 'full-white'
      ? full
      : feedScene(plan, cuts, leads, supplies, plan.scene.shown)
  const uses = new Map(
    supplies.flatMap((supply) => {
      const use = supply.part && batteryUse(supply.part, drainOf(supply), plan.use)
      return use === undefined ? [] : [[supply.slot.id, use] as const]
    }),
  )
  const wireJoints = jointsOf(circuit, plan)
  const evidence = {
    plan,
    parts,
    layout,
    hidden,
    cuts,
    reels,
    supplies,
    leads,
    full,
    batteries: uses,
    signal,
    lit,
    plugs,
  }
  const verdicts = judges
    .flatMap((judge) => judge(evidence))
    .toSorted((a, b) => gravity[a.grade] - gravity[b.grade])
  return {
    totals: totalsOf(cuts, loads),
    runs: cuts.map((entry, index) =>
      tallyRun(
        entry,
        loads[index],
        full,
        lit.find(({ id }) => id === entry.run.id),
      ),
    ),
    supplies: supplies.map(tallySupply),
    reels,
    prewired,
    joints,
    feed: {
      scene: shown.scene,
      problem: full.problem ?? shown.problem ?? null,
      runs: [...shown.runs.values()],
      leads: full.leads.map(({ lead, currentA, dropV, lossW }) => ({
        ...lead,
        wire: lead.wire.id,
        currentA,
        dropV,
        lossW,
        fuseA: leadFuse({ lead, currentA }),
      })),
      lostW: shown.lostW,
      branches: branchesOf(wired),
      plugs,
    },
    nodes,
    batteries: [...uses].map(([id, use]) => ({ id, ...use })),
    signal: tallySignal(signal),
    wiring: { ...circuit, joints: wireJoints },
    verdicts,
    roll: rollOf({
      plan,
      layout,
      hidden,
      cuts,
      reels,
      joints,
      prewired,
      loads,
      supplies,
      leads,
      full,
      shown,
      batteries: uses,
      lit,
      plugs,
      nodes,
      signal,
      circuit,
      wireJoints,
      verdicts,
    }),
    unread: measured.lines.flatMap(({ line, reading }) =>
      reading.kind === 'error' ? [{ id: line.id, text: line.text, message: reading.message }] : [],
    ),
  }
}

function tallyRun(
  entry: CutStripRun,
  load: RunLoad | undefined,
  full: FedScene,
  lit: LitRun | undefined,
): TallyRun {
  const fed = full.runs.get(entry.run.id)
  const { run, strip, ...placed } = entry
  return {
    id: run.id,
    name: run.name,
    shape: run.shape,
    stripId: strip.id,
    wantedMm: run.wantedMm,
    placedMm: placed.placedMm,
    gapMm: placed.gapMm,
    cuts: placed.cuts,
    pixels: placed.pixels,
    lights: run.lights.length,
    lit: lit ?? null,
    litMm: litOf(entry),
    pieces: placed.pieces,
    minV: fed?.minV ?? null,
    maxV: fed?.maxV ?? null,
    currentA: load?.peakA ?? 0,
  }
}

function tallySupply(supply: FedSupply): TallySupply {
  const { slot, part, volts, ratedA, loadA, needA, shownA } = supply
  return {
    id: slot.id,
    name: slot.name,
    partId: part?.id ?? null,
    part: part?.name ?? null,
    volts,
    ratedA,
    loadA,
    needA,
    shownA,
    drain: drainOf(supply),
  }
}

function totalsOf(cuts: readonly CutStripRun[], loads: readonly RunLoad[]): Totals {
  const add = <Item>(items: readonly Item[], of: (item: Item) => number): number =>
    items.reduce((sum, item) => sum + of(item), 0)
  return {
    lightLengthMm: add(cuts, (entry) => entry.placedMm),
    pixels: add(cuts, (entry) => entry.pixels),
    singleLights: add(cuts, ({ run }) => run.lights.length),
    peakCurrentA: add(loads, (load) => load.peakA),
    peakPowerW: add(loads, (load) => load.peakA * load.volts),
    idleCurrentA: add(loads, (load) => load.idleA),
    shownCurrentA: add(loads, (load) => load.shownA),
    shownPowerW: add(loads, (load) => load.shownA * load.volts),
  }
}
