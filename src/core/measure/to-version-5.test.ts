import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readLine } from './jot'
import { asBefore5 } from './to-version-5'
import { runs } from '../../testing/runs'

describe('lines of older plans keep their lengths', () => {
  it.each<[string, string]>([
    // What a unit at the end would now change is written out; the rest stays as it was.
    ['sign frame 300 x 40cm', 'sign frame 300 mm x 40cm'],
    ['sill 3x450+12cm', 'sill 3x450 mm+12cm'],
    ['dado corners 400,300', 'dado corners 400 mm, 300 mm'],
    ['moon rows 320, 400 @ 4 cm', 'moon rows 320, 400 @ 4 cm'],
    ['ledge 12.125 cm', 'ledge 12.1250 cm'],
    ['nook ring d 300', '"nook ring d" 300 mm'],
    ['shelf 2 x 900', 'shelf 2 x 900'],
    // It never meant anything: it is asked about, not changed.
    ['shelf 2 900', 'shelf 2 900'],
    ['rope 30 px', 'rope 30 px'],
  ])('%s becomes %s', (before, after) => {
    expect(asBefore5(before)).toBe(after)
  })

  it('whatever they say', () => {
    const length = fc.oneof(
      fc.integer({ min: 1, max: 3000 }).map(String),
      fc.constantFrom('40 cm', '1.2 m', "3'", '6"', '12.125', '1.250 m', '(1200 - 30)', '4\' 6"'),
    )
    const comma = fc.constantFrom(', ', ',')
    const lines = fc.oneof(
      fc.tuple(length, length).map(([a, b]) => `a frame ${a} x ${b}`),
      fc.tuple(length, length).map(([a, b]) => `b 2 x ${a} + ${b}`),
      fc.tuple(length, comma, length, comma, length).map((all) => `c corners ${all.join('')}`),
      fc.tuple(length, comma, length).map((all) => `d rows ${all.join('')}`),
      fc.tuple(length, length).map(([a, b]) => `e grid 2 x 3 @ ${a} x ${b}`),
      fc.tuple(length, length).map(([a, b]) => `f arch r${a} 120 legs ${b}`),
    )
    fc.assert(
      fc.property(lines, (line) => {
        const before = readLine(line, { isBefore5: true })
        if (before.kind !== 'run') return
        const after = readLine(asBefore5(line))
        if (after.kind !== 'run') throw new Error(`${asBefore5(line)}: ${JSON.stringify(after)}`)
        expect(after.name).toBe(before.name)
        expect(after.dimensions.map(({ value }) => value)).toEqual(
          before.dimensions.map(({ value }) => value),
        )
      }),
      { numRuns: runs(2000) },
    )
  })
})
