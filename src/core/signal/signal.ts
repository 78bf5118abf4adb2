import type { CutStripRun } from '../cut/cut'
import type { Fed } from '../feed/feed-alone'
import type { FedScene } from '../feed/solved'
import type { Parts } from '../parts/find'
import type { LitRun } from '../load/lights'
import type { NodeRun } from '../load/nodes'
import { chosenBoard, type FittedBoard } from './boards'
import { lanesOf, type Lane } from './lanes'
import { frameTime } from './level'
import { laneSupplyV, levelsOf, levelWays, type LaneLevel, type LevelWay } from './levels'
import { pinNeeds, type PinNeed } from './pins'

/** *Typical* speed of the data, kHz, and the pause after a frame, µs (handbook 3, frame-time). */
export const dataTiming = {
  'one-wire': { bitRateKhz: 800, resetUs: 80 },
  clocked: { bitRateKhz: 4000, resetUs: 50 },
} as const

/** How often a lane can be sent. */
export interface LaneTiming {
  readonly frameMs: number
  readonly framesPerSecond: number
}

export const laneTiming = ({ data, pixels, bitsPerPixel }: Lane): LaneTiming =>
  frameTime({ pixels, bitsPerPixel, ...dataTiming[data] })

/** How the data gets there. */
export interface Signal {
  /** `undefined` where nothing in the plan needs one. */
  readonly fit: FittedBoard | undefined
  readonly needs: readonly PinNeed[]
  readonly lanes: readonly Lane[]
  readonly levels: ReadonlyMap<string, LaneLevel>
  /** Worked out where a level is not good, or something was done about it. */
  readonly ways: readonly LevelWay[]
}

/** Boards, lanes, pins and levels of a plan whose feed is solved. */
export function signalOf(
  fed: Fed & {
    readonly parts: Parts
    readonly cuts: readonly CutStripRun[]
    readonly lit: readonly LitRun[]
    readonly nodes: readonly NodeRun[]
  },
  full: FedScene,
): Signal {
  const { plan, parts, cuts, lit, nodes, layout, hidden, supplies } = fed
  const lanes = lanesOf(plan, cuts, layout, hidden)
  const needs = pinNeeds(plan, cuts, lanes, lit, nodes)
  const fit = chosenBoard(plan, parts, needs, lanes, (lane) => laneSupplyV(lane, plan, supplies))
  if (fit === undefined || lanes.length === 0)
    return { fit, needs, lanes, levels: new Map(), ways: [] }
  const given = { ...fed, full, lanes, needs, fit }
  const levels = levelsOf(given)
  const isGood = [...levels.values()].every(({ grade }) => grade === 'good')
  const isUntouched = plan.signal.fix === 'none' && plan.signal.boardFrom === 'supply'
  return { fit, needs, lanes, levels, ways: isGood && isUntouched ? [] : levelWays(given) }
}
