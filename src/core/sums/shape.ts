import { working } from '../quantity/figure'
import { arcMm, distance, helixMm, ringMm, type Point } from '../measure/geometry'
import { above0, lengthMm as mm } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op, refuse } from './sum'

/** Parts in an answer: a list that is longer helps nobody. */
const mostParts = 20_000
const count = z.int().min(1).max(10_000).default(1)
const coordinate = z
  .number()
  .min(-1_000_000, 'at least −1\u202f000\u202f000 mm')
  .max(1_000_000, 'at most 1\u202f000\u202f000 mm')
const point = z.tuple([coordinate, coordinate])

const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('straight'), lengthMm: mm, count }),
  z.strictObject({ kind: z.literal('polyline'), points: z.array(point).min(2).max(20_000) }),
  z.strictObject({ kind: z.literal('frame'), widthMm: mm, heightMm: mm, count }),
  z.strictObject({
    kind: z.literal('polygon'),
    sides: z.int().min(3).max(1_000),
    sideMm: mm,
    count,
  }),
  z.strictObject({ kind: z.literal('ring'), diameterMm: mm, count }),
  z.strictObject({
    kind: z.literal('arc'),
    radiusMm: mm,
    degrees: above0(360, '', 1e-6),
    count,
  }),
  z.strictObject({
    kind: z.literal('helix'),
    diameterMm: mm,
    pitchMm: mm,
    turns: above0(1_000_000, 'turns', 1e-6),
    count,
  }),
  z.strictObject({ kind: z.literal('rows'), lengthsMm: z.array(mm).min(1).max(10_000) }),
  z.strictObject({
    kind: z.literal('grid'),
    rows: z.int().min(1).max(10_000),
    columns: z.int().min(2).max(10_000),
    pitchXMm: mm,
    pitchYMm: mm.optional(),
  }),
])
type ShapeGiven = z.output<typeof shapeSchema>

/** Segment lengths of one copy (handbook 3, shape). */
function lengthsOf(given: ShapeGiven): number[] {
  switch (given.kind) {
    case 'straight':
      return [given.lengthMm]
    case 'polyline':
      return given.points.slice(1).map((to, index) => distance(given.points[index] as Point, to))
    case 'frame':
      return [given.widthMm, given.heightMm, given.widthMm, given.heightMm]
    case 'polygon':
      return Array.from({ length: given.sides }, () => given.sideMm)
    case 'ring':
      return [ringMm(given.diameterMm)]
    case 'arc':
      return [arcMm(given.radiusMm, given.degrees)]
    case 'helix':
      return [helixMm(given.diameterMm, given.pitchMm, given.turns)]
    case 'rows':
      return given.lengthsMm
    case 'grid':
      return Array.from({ length: given.rows }, () => (given.columns - 1) * given.pitchXMm)
  }
}

const longest = (lengths: readonly number[]): number =>
  lengths.reduce((most, length) => Math.max(most, length), 0)

/** The shape as a line of the pad; `undefined` for those that the pad has no word for. */
function jottedAs(given: ShapeGiven): string | undefined {
  const times = 'count' in given && given.count > 1 ? `${String(given.count)} x ` : ''
  switch (given.kind) {
    case 'straight':
      return `edge ${times}${String(given.lengthMm)}`
    case 'frame':
      return `${times}frame ${String(given.widthMm)} x ${String(given.heightMm)}`
    case 'ring':
      return `${times}ring ${String(given.diameterMm)}`
    case 'arc':
      return `${times}arch r${String(given.radiusMm)} ${String(given.degrees)}`
    case 'polygon':
      return `panels ${String(given.count)} x ${String(given.sides)} sides ${String(given.sideMm)}`
    case 'rows':
      return `rows ${given.lengthsMm.map(String).join(', ')}`
    default:
      return undefined
  }
}

export const shapeSum = defineSum(
  'shape',
  'The lengths to light in a shape.',
  shapeSchema,
  (given) => {
    const one = lengthsOf(given)
    const copies = 'count' in given ? given.count : 1
    if (copies * one.length > mostParts)
      refuse([
        {
          path: 'count',
          message: `${String(copies)} × ${String(one.length)} parts: at most ${String(mostParts)} in one answer`,
        },
      ])
    const segmentsMm = Array.from({ length: copies }, () => one).flat()
    return { segmentsMm, totalMm: segmentsMm.reduce((sum, length) => sum + length, 0) }
  },
  {
    title: 'Length of a shape',
    asks: ['how long is it', 'how much strip for a ring, a frame, an arch', 'circumference'],
    start: { kind: 'frame', widthMm: 900, heightMm: 600, count: 1 },
    fields: {
      kind: ['Shape', ''],
      lengthMm: ['Length', 'mm'],
      count: ['How many', ''],
      points: ['Points, x y; x y', ''],
      widthMm: ['Width', 'mm'],
      heightMm: ['Height', 'mm'],
      sides: ['Sides', ''],
      sideMm: ['Side', 'mm'],
      diameterMm: ['Diameter', 'mm'],
      radiusMm: ['Radius', 'mm'],
      degrees: ['Degrees', ''],
      pitchMm: ['Pitch', 'mm'],
      turns: ['Turns', ''],
      lengthsMm: ['Lengths', 'mm'],
      rows: ['Rows', ''],
      columns: ['Columns', ''],
      pitchXMm: ['From light to light', 'mm'],
      pitchYMm: ['From row to row', 'mm'],
    },
    lines: (_, { segmentsMm, totalMm }) => [
      line('to light', totalMm / 1000, 'm', {
        working: working`${op('parts', segmentsMm.length)} parts, ${op('on average', totalMm / segmentsMm.length, 'mm')} each`,
      }),
      line('longest part', longest(segmentsMm), 'mm'),
    ],
    into: (given) => {
      const text = jottedAs(given)
      return text === undefined
        ? undefined
        : {
            label: 'onto its pad',
            commands: (plan, id) => [
              { do: 'add-lines', at: plan.lines.length, lines: [{ id, text }] },
            ],
          }
    },
  },
)
