import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { amountText, memberText, readAmount } from './amount'
import { figureText, operand, working, workingText, type Figure } from './figure'
import {
  formatBore,
  formatDrill,
  formatLength,
  formatQuantity,
  decimalSignOf,
  formatSold,
  plain,
  significant,
  writeDecimalsWith,
  written,
  type LengthUnits,
  type Unit,
} from './format'
import { largest, smallest } from './extremes'
import { readLength } from './length'
import { isAtLeast, roundDown, roundUp } from './round'
import { tokensOf } from './tokens'
import { pathText } from './z'
import { runs } from '../../testing/runs'

describe('quantities as they are shown', () => {
  it.each<[number | null, Unit, string]>([
    [0, 'A', '0.00 A'],
    [0.0021, 'A', '0.002 A'],
    [0.28, 'A', '0.28 A'],
    [8.6, 'A', '8.60 A'],
    [14.68, 'A', '14.7 A'],
    [182.4, 'A', '182 A'],
    [1878.2, 'A', '1878 A'],
    [73.4, 'W', '73.4 W'],
    [null, 'A', '–'],
    [12, 'mA', '12 mA'],
    [16.6667, 'mA', '16.7 mA'],
    [5, 'V', '5 V'],
    [10.8, 'W/m', '10.8 W/m'],
    [6.667, 'm', '6.67 m'],
    [344, 'px', '344 px'],
    [50_000, 'px', '50\u202f000 px'],
    [1_234_567, 'lights', '1\u202f234\u202f567 lights'],
    [0.81, '%', '81 %'],
    [0.979, '%', '98 %'],
    [0.034, '%', '3.4 %'],
    [60, '/m', '60/m'],
    [0.8, '', '0.8'],
  ])('%f in %s is %s', (value, unit, text) => {
    expect(formatQuantity(value, unit)).toBe(text)
  })

  it('tells metres, and what goes by the metre, in feet where the plan does: sums still hold', () => {
    expect(formatQuantity(1.4, 'm', 'ft-in')).toBe('4.59 ft')
    expect(formatQuantity(1.4, 'm', 'cm')).toBe('1.40 m')
    expect(formatQuantity(0.0172, 'Ω/m', 'ft-in')).toBe('0.00524 Ω/ft')
    expect(formatQuantity(10, 'W/m')).toBe('10 W/m')
    expect([formatSold(5), formatSold(5, 'ft-in'), formatSold(0.5)]).toEqual([
      '5 m',
      '16.4 ft',
      '0.5 m',
    ])
    const value = fc.double({ min: 0.5, max: 500, noNaN: true })
    fc.assert(
      fc.property(value, value, (metres, perMetre) => {
        const product =
          parseFloat(formatQuantity(metres, 'm', 'ft-in')) *
          parseFloat(formatQuantity(perMetre, 'W/m', 'ft-in'))
        expect(product / (metres * perMetre)).toBeCloseTo(1, 1)
      }),
    )
  })

  it.each<[number, LengthUnits, string]>([
    [2140, 'mm', '2140 mm'],
    [16.6667, 'mm', '16.7 mm'],
    [2133.33, 'cm', '213.3 cm'],
    [650, 'cm', '65 cm'],
    [2140.4, 'm', '2.14 m'],
    [99.94, 'm', '99.9 mm'],
    [1384.3, 'ft-in', '4\' 6 1/2"'],
    [304.8, 'ft-in', "1'"],
    [12.7, 'ft-in', '1/2"'],
    [457.2, 'ft-in', '1\' 6"'],
    [0, 'ft-in', '0"'],
    [-25.4, 'ft-in', '−1"'],
  ])('%f mm in %s is %s', (mm, units, text) => {
    expect(formatLength(mm, units)).toBe(text)
  })

  it.each([
    [5, '13/64"'],
    [3.175, '1/8"'],
    [3.2, '9/64"'],
    [25.4, '1"'],
    [30, '1 3/16"'],
  ])('a hole of %f mm is drilled with the next sixty-fourth of an inch, %s', (mm, text) => {
    expect(formatDrill(mm, 'ft-in')).toBe(text)
    expect(formatDrill(mm, 'cm')).toBe(`${String(mm)} mm`)
  })

  it('a hole of whole sixty-fourths is drilled with just that', () => {
    const drills = Array.from({ length: 64 }, (_, index) => ((index + 1) * 25.4) / 64)
    for (const mm of drills) {
      const read = readLength(formatDrill(mm, 'ft-in'))
      expect(read.ok && read.mm).toBeCloseTo(mm, 9)
    }
  })

  it('tubes are called by thirty-seconds of an inch', () => {
    expect([1.6, 2.4, 3.2, 4.8, 6.4].map((mm) => formatBore(mm, 'ft-in'))).toEqual([
      '1/16"',
      '3/32"',
      '1/8"',
      '3/16"',
      '1/4"',
    ])
    expect(formatBore(2.4, 'm')).toBe('2.4 mm')
  })

  it('what is shown as a length can be typed again and means the same, to what the units show', () => {
    const finest: Record<LengthUnits, number> = { mm: 0.5, cm: 0.5, m: 0.5, 'ft-in': 25.4 / 32 }
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 900_000, noNaN: true }),
        fc.constantFrom<LengthUnits>('mm', 'cm', 'm', 'ft-in'),
        (mm, units) => {
          const read = readLength(formatLength(mm, units))
          if (!read.ok) throw new Error(read.message)
          expect(Math.abs(read.mm - mm)).toBeLessThanOrEqual(finest[units] + 1e-6)
        },
      ),
    )
  })

  it('significant digits lose no more than they say, and need no exponent', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e9, noNaN: true }), (value) => {
        const text = significant(value)
        expect(text).not.toMatch(/e|\.$|\.\d*0$/)
        expect(Math.abs(Number(text) / value - 1)).toBeLessThanOrEqual(0.00501)
      }),
    )
  })
})

describe('numbers as the language of the reader writes them', () => {
  beforeEach(() => {
    writeDecimalsWith(',')
  })
  afterEach(() => {
    writeDecimalsWith('.')
  })

  it('have the sign of the language before their decimals', () => {
    expect(
      ['de', 'fr-CA', 'pt-BR', 'en-GB', 'ja', 'de-CH'].map((tag) => decimalSignOf(tag)),
    ).toEqual([',', ',', ',', '.', '.', '.'])
    expect(formatQuantity(0.28, 'A')).toBe('0,28 A')
    expect(workingText(working`${operand('load', 4.7, 'A')} × 1.25`)).toBe('4,70 A × 1,25')
    expect(written('0.5 of 1.25. No more.')).toBe('0,5 of 1,25. No more.')
    expect(formatQuantity(14.68, 'A')).toBe('14,7 A')
    expect(formatQuantity(4.9, 'V')).toBe('4,9 V')
    expect(formatQuantity(4.912, 'V')).toBe('4,91 V')
    expect(formatQuantity(-5, 'V')).toBe('−5 V')
    expect(formatQuantity(0.034, '%')).toBe('3,4 %')
    expect(formatQuantity(12.5, 'price')).toBe('12,50')
    expect(formatQuantity(1.4, 'm', 'ft-in')).toBe('4,59 ft')
    expect(formatLength(2140.4, 'm')).toBe('2,14 m')
    expect(formatLength(2133.33, 'cm')).toBe('213,3 cm')
    expect(formatLength(16, 'mm')).toBe('16 mm')
    expect([formatSold(5), formatSold(16.5)]).toEqual(['5 m', '16,5 m'])
    expect([plain(10_000), plain(0.001)]).toEqual(['10\u202f000', '0,001'])
  })

  it('keep their point in lists, where a comma separates', () => {
    expect([16.5, 2.345].map((value) => memberText(value, 'm')).join(', ')).toBe('16.5, 2.345')
  })

  it('can be typed again as they are shown, with every digit', () => {
    const units = fc.constantFrom<Unit>('A', 'mA', 'V', 'W', 'Ω', 'µs', '%', 'mm', 'm', 'mm²', '')
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 99_999, noNaN: true }), units, (value, unit) => {
        for (const shown of [value, Number(value.toPrecision(4))]) {
          const read = readAmount(amountText(shown, unit), unit)
          expect(read.ok && Math.abs(read.value / shown - 1)).toBeLessThan(1e-8)
        }
      }),
    )
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 900_000, noNaN: true }),
        fc.constantFrom<LengthUnits>('mm', 'cm', 'm', 'ft-in'),
        (mm, lengths) => {
          const read = readLength(formatLength(mm, lengths))
          expect(read.ok && Math.abs(read.mm - mm)).toBeLessThan(0.9)
        },
      ),
    )
  })
})

describe('arithmetic on the pad', () => {
  interface Term {
    text: string
    value: number
  }
  /** Sums in brackets of plain numbers, with their value worked out beside the text. */
  const { sum } = fc.letrec<{ sum: Term; factor: Term }>((tie) => ({
    factor: fc.oneof(
      { maxDepth: 3 },
      fc.integer({ min: 1, max: 400 }).map((value): Term => ({ text: String(value), value })),
      tie('sum').map(({ text, value }): Term => ({ text: `(${text})`, value })),
    ),
    sum: fc
      .tuple(
        tie('factor'),
        fc.array(fc.tuple(fc.constantFrom('+', '-', '*', '/'), tie('factor')), { maxLength: 3 }),
      )
      .map(([first, rest]) => {
        // Products first, as everybody learnt.
        const terms = [{ sign: 1, value: first.value }]
        let text = first.text
        for (const [operator, factor] of rest) {
          text += ` ${operator} ${factor.text}`
          const last = terms[terms.length - 1]!
          if (operator === '*') last.value *= factor.value
          else if (operator === '/') last.value /= factor.value
          else terms.push({ sign: operator === '+' ? 1 : -1, value: factor.value })
        }
        return { text, value: terms.reduce((total, term) => total + term.sign * term.value, 0) }
      }),
  }))

  it('is worked out as on paper', () => {
    fc.assert(
      fc.property(sum, ({ text, value }) => {
        const read = readLength(`(${text})`)
        if (Number.isFinite(value) && value > 0 && value <= 1e6) {
          if (!read.ok) throw new Error(`${text}: ${read.message}`)
          expect(read.mm).toBeCloseTo(value, 6)
        } else expect(read.ok).toBe(false)
      }),
      { numRuns: runs(1000) },
    )
  })

  it.each(['', '(', '()', '2 3', '1/0"', '5 kg', '-4', '1e3', '0', '(3 - 3)', "1' 2' 3\"", '3 x'])(
    'refuses %j with a reason and a place inside it',
    (text) => {
      const read = readLength(text)
      expect(read.ok).toBe(false)
      if (read.ok) return
      expect(read.message.length).toBeGreaterThan(4)
      expect(read.at).toBeLessThanOrEqual(text.length)
    },
  )
})

describe('tokens', () => {
  it('cover every character that is no space, in order', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 30 }), (text) => {
        const tokens = tokensOf(text)
        let at = 0
        for (const token of tokens) {
          expect(text.slice(at, token.at).trim()).toBe('')
          expect(token.end).toBeGreaterThanOrEqual(token.at)
          at = token.end
        }
        expect(at).toBe(text.length)
      }),
    )
  })
})

describe('rounding forgives a hair', () => {
  it.each<[number, number, number]>([
    [36.999999999999, 37, 37],
    [37.000000000001, 37, 37],
    [36.9, 36, 37],
    [0, 0, 0],
    [-0.5, -1, 0],
  ])('%f is %i down and %i up', (value, down, up) => {
    expect(roundDown(value)).toBe(down)
    expect(roundUp(value) + 0).toBe(up)
  })
  it('at the limit counts as at least', () => {
    expect(isAtLeast(0.1 + 0.2, 0.3)).toBe(true)
    expect(isAtLeast(0.3 - 1e-12, 0.3)).toBe(true)
    expect(isAtLeast(0.2999, 0.3)).toBe(false)
  })
})

describe('figures', () => {
  const figure: Figure = {
    id: 'x',
    label: 'white',
    value: 12.384,
    unit: 'A',
    ...working`${operand('pixels', 344, 'px')} × ${operand('colours', 3)} × ${operand('each', 12, 'mA')}`,
    about: [],
  }
  it('carry their sum, and say it', () => {
    expect(figure.operation).toBe('{0} × {1} × {2}')
    expect(figure.operands.map(({ name }) => name)).toEqual(['pixels', 'colours', 'each'])
    expect(workingText(figure)).toBe('344 px × 3 × 12 mA')
    expect(figureText(figure)).toBe('12.4 A')
  })
  it('say lengths in the units that are shown', () => {
    const sum = working`${operand('groups', 4)} × ${operand('pitch', 25.4, 'mm')}`
    expect(workingText(sum, 'ft-in')).toBe('4 × 1"')
  })
})

it('paths are written as people write them', () => {
  expect(pathText(['lines', 3, 'text'])).toBe('lines[3].text')
  expect(pathText([0, 'a'])).toBe('[0].a')
  expect(pathText([])).toBe('')
})

describe('volts and what else the feed is told in', () => {
  it.each<[number, Parameters<typeof formatQuantity>[1], string]>([
    // A supply's volts are what is printed on it …
    [5, 'V', '5 V'],
    [12, 'V', '12 V'],
    [6.3, 'V', '6.3 V'],
    [0, 'V', '0 V'],
    // … those that were solved keep three digits, so that columns line up.
    [4.7961, 'V', '4.80 V'],
    [23.0789, 'V', '23.1 V'],
    [0.01449, 'V', '0.014 V'],
    [3.36257, 'V', '3.36 V'],
    [0.9, 'A', '0.90 A'],
    [34.02, 'K', '34 K'],
    [0.01724, 'Ω/m', '0.0172 Ω/m'],
    [420, 'lm/m', '420 lm/m'],
    [1250.4, 'lx', '1250 lx'],
    [33.46, 'kWh', '33.5 kWh'],
    [0.82, '%', '82 %'],
    [0.0823, '%', '8.2 %'],
    [50.2, 'min', '50.2 min'],
    [170.4, 'min', '2 h 50'],
  ])('%d %s is written as %s', (value, unit, text) => {
    expect(formatQuantity(value, unit)).toBe(text)
  })

  it('nothing is no number', () => {
    expect(formatQuantity(null, 'V')).toBe('–')
    expect(formatQuantity(null, 'A')).toBe('–')
  })

  it.each<[number, string]>([
    [1200, '1200 mm'],
    [66.666, '66.7 mm'],
    [-6.6667, '-6.7 mm'],
    [0, '0 mm'],
  ])('a length of %d mm is written as %s', (mm, text) => {
    expect(formatQuantity(mm, 'mm')).toBe(text)
    expect(formatQuantity(mm, 'mm', 'mm')).toBe(formatLength(mm))
  })
})

it('the largest and the smallest are found among more numbers than a call takes', () => {
  const many = Float64Array.from({ length: 400_000 }, (_, at) => Math.sin(at) * 7)
  const sorted = many.toSorted()
  expect([smallest(many), largest(many)]).toEqual([sorted[0], sorted.at(-1)])
  expect([smallest([]), largest([]), largest([], 0), largest([-3], 0)]).toEqual([
    Infinity,
    -Infinity,
    0,
    0,
  ])
})
