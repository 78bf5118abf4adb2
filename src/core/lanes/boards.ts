import { boardOf } from '../parts/boards'
import { inputParts } from '../parts/inputs'
import type { Parts } from '../parts/find'
import type { Board } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { supplyOfLine } from '../plan/supply-of'
import type { Lane } from './lanes'
import { assignPins, type PinNeed, type PinUse } from './pins'

/** *Typical* share of a board's memory that its program takes, and the most of it, bytes. */
const programShare = 0.3
const mostProgramBytes = 40_000

/** Memory for pixels, bytes: what they need, and what the program leaves. */
export interface Memory {
  readonly needBytes: number
  readonly freeBytes: number
}

export function memoryOf(board: Board, lanes: readonly Lane[]): Memory {
  return {
    needBytes: lanes.reduce(
      (sum, { pixels, bitsPerPixel }) => sum + (pixels * bitsPerPixel) / 8,
      0,
    ),
    freeBytes: board.memoryBytes - Math.min(mostProgramBytes, board.memoryBytes * programShare),
  }
}

/** What the sensors draw from the board, A. */
export const sensorA = ({ signal }: Plan): number =>
  signal.inputs.reduce((sum, { kind }) => sum + inputParts[kind].mA, 0) / 1000

/** A board with everything on its pins. */
export interface FittedBoard {
  readonly board: Board
  readonly pins: readonly PinUse[]
  readonly memory: Memory
}

const fitted = (
  plan: Plan,
  board: Board,
  needs: readonly PinNeed[],
  lanes: readonly Lane[],
): FittedBoard => ({
  board,
  pins: assignPins(board, needs, plan.signal.pins),
  memory: memoryOf(board, lanes),
})

/** How many things a board does not do: needs without a clean pin, memory that is short, sensors that ask too much. */
function shortfall(plan: Plan, { board, pins, memory }: FittedBoard): number {
  const missing = pins.filter(({ pin, isDisturbed }) => pin === undefined || isDisturbed).length
  const isFull = memory.needBytes > memory.freeBytes
  return missing * 4 + (isFull ? 1 : 0) + (sensorA(plan) > board.allA ? 2 : 0)
}

/** How high the data of a lane is on a board, V: its pin's own volts, or the board's. */
export const laneHighV = (
  { board, pins }: Pick<FittedBoard, 'board' | 'pins'>,
  { id }: Pick<Lane, 'id'>,
): number =>
  pins.find(({ need: { of } }) => of.kind === 'lane' && of.lane === id)?.pin?.highV ?? board.highV

/** The least that data gets on a board, V. */
export const dataHighV = ({ board, pins }: Pick<FittedBoard, 'board' | 'pins'>): number =>
  Math.min(
    ...pins
      .filter(({ need }) => need.of.kind === 'lane')
      .map(({ pin }) => pin?.highV ?? board.highV),
  )

/** Every board with what is needed on it, the best first: what does most, then what costs least. */
export function boardsFor(
  plan: Plan,
  { boards }: Parts,
  needs: readonly PinNeed[],
  lanes: readonly Lane[],
): FittedBoard[] {
  return boards
    .map((board) => fitted(plan, board, needs, lanes))
    .map((entry) => ({ entry, short: shortfall(plan, entry) }))
    .toSorted((a, b) => a.short - b.short || a.entry.board.price - b.entry.board.price)
    .map(({ entry }) => entry)
}

/** Whether every need has a clean pin, memory suffices and sensors are fed. */
export const suffices = (plan: Plan, entry: FittedBoard): boolean => shortfall(plan, entry) === 0

/** The plan's board: the one that it names, or the cheapest that does everything by pins and memory (its volts are judged later). */
export function chosenBoard(
  plan: Plan,
  parts: Parts,
  needs: readonly PinNeed[],
  lanes: readonly Lane[],
): FittedBoard | undefined {
  const { board } = plan.signal
  if (board !== 'auto') return fitted(plan, boardOf(parts.boards, board), needs, lanes)
  if (needs.length === 0) return undefined
  return boardsFor(plan, parts, needs, lanes)[0]
}

/** The supply that the board stands by: the one of the first run on its lanes, else the plan's first. */
export const supplyByBoard = (plan: Plan, lanes: readonly Lane[]): string =>
  supplyOfLine(plan, lanes[0]?.runs[0]?.entry.run.line)

/** The supply that the plan's board lives on; `undefined` where it has a plug of its own, or there is none. */
export const boardSupply = (
  plan: Plan,
  fit: FittedBoard | undefined,
  lanes: readonly Lane[],
): string | undefined =>
  fit === undefined || plan.signal.boardFrom === 'usb' ? undefined : supplyByBoard(plan, lanes)

/** How far from its own volts a board's plus pin may be, as a share (handbook 4: 3.0 to 3.6 V of a 3.3 V board). */
const plusShare = { least: 0.9, most: 3.6 / 3.3 } as const

/** Which of its inputs a board takes some volts by: its plus pin, its raw input behind a regulator, or none. */
export function boardInput({ supplyV, raw }: Board, volts: number): 'plus' | 'raw' | undefined {
  if (volts >= plusShare.least * supplyV - 1e-9 && volts <= plusShare.most * supplyV + 1e-9)
    return 'plus'
  return raw !== undefined && volts >= raw.fromV && volts <= raw.toV ? 'raw' : undefined
}

/** What a board draws all the time from where it is fed: itself and its sensors, A. Lights on its pins come on top. */
export const boardA = (plan: Plan, { board }: Pick<FittedBoard, 'board'>): number =>
  board.drawA + sensorA(plan)
