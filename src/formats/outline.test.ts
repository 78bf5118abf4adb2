import { describe, expect, it } from 'vitest'
import { readLine } from '../core/measure/jot'
import { simplified, traceOf, type OutlineResult } from './outline'
import { readDxfOutline } from './outline-dxf'
import { readSvgOutline } from './outline-svg'

const svg = (inner: string, head = ''): string =>
  `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${head}>${inner}</svg>`
const dxf = (entities: string, unit = '4'): string =>
  ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', unit, '0', 'ENDSEC', '0', 'SECTION']
    .concat(['2', 'ENTITIES', ...entities.trim().split(/\s+/), '0', 'ENDSEC', '0', 'EOF'])
    .join('\n')

/** Total length in mm where a unit is `mmPerUnit`. */
function lengthOf(result: OutlineResult, mmPerUnit = 1): number {
  if (!result.ok) throw new Error(result.message)
  return traceOf(result.outline, mmPerUnit, 'f').courses.reduce((sum, c) => sum + c.lengthMm, 0)
}
const message = (result: OutlineResult): string => (result.ok ? 'read' : result.message)

describe('SVG outlines', () => {
  it.each<[string, string, number]>([
    ['a line', '<line x1="0" y1="0" x2="30" y2="40"/>', 50],
    ['a closed path', '<path d="M0 0h100v50h-100z"/>', 300],
    ['an arc', '<path d="M0 0a50 50 0 0 1 100 0"/>', 157.08],
    [
      'a cubic as long as its quarter circle',
      '<path d="M100 0C100 55.23 55.23 100 0 100"/>',
      157.1,
    ],
    [
      'a circle, moved and doubled',
      '<g transform="translate(5 5) scale(2)"><circle r="25"/></g>',
      314.16,
    ],
    ['a turned rectangle', '<rect transform="rotate(30)" width="40" height="10"/>', 100],
    ['a polygon', '<polygon points="0,0 30,0 30,40"/>', 120],
    ['two subpaths', '<path d="M0 0h10M0 20h30"/>', 40],
    [
      'what is only defined is not drawn',
      '<defs><path d="M0 0h999"/></defs><path d="M0 0h10"/>',
      10,
    ],
  ])('%s', (_name, inner, mm) => {
    expect(lengthOf(readSvgOutline(svg(inner)))).toBeCloseTo(mm, mm > 150 ? 0 : 1)
  })

  it('knows its unit from a width in millimetres', () => {
    const read = readSvgOutline(svg('<path d="M0 0h10"/>', 'width="210mm" viewBox="0 0 420 594"'))
    expect(read.ok && read.outline.mmPerUnit).toBe(0.5)
  })

  it.each<[string, string, RegExp]>([
    ['nothing', '  ', /^The file is empty$/],
    ['a text', 'hello', /^Not an SVG file/],
    ['no outline', svg('<text>hi</text>'), /holds no outline/],
    ['a broken path', svg('<path d="L10 10"/>'), /cannot be read/],
  ])('%s is refused', (_name, text, expected) => {
    expect(message(readSvgOutline(text))).toMatch(expected)
  })
})

describe('DXF outlines', () => {
  it.each<[string, string, number]>([
    [
      'lines that meet are one',
      '0 LINE 10 0 20 0 11 30 21 40 0 LINE 10 30 20 40 11 30 21 140',
      150,
    ],
    ['a circle', '0 CIRCLE 10 0 20 0 40 50', 314.16],
    ['an arc over the right', '0 ARC 10 0 20 0 40 50 50 270 51 90', 157.08],
    ['a polyline with a half circle', '0 LWPOLYLINE 90 2 70 0 10 0 20 0 42 1 10 100 20 0', 157.08],
    ['an ellipse that is round', '0 ELLIPSE 10 0 20 0 11 50 21 0 40 1 41 0 42 6.283185307', 314.16],
    [
      'a spline that is straight',
      '0 SPLINE 70 8 71 3 72 8 73 4 40 0 40 0 40 0 40 0 40 1 40 1 40 1 40 1 10 0 20 0 10 10 20 0 10 20 20 0 10 30 20 0',
      30,
    ],
  ])('%s', (_name, entities, mm) => {
    const read = readDxfOutline(dxf(entities))
    expect(lengthOf(read)).toBeCloseTo(mm, 0)
    expect(read.ok && [read.outline.courses.length, read.outline.mmPerUnit]).toEqual([1, 1])
  })

  it.each<[string, string, RegExp]>([
    ['nothing', '', /^The file is empty$/],
    ['another file', 'PK\u0003\u0004', /^Not a DXF file/],
    ['no entities', dxf('0 POINT 10 0 20 0'), /holds no outline/],
    [
      '100,000 points',
      dxf(
        `0 LWPOLYLINE 90 100000 70 0 ${Array.from({ length: 100_000 }, (_, i) => `10 ${String(i)} 20 ${String(i % 7)}`).join(' ')}`,
      ),
      /more than 60000 points\. Simplify it/,
    ],
  ])('%s is refused', (_name, text, expected) => {
    expect(message(readDxfOutline(text))).toMatch(expected)
  })
})

it('an outline on the pad is as wide as its line says, and asks for its file without one', () => {
  const read = readSvgOutline(svg('<circle r="50"/>'))
  if (!read.ok) throw new Error(read.message)
  const run = readLine('cloud traced 1200', { trace: traceOf(read.outline, 1, 'cloud.svg') })
  if (run.kind !== 'run') throw new Error('not read')
  expect(run.wantedMm).toBeCloseTo(Math.PI * 1200, -1)
  expect(run.box.width).toBeCloseTo(1200, 0)
  const without = readLine('cloud traced 1200')
  expect(without.kind === 'error' && without.message).toMatch(/SVG or DXF/)
})

it('leaves out points that lie on the line, and no others', () => {
  const points = Array.from({ length: 101 }, (_, x): [number, number] => [x, x === 50 ? 9 : 0])
  expect(simplified(points, 0.5)).toEqual([
    [0, 0],
    [49, 0],
    [50, 9],
    [51, 0],
    [100, 0],
  ])
})
