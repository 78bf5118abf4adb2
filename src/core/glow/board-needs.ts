import type { FedPlan } from '../feed/fed-plan'
import { laneTiming } from '../lanes/timing'
import type { Board } from '../plan/parts'
import { memoryWords, placeBytes, type CompiledShow } from './compile'

/** What a show takes of a board, bytes. */
export interface BoardNeeds {
  /** Working memory: what is remembered, and the bytes of the longest lane. */
  readonly ramBytes: number
  /** Program memory: its tables, and about what a compiler makes of its code. */
  readonly flashBytes: number
  /** About how long it reckons for a frame of its heaviest scene, ms; `null` where the board does not say how fast it is. */
  readonly workMs: number | null
}

/** A show on the board of its plan. */
export interface ShowBoard {
  readonly name: string
  readonly memoryBytes: number
  readonly needs: BoardNeeds
  /** What the longest lane takes to be sent, ms: lanes are sent side by side. */
  readonly sendMs: number
}

/** How a show fits the board that is chosen; `undefined` where there is none. */
export function showBoard(
  show: CompiledShow,
  { fit, lanes }: Pick<FedPlan, 'fit' | 'lanes'>,
): ShowBoard | undefined {
  if (fit === undefined) return undefined
  const { name, memoryBytes } = fit.board
  const sendMs = lanes.reduce((most, lane) => Math.max(most, laneTiming(lane).frameMs), 0)
  return { name, memoryBytes, needs: boardNeeds(show, fit.board), sendMs }
}

/** Frames a second of a show on its board; `undefined` where the board does not say how fast it is. */
export const boardFps = ({ needs, sendMs }: ShowBoard): number | undefined =>
  needs.workMs === null ? undefined : 1000 / Math.max(0.001, needs.workMs + sendMs)

/** *Typical* size of the player and of one pattern on an 8-bit board, bytes. */
const [playerBytes, patternBytes] = [5_000, 700]
/** The player's own words and bookkeeping, bytes. */
const ownBytes = 64

/** Of a supply that is limited, and of each row of what hangs on it, bytes. */
const [limitBytes, drawBytes] = [8, 32]

/**
 * *Typical* steps that a board takes to paint a light once in a layer, and to make a byte of it: the mean of all patterns, by what a
 * compiler makes of their C. An 8-bit board takes a product of two words in pieces.
 */
const stepsOf = { paint: { 8: 4_500, 32: 300 }, byte: { 8: 1_200, 32: 80 } } as const

/** How long a frame of the heaviest scene takes, with the one that fades away below it, ms. */
function workMs(show: CompiledShow, { bits, mhz }: NonNullable<Board['speed']>): number {
  const { scenes, field, limiter } = show
  const paints = scenes.map(({ layers }) =>
    layers.reduce((sum, { elements }) => sum + elements.length, 0),
  )
  const fades = scenes.some(({ fadeMs }) => fadeMs > 0)
  const heaviest = paints.toSorted((a, b) => b - a)
  const painted = (heaviest[0] ?? 0) + (fades ? (heaviest[1] ?? 0) : 0)
  const bytes = field.lanes.reduce((sum, { count, channels }) => sum + count * channels.length, 0)
  const steps = painted * stepsOf.paint[bits] + bytes * stepsOf.byte[bits]
  // A limiter paints each frame once to reckon, and once to send.
  return ((limiter === undefined ? 1 : 2) * steps) / (1000 * mhz)
}

/** What the C of a show takes (`formats/c-show`): tables that several layers share count once. */
export function boardNeeds(
  show: CompiledShow,
  board: Pick<Board, 'speed'> | undefined,
): BoardNeeds {
  const { scenes, field } = show
  const parts = scenes.flatMap(({ layers }) => layers)
  const longest = Math.max(0, ...field.lanes.map(({ count, channels }) => count * channels.length))
  const bytesEach = placeBytes(parts)
  const tables = new Map<string, number>()
  for (const { p, u, v, width } of parts) {
    tables.set(`p ${p.join()}`, 4 * p.length)
    tables.set(`u ${u.join()}`, bytesEach * u.length)
    if (width > 0) tables.set(`u ${v.join()}`, bytesEach * v.length)
  }
  const patterns = new Set(parts.map(({ pattern }) => pattern.id))
  return {
    ramBytes:
      4 * memoryWords(show) +
      longest +
      ownBytes +
      scenes.length +
      4 * (show.limiter?.supplies.length ?? 0),
    flashBytes:
      playerBytes +
      patternBytes * patterns.size +
      64 * parts.length +
      [...tables.values()].reduce((sum, bytes) => sum + bytes, 0) +
      limitBytes * (show.limiter?.supplies.length ?? 0) +
      drawBytes * (show.limiter?.draws.length ?? 0),
    workMs: board?.speed === undefined ? null : workMs(show, board.speed),
  }
}
