import { mmPerInch } from './length'

export type LengthUnits = 'mm' | 'cm' | 'm' | 'ft-in'
export type Unit =
  | 'mm'
  | 'm'
  | 'px'
  | 'lights'
  | 'A'
  | 'mA'
  | 'W'
  | 'V'
  | 'W/m'
  | '%'
  | ''
  | '/m'
  | 'min'
  | 'price'
  | 'K'
  | 'lm/m'
  | 'lx'
  | 'Ω'
  | 'mm²'
  | 'Ω/m'
  | 'kWh'
  | 'Wh'
  | 'Ah'
  | 's'
  | '/min'
  | 'bytes'
  | 'ms'
  | 'µs'
  | '/s'

/** What stands before the decimals of a number. */
export type DecimalSign = '.' | ','

let decimalSign: DecimalSign = '.'

/**
 * Says how numbers are written for people from now on, in this page, worker or process. What other programs read (pad lines, drawings,
 * netlists, programs) keeps its point.
 */
export function writeDecimalsWith(sign: DecimalSign): void {
  decimalSign = sign
}

/** The sign of a language, by its tag; of the reader's own where none is named. */
export const decimalSignOf = (language?: string): DecimalSign =>
  new Intl.NumberFormat(language).format(0.5).includes(',') ? ',' : '.'

const mPerFoot = 0.3048

/** A narrow space that does not break, between thousands. */
const thin = '\u202f'

/** What is left of rounding: no quantity that anyone measures. */
const smallest = 1e-9

/**
 * Rounds to significant digits without an exponent and without trailing zeros.
 *
 * @example significant(12.384, 3) // '12.4'
 */
export function significant(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return '–'
  return Math.abs(value) < smallest ? '0' : rounded(value, decimalsOf(value, digits))
}

/** How many decimals make so many significant digits. */
const decimalsOf = (value: number, digits: number): number =>
  Math.max(0, digits - Math.floor(Math.log10(Math.abs(value))) - 1)

/** It is told whole by three digits. */
const isExact = (value: number): boolean =>
  Math.abs(value) < smallest ||
  Math.abs(value - Number(value.toFixed(decimalsOf(value, 3)))) < smallest

/** A number with so many decimals, zeros and all. */
export const fixed = (value: number, decimals: number): string => written(value.toFixed(decimals))

/** A number with at most so many decimals. */
export const rounded = (value: number, decimals: number): string =>
  trimZeros(fixed(value, decimals))

/** The numbers of a text, as people write them here. */
export const written = (text: string): string =>
  decimalSign === '.' ? text : text.replaceAll(/(?<=\d)\.(?=\d)/g, decimalSign)

/**
 * A value with its unit, as every view shows it: amperes and watts to three significant digits, counts whole. Where the plan is in feet and
 * inches, metres and what is told by the metre come in feet, so that a sum still holds.
 */
export function formatQuantity(
  value: number | null,
  unit: Unit,
  units: LengthUnits = 'mm',
): string {
  if (value === null) return '–'
  switch (unit) {
    case 'mm':
      return formatLength(value, units)
    case 'm':
      return units === 'ft-in' ? `${fixed(value / mPerFoot, 2)} ft` : `${fixed(value, 2)} m`
    case 'Ω/m':
    case 'W/m':
    case 'lm/m':
      return units === 'ft-in'
        ? `${significant(value * mPerFoot)} ${unit.replace('/m', '/ft')}`
        : `${significant(value)} ${unit}`
    case 'px':
      return `${grouped(value)} px`
    case 'lights':
      return `${grouped(value)} ${Math.round(value) === 1 ? 'light' : 'lights'}`
    case '%':
      return `${Math.abs(value) < 0.1 ? significant(value * 100, 2) : String(Math.round(value * 100))} %`
    case '/m':
    case '/s':
      return `${significant(value)}${unit}`
    case 'bytes':
      return value < 4000 ? `${String(Math.round(value))} B` : `${significant(value / 1024)} KB`
    case 'V':
      // A supply's 5 V are just that; volts that were solved keep their zeros, so that columns line up.
      return `${isExact(value) ? significant(value) : fixedSignificant(value)} V`.replace(/^-/, '−')
    case 'A':
    case 'W':
      return `${fixedSignificant(value)} ${unit}`
    case 'price':
      return fixed(value, 2)
    case 'min':
      return minutes(value)
    case '':
      return significant(value, 4)
    default:
      return `${significant(value)} ${unit}`
  }
}

/** A length of wire or strip as it is sold, m: metres as few digits tell them, or feet to a tenth. */
export const formatSold = (metres: number, units: LengthUnits = 'mm'): string =>
  units === 'ft-in' ? `${rounded(metres / mPerFoot, 1)} ft` : `${significant(metres)} m`

/**
 * A length in the units that the plan shows. Tenths of a millimetre only below 100 mm, inches to a sixteenth; where metres are shown, what
 * is shorter than 100 mm stays in millimetres, as on any tape.
 */
export function formatLength(mm: number, units: LengthUnits = 'mm'): string {
  switch (units) {
    case 'm':
      return Math.abs(mm) < 100 ? formatLength(mm) : `${rounded(mm / 1000, 3)} m`
    case 'mm':
      return `${rounded(mm, Math.abs(mm) < 100 ? 1 : 0)} mm`
    case 'cm':
      return `${rounded(mm / 10, 1)} cm`
    case 'ft-in':
      return feetAndInches(Math.round((mm / mmPerInch) * 16), 16)
  }
}

/** The same without its unit where the plan is in millimetres, as a maker jots it. */
export const formatJotted = (mm: number, units: LengthUnits): string =>
  units === 'mm' ? formatLength(mm).replace(' mm', '') : formatLength(mm, units)

/** Up to an hour and a half in minutes, more in hours. */
function minutes(value: number): string {
  if (value < 90) return `${significant(value)} min`
  const whole = Math.round(value)
  return `${String(Math.floor(whole / 60))} h ${String(whole % 60).padStart(2, '0')}`
}

/**
 * The size of a hole to drill: millimetres, or in feet and inches the next sixty-fourth of an inch above, since what goes through has to go
 * through.
 */
export const formatDrill = (mm: number, units: LengthUnits = 'mm'): string =>
  units === 'ft-in'
    ? feetAndInches(Math.ceil((mm / mmPerInch) * 64 - smallest), 64)
    : `${significant(mm, 4)} mm`

/** The size that a tube or a pipe is called by: millimetres, or in feet and inches to a thirty-second of an inch. */
export const formatBore = (mm: number, units: LengthUnits = 'mm'): string =>
  units === 'ft-in'
    ? feetAndInches(Math.round((mm / mmPerInch) * 32), 32)
    : `${significant(mm, 4)} mm`

/** So many parts of an inch, of which an inch has `perInch`. */
function feetAndInches(parts: number, perInch: number): string {
  const sign = parts < 0 ? '−' : ''
  const perFoot = 12 * perInch
  const all = Math.abs(parts)
  const feet = Math.floor(all / perFoot)
  const inches = Math.floor((all % perFoot) / perInch)
  const rest = all % perInch
  const divisor = gcd(rest, perInch)
  const fraction = rest === 0 ? '' : `${String(rest / divisor)}/${String(perInch / divisor)}`
  const inchText = [inches > 0 || fraction === '' ? String(inches) : '', fraction]
    .filter((part) => part !== '')
    .join(' ')
  if (feet === 0) return `${sign}${inchText}"`
  return all % perFoot === 0 ? `${sign}${String(feet)}'` : `${sign}${String(feet)}' ${inchText}"`
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

/** Three significant digits with their zeros kept, so that a column of amperes lines up: 0.28, 8.60, 14.5, 182. */
function fixedSignificant(value: number): string {
  const whole = value === 0 ? 1 : Math.floor(Math.log10(Math.abs(value))) + 1
  return fixed(value, Math.min(Math.abs(value) < 0.1 ? 3 : 2, Math.max(0, 3 - whole)))
}

const trimZeros = (text: string): string =>
  text.includes(decimalSign) ? text.replace(/[.,]?0+$/, '').replace(/^-0$/, '0') : text

/** A number as it is, up to a billionth: `10 000`, `0.35`. */
export const plain = (value: number): string =>
  Number.isInteger(value) ? grouped(value) : rounded(value, 9)

/** A whole number with thin spaces between thousands. */
const grouped = (value: number): string =>
  String(Math.round(value)).replaceAll(/\B(?=(?:\d{3})+$)/g, thin)

/** A count with its noun: `1 light`, `2 lights`. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${String(count)} ${count === 1 ? one : many}`
