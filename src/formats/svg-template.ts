import type { Template } from '../core/build/template'
import {
  footMm,
  overlapMm,
  templatePapers,
  type PlacedPart,
  type TemplatePaper,
} from '../core/build/template-paper'
import { courseMm, pointAlong, type Box, type Point } from '../core/measure/geometry'
import { formatDrill, type LengthUnits } from '../core/quantity/format'
import { mmPerInch } from '../core/quantity/length'
import { xmlText } from './safe-text'
import { mm, pathOf } from './svg-path'

/** How a sheet is printed. */
export interface SheetLooks {
  readonly paper: TemplatePaper
  /** The templates are mirrored: that is said beside them. */
  readonly isMirrored: boolean
  readonly units: LengthUnits
  /** Which sheet of how many, such as "2 of 3". */
  readonly number: string
}

/** Marks that reach into a part from outside its edge, mm. */
const reachMm = 25

/** One sheet of templates at true size: a unit is a millimetre. */
export function templateSheetSvg(parts: readonly PlacedPart[], looks: SheetLooks): string {
  const { widthMm, heightMm } = templatePapers[looks.paper]
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(widthMm)}mm" height="${mm(heightMm)}mm" viewBox="0 0 ${mm(widthMm)} ${mm(heightMm)}" font-family="sans-serif">`,
    `<rect width="${mm(widthMm)}" height="${mm(heightMm)}" fill="#fff"/>`,
    ...parts.flatMap((placed, index) => partLines(placed, index, looks)),
    ...rulerLines(heightMm - footMm, looks),
    '</svg>',
  ].join('\n')
}

function partLines(
  { template, part, x, y }: PlacedPart,
  index: number,
  { isMirrored, units }: SheetLooks,
): string[] {
  const put = ([px, py]: Point): Point => [px - part.x + x, py - part.y + y]
  const frame: Box = { x, y, width: part.width, height: part.height }
  const isOne = part.rows * part.columns === 1
  const where = isOne ? '' : `, row ${String(part.row)}, column ${String(part.column)}`
  return [
    `<clipPath id="part-${String(index)}">${rect(frame)}</clipPath>`,
    `<g clip-path="url(#part-${String(index)})" fill="none" stroke="#000" stroke-width="0.25">`,
    ...marks(template, put, frame, units),
    '</g>',
    `<g fill="none" stroke="#000" stroke-width="0.2">${rect(frame, ' stroke-dasharray="1 2"')}${isOne ? '' : crosses(frame, part)}</g>`,
    text(
      [x + 1, y + part.height + 3.8],
      3,
      `${template.name}, ${isMirrored ? 'from behind' : 'from the front'}${where}`,
    ),
  ]
}

/** Where neighbours lie over this part: crosses in the middle of what they share. */
function crosses({ x, y, width, height }: Box, part: PlacedPart['part']): string {
  const inset = overlapMm / 2
  const sides = (from: number, length: number, at: number, count: number): number[] => [
    ...(at > 1 ? [from + inset] : []),
    ...(at < count ? [from + length - inset] : []),
  ]
  const [acrossAt, downAt] = [
    sides(x, width, part.column, part.columns),
    sides(y, height, part.row, part.rows),
  ]
  const rows = downAt.length > 0 ? downAt : [y + inset, y + height - inset]
  const columns = acrossAt.length > 0 ? acrossAt : [x + inset, x + width - inset]
  const lines = rows.flatMap((cy) =>
    columns.map((cx) => `M${mm(cx - 3)} ${mm(cy)}h6M${mm(cx)} ${mm(cy - 3)}v6`),
  )
  return `<path d="${lines.join('')}"/>`
}

function marks(
  template: Template,
  put: (point: Point) => Point,
  frame: Box,
  units: LengthUnits,
): string[] {
  const near = (point: Point): boolean => {
    const [px, py] = put(point)
    return (
      px > frame.x - reachMm &&
      px < frame.x + frame.width + reachMm &&
      py > frame.y - reachMm &&
      py < frame.y + frame.height + reachMm
    )
  }
  const { entry, sheet } = template
  return [
    ...(sheet === undefined ? [] : outlineLines(sheet, put)),
    ...template.ways.flatMap((way, index) => wayLines(way, index, put)),
    ...template.courses.map(
      (course) => `<path d="${pathOf(course.map(put))}" stroke="#999" stroke-dasharray="3 2"/>`,
    ),
    ...template.pieces.flatMap(({ name, from, to }) => {
      if (!near(from) && !near(to)) return []
      const [[fx, fy], [tx, ty]] = [put(from), put(to)]
      return [
        `<circle cx="${mm(fx)}" cy="${mm(fy)}" r="1.6" fill="#000"/>`,
        `<rect x="${mm(tx - 1.4)}" y="${mm(ty - 1.4)}" width="2.8" height="2.8" fill="#fff" stroke-width="0.4"/>`,
        text([fx + 2.5, fy - 3], 4, name, ' font-weight="bold"'),
      ]
    }),
    ...template.pixels
      .filter(({ at }) => near(at))
      .flatMap(({ at, number }) => {
        const [px, py] = put(at)
        return [
          `<circle cx="${mm(px)}" cy="${mm(py)}" r="0.8"/>`,
          text([px, py + 5], 3, String(number), ' text-anchor="middle"'),
        ]
      }),
    ...template.clips.filter(near).map((point) => {
      const [px, py] = put(point)
      return `<path d="M${mm(px - 3)} ${mm(py - 3)}l6 6m0 -6l-6 6" stroke-width="0.4"/>`
    }),
    ...template.holes
      .filter(({ at }) => near(at))
      .flatMap(({ at, mm: holeMm, name, isForWires }) => {
        const [px, py] = put(at)
        return [
          ...(holeMm === null
            ? []
            : [
                `<circle cx="${mm(px)}" cy="${mm(py)}" r="${mm(holeMm / 2)}" stroke-width="0.35"/>`,
              ]),
          `<path d="M${mm(px - 3)} ${mm(py)}h6m-3 -3v6" stroke-width="0.2"/>`,
          text(
            [px + (holeMm ?? 2) / 2 + 1, py - (isForWires ? 8 : 1)],
            3,
            `${name}${holeMm === null ? '' : ` Ø ${formatDrill(holeMm, units)}`}`,
          ),
        ]
      }),
    ...(entry === undefined || !near(entry) || template.ways.some(({ name }) => name !== '')
      ? []
      : [
          text(
            [put(entry)[0], put(entry)[1] + 9],
            3.2,
            'wire comes in here',
            ' text-anchor="middle"',
          ),
        ]),
  ]
}

/**
 * The line that a sheet is cut along. So far from the outline is the edge of a stroke twice as wide, round any corner: its black one is covered
 * by a white one that is a little narrower.
 */
function outlineLines(
  { points, wrapMm, name }: NonNullable<Template['sheet']>,
  put: (point: Point) => Point,
): string[] {
  const path = `${pathOf(points.map(put))}Z`
  const [[x, y]] = [put(points[0] ?? [0, 0])]
  const around = ' stroke-linejoin="round" stroke-linecap="round"'
  return wrapMm > 0
    ? [
        `<path d="${path}" stroke-width="${mm(2 * wrapMm + cutLineMm)}"${around}/>`,
        `<path d="${path}" stroke="#fff" fill="#fff" stroke-width="${mm(2 * wrapMm - cutLineMm)}"${around}/>`,
        `<path d="${path}" stroke-width="0.15"/>`,
        text([x + 4, y + 8], 3, `cut the ${name} along the outer line, ${mm(wrapMm)} mm out`),
      ]
    : [
        `<path d="${path}" stroke-width="${mm(cutLineMm)}"/>`,
        text([x + 4, y + 8], 3, `cut the ${name} along this line`),
      ]
}
const cutLineMm = 0.5

/** Wires in dots, with their names a little before where they end, one below the other. */
function wayLines(
  { name, points }: Template['ways'][number],
  index: number,
  put: (point: Point) => Point,
): string[] {
  const placed = points.map(put)
  const beside = pointAlong(placed, Math.max(0, 1 - nameBeforeMm / courseMm(placed)))
  return [
    `<path class="way" d="${pathOf(placed)}" stroke-width="0.4" stroke-dasharray="0.6 1.6" stroke-linecap="round"/>`,
    ...(name === '' ? [] : [text([beside[0] + 1.5, beside[1] + 3.5 * (index + 1)], 3, name)]),
  ]
}
const nameBeforeMm = 6

/** The ruler at the foot of a sheet: of 100 mm, or of four inches. */
function rulerLines(top: number, { units, number }: SheetLooks): string[] {
  const isImperial = units === 'ft-in'
  const [count, each, long] = isImperial ? [16, mmPerInch / 4, 4] : [10, 10, 5]
  const ticks = Array.from({ length: count + 1 }, (_, index) => {
    const half = index % long === 0 ? 2.5 : 1.5
    return `M${mm(2 + index * each)} ${mm(top + 4 - half)}v${mm(2 * half)}`
  })
  return [
    `<path class="ruler" d="M2 ${mm(top + 4)}h${mm(count * each)}${ticks.join('')}" fill="none" stroke="#000" stroke-width="0.3"/>`,
    text(
      [2, top + 10.5],
      3.2,
      `${isImperial ? '4 in' : '100 mm'}: measure it. Print at 100 %, not “fit to page”. Sheet ${number}`,
    ),
  ]
}

const rect = ({ x, y, width, height }: Box, more = ''): string =>
  `<rect x="${mm(x)}" y="${mm(y)}" width="${mm(width)}" height="${mm(height)}"${more}/>`

const text = ([x, y]: Point, size: number, content: string, more = ''): string =>
  `<text x="${mm(x)}" y="${mm(y)}" font-size="${String(size)}" fill="#000" stroke="none"${more}>${xmlText(content)}</text>`
