import { written, type Unit } from './format'
import { isThousandOrDecimal, thousandOrDecimal } from './decimals'
import { readLength } from './length'

export type AmountResult =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly message: string }

/** What may be written behind a number, and how many of the field's unit it is worth. */
const suffixes: Partial<Readonly<Record<Unit, Readonly<Record<string, number>>>>> = {
  A: { a: 1, ma: 1e-3, µa: 1e-6, ua: 1e-6 },
  mA: { ma: 1, a: 1e3, µa: 1e-3, ua: 1e-3 },
  V: { v: 1, mv: 1e-3 },
  W: { w: 1, mw: 1e-3, kw: 1e3 },
  Ω: { ω: 1, ohm: 1, ohms: 1, r: 1, k: 1e3, kω: 1e3, kohm: 1e3, meg: 1e6 },
  µs: { µs: 1, us: 1, ms: 1e3, s: 1e6 },
  ms: { ms: 1, s: 1e3, µs: 1e-3, us: 1e-3 },
  '%': { '%': 0.01 },
  'mm²': { 'mm²': 1, mm2: 1 },
  'W/m': { 'w/m': 1 },
  'lm/m': { 'lm/m': 1, lm: 1 },
  K: { k: 1 },
  px: { px: 1, pixels: 1 },
  price: {},
  '': {},
}
const numberText = String.raw`[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?`
const amount = new RegExp(`^(${numberText})\\s*(.*)$`, 'i')
/** `4k7`, `2R2`: the letter stands where the point would. */
const lettered = /^(\d+)([kr])(\d+)$/i

const numberOf = (text: string): number => Number(text.replace(',', '.'))

/**
 * Reads an amount as people type it, with its unit or without.
 *
 * @param unit the field's own, in which a bare number counts; for `%` the value is a share, 0.2 of `20`
 * @example readAmount('350 mA', 'A') // 0.35
 * @example readAmount("4' 6\"", 'm') // 1.37
 * @example readAmount('4k7', 'Ω') // 4700
 */
export function readAmount(text: string, unit: Unit): AmountResult {
  const plain = text.trim()
  if (plain === '') return { ok: false, message: 'a number?' }
  if (unit === 'mm' || unit === 'm') return readLengthIn(plain, unit)
  const [, whole, letter, rest] = (unit === 'Ω' ? lettered.exec(plain) : null) ?? []
  if (whole !== undefined && letter !== undefined && rest !== undefined)
    return {
      ok: true,
      value: numberOf(`${whole}.${rest}`) * (letter.toLowerCase() === 'k' ? 1e3 : 1),
    }
  const [, number, suffix] = amount.exec(plain) ?? []
  if (number === undefined || suffix === undefined)
    return { ok: false, message: `“${plain}”: a number?` }
  // `2,200` is as often two thousand as two; a point is a decimal in every unit but millimetres.
  if (number.includes(',') && isThousandOrDecimal(number))
    return { ok: false, message: thousandOrDecimal(number, suffix) }
  const value = numberOf(number)
  const known = suffixes[unit] ?? {}
  if (suffix === '') return { ok: true, value: unit === '%' ? value / 100 : value }
  const factor = known[suffix.toLowerCase()]
  return factor === undefined
    ? { ok: false, message: `“${suffix}”: ${expected(unit, known)}` }
    : { ok: true, value: value * factor }
}

const expected = (unit: Unit, known: Readonly<Record<string, number>>): string =>
  Object.keys(known).length === 0 ? 'a plain number' : `a number in ${unit}`

/** Bare numbers count in the field's unit, anything else as lengths are typed everywhere. */
function readLengthIn(text: string, unit: 'mm' | 'm'): AmountResult {
  const per = unit === 'm' ? 1000 : 1
  if (unit === 'mm' && isThousandOrDecimal(text))
    return { ok: false, message: thousandOrDecimal(text, '') }
  if (new RegExp(`^${numberText}$`, 'i').test(text)) return { ok: true, value: numberOf(text) }
  const read = readLength(text)
  return read.ok ? { ok: true, value: read.mm / per } : { ok: false, message: read.message }
}

/** A value as a field shows it, without its unit: enough digits to come back as it was. */
export const amountText = (value: number, unit: Unit): string =>
  unmistaken(written(digitsOf(value, unit)), unit)

/** The same for one of a list, where a comma separates. */
export const memberText = (value: number, unit: Unit): string =>
  unmistaken(digitsOf(value, unit), unit)

const digitsOf = (value: number, unit: Unit): string =>
  String(Number((unit === '%' ? value * 100 : value).toPrecision(10)))

/** 16.667 mm, or 2,345 of anything, would be asked back: four decimals cannot be a thousand. */
const unmistaken = (text: string, unit: Unit): string =>
  isThousandOrDecimal(text) && (unit === 'mm' || text.includes(',')) ? `${text}0` : text
