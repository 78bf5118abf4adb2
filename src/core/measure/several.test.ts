import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import { distance, pointAlong } from './geometry'
import { readLine, type JottedRun } from './jot'
import { placer } from './layout'
import { runsFromTo } from './from-to'
import { halvesOf, runsOfParts } from './several'

function read(text: string): JottedRun {
  const reading = readLine(text, { pixelMm: 50 / 3 })
  if (reading.kind !== 'run') throw new Error(text)
  return reading
}

describe('one line that stands for several runs', () => {
  it('is numbered from one number to another', () => {
    expect(runsFromTo('tier 1 to 3 1040')).toEqual(['tier 1 1040', 'tier 2 1040', 'tier 3 1040'])
    expect(runsFromTo('beam 9 to 11 ring 30 cm')).toEqual([
      'beam 9 ring 30 cm',
      'beam 10 ring 30 cm',
      'beam 11 ring 30 cm',
    ])
    for (const text of ['tier 1 1040', 'tier 6 to 1 1040', 'way to 5 900', '"tier 1 to 6" 1040'])
      expect(runsFromTo(text), text).toBeUndefined()
    // The line by itself says what it wants.
    expect(readLine('tier 1 to 6 1040')).toMatchObject({
      kind: 'error',
      message: '6 runs: press Enter for a line each',
    })
    expect(readLine('tier 1 to 6 wide')).toMatchObject({
      kind: 'error',
      message: expect.not.stringContaining('press Enter') as string,
    })
  })

  it('has its parts made runs of their own, each as it was measured', () => {
    const parts = (text: string): string[] | undefined => runsOfParts(text, read(text), 'Edge 1')
    expect(parts('rack 3 x 1040')).toEqual(['rack 1 1040', 'rack 2 1040', 'rack 3 1040'])
    expect(parts('2 x 1 1/4 m')).toEqual(['"Edge 1, 1" 1 1/4 m', '"Edge 1, 2" 1 1/4 m'])
    expect(parts('rack 2 x 45 + 12 cm')).toEqual(['rack 1 45 cm', 'rack 2 45 cm', 'rack 3 12 cm'])
    expect(parts('rail 2 x 9 px')).toEqual(['rail 1 9 px', 'rail 2 9 px'])
    expect(parts('"tier 1" 2 x 40')).toEqual(['"tier 1, 1" 40', '"tier 1, 2" 40'])
    for (const text of ['rack 1040', 'crown frame 300 x 200', 'hoop ring 300'])
      expect(parts(text), text).toBeUndefined()
    for (const text of [
      'rack 3 x 1040',
      'rack 2 x 45 + 12 cm',
      'rail 2 x 9 px',
      'rows 6 px, 9 px @ 20',
    ]) {
      const lengths = parts(text)!.flatMap((one) => read(one).segments)
      expect(lengths.map(({ lengthMm }) => lengthMm)).toEqual(
        read(text).segments.map(({ lengthMm }) => expect.closeTo(lengthMm, 6) as number),
      )
    }
  })
})

describe('a run divided in two', () => {
  it('lies where the whole lay, and is as long', () => {
    const anyWhole = fc.oneof(
      fc.integer({ min: 100, max: 9000 }).map((mm) => `wall ${String(mm)}`),
      fc.integer({ min: 50, max: 3000 }).map((mm) => `hoop ring r${String(mm)}`),
      fc
        .tuple(fc.integer({ min: 50, max: 3000 }), fc.integer({ min: 20, max: 359 }))
        .map(([mm, degrees]) => `bow arch r${String(mm)} ${String(degrees)}°`),
    )
    const anyPlace = fc.record({
      x: fc.integer({ min: -2000, max: 2000 }),
      y: fc.integer({ min: -2000, max: 2000 }),
      degrees: fc.integer({ min: -180, max: 180 }),
    })
    fc.assert(
      fc.property(anyWhole, anyPlace, fc.constantFrom(50 / 3, 6.9, 33.3), (text, place, pitch) => {
        const whole = read(text)
        const halves = halvesOf(whole, whole.name, place, pitch)!
        const own = halves.map((half) => read(half.text))
        const lengths = own.map(({ wantedMm }) => wantedMm)
        expect(lengths[0]! + lengths[1]!).toBeGreaterThanOrEqual(whole.wantedMm - 1e-6)
        expect(lengths[0]! + lengths[1]!).toBeLessThan(whole.wantedMm + 0.8)
        // No group is lost where it is divided.
        const groups = (mm: number): number => Math.floor(mm / pitch + 1e-9)
        if (whole.shape === 'edge')
          expect(groups(lengths[0]!) + groups(lengths[1]!)).toBeGreaterThanOrEqual(
            groups(whole.wantedMm),
          )
        const [segment] = whole.segments
        for (const [index, half] of halves.entries())
          for (const share of [0, 0.25, 0.5, 0.75, 1]) {
            const run = own[index]!
            const before = index === 0 ? 0 : lengths[0]! / (lengths[0]! + lengths[1]!)
            const part = lengths[index]! / (lengths[0]! + lengths[1]!)
            const now = placer(run, half.place)(pointAlong(run.segments[0]!.points, share))
            const then = placer(whole, place)(pointAlong(segment!.points, before + part * share))
            expect(distance(now, then), `${half.text} at ${String(share)}`).toBeLessThan(
              2 + whole.wantedMm * 0.004,
            )
          }
      }),
      { numRuns: runs(200) },
    )
  })

  it('only where it is one course of a shape that can be', () => {
    const place = { x: 0, y: 0, degrees: 0 }
    for (const text of [
      'rack 3 x 1040',
      'crown frame 300 x 200',
      'door arch r400 legs 300',
      'dot 20',
    ])
      expect(halvesOf(read(text), 'it', place, 50 / 3), text).toBeUndefined()
  })
})
