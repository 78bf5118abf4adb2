import { expect, it } from 'vitest'
import { emptyPlan } from '../core/plan/empty'
import { drawingSvg } from './svg-drawing'

const svgOf = (...texts: string[]): string =>
  drawingSvg({
    ...emptyPlan('Nook <1> & "2"', 'x'),
    lines: texts.map((text, index) => ({ id: `l${String(index)}`, text })),
  })

it('is to scale: one unit is one millimetre', () => {
  const svg = svgOf('seat 2140')
  const [, x1, y1, x2, y2] = /d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)"/.exec(svg)!.map(Number)
  expect(x2! - x1!).toBeCloseTo(2140, 2)
  expect(y1).toBe(y2)
  const [, width, unit] = /width="([\d.]+)(mm)" height="[\d.]+mm" viewBox="0 0 \1 /.exec(svg)!
  expect(unit).toBe('mm')
  expect(Number(width)).toBeGreaterThan(2140)
})

it('names every run with its length, and draws single lights', () => {
  const svg = svgOf('seat 2140', 'oops 12oo', 'stars grid 2 x 3 @ 60')
  expect(svg).toContain('>seat, 2140 mm</text>')
  expect(svg).toContain('>stars, 6 lights</text>')
  expect(svg.match(/<circle/g)).toHaveLength(6)
  expect(svg).not.toContain('oops')
})

it('lets no name break out of its text', () => {
  const svg = svgOf('"<script>&" 300')
  expect(svg).toContain('<title>Nook &lt;1&gt; &amp; &quot;2&quot;</title>')
  expect(svg).not.toContain('<script>')
})
