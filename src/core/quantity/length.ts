import { Reader } from './reader'
import { NotUnderstood, tokensOf, type Token } from './tokens'

/** A length as it was read from a line: millimetres, and the characters that said so. */
export interface ReadLength {
  readonly mm: number
  readonly at: number
  readonly end: number
}

export type LengthResult =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly message: string; readonly at: number }

export const mmPerInch = 25.4
const mmPerFoot = 304.8

/** Nothing longer than this is believed: 1 km, in mm. */
const longestMm = 1_000_000

const mmPerUnit: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: mmPerInch,
  inch: mmPerInch,
  inches: mmPerInch,
  '"': mmPerInch,
  ft: mmPerFoot,
  foot: mmPerFoot,
  feet: mmPerFoot,
  "'": mmPerFoot,
}
/** Which smaller units may follow a unit in one length: `4' 6"`, `1 m 20 cm`. Keyed by mm per unit. */
const smallerUnits = new Map([
  [mmPerFoot, [mmPerInch]],
  [1000, [10, 1]],
  [10, [1]],
])
/** A value inside brackets: a plain number (`power` 0) or a length in mm (`power` 1). */
interface Quantity {
  readonly value: number
  readonly power: 0 | 1
}

/**
 * Reads one length: a number with or without a unit (mm without), feet and inches, a fraction, or arithmetic in brackets.
 *
 * @throws NotUnderstood where no length above zero and up to {@link longestMm} stands
 */
export function takeLength(reader: Reader): ReadLength {
  const { at } = reader.peek()
  const quantity = takeTerm(reader)
  const end = reader.lastEnd
  const mm = quantity.value
  if (!(mm > 0)) throw new NotUnderstood('A length has to be more than zero', at, end)
  if (mm > longestMm) throw new NotUnderstood('Longer than 1 km: check the unit', at, end)
  return { mm, at, end }
}

/** Reads a whole number of at least 1, such as how many panels. */
export function takeCount(reader: Reader, what: string, most = 10_000): Token {
  const token = reader.peek()
  if (token.kind !== 'number') reader.fail(missing(reader, what))
  if (followedByJunk(reader)) reader.fail(`“${reader.glob()}”: a number?`)
  if (!Number.isInteger(token.value) || token.value < 1)
    reader.fail(`${token.text} ${what}? It has to be a whole number`)
  if (token.value > most) reader.fail(`${token.text} ${what}: at most ${String(most)}`)
  return reader.take()
}

/** Reads degrees, `120`, `120°` or `120 deg`, above 0 and up to 360. */
export function takeDegrees(reader: Reader): ReadLength {
  const { at } = reader.peek()
  if (!reader.isNumber()) reader.fail(missing(reader, 'degrees'))
  if (followedByJunk(reader, ['deg', 'degrees'])) reader.fail(`“${reader.glob()}”: a number?`)
  const { value, end, text } = reader.take()
  if (!reader.skipMark('°')) reader.skipWord('deg', 'degrees')
  if (!(value > 0 && value <= 360))
    throw new NotUnderstood(`${text} degrees: more than 0 and up to 360`, at, end)
  return { mm: value, at, end: reader.lastEnd }
}

/**
 * Reads a field that holds one length and nothing else.
 *
 * @example readLength(`4' 6 1/2"`) // { ok: true, mm: 1384.3 }
 */
export function readLength(text: string): LengthResult {
  try {
    const reader = new Reader(tokensOf(text))
    const { mm } = takeLength(reader)
    reader.expectEnd()
    return { ok: true, mm }
  } catch (error) {
    if (error instanceof NotUnderstood) return { ok: false, message: error.message, at: error.at }
    throw error
  }
}

/** What to say when something other than `what` stands next, or nothing at all. */
export function missing(reader: Reader, what: string): string {
  return reader.isAtEnd
    ? `${what.charAt(0).toUpperCase()}${what.slice(1)}? Nothing follows`
    : `“${reader.glob()}”: ${what}?`
}

function takeTerm(reader: Reader): Quantity {
  if (reader.isMark('(')) {
    const inside = takeBrackets(reader)
    const unit = takeUnit(reader)
    if (unit === undefined) return { value: inside.value, power: 1 }
    if (inside.power === 1)
      reader.fail('The brackets hold a unit already: give it inside or behind, not both')
    return { value: inside.value * unit, power: 1 }
  }
  const first = takeMeasure(reader)
  return { value: first.value, power: 1 }
}

/** A number with its unit, and the smaller units that belong to it. Without a unit: `power` 0. */
function takeMeasure(reader: Reader, isInBrackets = false): Quantity {
  if (reader.isMark('-')) reader.fail('A minus: a length has to be more than zero')
  const { value, hasFraction, token } = takeNumber(reader)
  const unit = takeUnit(reader)
  if (unit === undefined) {
    if (hasFraction && !isInBrackets)
      reader.fail(`A fraction of what? Write the unit behind it, such as ${token.text} in`, token)
    return { value, power: 0 }
  }
  let sum = value * unit
  let allowed = smallerUnits.get(unit) ?? []
  while (reader.isNumber() || isFractionMark(reader)) {
    const next = takeNumber(reader)
    // Behind feet a bare number can only be inches, unless something else follows it.
    const smaller = takeUnit(reader) ?? (unit === mmPerFoot && endsHere(reader) ? mmPerInch : 0)
    if (!allowed.includes(smaller))
      reader.fail(`“${next.token.text}”: a second length? Join parts with +`, next.token)
    sum += next.value * smaller
    allowed = smallerUnits.get(smaller) ?? []
  }
  return { value: sum, power: 1 }
}

function endsHere(reader: Reader): boolean {
  return reader.isAtEnd || reader.isMark('+') || reader.isMark(')') || reader.isMark(',')
}

/** `6`, `6.5`, `1/2` or `6 1/2`. */
function takeNumber(reader: Reader): { value: number; hasFraction: boolean; token: Token } {
  const token = reader.peek()
  if (isFractionMark(reader)) return { value: takeFraction(reader), hasFraction: true, token }
  if (token.kind !== 'number') reader.fail(missing(reader, 'a length'))
  if (followedByJunk(reader)) {
    throw new NotUnderstood(`“${reader.glob()}”: a number?`, token.at, reader.peek(1).end)
  }
  if (isFraction(reader)) return { value: takeFraction(reader), hasFraction: true, token }
  reader.take()
  if (isFractionMark(reader) || isFraction(reader))
    return { value: token.value + takeFraction(reader), hasFraction: true, token }
  return { value: token.value, hasFraction: false, token }
}

const isFractionMark = (reader: Reader): boolean =>
  reader.peek().kind === 'mark' && /^\d\/\d$/.test(reader.peek().text)

/** Written close, `1/2`, a slash is a fraction; with spaces around it, inside brackets, it divides. */
const isFraction = (reader: Reader): boolean =>
  reader.isNumber() &&
  reader.isMark('/', 1) &&
  reader.isNumber(2) &&
  reader.peek(1).isGlued &&
  reader.peek(2).isGlued

function takeFraction(reader: Reader): number {
  const token = reader.take()
  if (token.kind === 'mark') {
    const [over, under] = token.text.split('/').map(Number)
    return (over ?? 0) / (under ?? 1)
  }
  reader.take()
  const under = reader.take()
  if (under.value === 0) reader.fail('A fraction over 0', under)
  return token.value / under.value
}

/** Letters glued to a number that are no unit: `12oo`, `1e9`. */
function followedByJunk(
  reader: Reader,
  units: readonly string[] = Object.keys(mmPerUnit),
): boolean {
  const next = reader.peek(1)
  return next.isGlued && next.kind === 'word' && !units.includes(next.text.toLowerCase())
}

function takeUnit(reader: Reader): number | undefined {
  const token = reader.peek()
  if (token.kind !== 'word' && token.kind !== 'mark') return undefined
  // Two single marks are how some people type inches.
  if (reader.isMark("'") && reader.isMark("'", 1) && reader.peek(1).isGlued) {
    reader.take()
    reader.take()
    return mmPerInch
  }
  const unit = mmPerUnit[token.text.toLowerCase()]
  if (unit !== undefined) reader.take()
  return unit
}

function takeBrackets(reader: Reader): Quantity {
  const open = reader.take()
  const sum = takeSum(reader)
  if (!reader.skipMark(')')) {
    if (reader.isAtEnd) reader.fail('The bracket is not closed', open)
    reader.fail(`“${reader.glob()}”: + − × ÷ or a closing bracket?`)
  }
  return sum
}

function takeSum(reader: Reader): Quantity {
  let left = takeProduct(reader)
  while (reader.isMark('+') || reader.isMark('-')) {
    const sign = reader.take().text === '+' ? 1 : -1
    const right = takeProduct(reader)
    // A bare number beside a length is millimetres, as it is everywhere on the pad.
    left = {
      value: left.value + sign * right.value,
      power: left.power === 1 || right.power === 1 ? 1 : 0,
    }
  }
  return left
}

function takeProduct(reader: Reader): Quantity {
  let left = takeFactor(reader)
  while (reader.isMark('x') || reader.isMark('/')) {
    const operator = reader.take()
    const right = takeFactor(reader)
    const isTimes = operator.text === 'x'
    if (right.power === 1 && (left.power === 1 || !isTimes)) {
      reader.fail(
        isTimes ? 'A length times a length is an area' : 'Divide by a plain number, without unit',
        operator,
      )
    }
    if (!isTimes && right.value === 0) reader.fail('Divided by 0', operator)
    left = {
      value: isTimes ? left.value * right.value : left.value / right.value,
      power: left.power === 1 || right.power === 1 ? 1 : 0,
    }
  }
  return left
}

function takeFactor(reader: Reader): Quantity {
  if (!reader.isMark('(')) return takeMeasure(reader, true)
  const inside = takeBrackets(reader)
  const unit = inside.power === 0 ? takeUnit(reader) : undefined
  return unit === undefined ? inside : { value: inside.value * unit, power: 1 }
}
