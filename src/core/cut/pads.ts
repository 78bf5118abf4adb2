import { distance, pointAlong, type Point } from '../measure/geometry'
import type { CutStripRun, Piece } from './cut'
import { isOnWire, pixelsInNode } from './on-wire'

/** Where a pad lies in its run. Pads are counted in cut groups from the end where the wire enters. */
export interface PadPlace {
  readonly piece: Piece
  /** In the run's own mm on the drawing. */
  readonly point: Point
}

/** The place of a pad; of two pads at the ends of two pieces, the first. `undefined` where the run has no strip. */
export function padPlace(entry: CutStripRun, pad: number): PadPlace | undefined {
  let before = 0
  for (const piece of entry.pieces) {
    if (piece.groups > 0 && pad <= before + piece.groups)
      return { piece, point: pointOf(entry, piece, pad - before) }
    before += piece.groups
  }
  const last = entry.pieces.findLast(({ groups }) => groups > 0)
  return last && { piece: last, point: pointOf(entry, last, last.groups) }
}

/** A place along a piece, so many cut groups from its start, in the run's own mm on the drawing. */
export function pointOf(
  { run, strip }: Pick<CutStripRun, 'run' | 'strip'>,
  piece: Piece,
  groups: number,
): Point {
  if (isOnWire({ run, strip })) {
    const inPiece = Math.min(Math.floor(groups), piece.groups - 1)
    return run.lights[Math.floor((piece.fromGroup + inPiece) / pixelsInNode(run))] ?? [0, 0]
  }
  let left = piece.startMm + groups * strip.cutPitchMm
  for (const index of piece.segments) {
    const segment = run.segments[index]
    if (segment === undefined) continue
    if (left <= segment.lengthMm || index === piece.segments.at(-1))
      return pointAlong(segment.points, Math.min(1, Math.max(0, left / segment.lengthMm)))
    left -= segment.lengthMm
  }
  return run.segments[0]?.points[0] ?? [0, 0]
}

/** A wire from piece to piece. */
export interface Jumper {
  readonly from: Piece
  readonly to: Piece
  /** Cut groups before it. */
  readonly pad: number
  /** From the end of one strip to the start of the next, straight, mm; 0 where pads meet. Nodes bring half of their wire each. */
  readonly lengthMm: number
}

/** Between strips that all but touch, a jumper still bends from pad to pad, mm. */
const shortestJumperMm = 20

/** The way of a jumper's wires from pad to pad, mm; `undefined` where pads are soldered on pads, or strings plugged. */
export const jumperWayMm = ({ from, to, lengthMm }: Jumper): number | undefined =>
  from.part === to.part ? undefined : Math.max(shortestJumperMm, lengthMm)

/** All joins of a run from piece to piece, in the order of the current. */
export function jumpersOf(entry: Pick<CutStripRun, 'run' | 'strip' | 'pieces'>): Jumper[] {
  const placed = entry.pieces.filter(({ groups }) => groups > 0)
  const ownMm = isOnWire(entry) ? entry.strip.cutPitchMm : 0
  let pad = 0
  return placed.slice(1).map((to, index) => {
    const from = placed[index] ?? to
    pad += from.groups
    const isSplit = from.part === to.part
    const lengthMm = isSplit
      ? 0
      : Math.max(0, distance(pointOf(entry, from, from.groups), pointOf(entry, to, 0)) - ownMm)
    return { from, to, pad, lengthMm }
  })
}
