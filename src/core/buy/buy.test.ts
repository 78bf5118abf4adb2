import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { worked } from '../worked'
import { lackingFor } from './lacking'
import { cheapestPacks } from './packs'
import { cutProfiles } from './profile-cut'

describe('packs', () => {
  const packs = fc.array(
    fc.record({ size: fc.integer({ min: 1, max: 9 }), price: fc.integer({ min: 1, max: 20 }) }),
    { minLength: 1, maxLength: 3 },
  )

  it('cover the need at the least price of all ways, and of those leave the least over', () => {
    /** Every way there is, tried. */
    const best = (need: number, of: readonly { size: number; price: number }[]): number[] =>
      need <= 0
        ? [0, Math.abs(need)]
        : of
            .map(({ size, price }) => {
              const [rest = 0, spare = 0] = best(need - size, of)
              return [price + rest, spare]
            })
            .reduce((a, b) => (b[0]! < a[0]! || (b[0] === a[0] && b[1]! < a[1]!) ? b : a))
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 14 }), packs, (need, of) => {
        const found = cheapestPacks(need, of)
        expect([found.price, found.spare]).toEqual(best(need, of))
        const sum = (what: (pack: { size: number; price: number; count: number }) => number) =>
          found.packs.reduce((total, pack) => total + what(pack), 0)
        expect(sum(({ price, count }) => price * count)).toBe(found.price)
        expect(sum(({ size, count }) => size * count)).toBe(need + found.spare)
      }),
    )
  })
})

describe('profiles', () => {
  const bars = [{ length: 1000, price: 5 }]

  it('the saw takes nothing where it does not cut: two halves less one kerf fill a bar', () => {
    const of = (piecesMm: number[]): number => {
      const result = cutProfiles(piecesMm, bars, 2)
      if (!result.ok) throw new Error('too long')
      return result.packing.bins.length
    }
    expect(of([1000])).toBe(1)
    expect(of([499, 499])).toBe(1)
    expect(of([499, 499.5])).toBe(2)
  })

  it('names the piece that is longer than every bar', () => {
    expect(cutProfiles([400, 1001], bars, 2)).toEqual({ ok: false, tooLong: [1] })
  })
})

describe('what a step takes and is not bought', () => {
  const { plan, receipt, schedule } = worked(demoPlan('bay-window-nook'))
  const lacks = (id: string, bought: readonly string[] = []): string[] => {
    const step = schedule.steps.find((one) => one.id === id)!
    return lackingFor(step, receipt, { ...plan.buy, bought: bought.map((line) => ({ line })) }).map(
      (line) => line.id,
    )
  }

  it('is what is cut, at the place where it is cut', () => {
    expect(lacks('cut:seat/A1')).toEqual(['strip.pixels-5v-60-low'])
    expect(lacks('cut:seat/A1', ['strip.pixels-5v-60-low'])).toEqual([])
    expect(lacks('cut:crown/sheet')).toEqual(['sheet.fabric.1400x500'])
    expect(lacks('cut:ledge2/profile')).toContain('profile.corner')
    expect(lacks('cut:wires:porthole.first')).toEqual([
      'wire.mm2-0_14.black',
      'wire.mm2-0_14.red',
      'wire.mm2-0_22.green',
    ])
    // A sensor's wire is for no run.
    expect(lacks('cut:wires:input:knob')).toEqual(['wire.mm2-0_22.white'])
  })

  it('is solder and ties only where they are used', () => {
    const used = (line: string): Set<string> =>
      new Set(schedule.steps.filter(({ id }) => lacks(id).includes(line)).map(({ kind }) => kind))
    expect(used('solder')).toEqual(new Set(['tin', 'joint']))
    expect(used('ties')).toEqual(new Set(['relief']))
    expect(lacks('measure:porthole')).toEqual([])
    expect(lacks('power:supply-a')).toContain('supply.enclosed-5v-100w')
  })
})
