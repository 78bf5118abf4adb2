import { layOut } from '../core/measure/layout'
import { measure } from '../core/measure/measure'
import type { Point } from '../core/measure/geometry'
import type { Plan } from '../core/plan/plan'
import { formatLength } from '../core/quantity/format'

/** White around the drawing, mm. */
const border = 60

/**
 * The drawing of a plan with its names and lengths, to scale: one unit is one millimetre, so that any viewer prints it true to size.
 */
export function drawingSvg(plan: Plan): string {
  const { runs } = measure(plan)
  const { placed, box } = layOut(runs, Math.SQRT2)
  const [width, height] = [box.width + 2 * border, box.height + 2 * border]
  // Letters and lines are sized by the drawing, so that they can be read when all of it fills a page.
  const em = Math.max(8, Math.min(width, height) / 45)
  const groups = runs.map((run, index) => {
    const [dx, dy] = placed[index]?.offset ?? [0, 0]
    const at = ([x, y]: Point): Point => [x + dx + border, y + dy + border]
    const [nameX, nameY] = at([run.box.x, run.box.y])
    const size =
      run.segments.length === 0
        ? `${String(run.lights.length)} lights`
        : formatLength(run.wantedMm, plan.units)
    return [
      `  <g id="${escaped(run.id)}">`,
      `    <title>${escaped(run.line.text)}</title>`,
      ...run.segments.map(({ points }) => `    <path d="${pathOf(points.map(at))}"/>`),
      ...run.lights.map((point) => {
        const [x, y] = at(point)
        return `    <circle cx="${mm(x)}" cy="${mm(y)}" r="${mm(em / 4)}"/>`
      }),
      `    <text x="${mm(nameX)}" y="${mm(nameY - em * 0.6)}">${escaped(run.name)}, ${escaped(size)}</text>`,
      '  </g>',
    ].join('\n')
  })
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}">`,
    `  <title>${escaped(plan.name)}</title>`,
    `  <style>path{fill:none;stroke:#b36b00;stroke-width:${mm(em / 6)}}circle{fill:#b36b00}text{font:${mm(em)}px sans-serif;fill:#222}</style>`,
    '  <rect width="100%" height="100%" fill="#fff"/>',
    ...groups,
    '</svg>',
    '',
  ].join('\n')
}

const mm = (value: number): string => String(Math.round(value * 1000) / 1000)

const pathOf = (points: readonly Point[]): string =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${mm(x)} ${mm(y)}`).join('')

const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')
