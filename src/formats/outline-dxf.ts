import DxfParser, { type IEntity } from 'dxf-parser'
import type { Point } from '../core/measure/geometry'
import { NoOutline, outlineBy, type OutlineResult } from './outline'

interface Place {
  readonly x: number
  readonly y: number
}

/** What is used of the entities; the parser's own types leave most of it out. */
interface Entity extends IEntity {
  readonly vertices?: readonly (Place & { readonly bulge?: number })[]
  readonly shape?: boolean
  readonly center?: Place
  readonly radius?: number
  readonly startAngle?: number
  readonly endAngle?: number
  readonly majorAxisEndPoint?: Place
  readonly axisRatio?: number
  readonly controlPoints?: readonly Place[]
  readonly fitPoints?: readonly Place[]
  readonly knotValues?: readonly number[]
  readonly degreeOfSplineCurve?: number
  readonly closed?: boolean
  readonly name?: string
  readonly position?: Place
  readonly xScale?: number
  readonly yScale?: number
  readonly rotation?: number
}

/** mm by the file's $INSUNITS: inches, feet, mm, cm, m. */
const mmByUnit: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 }

/** An arc is cut into chords of this many degrees. */
const chordDegrees = 2

/** Blocks within blocks are followed so deep. */
const mostNested = 4

/** Blocks that are put in, at most: with blocks in blocks their number multiplies. */
const mostInserts = 20_000

/** Reads the outlines of a DXF file: lines, polylines with bulges, arcs, circles, ellipses, splines, and blocks of these. */
export function readDxfOutline(text: string): OutlineResult {
  if (text.trim() === '') return { ok: false, message: 'The file is empty' }
  if (!/^\s*0\s*\r?\n\s*SECTION/m.test(text))
    return { ok: false, message: 'Not a DXF file: it has no sections' }
  return outlineBy('DXF', (courses) => {
    const { entities = [], blocks = {}, header = {} } = parsed(text)
    let inserts = 0
    const collect = (
      list: readonly Entity[],
      put: (point: Point) => Point,
      depth: number,
    ): void => {
      for (const entity of list) {
        if (entity.type === 'INSERT') {
          const block = blocks[entity.name ?? '']
          if (block?.entities === undefined || depth >= mostNested) continue
          inserts += 1
          if (inserts > mostInserts)
            throw new NoOutline(
              `The file puts more than ${String(mostInserts)} blocks together: explode and simplify it in the program that drew it`,
            )
          const inserted = inserter(entity, block.position)
          collect(block.entities, (point) => put(inserted(point)), depth + 1)
          continue
        }
        const course = courseOf(entity)
        if (course.length > 1) courses.add(course.map(put))
      }
    }
    // DXF counts y upwards, the drawing downwards.
    collect(entities, ([x, y]) => [x, -y], 0)
    return mmByUnit[Number(header.$INSUNITS)]
  })
}

interface Parsed {
  readonly entities?: readonly Entity[]
  readonly blocks?: Readonly<
    Record<string, { readonly entities?: readonly Entity[]; readonly position?: Place } | undefined>
  >
  readonly header?: Readonly<Record<string, unknown>>
}

interface Group {
  readonly code: number
  readonly value: string
}

/** The file by the parser, which gets only what it can cope with: it waits for ever for a value or a place that does not come. */
function parsed(text: string): Parsed {
  const groups = polylinesInOrder(groupsOf(text))
  const lines = groups.flatMap(({ code, value }) => [String(code), value])
  return new DxfParser().parseSync(lines.join('\n')) ?? {}
}

/** A DXF file is pairs of lines, a code and its value, up to `EOF`. */
function groupsOf(text: string): Group[] {
  const lines = text.replace(/\s+$/, '').split(/\r\n|\r|\n/)
  const groups: Group[] = []
  for (let index = 0; index + 1 < lines.length; index += 2) {
    const [code = '', value = ''] = lines.slice(index, index + 2)
    if (!/^\s*\d{1,4}\s*$/.test(code))
      throw new NoOutline(
        `The DXF file cannot be read: in line ${String(index + 1)} a group code is expected`,
      )
    groups.push({ code: Number(code), value })
    if (Number(code) === 0 && value.trim() === 'EOF') return groups
  }
  throw new NoOutline('The DXF file is cut short: it has no end')
}

/** Codes of a light polyline that its course is made of: layer, vertices with their bulges, whether it is closed. */
const polylineCodes = new Set([8, 10, 20, 42, 70])

/** Light polylines with as many vertices as they say, each x with its y, and nothing in between. */
function polylinesInOrder(groups: readonly Group[]): Group[] {
  const kept: Group[] = []
  let count: { index: number; vertices: number } | undefined
  for (const [index, group] of groups.entries()) {
    if (group.code === 0) {
      if (count !== undefined) kept[count.index] = { code: 90, value: String(count.vertices) }
      count = undefined
      kept.push(group)
      if (group.value.trim() !== 'LWPOLYLINE') continue
      count = { index: kept.push({ code: 90, value: '0' }) - 1, vertices: 0 }
    } else if (count === undefined) kept.push(group)
    else if (polylineCodes.has(group.code)) {
      if (group.code === 10) {
        if (groups[index + 1]?.code !== 20)
          throw new NoOutline('The DXF file cannot be read: a corner of a polyline has no y')
        count.vertices += 1
      }
      kept.push(group)
    }
  }
  return kept
}

function inserter(
  { position = { x: 0, y: 0 }, xScale = 1, yScale = 1, rotation = 0 }: Entity,
  base: Place = { x: 0, y: 0 },
): (point: Point) => Point {
  const radians = (rotation * Math.PI) / 180
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)]
  return ([x, y]) => {
    const [sx, sy] = [(x - base.x) * xScale, (y - base.y) * yScale]
    return [position.x + sx * cos - sy * sin, position.y + sx * sin + sy * cos]
  }
}

function courseOf(entity: Entity): Point[] {
  const { center, radius = 0, startAngle = 0, endAngle = 2 * Math.PI } = entity
  switch (entity.type) {
    case 'LINE':
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(entity)
    case 'CIRCLE':
      return center === undefined ? [] : arc(center, radius, 0, 2 * Math.PI)
    case 'ARC':
      return center === undefined ? [] : arc(center, radius, startAngle, endAngle)
    case 'ELLIPSE':
      return center === undefined ? [] : ellipse(entity, center)
    case 'SPLINE':
      return spline(entity)
    default:
      return []
  }
}

function polyline({ vertices = [], shape }: Entity): Point[] {
  const [first] = vertices
  const all = shape === true && first !== undefined ? [...vertices, first] : vertices
  return all.flatMap((vertex, index): Point[] => {
    const before = all[index - 1]
    const bulge = before?.bulge ?? 0
    return before === undefined || bulge === 0
      ? [[vertex.x, vertex.y]]
      : bulged(before, vertex, bulge)
  })
}

/** An arc between two vertices: bulge is the tangent of a quarter of its angle, positive to the left. */
function bulged(from: Place, to: Place, bulge: number): Point[] {
  const angle = 4 * Math.atan(bulge)
  const chord = Math.hypot(to.x - from.x, to.y - from.y)
  const radius = chord / 2 / Math.sin(angle / 2)
  const away = radius * Math.cos(angle / 2)
  const [ux, uy] = [(to.x - from.x) / chord, (to.y - from.y) / chord]
  const centre = {
    x: (from.x + to.x) / 2 - uy * away,
    y: (from.y + to.y) / 2 + ux * away,
  }
  const start = Math.atan2(from.y - centre.y, from.x - centre.x)
  return arc(centre, Math.abs(radius), start, start + angle, true).slice(1)
}

/** Counter-clockwise from one angle to the other; either way where `isSigned`. */
function arc(centre: Place, radius: number, from: number, to: number, isSigned = false): Point[] {
  const turn = 2 * Math.PI
  const angle = isSigned ? to - from : (((to - from) % turn) + turn) % turn || turn
  const chords = Math.max(2, Math.ceil(Math.abs(angle) / ((chordDegrees * Math.PI) / 180)))
  return Array.from({ length: chords + 1 }, (_, index) => {
    const at = from + (angle * index) / chords
    return [centre.x + radius * Math.cos(at), centre.y + radius * Math.sin(at)]
  })
}

function ellipse(
  { majorAxisEndPoint = { x: 1, y: 0 }, axisRatio = 1, startAngle = 0, endAngle = 0 }: Entity,
  centre: Place,
): Point[] {
  const { x: ax, y: ay } = majorAxisEndPoint
  return arc({ x: 0, y: 0 }, 1, startAngle, endAngle).map(([cos, sin]) => [
    centre.x + ax * cos - ay * axisRatio * sin,
    centre.y + ay * cos + ax * axisRatio * sin,
  ])
}

/** A B-spline by de Boor's algorithm; one that has only the points it goes through is drawn straight between them. */
function spline({
  controlPoints = [],
  fitPoints = [],
  knotValues = [],
  degreeOfSplineCurve: degree = 3,
}: Entity): Point[] {
  if (controlPoints.length <= degree || knotValues.length < controlPoints.length + degree + 1)
    return (fitPoints.length > 1 ? fitPoints : controlPoints).map(({ x, y }) => [x, y])
  const [from, to] = [knotValues[degree] ?? 0, knotValues[controlPoints.length] ?? 1]
  const steps = Math.min(4_000, 16 * controlPoints.length)
  return Array.from({ length: steps + 1 }, (_, index): Point => {
    const at = from + ((to - from) * index) / steps
    let span = degree
    while (span < controlPoints.length - 1 && at >= (knotValues[span + 1] ?? Infinity)) span += 1
    const points = Array.from({ length: degree + 1 }, (_point, j): Point => {
      const { x, y } = controlPoints[j + span - degree] ?? { x: 0, y: 0 }
      return [x, y]
    })
    for (let level = 1; level <= degree; level += 1)
      for (let j = degree; j >= level; j -= 1) {
        const low = knotValues[j + span - degree] ?? 0
        const high = knotValues[j + 1 + span - level] ?? 0
        const share = high === low ? 0 : (at - low) / (high - low)
        const [a, b] = [points[j - 1] ?? [0, 0], points[j] ?? [0, 0]]
        points[j] = [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share]
      }
    return points[degree] ?? [0, 0]
  })
}
