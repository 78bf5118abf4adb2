import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { amountText, readAmount } from './amount'
import type { Unit } from './format'

describe('amounts as people type them', () => {
  it.each<[string, Unit, number]>([
    ['0.35', 'A', 0.35],
    ['350 mA', 'A', 0.35],
    ['350mA', 'A', 0.35],
    ['1.2 A', 'mA', 1200],
    ['2,5', 'V', 2.5],
    ['3300 mV', 'V', 3.3],
    ['.5 W', 'W', 0.5],
    ['1.2 kW', 'W', 1200],
    ['4k7', 'Ω', 4700],
    ['2R2', 'Ω', 2.2],
    ['470R', 'Ω', 470],
    ['2.2k', 'Ω', 2200],
    ['330 ohm', 'Ω', 330],
    ['330 Ω', 'Ω', 330],
    ['2 ms', 'µs', 2000],
    ['80', 'µs', 80],
    ['20', '%', 0.2],
    ['20 %', '%', 0.2],
    ['655', 'mm', 655],
    ['65 cm', 'mm', 650],
    ['4\' 6"', 'mm', 1371.6],
    ['2.5', 'm', 2.5],
    ['250 cm', 'm', 2.5],
    ['0.75 mm2', 'mm²', 0.75],
    ['-3', '', -3],
    ['1e3', 'px', 1000],
  ])('%s in %s', (text, unit, value) => {
    const read = readAmount(text, unit)
    expect(read).toMatchObject({ ok: true })
    expect(read.ok && read.value).toBeCloseTo(value, 9)
  })

  it.each<[string, Unit, RegExp]>([
    ['', 'A', /a number\?/],
    ['many', 'A', /“many”: a number\?/],
    ['3 bananas', 'A', /“bananas”: a number in A/],
    ['3 V', 'A', /“V”: a number in A/],
    ['3 x', '', /a plain number/],
    ['12oo', 'mm', /12oo/],
    ['1.200', 'mm', /“1.200”: 1200 or 1.2\?/],
    ['2,200', 'Ω', /“2,200”: 2200 or 2.2\?/],
  ])('%j in %s is told what is wrong', (text, unit, message) => {
    const read = readAmount(text, unit)
    expect(read.ok ? '' : read.message).toMatch(message)
  })

  it('come back as they were shown', () => {
    const units = fc.constantFrom<Unit>('A', 'mA', 'V', 'W', 'Ω', 'µs', '%', 'mm', 'm', 'mm²', '')
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 99_999, noNaN: true }), units, (value, unit) => {
        const read = readAmount(amountText(value, unit), unit)
        expect(read.ok && Math.abs(read.value / value - 1)).toBeLessThan(1e-8)
      }),
    )
  })
})
