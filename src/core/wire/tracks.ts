import { largest } from '../quantity/extremes'
import type { Point } from '../measure/geometry'
import {
  inputTrackPx,
  inputWidth,
  type DrawnBlock,
  type DrawnTerminal,
  type DrawnWire,
} from './diagram-parts'
import { tracksFor } from './track-order'
import type { PlanWire } from './wires'

/** Where wires from sensors to the board turn. */
export function inputTracks(
  wires: readonly PlanWire[],
  ends: ReadonlyMap<string, DrawnTerminal>,
  heads: ReadonlyMap<string, DrawnBlock>,
): Map<string, number> {
  const own = wires.filter(({ from }) => heads.get(from.block)?.block.of.kind === 'input')
  const tracks = tracksFor(
    own.map(({ from, to }) => ({
      left: [ends.get(from.id)?.at[1] ?? 0],
      right: [ends.get(to.id)?.at[1] ?? 0],
    })),
  )
  const start =
    largest(
      own.map(({ from }) => (heads.get(from.block)?.x ?? 0) + inputWidth),
      0,
    ) + 20
  return new Map(own.map(({ name }, index) => [name, start + (tracks[index] ?? 0) * inputTrackPx]))
}

interface RouteGiven {
  readonly track: number | undefined
  readonly entryY: number | undefined
  readonly isTarget: boolean
}

/** How far beside a strip its diode's wire goes. */
const diodeApart = 30

/** The way of a wire: straight, by its track in a channel, or from run to run beside the strips. */
export function routeOf(
  wire: PlanWire,
  from: DrawnTerminal,
  to: DrawnTerminal,
  { track, entryY, isTarget }: RouteGiven,
): Point[] {
  const [start, end] = [from.at, to.at]
  if (track !== undefined) {
    const turn: Point[] = [start, [track, start[1]]]
    if (isTarget && to.side === 'top' && entryY !== undefined)
      return [...turn, [track, entryY], [end[0], entryY], end]
    return [...turn, [track, end[1]], end]
  }
  // Over the first pixel, where its diode is: round beside the strip's start.
  if (isTarget && wire.hasDiode === true) {
    const x = end[0] + (to.side === 'right' ? 1 : -1) * diodeApart
    return [start, [x, start[1]], [x, end[1]], end]
  }
  // From run to run: out at one side and in below at the same.
  if (isTarget && from.side === to.side && from.side !== 'top') {
    const apart = wire.role === 'clock' ? 20 : 12
    const beside = from.side === 'right' ? apart : -apart
    const x = (from.side === 'right' ? Math.max : Math.min)(start[0], end[0]) + beside
    return [start, [x, start[1]], [x, end[1]], end]
  }
  if (
    from.side === 'right' &&
    to.side === 'left' &&
    wire.role !== 'plus' &&
    isTarget &&
    start[0] > end[0]
  ) {
    const below = start[1] + (end[1] - start[1]) * 0.42
    return [
      start,
      [start[0] + 12, start[1]],
      [start[0] + 12, below],
      [end[0] - 12, below],
      [end[0] - 12, end[1]],
      end,
    ]
  }
  return start[1] === end[1] ? [start, end] : [start, [end[0], start[1]], end]
}

/** Fuses stand at the source, resistors and diodes before the pixel. */
export function signsOf(
  { inLine }: PlanWire,
  points: readonly Point[],
  side: DrawnTerminal['side'],
): DrawnWire['signs'] {
  const before = side === 'right' ? 1 : -1
  const [first = [0, 0]] = points
  const last = points.at(-1) ?? first
  return inLine.map(({ kind, text }, index) => ({
    kind,
    text,
    at:
      kind === 'fuse' ? [first[0] + 14, first[1]] : [last[0] + before * (20 + index * 16), last[1]],
  }))
}
