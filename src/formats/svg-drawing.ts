import { worked } from '../core/worked'
import { middleOf, type Point } from '../core/measure/geometry'
import { cornersOfBox, placer } from '../core/measure/layout'
import type { MeasuredRun } from '../core/measure/measure'
import type { Furniture, Place, Plan } from '../core/plan/plan'
import { formatLength } from '../core/quantity/format'
import { xmlText } from './safe-text'

/** White around the drawing, mm. */
const border = 60

/**
 * The drawing of a plan with its names, lengths, leads and furniture, to scale: one unit is one millimetre, so that any viewer prints it
 * true to size.
 */
export function drawingSvg(plan: Plan): string {
  const {
    measured: { runs },
    layout: { placed, box },
    sources,
    leads,
  } = worked(plan)
  const lowest = Math.max(
    box.y + box.height,
    ...[...sources.supplies.values(), ...sources.junctions.values()].map(([, y]) => y),
  )
  const [left, top] = [box.x - border, box.y - border]
  const [width, height] = [box.width + 2 * border, lowest - box.y + 2 * border]
  // Letters and lines are sized by the drawing, so that they can be read when all of it fills a page.
  const em = Math.max(8, Math.min(width, height) / 45)
  const shift = ([x, y]: Point): Point => [x - left, y - top]
  const groups = runs.map((run, index) => runGroup(plan, run, placed[index]?.place, em, shift))
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}">`,
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
    '</svg>',
    '',
  ].join('\n')
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

const mm = (value: number): string => String(Math.round(value * 1000) / 1000)

const pathOf = (points: readonly Point[]): string =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${mm(x)} ${mm(y)}`).join('')
