import { XMLParser } from 'fast-xml-parser'
import { svgPathProperties } from 'svg-path-properties'
import type { Point } from '../core/measure/geometry'
import { NoOutline, outlineBy, type Courses, type OutlineResult } from './outline'

/** Points along a curved part: chords of a quarter turn in sixteen stray by less than a thousandth of its radius. */
const pointsPerCurve = 24

/** Affine: x' = a x + c y + e, y' = b x + d y + f. */
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]
const same: Matrix = [1, 0, 0, 1, 0, 0]

interface Node {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly Node[]
}

/** Elements that only define what others show. */
const hidden = new Set(['defs', 'clipPath', 'mask', 'symbol', 'pattern', 'marker', 'metadata'])

/** Reads the outlines of an SVG file: paths, lines, polylines, polygons, rectangles, circles and ellipses, with their transforms. */
export function readSvgOutline(text: string): OutlineResult {
  if (text.trim() === '') return { ok: false, message: 'The file is empty' }
  return outlineBy('SVG', (courses) => {
    const root = rootOf(text)
    if (root === undefined) throw new NoOutline('Not an SVG file: it has no <svg> element')
    collect(root, same, courses)
    return mmPerUnitOf(root)
  })
}

function rootOf(text: string): Node | undefined {
  try {
    return nodesOf(
      new XMLParser({
        preserveOrder: true,
        ignoreAttributes: false,
        attributeNamePrefix: '',
        parseAttributeValue: false,
        processEntities: false,
        removeNSPrefix: true,
      }).parse(text),
    ).find(({ name }) => name === 'svg')
  } catch {
    return undefined
  }
}

function nodesOf(parsed: unknown): Node[] {
  if (!Array.isArray(parsed)) return []
  return parsed.flatMap((item: Record<string, unknown>): Node[] => {
    const name = Object.keys(item).find((key) => key !== ':@' && !key.startsWith('#'))
    if (name === undefined) return []
    return [
      {
        name,
        attributes: (item[':@'] ?? {}) as Record<string, string>,
        children: nodesOf(item[name]),
      },
    ]
  })
}

/** mm a user unit: from a width in real units and the view box. */
function mmPerUnitOf({ attributes }: Node): number | undefined {
  const size = /^\s*([\d.]+)\s*(mm|cm|in|pt)\s*$/.exec(attributes.width ?? '')
  const viewBox = (attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  if (size === null) return undefined
  const mm = Number(size[1]) * ({ mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72 }[size[2] ?? ''] ?? 1)
  const units = viewBox.length === 4 ? (viewBox[2] ?? 0) : 0
  return units > 0 ? mm / units : undefined
}

function collect(node: Node, outer: Matrix, courses: Courses): void {
  if (hidden.has(node.name)) return
  const matrix = times(outer, transformOf(node.attributes.transform ?? ''))
  const number = (name: string): number => Number.parseFloat(node.attributes[name] ?? '0') || 0
  const add = (points: readonly Point[]): void => {
    courses.add(points.map((point) => applied(matrix, point)))
  }
  switch (node.name) {
    case 'path':
      for (const course of pathCourses(node.attributes.d ?? '')) add(course)
      break
    case 'line':
      add([
        [number('x1'), number('y1')],
        [number('x2'), number('y2')],
      ])
      break
    case 'polyline':
    case 'polygon': {
      const values = (node.attributes.points ?? '')
        .trim()
        .split(/[\s,]+/)
        .map(Number)
      const points = Array.from({ length: Math.floor(values.length / 2) }, (_, index): Point => [
        values[2 * index] ?? 0,
        values[2 * index + 1] ?? 0,
      ])
      const [first] = points
      add(node.name === 'polygon' && first !== undefined ? [...points, first] : points)
      break
    }
    case 'rect': {
      const [x, y, w, h] = [number('x'), number('y'), number('width'), number('height')]
      add([
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
        [x, y],
      ])
      break
    }
    case 'circle':
    case 'ellipse': {
      const [cx, cy] = [number('cx'), number('cy')]
      const rx = node.name === 'circle' ? number('r') : number('rx')
      const ry = node.name === 'circle' ? number('r') : number('ry')
      const turn = 4 * pointsPerCurve
      add(
        Array.from({ length: turn + 1 }, (_, index): Point => {
          const angle = (2 * Math.PI * index) / turn
          return [cx + rx * Math.cos(angle), cy + ry * Math.sin(angle)]
        }),
      )
    }
  }
  for (const child of node.children) collect(child, matrix, courses)
}

/** A path's parts, split where the pen is lifted. */
function pathCourses(d: string): Point[][] {
  if (d.trim() === '') return []
  if (!/^\s*m/i.test(d)) throw new Error('it does not begin with a move')
  const courses: Point[][] = []
  let course: Point[] = []
  for (const part of new svgPathProperties(d).getParts()) {
    const last = course.at(-1)
    if (last?.[0] !== part.start.x || last[1] !== part.start.y) {
      course = [[part.start.x, part.start.y]]
      courses.push(course)
    }
    const middle = part.getPointAtLength(part.length / 2)
    const isStraight =
      Math.abs(middle.x - (part.start.x + part.end.x) / 2) +
        Math.abs(middle.y - (part.start.y + part.end.y) / 2) <
      1e-9 * (1 + part.length)
    for (let index = 1; !isStraight && index < pointsPerCurve; index += 1) {
      const { x, y } = part.getPointAtLength((part.length * index) / pointsPerCurve)
      course.push([x, y])
    }
    course.push([part.end.x, part.end.y])
  }
  return courses
}

const applied = ([a, b, c, d, e, f]: Matrix, [x, y]: Point): Point => [
  a * x + c * y + e,
  b * x + d * y + f,
]

const times = ([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix => [
  a * g + c * h,
  b * g + d * h,
  a * i + c * j,
  b * i + d * j,
  a * k + c * l + e,
  b * k + d * l + f,
]

function transformOf(text: string): Matrix {
  let matrix = same
  for (const [, name = '', list = ''] of text.matchAll(/(\w+)\s*\(([^)]*)\)/g)) {
    const values = list
      .trim()
      .split(/[\s,]+/)
      .map(Number)
    const [p = 0, q = 0, r = 0] = values
    const radians = (p * Math.PI) / 180
    const [cos, sin] = [Math.cos(radians), Math.sin(radians)]
    const by: Readonly<Record<string, () => Matrix>> = {
      translate: () => [1, 0, 0, 1, p, q],
      scale: () => [p, 0, 0, values.length > 1 ? q : p, 0, 0],
      rotate: () =>
        times(times([1, 0, 0, 1, q, r], [cos, sin, -sin, cos, 0, 0]), [1, 0, 0, 1, -q, -r]),
      skewX: () => [1, 0, Math.tan(radians), 1, 0, 0],
      skewY: () => [1, Math.tan(radians), 0, 1, 0, 0],
      matrix: () => [p, q, r, values[3] ?? 1, values[4] ?? 0, values[5] ?? 0],
    }
    matrix = times(matrix, by[name]?.() ?? same)
  }
  return matrix
}
