import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sums } from '.'
import { runs } from '../../testing/runs'

/** What holds of a sum whatever goes in: beyond the worked cases. */
// eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- each caller says what its sum answers
function answer<Answer>(name: string, given: object): Answer {
  const result = sums.find((sum) => sum.name === name)!.work(given)
  if (!result.ok) throw new Error(`${name}: ${JSON.stringify(result.issues)}`)
  return result.answer as Answer
}
const between = (min: number, max: number): fc.Arbitrary<number> =>
  fc.double({ min, max, noNaN: true })
const whole = (min: number, max: number): fc.Arbitrary<number> => fc.integer({ min, max })

describe('resistor', () => {
  interface Resistor {
    idealOhm: number
    pickOhm: number
    currentA: number
    powerW: number
    ratingW: number | null
    lowOhm: number
    highOhm: number
  }
  const given = fc.record({
    supplyV: between(3, 24),
    forwardV: between(1.6, 3.4),
    currentA: between(0.001, 0.05),
    series: fc.constantFrom('E6', 'E12', 'E24'),
    tolerance: between(0.01, 0.2),
  })
  it('never sets more than was wanted, burns I²R, and is rated for twice that', () => {
    fc.assert(
      fc.property(given, (one) => {
        fc.pre(one.supplyV > one.forwardV + 0.2)
        const found = answer<Resistor>('resistor', one)
        expect(found.pickOhm).toBeGreaterThanOrEqual(found.idealOhm * (1 - 1e-9))
        expect(found.currentA).toBeLessThanOrEqual(one.currentA * (1 + 1e-9))
        expect(found.powerW).toBeCloseTo(found.currentA ** 2 * found.pickOhm, 9)
        if (found.ratingW !== null)
          expect(found.ratingW).toBeGreaterThanOrEqual(2 * found.powerW * (1 - 1e-9))
        expect(found.highOhm - found.lowOhm).toBeCloseTo(2 * one.tolerance * found.pickOhm, 6)
      }),
    )
  })

  it('a finer series is never farther off', () => {
    fc.assert(
      fc.property(given, (one) => {
        fc.pre(one.supplyV > one.forwardV + 0.2)
        const of = (series: string): number =>
          answer<Resistor>('resistor', { ...one, series }).pickOhm
        expect(of('E24')).toBeLessThanOrEqual(of('E12'))
        expect(of('E12')).toBeLessThanOrEqual(of('E6'))
      }),
    )
  })
})

describe('switch, matrix, regulator', () => {
  it('a transistor gets the base current that it was promised, or the nearest value that spares the pin', () => {
    fc.assert(
      fc.property(
        fc.record({
          loadA: between(0.01, 1),
          driveV: fc.constantFrom(3.3, 5),
          forcedGain: between(10, 40),
          pinLimitMa: between(5, 40),
        }),
        (given) => {
          const { baseMa, baseOhm, pinOk, heatW } = answer<{
            baseMa: number
            baseOhm: number
            pinOk: boolean
            heatW: number
          }>('npn-switch', given)
          const realMa = ((given.driveV - 0.75) / baseOhm) * 1000
          // A step of E12 is at most 22 %.
          expect(realMa).toBeGreaterThan(baseMa / 1.23)
          if (realMa < baseMa * (1 - 1e-9)) expect(pinOk).toBe(true)
          expect(pinOk).toBe(realMa <= given.pinLimitMa)
          expect(heatW).toBeGreaterThan(0)
        },
      ),
    )
  })

  it('a matrix is as bright as its duty, and scanning LED by LED is never brighter or faster than by rows', () => {
    fc.assert(
      fc.property(whole(1, 16), whole(1, 16), between(50, 5000), (rows, columns, dwellUs) => {
        interface Matrix {
          pins: number
          leds: number
          duty: number
          averageMa: number
          refreshHz: number
        }
        const of = (scan: string): Matrix =>
          answer<Matrix>('matrix', { rows, columns, dwellUs, peakMa: 20, scan })
        const [byRow, byLed] = [of('row'), of('led')]
        expect(byRow.pins).toBe(rows + columns)
        expect(byRow.leds).toBe(rows * columns)
        expect(byRow.averageMa).toBeCloseTo(20 / rows, 9)
        expect(byLed.averageMa).toBeLessThanOrEqual(byRow.averageMa * (1 + 1e-9))
        expect(byLed.refreshHz).toBeLessThanOrEqual(byRow.refreshHz * (1 + 1e-9))
        expect(byLed.duty * byLed.leds).toBeCloseTo(1, 9)
      }),
    )
  })

  it('what a regulator may pass never burns more than it stands', () => {
    fc.assert(
      fc.property(between(5, 24), between(0.1, 2), between(0.5, 3), (inputV, limitA, limitW) => {
        const given = { inputV, outputV: 5, currentA: 0.1, limitA, limitW }
        const { allowedA } = answer<{ allowedA: number }>('linear-regulator', given)
        expect(allowedA).toBeLessThanOrEqual(limitA)
        expect(allowedA * (inputV - 5)).toBeLessThanOrEqual(limitW * (1 + 1e-9))
        if (inputV - 5 < 1.1) expect(allowedA).toBe(0)
      }),
    )
  })
})

describe('wires, fuses, supplies', () => {
  it('a thicker wire loses less, in either way of telling it', () => {
    fc.assert(
      fc.property(between(0.1, 20), between(0.1, 10), whole(10, 28), (lengthM, currentA, awg) => {
        const of = (wire: object): { areaMm2: number; dropV: number; lossW: number } =>
          answer('wire', { lengthM, currentA, ...wire })
        const [thin, thick] = [of({ awg: awg + 1 }), of({ awg })]
        expect(thick.areaMm2).toBeGreaterThan(thin.areaMm2)
        expect(thick.dropV).toBeLessThan(thin.dropV)
        expect(thick.lossW).toBeCloseTo(thick.dropV * currentA, 9)
        expect(of({ mm2: thick.areaMm2 }).dropV).toBeCloseTo(thick.dropV, 9)
      }),
    )
  })

  it('a fuse carries its load with a quarter to spare and guards its wire', () => {
    fc.assert(
      fc.property(between(0.05, 25), between(0.5, 30), (loadA, wireLimitA) => {
        const { fuseA } = answer<{ fuseA: number | null }>('fuse', { loadA, wireLimitA })
        if (fuseA === null) return
        expect(fuseA).toBeGreaterThanOrEqual(1.25 * loadA * (1 - 1e-9))
        expect(fuseA).toBeLessThanOrEqual(wireLimitA * (1 + 1e-9))
      }),
    )
  })

  it('the supply that is picked is the smallest that does', () => {
    fc.assert(
      fc.property(
        between(0.1, 20),
        between(0, 0.5),
        fc.array(between(0.5, 40), { minLength: 1, maxLength: 8 }),
        (loadA, headroom, sizesA) => {
          const { needA, pickA } = answer<{ needA: number; pickA: number | null }>('supply-size', {
            loadA,
            headroom,
            sizesA,
          })
          const enough = sizesA.filter((size) => size >= needA * (1 - 1e-9))
          expect(pickA).toBe(enough.length === 0 ? null : Math.min(...enough))
        },
      ),
    )
  })

  it('energy grows with hours and watts, and its price with both', () => {
    fc.assert(
      fc.property(between(1, 200), between(0, 5), between(0, 23), (watts, idleWatts, hours) => {
        fc.pre(watts > idleWatts)
        const of = (hoursOnPerDay: number): { kwhPerYear: number; costPerYear: number } =>
          answer('energy', { watts, idleWatts, hoursOnPerDay, pricePerKwh: 0.3 })
        const [less, more] = [of(hours), of(hours + 1)]
        expect(more.kwhPerYear).toBeGreaterThan(less.kwhPerYear)
        expect(more.costPerYear).toBeCloseTo(more.kwhPerYear * 0.3, 9)
      }),
    )
  })
})

describe('strip, cover, light', () => {
  it('what is cut lies inside, to the nearest or over, as was said', () => {
    fc.assert(
      fc.property(between(50, 5000), between(5, 120), (lengthMm, cutPitchMm) => {
        const of = (fit: string): { placedMm: number; gapMm: number; cuts: number } =>
          answer('cut-run', { lengthMm, cutPitchMm, fit })
        const [inside, nearest, cover] = [of('inside'), of('nearest'), of('cover')]
        expect(inside.gapMm).toBeGreaterThanOrEqual(-1e-6)
        expect(inside.gapMm).toBeLessThan(cutPitchMm + 1e-6)
        expect(cover.gapMm).toBeLessThanOrEqual(1e-6)
        expect(Math.abs(nearest.gapMm)).toBeLessThanOrEqual(cutPitchMm / 2 + 1e-6)
        for (const { placedMm, cuts, gapMm } of [inside, nearest, cover]) {
          expect(placedMm).toBeCloseTo(cuts * cutPitchMm, 6)
          expect(placedMm + gapMm).toBeCloseTo(lengthMm, 6)
        }
      }),
    )
  })

  it('dots fade with depth', () => {
    fc.assert(
      fc.property(between(3, 60), between(0.3, 1.2), (pitchMm, share) => {
        const of = (depthMm: number): number =>
          answer<{ ripple: number }>('blend', { pitchMm, depthMm }).ripple
        expect(of(pitchMm * (share + 0.3))).toBeLessThan(of(pitchMm * share))
        // As deep as the pitch: 2.7 % (handbook 3).
        expect(of(pitchMm)).toBeCloseTo(0.027, 2)
      }),
    )
  })

  it('light is strongest below the middle, the same at both sides, and less from higher up', () => {
    fc.assert(
      fc.property(
        between(0.2, 3),
        between(0.1, 2),
        between(0.05, 1),
        (lengthM, heightM, offsetM) => {
          const of = (more: object): number =>
            answer<{ lux: number }>('bench-light', { lumensPerM: 500, lengthM, heightM, ...more })
              .lux
          expect(of({})).toBeGreaterThan(of({ offsetM }))
          expect(of({ offsetM: -offsetM })).toBeCloseTo(of({ offsetM }), 6)
          expect(of({ heightM: heightM * 1.2 })).toBeLessThan(of({}))
        },
      ),
    )
  })

  it('a strip is warmer sealed, warmer covered, cooler on a wider backing', () => {
    fc.assert(
      fc.property(between(1, 25), between(5, 60), (wattsPerM, exposedMm) => {
        const of = (more: object): number =>
          answer<{ riseK: number }>('warmth', { wattsPerM, exposedMm, ...more }).riseK
        expect(of({ sealed: true })).toBeCloseTo(of({}) * 1.3, 6)
        expect(of({ covered: true })).toBeCloseTo(of({}) * 1.15, 6)
        expect(of({ surface: 'metal' })).toBeLessThan(of({ surface: 'wood' }))
        expect(of({ surface: 'wood' })).toBeLessThan(of({ surface: 'air' }))
        // Wider things lose less for each millimetre: between the half and all of it.
        expect(of({ exposedMm: exposedMm * 2 })).toBeGreaterThan(of({}) / 2)
        expect(of({ exposedMm: exposedMm * 2 })).toBeLessThan(of({}))
      }),
    )
  })

  it('cells last longer side by side, and less the more is drawn', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('alkaline-aa', 'nimh-aa', 'li-ion', 'lifepo4'),
        between(0.05, 0.6),
        (chemistry, currentA) => {
          const of = (more: object): number =>
            answer<{ hours: number }>('battery', {
              chemistry,
              inSeries: 3,
              cutoffV: 2.7,
              load: { currentA },
              ...more,
            }).hours
          expect(of({ inParallel: 2 })).toBeGreaterThan(of({}))
          expect(of({ load: { currentA: currentA * 1.5 } })).toBeLessThan(of({}))
        },
      ),
      { numRuns: runs(20) },
    )
  })
})
