import fc from 'fast-check'
import { beforeAll, expect, it, vi } from 'vitest'
import { runs } from '../testing/runs'
import { traceOf, type OutlineResult } from './outline'
import { readDxfOutline } from './outline-dxf'
import { readSvgOutline } from './outline-svg'

const svgFile = `<?xml version="1.0"?>
<svg xmlns="http://www.w3.org/2000/svg" width="210mm" viewBox="0 0 420 594">
<g transform="translate(5 5) rotate(30 2 2) scale(2)"><circle r="25" cx="3" cy="4"/>
<path d="M0 0a50 50 0 0 1 100 0C100 55.23 55.23 100 0 100Q4 5 6 7T8 9Z"/></g>
<rect x="1" y="2" width="40" height="10"/><polygon points="0,0 30,0 30,40"/><ellipse rx="4" ry="9"/>
<line x1="0" y1="0" x2="30" y2="40"/></svg>`

const pairs =
  '0 SECTION 2 HEADER 9 $INSUNITS 70 4 0 ENDSEC 0 SECTION 2 BLOCKS 0 BLOCK 2 leaf 10 0 20 0 0 LINE 10 0 20 0 11 5 21 5 0 ENDBLK 0 ENDSEC ' +
  '0 SECTION 2 ENTITIES 0 LINE 10 0 20 0 11 30 21 40 0 CIRCLE 10 0 20 0 40 50 0 ARC 10 0 20 0 40 50 50 270 51 90 ' +
  '0 LWPOLYLINE 90 2 70 1 10 0 20 0 42 1 10 100 20 0 0 INSERT 2 leaf 10 4 20 5 41 2 50 30 ' +
  '0 SPLINE 70 8 71 3 72 8 73 4 40 0 40 0 40 0 40 0 40 1 40 1 40 1 40 1 10 0 20 0 10 10 20 0 10 20 20 0 10 30 20 0 ' +
  '0 ELLIPSE 10 0 20 0 11 50 21 0 40 1 41 0 42 6.283185307 0 ENDSEC 0 EOF'
const dxfLines = pairs.split(' ')
const dxfFile = dxfLines.join('\n')
const dxfPairs = dxfLines.flatMap((code, index) =>
  index % 2 === 0 ? [`${code}\n${dxfLines[index + 1] ?? ''}`] : [],
)

const junk = [
  '',
  '0',
  '-1',
  '1e999',
  '1e300',
  '-',
  'NaN',
  'EOF',
  'ENDSEC',
  'INSERT',
  'leaf',
  '99999',
  '\u0000',
  '"',
  '<',
  '>',
  'M0 0',
  '&amp;',
  'rotate(',
]

/** A text some of whose pieces are left out, doubled, moved, or junk. */
const broken = (pieces: readonly string[], between: string): fc.Arbitrary<string> =>
  fc
    .array(
      fc.tuple(
        fc.nat(pieces.length - 1),
        fc.constantFrom('out', 'twice', 'junk', 'swap', 'end'),
        fc.nat(999),
      ),
      { minLength: 1, maxLength: 4 },
    )
    .map((edits) => {
      let list = [...pieces]
      for (const [at, how, pick] of edits) {
        const other = list[pick % list.length] ?? ''
        if (how === 'out') list.splice(at, 1)
        else if (how === 'twice') list.splice(at, 0, list[at] ?? '')
        else if (how === 'junk') list[at] = junk[pick % junk.length] ?? ''
        else if (how === 'swap') list[at] = other
        else list = list.slice(0, at + 1)
      }
      return list.join(between)
    })

// The parser tells a console of all that it skips.
beforeAll(() => {
  for (const how of ['log', 'warn', 'error'] as const)
    vi.spyOn(console, how).mockImplementation(() => undefined)
})

/** What is read is true numbers; what is not says why. */
function expectSound(result: OutlineResult): void {
  if (!result.ok) {
    expect(result.message).toMatch(/\w/)
    return
  }
  const { courses } = traceOf(result.outline, result.outline.mmPerUnit ?? 1, 'file')
  for (const { lengthMm, points } of courses) {
    expect(lengthMm).toBeGreaterThan(0)
    expect(points.flat().every(Number.isFinite)).toBe(true)
  }
}

it('a broken DXF file is read, or refused with a message', () => {
  fc.assert(
    fc.property(fc.oneof(broken(dxfLines, '\n'), broken(dxfPairs, '\n')), (text) => {
      expectSound(readDxfOutline(text))
    }),
    { numRuns: runs(1_500) },
  )
})

it('a broken SVG file is read, or refused with a message', () => {
  fc.assert(
    fc.property(broken(svgFile.split(/(?<=[\s"(),<>=])/), ''), (text) => {
      expectSound(readSvgOutline(text))
    }),
    { numRuns: runs(1_500) },
  )
})

const block = (name: string, of: string): string =>
  `0 BLOCK 2 ${name} 10 0 20 0 ${`0 INSERT 2 ${of} 10 0 20 0 `.repeat(200)}0 ENDBLK`
it.each<[string, () => OutlineResult, RegExp]>([
  ['half a pair', () => readDxfOutline(dxfFile.replace(/\nEOF$/, '')), /cut short/],
  ['no end', () => readDxfOutline(dxfFile.replace(/\n0\nEOF$/, '')), /cut short/],
  ['no entities', () => readDxfOutline('0\nSECTION\n2\nHEADER\n0\nENDSEC\n0\nEOF'), /no outline/],
  [
    'blocks in blocks',
    () =>
      readDxfOutline(
        `0 SECTION 2 BLOCKS ${block('a', 'b')} ${block('b', 'c')} ${block('c', 'a')} 0 ENDSEC 0 SECTION 2 ENTITIES 0 INSERT 2 a 10 0 20 0 0 ENDSEC 0 EOF`
          .split(' ')
          .join('\n'),
      ),
    /more than 20000 blocks/,
  ],
  [
    'a place that is no number',
    () => readSvgOutline('<svg><g transform="translate(5 1e)"><path d="M0 0h10"/></g></svg>'),
    /is no number/,
  ],
  [
    'very deep',
    () => readSvgOutline(`<svg>${'<g>'.repeat(20_000)}`),
    /nested too deep|no outline|Not an SVG/,
  ],
])('an outline with %s is refused', (_name, read, message) => {
  const result = read()
  expect(result.ok ? 'read' : result.message).toMatch(message)
})
