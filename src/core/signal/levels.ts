import { smallest } from '../quantity/extremes'
import { weakestAt } from '../feed/brightness'
import type { FedPlan } from '../feed/fed-plan'
import { feedAlone } from '../feed/feed-alone'
import type { FedRun, SolvedFeed } from '../feed/solved-feed'
import { diodeOf, type Diode } from '../parts/diodes'
import { buffer } from '../parts/drivers'
import type { LevelFix } from '../plan/choices'
import type { Command } from '../plan/commands'
import type { Board } from '../plan/parts'
import { feedsOf } from '../plan/feeds'
import { supplyOfLine } from '../plan/supply-of'
import { formatQuantity, significant } from '../quantity/format'
import { boardsFor, dataHighV, laneHighV, suffices, type FittedBoard } from '../lanes/boards'
import type { Lane } from '../lanes/lanes'
import { firstPixelDiode, goodMarginV, levelGrade, logicLevel, type LevelGrade } from './level'

/** One step of the data: from whom, how high, and what it must exceed. */
export interface Hop {
  readonly name: string
  readonly highV: number
  readonly riseV: number
  readonly chipV: number
  readonly thresholdV: number
  readonly marginV: number
}

/** How well the first pixels of a lane understand the board. */
export interface LaneLevel {
  /** At full white, with the volts and the ground rise that were solved. */
  readonly hops: readonly Hop[]
  readonly marginV: number
  /** While everything is dark: then the pixel has all of its supply's volts. */
  readonly darkMarginV: number
  readonly grade: LevelGrade
}

/** What stands between the board and a lane. */
interface LevelGiven {
  readonly highV: number
  /** Where it is measured: the board's minus above the supply's, V. */
  readonly boardGroundV: number
  readonly fix: LevelFix
  readonly diode: Diode
  /** What a buffer would give, V. */
  readonly bufferV: number
}

/** The chip's own volts, and the rise of its minus. */
interface FirstPixel {
  readonly chipV: number
  readonly groundV: number
}

function hopsOf(given: LevelGiven, { chipV, groundV }: FirstPixel): Hop[] {
  const riseV = groundV - given.boardGroundV
  const highV = given.fix === 'buffer' ? Math.max(given.highV, given.bufferV) : given.highV
  const hop = (name: string, boardHighV: number, pixelSupplyV: number, rise: number): Hop => {
    const { thresholdV, marginV } = logicLevel({ boardHighV, pixelSupplyV, groundRiseV: rise })
    return { name, highV: boardHighV, riseV: rise, chipV: pixelSupplyV, thresholdV, marginV }
  }
  if (given.fix !== 'diode')
    return [
      hop(given.fix === 'buffer' ? 'buffer to first pixel' : 'to first pixel', highV, chipV, riseV),
    ]
  const { firstSupplyV } = firstPixelDiode({
    boardHighV: highV,
    pixelSupplyV: chipV,
    diodeV: given.diode.dropV,
    firstPixelMa: 0,
    diodeLimitMa: Infinity,
  })
  return [
    hop('to first pixel', highV, firstSupplyV, riseV),
    hop('first to second pixel', firstSupplyV, chipV, 0),
  ]
}

const leastOf = (hops: readonly Hop[]): number => smallest(hops.map(({ marginV }) => marginV))

/** The level of a lane where its first pixel has these volts at full white, and those of its supply while dark. */
function levelOf(given: LevelGiven, lit: FirstPixel, darkV: number): LaneLevel {
  const hops = hopsOf(given, lit)
  const marginV = leastOf(hops)
  const darkMarginV = leastOf(hopsOf({ ...given, boardGroundV: 0 }, { chipV: darkV, groundV: 0 }))
  const grade = levelGrade(marginV)
  // Good at full white alone is not good: most of the time less is lit.
  return {
    hops,
    marginV,
    darkMarginV,
    grade: grade === 'good' && darkMarginV < 0 ? 'marginal' : grade,
  }
}

/** What levels are judged on. */
export type LevelsGiven = Pick<
  FedPlan,
  | 'plan'
  | 'parts'
  | 'layout'
  | 'sources'
  | 'volts'
  | 'lanes'
  | 'needs'
  | 'fit'
  | 'full'
  | 'supplies'
>
/** … where there is a board. */
type BoardGiven = LevelsGiven & { readonly fit: FittedBoard }

const firstOf = ({ runs }: Lane): Lane['runs'][number] | undefined => runs[0]

const chipVOf = (lane: Lane): number => {
  const light = firstOf(lane)?.entry.strip.light
  return light?.kind === 'pixels' ? (light.chipV ?? Infinity) : Infinity
}

/** Volts of the supply that feeds the first run of a lane. */
const laneSupplyV = (lane: Lane, { plan, volts }: Pick<FedPlan, 'plan' | 'volts'>): number =>
  volts.get(supplyOfLine(plan, firstOf(lane)?.entry.run.line)) ?? 0

const bufferVOf = (lane: Lane, supplyV: number): number => Math.min(5, chipVOf(lane), supplyV)

/** What is before a lane as the plan has it. */
function givenFor({ plan, fit, full, lanes }: BoardGiven, lane: Lane, supplyV: number): LevelGiven {
  return {
    highV: laneHighV(fit, lane),
    boardGroundV: plan.signal.boardFrom === 'strip' ? groundAtStrip(lanes, full) : 0,
    fix: plan.signal.fix,
    diode: diodeOf(plan.signal.diode),
    bufferV: bufferVOf(lane, supplyV),
  }
}

/** The minus of the first lane's first pixel, on which a board hangs that is fed from its pads, V. */
function groundAtStrip([lane]: readonly Lane[], full: SolvedFeed): number {
  const first = lane && firstOf(lane)
  return full.runs.get(first?.entry.run.id ?? '')?.firstGroundV ?? 0
}

const pixelOf = (
  lane: Lane,
  { firstV, firstGroundV }: Pick<FedRun, 'firstV' | 'firstGroundV'>,
): FirstPixel => ({ chipV: Math.min(firstV, chipVOf(lane)), groundV: firstGroundV })

/** Level of every lane by its id; of those that are fed. */
export function levelsOf(given: BoardGiven): Map<string, LaneLevel> {
  return levelsWith(given, (lane, supplyV) => givenFor(given, lane, supplyV))
}

function levelsWith(
  given: BoardGiven,
  before: (lane: Lane, supplyV: number) => LevelGiven,
): Map<string, LaneLevel> {
  const { lanes, full } = given
  return new Map(
    lanes.flatMap((lane) => {
      const fed = full.runs.get(firstOf(lane)?.entry.run.id ?? '')
      if (fed === undefined) return []
      const supplyV = laneSupplyV(lane, given)
      const dark = Math.min(supplyV, chipVOf(lane))
      return [[lane.id, levelOf(before(lane, supplyV), pixelOf(lane, fed), dark)] as const]
    }),
  )
}

/** A way of getting the level right, beside the others. */
export interface LevelWay {
  readonly id: 'buffer' | 'diode' | 'lower-supply' | '5v-board' | 'shorter-lead'
  readonly name: string
  /** Of the lane that has least; `null` where it cannot be done. */
  readonly marginV: number | null
  readonly darkMarginV: number | null
  /** Both hops, where there are two. */
  readonly hops: readonly Hop[]
  readonly cost: number
  /** What speaks against it, or why it cannot be done. */
  readonly drawback: string
  /** None where it cannot be done, or is there already. */
  readonly commands: readonly Command[]
  readonly isBuilt: boolean
}

/** Trimmers of enclosed supplies reach about so far down. */
const trimShare = 0.9

const worst = (levels: ReadonlyMap<string, LaneLevel>): LaneLevel | undefined =>
  [...levels.values()].toSorted((a, b) => a.marginV - b.marginV)[0]

function way(
  levels: ReadonlyMap<string, LaneLevel>,
  rest: Omit<LevelWay, 'marginV' | 'darkMarginV' | 'hops'>,
): LevelWay {
  const least = worst(levels)
  return {
    ...rest,
    marginV: least?.marginV ?? null,
    darkMarginV:
      least === undefined
        ? null
        : smallest([...levels.values()].map(({ darkMarginV }) => darkMarginV)),
    hops: least?.hops ?? [],
  }
}

const cannot = (id: LevelWay['id'], name: string, drawback: string): LevelWay => ({
  id,
  name,
  marginV: null,
  darkMarginV: null,
  hops: [],
  cost: 0,
  drawback,
  commands: [],
  isBuilt: false,
})

/** All ways of getting the level right, each with the margin that it would give. */
export function levelWays(given: BoardGiven): LevelWay[] {
  return [
    bufferWay(given),
    diodeWay(given),
    lowerSupplyWay(given),
    louderBoardWay(given),
    shorterLeadWay(given),
  ]
}

function bufferWay(given: BoardGiven): LevelWay {
  const { lanes, plan } = given
  const isBuilt = plan.signal.fix === 'buffer'
  const levels = levelsWith(given, (lane, supplyV) => ({
    ...givenFor(given, lane, supplyV),
    fix: 'buffer',
  }))
  return way(levels, {
    id: 'buffer',
    name: 'level buffer',
    cost: Math.ceil(lanes.length / buffer.channels) * buffer.price,
    drawback: 'one more part beside the board, fed from the strip’s plus',
    commands: isBuilt ? [] : [{ do: 'set-signal', signal: { fix: 'buffer' } }],
    isBuilt,
  })
}

function diodeWay(given: BoardGiven): LevelWay {
  const { lanes, plan } = given
  const name = 'diode before the first pixel'
  const diode = diodeOf(plan.signal.diode)
  if (lanes.some((lane) => Number.isFinite(chipVOf(lane))))
    return cannot('diode', name, 'a pixel that makes its own 5 V does not need less behind one')
  const isBuilt = plan.signal.fix === 'diode'
  const levels = levelsWith(given, (lane, supplyV) => ({
    ...givenFor(given, lane, supplyV),
    fix: 'diode',
  }))
  return way(levels, {
    id: 'diode',
    name,
    cost: lanes.length * diode.price,
    drawback: `the first pixel is dimmer by ${formatQuantity(diode.dropV, 'V')}: many leave it dark and count from the next`,
    commands: isBuilt ? [] : [{ do: 'set-signal', signal: { fix: 'diode' } }],
    isBuilt,
  })
}

function lowerSupplyWay(given: BoardGiven): LevelWay {
  const { lanes, plan, supplies, fit } = given
  const name = 'lower the strip’s supply'
  const [lane] = lanes
  const first = lane && firstOf(lane)
  const supplyId = supplyOfLine(plan, first?.entry.run.line)
  const supply = supplies.find(({ slot }) => slot.id === supplyId)
  if (lane === undefined || supply?.part === undefined)
    return cannot('lower-supply', name, 'there is no supply yet')
  if (supply.part.kind !== 'enclosed')
    return cannot(
      'lower-supply',
      name,
      `${supply.part.name} has no trimmer; enclosed supplies mostly have one`,
    )
  if (Number.isFinite(chipVOf(lane)))
    return cannot('lower-supply', name, 'a pixel that makes its own 5 V does not notice')
  const wishV = (dataHighV(fit) - goodMarginV) / 0.7
  const lowestV = supply.part.volts * trimShare
  const trimV = Math.round(Math.max(lowestV, Math.min(supply.part.volts, wishV)) * 20) / 20
  const volts = new Map(given.volts).set(supply.slot.id, trimV)
  let keeps = 1
  const runs = new Map(given.full.runs)
  for (const { runs: own } of lanes) {
    const entry = own[0]?.entry
    const fed = entry && given.full.runs.get(entry.run.id)
    if (entry === undefined || fed === undefined) continue
    const alone = feedAlone({ ...given, volts }, entry, feedsOf(entry.run.line)).run
    if (alone === undefined) continue
    keeps = Math.min(keeps, weakestAt(entry.strip, alone.minV))
    runs.set(entry.run.id, {
      ...fed,
      firstV: alone.firstV,
      firstGroundV: alone.firstGroundV,
    })
  }
  const changed = { ...given, volts, full: { ...given.full, runs } }
  const isBuilt = supply.slot.trimV !== undefined && supply.slot.trimV <= trimV + 1e-9
  return way(levelsOf(changed), {
    id: 'lower-supply',
    name: `${name} to ${significant(trimV)} V`,
    cost: 0,
    drawback: `its trimmer, with a meter; the weakest colour is then at ${formatQuantity(keeps, '%')} where it is darkest`,
    commands: isBuilt ? [] : [{ do: 'trim-supply', supply: supply.slot.id, volts: trimV }],
    isBuilt,
  })
}

function louderBoardWay(given: BoardGiven): LevelWay {
  const { plan, parts, needs, lanes, fit } = given
  const name = 'a 5 V board'
  const found = boardsFor(plan, parts, needs, lanes).find(
    (entry) => suffices(plan, entry) && dataHighV(entry) > 4,
  )
  if (found === undefined)
    return cannot('5v-board', name, 'none that ships has the pins and the memory')
  const isBuilt = dataHighV(fit) > 4
  const board: Board = isBuilt ? fit.board : found.board
  return way(levelsOf({ ...given, fit: isBuilt ? fit : found }), {
    id: '5v-board',
    name: board.name,
    cost: board.price,
    drawback: `in place of the ${fit.board.name}: ${
      board.memoryBytes < fit.board.memoryBytes
        ? `${formatQuantity(board.memoryBytes, 'bytes')} of memory instead of ${formatQuantity(fit.board.memoryBytes, 'bytes')}`
        : 'the program has to be made for it'
    }`,
    commands: isBuilt ? [] : [{ do: 'set-signal', signal: { board: board.id } }],
    isBuilt,
  })
}

function shorterLeadWay(given: BoardGiven): LevelWay {
  const { plan, lanes } = given
  const name = 'board beside the first pixel'
  const [lane] = lanes
  const first = lane && firstOf(lane)
  if (first === undefined) return cannot('shorter-lead', name, 'there is no first pixel yet')
  const isBuilt = plan.signal.boardFrom === 'strip'
  const changed = {
    ...given,
    plan: { ...plan, signal: { ...plan.signal, boardFrom: 'strip' as const } },
  }
  return way(levelsOf(changed), {
    id: 'shorter-lead',
    name,
    cost: 0,
    drawback:
      lanes.length > 1
        ? 'fed from that strip’s pads: no ground offset there; for the other lanes it stays'
        : 'fed from the strip’s pads: no ground offset, but it has to hide there',
    commands: isBuilt
      ? []
      : [
          { do: 'set-signal', signal: { boardFrom: 'strip' } },
          { do: 'place-controller', at: first.start },
        ],
    isBuilt,
  })
}
