import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measure } from '../measure/measure'
import { partsOf } from '../parts/find'
import { roundings } from '../plan/choices'
import { emptyPlan } from '../plan/empty'
import { cut } from './cut'
import { cutRun } from './cut-run'
import { runs } from '../../testing/runs'

const given = fc.record({
  lengthMm: fc.double({ min: 1, max: 20_000, noNaN: true }),
  cutPitchMm: fc.double({ min: 2, max: 500, noNaN: true }),
  pixelsPerCut: fc.nat(12),
  fit: fc.constantFrom(...roundings),
  endAllowanceMm: fc.double({ min: 0, max: 40, noNaN: true }),
})

describe('a part cut at its marks', () => {
  it('is whole groups, with no better number of groups to be had', () => {
    fc.assert(
      fc.property(given, (one) => {
        const { groups, placedMm, gapMm, pixels } = cutRun(one)
        const room = one.lengthMm - 2 * one.endAllowanceMm
        const hair = 1e-6 * one.cutPitchMm
        expect(Number.isInteger(groups)).toBe(true)
        expect(groups).toBeGreaterThanOrEqual(0)
        expect(placedMm).toBeCloseTo(groups * one.cutPitchMm, 9)
        expect(placedMm + gapMm).toBeCloseTo(one.lengthMm, 9)
        expect(pixels).toBe(groups * one.pixelsPerCut)
        if (room <= 0) {
          expect(groups).toBe(0)
          return
        }
        // One group more or less would break the rule or be further off.
        const after = placedMm + one.cutPitchMm
        const before = placedMm - one.cutPitchMm
        if (one.fit === 'inside') {
          expect(placedMm).toBeLessThanOrEqual(room + hair)
          expect(after).toBeGreaterThan(room - hair)
        } else if (one.fit === 'cover') {
          expect(placedMm).toBeGreaterThanOrEqual(room - hair)
          expect(before).toBeLessThan(room + hair)
        } else {
          const off = Math.abs(placedMm - room)
          expect(off).toBeLessThanOrEqual(Math.abs(after - room) + hair)
          if (groups > 0) expect(off).toBeLessThanOrEqual(Math.abs(before - room) + hair)
        }
      }),
      { numRuns: runs(1000) },
    )
  })

  it.each<[number, number, number]>([
    [500, 50, 10],
    [60 * (1000 / 60), 1000 / 60, 60],
    [100 * (1000 / 144), 1000 / 144, 100],
    [0.1 + 0.2, 0.1, 3],
  ])(
    '%f mm at %f mm is exactly %i groups, inside and covering alike',
    (lengthMm, cutPitchMm, groups) => {
      for (const fit of roundings)
        expect(
          cutRun({ lengthMm, cutPitchMm, pixelsPerCut: 1, fit, endAllowanceMm: 0 }).groups,
        ).toBe(groups)
    },
  )
})

it('each part of a run is rounded on its own', () => {
  const plan = {
    ...emptyPlan('test', 'x'),
    lines: [
      { id: 'a', text: 'crown frame 465 x 215', stripId: 'white-12v-10' },
      { id: 'b', text: 'stars grid 5 x 8 @ 60' },
    ],
  }
  const [crown, stars] = cut(plan, measure(plan).runs, partsOf(plan.own))
  // 25 mm groups: 18 and 8 fit, four parts.
  expect(crown?.pieces.map(({ groups }) => groups)).toEqual([18, 8, 18, 8])
  expect(crown).toMatchObject({ groups: 52, placedMm: 1300, gapMm: 60, pixels: 0 })
  expect(stars).toMatchObject({ pieces: [], groups: 0, placedMm: 0, pixels: 0 })
})

describe('a part given by its pixels', () => {
  const plan = emptyPlan('t', 'x')
  const cutOf = (text: string, stripId: string, more: object = {}) => {
    const of = {
      ...plan,
      defaults: { ...plan.defaults, stripId },
      lines: [{ id: 'a', text, ...more }],
    }
    const { runs, lines } = measure(of)
    return { entry: cut(of, runs, partsOf(of.own))[0], reading: lines[0]!.reading }
  }

  it.each(['pixels-5v-30', 'pixels-5v-60', 'pixels-5v-144', 'pixels-12v-20'])(
    'has them on %s, whatever is kept free at its ends',
    (stripId) => {
      for (const count of [1, 7, 30, 61]) {
        const { entry } = cutOf(`ridge ${String(count)} px`, stripId, { endMm: 10 })
        expect(entry!.pixels).toBe(count)
      }
    },
  )

  it('takes whole groups where pixels share one, and never fewer than counted', () => {
    const shared = partsOf({}).strips.find(({ id }) => id === 'pixels-12v-20')!
    const own = {
      ...shared,
      id: 'own-three',
      cutPitchMm: 150,
      light: { ...shared.light, perCut: 3 } as typeof shared.light,
    }
    const of = {
      ...plan,
      own: { ...plan.own, strips: [own] },
      defaults: { ...plan.defaults, stripId: 'own-three' },
      lines: [{ id: 'a', text: 'ridge 10 px' }],
    }
    expect(cut(of, measure(of).runs, partsOf(of.own))[0]).toMatchObject({ groups: 4, pixels: 12 })
  })

  it('is refused by a plain strip, with the way out', () => {
    expect(cutOf('ridge 30 px', 'white-12v-10').reading).toMatchObject({
      kind: 'error',
      message: 'This strip has no pixels to count: give a length, such as 500 mm',
    })
  })
})
