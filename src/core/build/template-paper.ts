import { boxAround, type Box, type Point } from '../measure/geometry'
import { laidOn } from '../measure/rects'
import type { Plan } from '../plan/plan'
import type { Template } from './template'

/** Paper, mm: what a printer leaves free at every edge is left out. */
export const templatePapers = {
  A4: { name: 'A4', widthMm: 186, heightMm: 262 },
  Letter: { name: 'Letter', widthMm: 190, heightMm: 244 },
} as const
export type TemplatePaper = keyof typeof templatePapers

/** The paper that is usual where a plan's units are. */
export const usualPaper = ({ units }: Pick<Plan, 'units'>): TemplatePaper =>
  units === 'ft-in' ? 'Letter' : 'A4'

/** Parts of a template lie so far over each other, mm. */
export const overlapMm = 10
/** Below each part its name; below a sheet its ruler, mm. */
export const [nameMm, footMm] = [5, 12]
/** Between parts on one sheet, mm. */
const betweenMm = 3

/** The part of a template that fits a sheet of paper. */
export interface TemplatePart extends Box {
  /** From 1. */
  readonly row: number
  readonly column: number
  readonly rows: number
  readonly columns: number
}

/** A part where it lies on its sheet, mm from the corner. */
export interface PlacedPart {
  readonly template: Template
  readonly part: TemplatePart
  readonly x: number
  readonly y: number
}

/** The same as it is seen from behind. */
export function mirrored({ box, ...template }: Template): Template {
  const flip = ([x, y]: Point): Point => [2 * box.x + box.width - x, y]
  const at = <Marked extends { readonly at: Point }>(one: Marked): Marked => ({
    ...one,
    at: flip(one.at),
  })
  return {
    ...template,
    box,
    courses: template.courses.map((course) => course.map(flip)),
    pieces: template.pieces.map((one) => ({ ...one, from: flip(one.from), to: flip(one.to) })),
    pixels: template.pixels.map(at),
    clips: template.clips.map(flip),
    holes: template.holes.map(at),
    entry: template.entry && flip(template.entry),
    ways: template.ways.map((way) => ({ ...way, points: way.points.map(flip) })),
    sheet: template.sheet && { ...template.sheet, points: template.sheet.points.map(flip) },
  }
}

/** The parts that a template is printed in, row by row, each overlapping the next. */
export function partsOn(box: Box, paper: TemplatePaper): TemplatePart[] {
  const { widthMm, heightMm } = templatePapers[paper]
  const across = cutUp(box.width, widthMm)
  const down = cutUp(box.height, heightMm - footMm - nameMm)
  return down.flatMap(({ fromMm: y, lengthMm: height }, row) =>
    across.map(({ fromMm: x, lengthMm: width }, column): TemplatePart => ({
      row: row + 1,
      column: column + 1,
      rows: down.length,
      columns: across.length,
      x: box.x + x,
      y: box.y + y,
      width,
      height,
    })),
  )
}

/** The parts on which anything is marked: the middle of a frame stays white, and is not printed. */
export function markedParts(template: Template, paper: TemplatePaper): TemplatePart[] {
  const around = template.sheet?.wrapMm ?? 0
  const marked = marksOf(template).map(boxAround)
  return partsOn(template.box, paper).filter((part) =>
    marked.some(
      ({ x, y, width, height }) =>
        x - around <= part.x + part.width &&
        part.x <= x + width + around &&
        y - around <= part.y + part.height &&
        part.y <= y + height + around,
    ),
  )
}

/** Everything that is marked, as points and as stretches between two. */
function marksOf({ courses, sheet, ways, holes, entry }: Template): (readonly Point[])[] {
  const outline = sheet?.points ?? []
  return [
    ...[
      ...courses,
      ...ways.map(({ points }) => points),
      [...outline, ...outline.slice(0, 1)],
    ].flatMap((course) => course.slice(1).map((point, index) => [course[index] ?? point, point])),
    ...holes.map(({ at }) => [at]),
    ...(entry === undefined ? [] : [[entry]]),
  ]
}

/** A length in stretches that fit a sheet, each lying over the one before. */
function cutUp(lengthMm: number, sheetMm: number): { fromMm: number; lengthMm: number }[] {
  const count = Math.max(1, Math.ceil((lengthMm - overlapMm) / (sheetMm - overlapMm) - 1e-9))
  return Array.from({ length: count }, (_, index) => {
    const fromMm = index * (sheetMm - overlapMm)
    return { fromMm, lengthMm: Math.min(sheetMm, lengthMm - fromMm) }
  })
}

/** All parts of templates on as few sheets as they are found room on: what is narrow shares one. */
export function sheetsFor(
  templates: readonly Template[],
  paper: TemplatePaper,
): readonly (readonly PlacedPart[])[] {
  const { widthMm, heightMm } = templatePapers[paper]
  const laid = laidOn(
    widthMm + betweenMm,
    heightMm - footMm + betweenMm,
    templates.flatMap((template) =>
      markedParts(template, paper).map((part) => ({
        template,
        part,
        x: 0,
        y: 0,
        width: part.width + betweenMm,
        height: part.height + nameMm + betweenMm,
      })),
    ),
  )
  return laid.map((parts) => parts.map(({ template, part, x, y }) => ({ template, part, x, y })))
}

/** So many sheets are no template any more: a measure and a pencil are quicker. */
export const mostSheets = 60

/** Whether templates are worth their paper: so much as an estimate, which needs no room to be found. */
export function isWorthPaper(templates: readonly Template[], paper: TemplatePaper): boolean {
  const { widthMm, heightMm } = templatePapers[paper]
  const areaMm2 = templates.reduce((sum, { box }) => sum + box.width * box.height, 0)
  return areaMm2 <= mostSheets * widthMm * heightMm
}

/** The sheets that templates are printed on; `undefined` where those are more than are worth it. */
export function printedSheets(
  templates: readonly Template[],
  paper: TemplatePaper,
): ReturnType<typeof sheetsFor> | undefined {
  if (!isWorthPaper(templates, paper)) return undefined
  const sheets = sheetsFor(templates, paper)
  return sheets.length > mostSheets ? undefined : sheets
}
