import type { WorkedPlan } from '../core/derived'
import { worked } from '../core/worked'
import { middleOf, type Point } from '../core/measure/geometry'
import { cornersOfBox, placer } from '../core/measure/layout'
import type { MeasuredRun } from '../core/measure/measure'
import type { Furniture, Place, Plan } from '../core/plan/plan'
import { formatLength } from '../core/quantity/format'
import { mmPerInch } from '../core/quantity/length'
import { xmlText } from './safe-text'
import { mm, pathOf } from './svg-path'

/** White around the drawing, mm. */
const border = 60

/** Where a drawing ends, mm, and how large its letters are in its own mm. */
interface Frame {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/**
 * The drawing of a plan with its names, lengths, leads and furniture, to scale: one unit is one millimetre, so that any viewer prints it
 * true to size.
 */
export function drawingSvg(plan: Plan): string {
  const results = worked(plan)
  const frame = frameOf(results)
  const { width, height } = frame
  // Letters and lines are sized by the drawing, so that they can be read when all of it fills a page.
  const em = Math.max(8, Math.min(width, height) / 45)
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}">`,
    ...contents(results, frame, em),
    '</svg>',
    '',
  ].join('\n')
}

/** A drawing at a scale that fits one sheet of paper. */
export interface ScaledDrawing {
  /** With a ruler below it; as wide and high as it is printed. */
  readonly svg: string
  /** One to so many. */
  readonly scale: number
  /** All usual scales at which it fits the sheet, the largest picture first. */
  readonly scales: readonly number[]
}

/** Usual scales: of drawings in metres, and of those in feet and inches, one inch to so many. */
const scalesBy = {
  metric: [1, 2, 5, 10, 20, 25, 50, 100, 200, 500, 1_000],
  imperial: [1, 2, 4, 8, 12, 16, 24, 32, 48, 96, 192, 384, 768],
} as const

/** Below the drawing: room for the ruler, and how high its letters are, mm on paper. */
const [rulerMm, letterMm] = [12, 3]

/**
 * The drawing at a scale on one sheet, turned where it is wider than the sheet, with a ruler to check it by.
 *
 * @param sheet what can be printed on, mm
 * @param wanted one to so many; where it does not fit, or none is given, the largest that fits
 */
export function scaledDrawing(
  plan: Plan,
  sheet: { readonly widthMm: number; readonly heightMm: number },
  wanted?: number,
): ScaledDrawing {
  const results = worked(plan)
  const { width, height } = frameOf(results)
  const isWide = width > height
  const [across, down] = isWide ? [sheet.heightMm, sheet.widthMm] : [sheet.widthMm, sheet.heightMm]
  const usual = scalesBy[plan.units === 'ft-in' ? 'imperial' : 'metric']
  const fitting = usual.filter(
    (scale) => width / scale <= across && height / scale + rulerMm <= down,
  )
  // Larger than any usual scale holds: to the next whole hundred.
  const least = Math.ceil(Math.max(width / across, height / (down - rulerMm)) / 100) * 100
  const scales = fitting.length > 0 ? fitting : [least]
  const scale = scales.find((one) => one === wanted) ?? scales[0] ?? least
  const em = letterMm * scale
  const frame = { ...frameOf(results), height: height + rulerMm * scale }
  const [w, h] = [frame.width, frame.height]
  const turn = isWide ? `<g transform="translate(${mm(h)} 0) rotate(90)">` : '<g>'
  const [paperW, paperH] = isWide ? [h, w] : [w, h]
  return {
    scale,
    scales,
    svg: [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(paperW / scale)}mm" height="${mm(paperH / scale)}mm" viewBox="0 0 ${mm(paperW)} ${mm(paperH)}" role="img">`,
      turn,
      ...contents(results, frame, em),
      ...rulerLines(plan, scale, { width, height }, em),
      '</g>',
      '</svg>',
    ].join('\n'),
  }
}

/** Lengths of the ruler on paper: mm, and inches. */
const rulers = { metric: [100, 50, 20, 10, 5], imperial: [4, 2, 1] } as const

/** A ruler of a round length: measured on the sheet it tells whether the scale came out. */
function rulerLines(
  plan: Plan,
  scale: number,
  { width, height }: Pick<Frame, 'width' | 'height'>,
  em: number,
): string[] {
  const isImperial = plan.units === 'ft-in'
  const unitMm = isImperial ? mmPerInch : 1
  const usual = rulers[isImperial ? 'imperial' : 'metric']
  const onPaper =
    usual.find((one) => one * unitMm * scale <= width - 2 * border) ?? usual.at(-1) ?? 1
  const lengthMm = onPaper * unitMm * scale
  const line = height + em * 1.2
  const tick = (x: number): string => `M${mm(x)} ${mm(line - em / 2)}v${mm(em)}`
  return [
    `  <path class="ruler" style="stroke:#222;stroke-width:${mm(em / 12)}" d="M${mm(border)} ${mm(line)}h${mm(lengthMm)}${tick(border)}${tick(border + lengthMm)}"/>`,
    `  <text x="${mm(border)}" y="${mm(line + em * 1.6)}">1 : ${String(scale)}, ruler ${String(onPaper)} ${isImperial ? 'in' : 'mm'} = ${xmlText(formatLength(lengthMm, plan.units))}</text>`,
  ]
}

function frameOf({ layout: { box }, sources }: Pick<WorkedPlan, 'layout' | 'sources'>): Frame {
  const lowest = Math.max(
    box.y + box.height,
    ...[...sources.supplies.values(), ...sources.junctions.values()].map(([, y]) => y),
  )
  return {
    left: box.x - border,
    top: box.y - border,
    width: box.width + 2 * border,
    height: lowest - box.y + 2 * border,
  }
}

/** What is drawn, in the drawing's own mm. */
function contents(
  {
    plan,
    measured: { runs },
    layout: { placed },
    sources,
    leads,
  }: Pick<WorkedPlan, 'plan' | 'measured' | 'layout' | 'sources' | 'leads'>,
  { left, top }: Frame,
  em: number,
): string[] {
  const shift = ([x, y]: Point): Point => [x - left, y - top]
  const groups = runs.map((run, index) => runGroup(plan, run, placed[index]?.place, em, shift))
  return [
    `  <title>${xmlText(plan.name)}</title>`,
    `  <style>path{fill:none;stroke:#b36b00;stroke-width:${mm(em / 6)}}.thing{stroke:#999;stroke-width:${mm(em / 12)}}.lead{stroke:#2b6cb0;stroke-width:${mm(em / 12)};stroke-dasharray:${mm(em / 2)} ${mm(em / 3)}}circle{fill:#b36b00}text{font:${mm(em)}px sans-serif;fill:#222}.length{font-size:${mm(em * 0.8)}px;fill:#555;text-anchor:middle}</style>`,
    '  <rect width="100%" height="100%" fill="#fff"/>',
    ...plan.bench.furniture.map((thing) => furniturePath(thing, shift)),
    ...leads.map(({ start, end }) => {
      const corner: Point = [end[0], start[1]]
      return `  <path class="lead" d="${pathOf([start, corner, end].map(shift))}"/>`
    }),
    ...[...sources.supplies].map(([id, at]) => {
      const [x, y] = shift(at)
      const name = plan.supplies.find((slot) => slot.id === id)?.name ?? id
      return `  <text x="${mm(x)}" y="${mm(y + em * 1.1)}">${xmlText(name)}</text>`
    }),
    ...groups,
  ]
}

function runGroup(
  plan: Plan,
  run: MeasuredRun,
  place: Place | undefined,
  em: number,
  shift: (point: Point) => Point,
): string {
  const put = placer(run, place ?? { x: 0, y: 0, degrees: 0 })
  const at = (point: Point): Point => shift(put(point))
  const [nameX, nameY] = at([run.box.x, run.box.y])
  const size =
    run.segments.length === 0
      ? `${String(run.lights.length)} lights`
      : formatLength(run.wantedMm, plan.units)
  // A line of one part says its length in its name already.
  const lengths = run.segments.length < 2 || run.segments.length > 60 ? [] : run.segments
  return [
    `  <g id="${xmlText(run.id)}">`,
    `    <title>${xmlText(run.line.text)}</title>`,
    ...run.segments.map(({ points }) => `    <path d="${pathOf(points.map(at))}"/>`),
    ...run.lights.map((point) => {
      const [x, y] = at(point)
      return `    <circle cx="${mm(x)}" cy="${mm(y)}" r="${mm(em / 4)}"/>`
    }),
    ...lengths.map(({ points, lengthMm }) => {
      const [x, y] = at(middleOf(points))
      return `    <text class="length" x="${mm(x)}" y="${mm(y + em)}">${xmlText(formatLength(lengthMm, plan.units))}</text>`
    }),
    `    <text x="${mm(nameX)}" y="${mm(nameY - em * 0.6)}">${xmlText(run.name)}, ${xmlText(size)}</text>`,
    '  </g>',
  ].join('\n')
}

function furniturePath(
  { kind, place, widthMm, heightMm, name }: Furniture,
  shift: (point: Point) => Point,
): string {
  const corners = cornersOfBox(place, widthMm, heightMm).map(shift)
  const title = `<title>${xmlText(name)}</title>`
  if (kind !== 'circle') return `  <path class="thing" d="${pathOf(corners)}Z">${title}</path>`
  const [x, y] = shift([place.x + widthMm / 2, place.y + heightMm / 2])
  return `  <ellipse class="thing" fill="none" cx="${mm(x)}" cy="${mm(y)}" rx="${mm(widthMm / 2)}" ry="${mm(heightMm / 2)}">${title}</ellipse>`
}
