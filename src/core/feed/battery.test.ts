import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chemistryNames } from '../parts/chemistries'
import { batteryLife } from './battery'

const packs = fc.record({
  chemistry: fc.constantFrom(...chemistryNames),
  inSeries: fc.integer({ min: 1, max: 4 }),
  inParallel: fc.integer({ min: 1, max: 3 }),
  load: fc.oneof(
    fc.integer({ min: 5, max: 400 }).map((mA) => ({ currentA: mA / 1000 })),
    fc.integer({ min: 20, max: 800 }).map((mW) => ({ powerW: mW / 1000, efficiency: 0.85 })),
  ),
  cutoffV: fc.constant(0.9),
})

describe('a battery', () => {
  it('never lasts longer with more load, and never shorter with more cells side by side', () => {
    fc.assert(
      fc.property(packs, (pack) => {
        const life = batteryLife(pack)
        const heavier = batteryLife({
          ...pack,
          load:
            'currentA' in pack.load
              ? { currentA: pack.load.currentA * 1.3 }
              : { ...pack.load, powerW: pack.load.powerW * 1.3 },
        })
        const wider = batteryLife({ ...pack, inParallel: pack.inParallel + 1 })
        expect(heavier.hours).toBeLessThanOrEqual(life.hours + 1e-9)
        expect(wider.hours).toBeGreaterThanOrEqual(life.hours - 1e-9)
        expect(life.usedShare).toBeGreaterThanOrEqual(0)
        expect(life.usedShare).toBeLessThanOrEqual(1)
      }),
    )
  })

  it('at its reference current and no cut-off gives just what it holds', () => {
    const life = batteryLife({
      chemistry: 'nimh-aa',
      inSeries: 1,
      inParallel: 1,
      load: { currentA: 0.4 },
      cutoffV: 0,
    })
    expect(life.hours).toBeCloseTo(5, 6)
    expect(life).toMatchObject({ usedShare: 1, endsBy: 'empty' })
  })

  it('that starts below its cut-off lasts no time', () => {
    const life = batteryLife({
      chemistry: 'alkaline-aa',
      inSeries: 1,
      inParallel: 1,
      load: { powerW: 9, efficiency: 0.85 },
      cutoffV: 0.9,
    })
    expect(life).toMatchObject({ hours: 0, usedShare: 0, endsBy: 'cut-off' })
  })
})
