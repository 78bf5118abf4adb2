import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, type Point } from './geometry'
import { readLine, withWord } from './jot'
import { runNamer } from './measure'
import { runs } from '../../testing/runs'

interface JotCase {
  line: string
  expect: {
    name?: string
    shape?: string
    segmentsMm?: number[]
    lights?: number
    skipped?: true
    error?: true
  }
}

const { cases } = JSON.parse(
  readFileSync(new URL('../../../worked/jot.json', import.meta.url), 'utf8'),
) as { cases: JotCase[] }

const segmentsOf = (line: string): number[] => {
  const reading = readLine(line)
  if (reading.kind !== 'run') throw new Error(`${line}: ${JSON.stringify(reading)}`)
  return reading.segments.map((segment) => segment.lengthMm)
}

describe('worked lines of the pad', () => {
  it.each(cases)('$line', ({ line, expect: expected }) => {
    const reading = readLine(line, { pixelMm: 1000 / 60 })
    if (expected.error) {
      expect(reading.kind).toBe('error')
    } else if (expected.skipped) {
      expect(reading.kind).toBe('nothing')
    } else {
      if (reading.kind !== 'run') throw new Error(JSON.stringify(reading))
      expect(runNamer()(reading)).toBe(expected.name)
      expect(reading.shape).toBe(expected.shape)
      if (expected.lights !== undefined) expect(reading.lights).toHaveLength(expected.lights)
      const { segmentsMm = [] } = expected
      expect(reading.segments).toHaveLength(segmentsMm.length)
      reading.segments.forEach((segment, index) => {
        expect(segment.lengthMm).toBeCloseTo(segmentsMm[index] ?? NaN, 3)
      })
    }
  })
})

describe('lengths as people write them', () => {
  it.each<[string, number[]]>([
    ['shelf 1 m 20 cm', [1200]],
    ['shelf 4 ft 6 in', [1371.6]],
    ["shelf 4'6", [1371.6]],
    ["shelf 6''", [152.4]],
    ['shelf 6½"', [165.1]],
    ['shelf 3/4 in', [19.05]],
    ['shelf 3x45+12cm', [450, 450, 450, 120]],
    ['shelf 2 × (300 + 5 cm)', [350, 350]],
    ['shelf (12 + 3) cm', [150]],
    ['shelf (1200 - 30)', [1170]],
    ['shelf ((40 + 2) * 10 / 2)', [210]],
    ['shelf (900/2)', [450]],
    ['shelf .5 m # behind the door', [500]],
    ['"#3 shelf" 300', [300]],
    ['string lights 900', [900]],
    ['picture 2 x frame 30 x 40cm', [300, 400, 300, 400, 300, 400, 300, 400]],
    ['stand steps 2 x 640 risers 180', [640, 180, 640, 180]],
    ['porch corners 400, 1200 outside 120, 380', [400, 1200, 380]],
    ['moon rows 2 x 320, 460 @ 40 serpentine', [320, 320, 460]],
    ['plate panels 6 sides 12 cm', Array.from({ length: 6 }, () => 120)],
  ])('%s', (line, expected) => {
    const found = segmentsOf(line)
    expect(found).toHaveLength(expected.length)
    found.forEach((length, index) => {
      expect(length).toBeCloseTo(expected[index] ?? NaN, 9)
    })
  })

  it('winds as high as asked', () => {
    const [byTurns] = segmentsOf('wrap d60 pitch 40 turns 12')
    expect(segmentsOf('wrap r30 height 480 pitch 40')).toEqual([byTurns])
  })
})

describe('lines that are not understood say where and what', () => {
  it.each<[string, number, string]>([
    ['sill 12oo', 5, '“12oo”: a number?'],
    ['ledge 2 x', 9, 'A length? Nothing follows'],
    ['ledge 560 560', 10, '“560”: a second length? Write 2 x 900, or put the name in quotes'],
    ['sill 1.200', 5, '“1.200”: 1200 or 1.2? Write one of them'],
    ['sill 1,200 mm', 5, '“1,200”: 1200 mm or 1.2 mm? Write one of them'],
    ['dado corners 40,30 cm', 13, '“40,30”: two measures or one? Write 40, 30 or 40.30'],
    ['window frame 90 x 1.2 m', 13, '90 m or 90 mm? Write the unit behind it'],
    ['sill 3 x 450 + 12 cm', 9, '450 cm or 450 mm? Write the unit behind it'],
    ['rope 30 px', 5, 'This strip has no pixels to count: give a length, such as 500 mm'],
    ['ledge 560 x 2', 6, '560 parts of 2 mm? The count comes first: 2 x 560'],
    ['sill 2.5 x 300', 5, '2.5 parts? It has to be a whole number'],
    ['sill 400, 300', 8, '“,”: a list belongs to corners or rows; join parts with +'],
    ['rail (1200 + 3', 5, 'The bracket is not closed'],
    ['rail (2 m * 3 m)', 10, 'A length times a length is an area'],
    ['rail (20 / 0)', 9, 'Divided by 0'],
    ['sill -300', 5, 'A minus: a length has to be more than zero'],
    ['sill 300 - 20', 9, 'A minus: put the sum in brackets, such as (1200 - 30)'],
    ['wall 2000 m', 5, 'Longer than 1 km: check the unit'],
    ['seat', 4, 'A length? Such as seat 650'],
    ['porthole ring 382 banana', 18, '“banana”: nothing more was expected here'],
    ['pole wrap d60 turns 3', 21, 'The pitch from turn to turn? Such as pitch 40'],
  ])('%s', (line, at, message) => {
    expect(readLine(line)).toMatchObject({ kind: 'error', at, message })
  })

  it('never throws, and points inside the line, whatever is typed', () => {
    const scraps = fc.constantFrom(
      ...[
        'sill',
        'ring',
        'arch',
        'grid',
        'x',
        '2',
        '560',
        '.5',
        "'",
        '"',
        '½',
        '(',
        ')',
        '+',
        '-',
        '/',
      ],
      ...[
        '@',
        ',',
        'r',
        'd',
        'legs',
        'mm',
        'ft',
        'in',
        '1e9',
        '12oo',
        '#',
        ' ',
        'panels',
        'sides',
        '°',
      ],
    )
    fc.assert(
      fc.property(
        fc.array(fc.oneof(scraps, fc.string({ maxLength: 3 })), { maxLength: 12 }),
        (parts) => {
          const line = parts.join('')
          const reading = readLine(line)
          if (reading.kind === 'error') {
            expect(reading.at).toBeGreaterThanOrEqual(0)
            expect(reading.end).toBeLessThanOrEqual(line.length)
            expect(reading.message).not.toBe('')
          }
          if (reading.kind === 'run') {
            for (const { lengthMm } of reading.segments) expect(lengthMm).toBeGreaterThan(0)
            for (const { at, end } of reading.dimensions) {
              // A dimension's own characters can be read again, so that it can be changed on the drawing.
              expect(line.slice(at, end).trim()).not.toBe('')
            }
          }
        },
      ),
      { numRuns: runs(3000) },
    )
  })
})

describe('courses on the drawing', () => {
  it.each([
    'sill 3 x 450 + 120',
    'porthole ring 382',
    'alcove arch r410 120 legs 300',
    'skirting corners 400, 1200 outside 100, 380',
    'honeycomb panels 5 x 6 sides 180',
    'stand steps 4 x 640 risers 150',
    'moon rows 320, 400 serpentine',
  ])('%s is as long as its segments', (line) => {
    const reading = readLine(line)
    if (reading.kind !== 'run') throw new Error(reading.kind)
    for (const { points, lengthMm } of reading.segments) {
      const drawn = points
        .slice(1)
        .reduce(
          (sum, [x, y], index) =>
            sum + Math.hypot(x - (points[index]?.[0] ?? NaN), y - (points[index]?.[1] ?? NaN)),
          0,
        )
      // Chords of an arc are a little shorter than the arc.
      expect(drawn / lengthMm).toBeCloseTo(1, 2)
    }
  })
})

describe('lines that only a hand or a file makes whole', () => {
  it.each<[string, string]>([
    ['fireflies scatter 14 drop 300', '14 lights, 300 mm below'],
    ['fireflies scatter 14 drops 30 cm', '14 lights, 300 mm below'],
    ['fireflies scatter 14', '14 lights'],
    ['2 x scatter 7 drop 12 in', '14 lights, 305 mm below'],
  ])('%s is %s', (text, expected) => {
    const reading = readLine(text)
    if (reading.kind !== 'run') throw new Error(JSON.stringify(reading))
    const drop =
      reading.dropMm === undefined ? '' : `, ${String(Math.round(reading.dropMm))} mm below`
    expect(`${String(reading.lights.length)} lights${drop}`).toBe(expected)
  })

  it.each<[string, RegExp]>([
    ['fireflies scatter 14 drop', /length/i],
    ['cloud traced', /SVG or DXF/],
    ['cloud traced 1200', /SVG or DXF/],
    ['traced', /SVG or DXF/],
  ])('%s says what it wants', (text, expected) => {
    const reading = readLine(text)
    expect(reading.kind === 'error' && reading.message).toMatch(expected)
  })
})

describe('a grid that is laid as a string', () => {
  const lightsOf = (text: string): readonly Point[] => {
    const read = readLine(text)
    if (read.kind !== 'run') throw new Error(`${text} was not read`)
    return read.lights
  }

  it('has the same lights, each as near to the next as its neighbours are', () => {
    const sizes = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
    fc.assert(
      fc.property(sizes, fc.integer({ min: 20, max: 90 }), ([rows, columns], pitch) => {
        const text = `t grid ${String(rows)} x ${String(columns)} @ ${String(pitch)}`
        const [plain, zigzag] = [lightsOf(text), lightsOf(`${text} zigzag`)]
        const sorted = (points: readonly Point[]): string[] => points.map(String).toSorted()
        expect(sorted(zigzag)).toEqual(sorted(plain))
        for (const [index, light] of zigzag.entries())
          if (index > 0) expect(distance(light, zigzag[index - 1]!)).toBeCloseTo(pitch, 9)
      }),
    )
  })

  it('the word goes behind the measures, before a comment', () => {
    expect(withWord('top grid 2 x 3 @ 50', 'zigzag')).toBe('top grid 2 x 3 @ 50 zigzag')
    expect(withWord('top grid 2 x 3 @ 50  # oak', 'zigzag')).toBe(
      'top grid 2 x 3 @ 50 zigzag # oak',
    )
    expect(withWord('"# 1" grid 2 x 3 @ 50', 'zigzag')).toBe('"# 1" grid 2 x 3 @ 50 zigzag')
  })

  it('says what is too much behind it', () => {
    const read = readLine('top grid 2 x 3 @ 50 zigzag 7')
    expect(read.kind).toBe('error')
  })
})
