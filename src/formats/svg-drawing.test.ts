import { expect, it } from 'vitest'
import { emptyPlan } from '../core/plan/empty'
import { drawingSvg, scaledDrawing } from './svg-drawing'

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

it('shows the room, the leads and every part of a run by its length', () => {
  const svg = drawingSvg({
    ...emptyPlan('Nook', 'x'),
    lines: [{ id: 'a', text: 'crown frame 800 x 300', place: { x: 100, y: 50, degrees: 0 } }],
    bench: {
      furniture: [
        {
          id: 'f',
          kind: 'box',
          name: 'book <case>',
          place: { x: 0, y: 0, degrees: 0 },
          widthMm: 1200,
          heightMm: 900,
        },
        {
          id: 'g',
          kind: 'circle',
          name: 'table',
          place: { x: 0, y: 400, degrees: 0 },
          widthMm: 500,
          heightMm: 500,
        },
      ],
    },
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'auto', at: [100, 1200] }],
  })
  expect(svg).toContain('<title>book &lt;case&gt;</title>')
  expect(svg.match(/<ellipse/g)).toHaveLength(1)
  expect(svg.match(/class="lead"/g)).toHaveLength(1)
  expect(svg.match(/class="length"/g)).toHaveLength(4)
  expect(svg).toContain('>300 mm</text>')
  expect(svg).toContain('>Supply A</text>')
  // A lead runs at right angles from the supply to the end where the wire enters.
  const [, x1, y1, x2, y2, x3, y3] =
    /class="lead" d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)"/.exec(svg)!.map(Number)
  expect([x1, y1! - y3!]).toEqual([x3, 1150])
  expect([x2, y2]).toEqual([x3, y1])
})

it('a run that was turned is drawn turned around its middle', () => {
  const svg = drawingSvg({
    ...emptyPlan('Nook', 'x'),
    lines: [{ id: 'a', text: 'shelf 800', place: { x: 0, y: 0, degrees: 90 } }],
  })
  const [, x1, y1, x2, y2] = /<path d="M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)"/.exec(svg)!.map(Number)
  expect(x1).toBeCloseTo(x2!, 3)
  expect(y2! - y1!).toBeCloseTo(800, 3)
})

it('fits one sheet at a usual scale, with a ruler that is as long as it says', () => {
  const sheet = { widthMm: 186, heightMm: 262 }
  const of = (text: string, units: 'mm' | 'ft-in' = 'mm', wanted?: number) => {
    const plan = { ...emptyPlan('Nook', 'x'), units, lines: [{ id: 'l', text }] }
    const { svg, scale, scales } = scaledDrawing(plan, sheet, wanted)
    const [, width, height, units1, units2] =
      /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/
        .exec(svg)!
        .map(Number)
    expect(width).toBeLessThanOrEqual(sheet.widthMm)
    expect(height).toBeLessThanOrEqual(sheet.heightMm)
    // As many units to a mm of paper as the scale says, both ways.
    expect(units1! / width!).toBeCloseTo(scale, 1)
    expect(units2! / height!).toBeCloseTo(scale, 1)
    const ruler = Number(/class="ruler"[^>]* d="M[\d.]+ [\d.]+h([\d.]+)M/.exec(svg)![1])
    const [, mm] = /, ruler (\d+ \w+) = /.exec(svg)!
    return { scale, scales, svg, paperMm: ruler / scale, said: mm }
  }
  // 2260 mm along 262 mm: lying, at one to ten.
  expect(of('seat 2140')).toMatchObject({ scale: 10, paperMm: 100, said: '100 mm' })
  expect(of('seat 2140').svg).toContain('rotate(90)')
  expect(of('seat 2140', 'mm', 50)).toMatchObject({ scale: 50, said: '20 mm' })
  // What does not fit is not taken.
  expect(of('seat 2140', 'mm', 5).scale).toBe(10)
  expect(of('seat 2140').scales).not.toContain(5)
  const inches = of('seat 2140', 'ft-in')
  expect(inches).toMatchObject({ scale: 12, said: '4 in' })
  expect(inches.paperMm).toBeCloseTo(4 * 25.4, 1)
  // Longer than any usual scale holds.
  expect(of('fence 900 m').scale).toBeGreaterThan(1000)
})
