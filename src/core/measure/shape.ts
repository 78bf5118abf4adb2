import type { Trace } from '../plan/plan'
import type { ReadLength } from '../quantity/length'
import type { Reader } from '../quantity/reader'
import type { Token } from '../quantity/tokens'
import type { Point } from './geometry'

export const shapeNames = [
  'edge',
  'corners',
  'frame',
  'ring',
  'arch',
  'panels',
  'wrap',
  'steps',
  'rows',
  'grid',
  'string',
  'scatter',
  'traced',
] as const
export type ShapeName = (typeof shapeNames)[number]

/** A measure that can be changed on the drawing: what it is worth, and the characters of the line that say so. */
export interface Dimension {
  readonly kind: 'length' | 'radius' | 'diameter' | 'degrees' | 'count'
  readonly value: number
  readonly at: number
  readonly end: number
  /** Its unit as it was typed behind it. */
  readonly unit?: string
  /** The unit that it has from the end of its list or pair. */
  readonly carried?: string
}

/** A straight or curved part of a run between corners or jumps. */
export interface Segment {
  readonly lengthMm: number
  /** Its course on the drawing, in the run's own mm. */
  readonly points: readonly Point[]
  /** Index of the dimension that sets its length, in the shape's list; -1 where none does. */
  readonly dimension: number
  /** The pixels that it was given by. */
  readonly pixels?: number
  /** Radius of its bend where the points on the drawing do not show it, mm: a pole's. */
  readonly radiusMm?: number
}

/** What a line's measures come to: segments of strip, or single lights. */
export interface Shape {
  readonly segments: readonly Segment[]
  readonly lights: readonly Point[]
  readonly dimensions: readonly Dimension[]
  /** How far each single light hangs below its place, mm. */
  readonly dropMm?: number
}

/**
 * Reads the measures behind a shape's word. The reader stands behind the word; `count` is that of `3 x ring 240`, `trace` what was read
 * from a file for this line.
 */
export type ReadShape = (reader: Reader, count: number, trace: Trace | undefined) => Shape

/** No more parts or lights than this in one run: more is a slip of the pencil. */
export const mostParts = 2_000

/** Space between parts of a run that the drawing sets apart, as a share of their size. */
export const apart = 0.18

export const dimensionOf = (
  kind: Dimension['kind'],
  { mm, at, end, unit, carried }: ReadLength,
): Dimension => ({
  kind,
  value: mm,
  at,
  end,
  ...(unit !== undefined && { unit }),
  ...(carried !== undefined && { carried }),
})

/** The length of a segment, and the pixels that it was given by. */
export const lengthOf = ({ mm, pixels }: ReadLength): Pick<Segment, 'lengthMm' | 'pixels'> => ({
  lengthMm: mm,
  ...(pixels !== undefined && { pixels }),
})

export const countOf = ({ value, at, end }: Token): Dimension => ({ kind: 'count', value, at, end })

/** The same points, moved. */
export const moved = (points: readonly Point[], dx: number, dy: number): Point[] =>
  points.map(([x, y]) => [x + dx, y + dy])

/** Sets copies of one outline side by side, `pitchMm` apart. */
export function copiesInRow(count: number, pitchMm: number, one: readonly Segment[]): Segment[] {
  return Array.from({ length: count }, (_, copy) =>
    one.map((segment) => ({ ...segment, points: moved(segment.points, copy * pitchMm, 0) })),
  ).flat()
}
