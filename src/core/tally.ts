import { cut, litOf, type CutStripRun, type Piece } from './cut/cut'
import { countJoints, type Joints } from './cut/joints'
import { cutFromReels, type StripReels } from './cut/reels'
import { feedSupplies } from './feed/supplies'
import { loadRuns, type RunLoad } from './load/load'
import { measure } from './measure/measure'
import { partsOf } from './parts/find'
import type { Plan } from './plan/plan'
import { rollOf, type RollSection } from './roll'
import { gapShows } from './verdict/gap-shows'
import { nameplate } from './verdict/nameplate'
import { stockShort } from './verdict/stock-short'
import { supplyLoad } from './verdict/supply-load'
import type { Grade, Verdict } from './verdict/verdict'
import { voltsDiffer } from './verdict/volts-differ'

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
  /** What of each segment is lit, mm along it, in the order of the run's segments. */
  readonly litMm: readonly (readonly [fromMm: number, toMm: number])[]
  readonly pieces: readonly Piece[]
  /** Lowest and highest volts at its loads; `null` until the feed is solved. */
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

export interface Tally {
  readonly totals: Totals
  readonly runs: readonly TallyRun[]
  readonly supplies: readonly TallySupply[]
  readonly reels: readonly StripReels[]
  readonly joints: readonly Joints[]
  readonly verdicts: readonly Verdict[]
  readonly roll: readonly RollSection[]
  /** Lines that were not understood. */
  readonly unread: readonly {
    readonly id: string
    readonly text: string
    readonly message: string
  }[]
}

const judges = [voltsDiffer, supplyLoad, gapShows, stockShort, nameplate]

/** While somebody types the packing may not take long; the Cut page can search on where it was cut short. */
const quickPacking = { mostNodes: 2_000, mostSets: 400 }

const gravity: Readonly<Record<Grade, number>> = { stop: 0, care: 1, note: 2 }

/** Works a plan out, stage after stage in the order of the work. Pure: the same plan gives the same tally. */
export function tally(plan: Plan): Tally {
  const parts = partsOf(plan.own)
  const { runs, lines } = measure(plan)
  const cuts = cut(plan, runs, parts)
  const reels = cutFromReels(cuts, plan.offcuts, quickPacking)
  const joints = countJoints(cuts, reels)
  const loads = loadRuns(plan, cuts)
  const supplies = feedSupplies(plan, loads, parts)
  const verdicts = judges
    .flatMap((judge) => judge({ plan, parts, cuts, reels, supplies }))
    .toSorted((a, b) => gravity[a.grade] - gravity[b.grade])
  return {
    totals: totalsOf(cuts, loads),
    runs: cuts.map((entry, index) => tallyRun(entry, loads[index])),
    supplies: supplies.map(({ slot, part, volts, ratedA, loadA, needA, shownA }) => ({
      id: slot.id,
      name: slot.name,
      partId: part?.id ?? null,
      part: part?.name ?? null,
      volts,
      ratedA,
      loadA,
      needA,
      shownA,
    })),
    reels,
    joints,
    verdicts,
    roll: rollOf({ plan, cuts, reels, joints, loads, supplies, verdicts }),
    unread: lines.flatMap(({ line, reading }) =>
      reading.kind === 'error' ? [{ id: line.id, text: line.text, message: reading.message }] : [],
    ),
  }
}

function tallyRun(entry: CutStripRun, load: RunLoad | undefined): TallyRun {
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
    litMm: litOf(entry),
    pieces: placed.pieces,
    minV: null,
    maxV: null,
    currentA: load?.peakA ?? 0,
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
