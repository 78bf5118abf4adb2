import { Reader } from './reader'
import { isThousandOrDecimal, thousandOrDecimal, withDecimalPoints } from './decimals'
import { NotUnderstood, tokensOf, type Token } from './tokens'

/** A length as it was read from a line: millimetres, and the characters that said so. */
export interface ReadLength {
  readonly mm: number
  readonly at: number
  readonly end: number
  /** Its first unit as it was typed; without one the number is millimetres. */
  readonly unit?: string
  /** The unit that it has from the end of its list or pair. */
  readonly carried?: string
  /** The pixels that it was given by. */
  readonly pixels?: number
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
/** A value inside brackets: a plain number (`power` 0) or a length in mm (`power` 1), and the unit that it was typed with. */
interface Quantity {
  readonly value: number
  readonly power: 0 | 1
  readonly unit?: string
}

/** A unit as it was typed, and what it is worth. */
interface ReadUnit {
  readonly text: string
  readonly mm: number
}

/** Words for a count of pixels. */
const pixelWords = ['px', 'pixel', 'pixels']
/** A member that a shared unit makes so many times the one that names it is asked back. */
const mostTimes = 10

/**
 * Reads one length: a number with or without a unit (mm without), feet and inches, a fraction, or arithmetic in brackets.
 *
 * @throws NotUnderstood where no length above zero and up to {@link longestMm} stands
 */
export function takeLength(reader: Reader): ReadLength {
  const { at } = reader.peek()
  const quantity = takeTerm(reader)
  return believed({
    mm: quantity.value,
    at,
    end: reader.lastEnd,
    ...(quantity.unit !== undefined && { unit: quantity.unit }),
  })
}

/** A count of pixels stands next: `30 px`. */
export const isPixelCount = (reader: Reader): boolean =>
  reader.how.isBefore5 !== true && reader.isNumber() && reader.isWord(pixelWords, 1)

/** Reads a length of strip: a length, or a count of its pixels such as `30 px`. */
export function takeStretch(reader: Reader): ReadLength {
  if (!isPixelCount(reader)) return takeLength(reader)
  const { at, value } = takeCount(reader, 'pixels')
  const unit = reader.take()
  return ofPixels(reader, { mm: value, at, end: unit.end, unit: unit.text })
}

/** A number of pixels as the length of the strip that has them. */
function ofPixels(reader: Reader, { mm: pixels, ...read }: ReadLength): ReadLength {
  const { pixelMm } = reader.how
  if (pixelMm === undefined)
    throw new NotUnderstood(
      'This strip has no pixels to count: give a length, such as 500 mm',
      read.at,
      read.end,
    )
  if (!Number.isInteger(pixels))
    throw new NotUnderstood(
      `${String(pixels)} pixels? It has to be a whole number`,
      read.at,
      read.end,
    )
  return believed({ ...read, mm: pixels * pixelMm, pixels })
}

function believed(read: ReadLength): ReadLength {
  const { mm, at, end } = read
  if (!(mm > 0)) throw new NotUnderstood('A length has to be more than zero', at, end)
  if (mm > longestMm) throw new NotUnderstood('Longer than 1 km: check the unit', at, end)
  return read
}

/**
 * The members of a list or a pair, each with the unit at its end where it has none of its own: `40 x 60 cm`, `40, 30, 30 cm`.
 *
 * @throws NotUnderstood where that makes a member ten times the one with the unit: `90 x 1.2 m`
 */
export function shareUnit(reader: Reader, members: readonly ReadLength[]): ReadLength[] {
  const last = members.at(-1)
  if (last?.unit === undefined || reader.how.isBefore5 === true) return [...members]
  const { unit } = last
  const each = mmPerUnit[unit.toLowerCase()] ?? 1
  return members.map((member) => {
    if (member.unit !== undefined) return member
    const bare = { ...member, carried: unit }
    const shared =
      last.pixels === undefined
        ? believed({ ...bare, mm: member.mm * each })
        : ofPixels(reader, bare)
    if (shared.mm >= mostTimes * last.mm)
      throw new NotUnderstood(
        `${String(member.mm)} ${unit} or ${String(member.mm)} mm? Write the unit behind it`,
        member.at,
        member.end,
      )
    return shared
  })
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
    const reader = new Reader(tokensOf(withDecimalPoints(text, 0, false), { shown: text }))
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
    if (unit === undefined)
      return { ...inside, power: 1, ...(inside.power === 1 && { unit: inside.unit ?? 'mm' }) }
    if (inside.power === 1)
      reader.fail('The brackets hold a unit already: give it inside or behind, not both')
    return { value: inside.value * unit.mm, power: 1, unit: unit.text }
  }
  return { ...takeMeasure(reader), power: 1 }
}

/** A number with its unit, and the smaller units that belong to it. Without a unit: `power` 0. */
function takeMeasure(reader: Reader, isInBrackets = false): Quantity {
  if (reader.isMark('-')) reader.fail('A minus: a length has to be more than zero')
  const { value, hasFraction, token } = takeNumber(reader)
  const unit = takeUnit(reader)
  if (isThousandOrDecimal(token.text) && (unit?.mm ?? 1) <= 10 && reader.how.isBefore5 !== true)
    reader.fail(thousandOrDecimal(token.text, unit?.text ?? ''), token)
  if (unit === undefined) {
    if (hasFraction && !isInBrackets)
      reader.fail(`A fraction of what? Write the unit behind it, such as ${token.text} in`, token)
    return { value, power: 0 }
  }
  let sum = value * unit.mm
  let allowed = smallerUnits.get(unit.mm) ?? []
  while ((reader.isNumber() || isFractionMark(reader)) && !isBareAngle(reader, unit)) {
    const next = takeNumber(reader)
    // Behind feet a bare number can only be inches, unless something else follows it.
    const smaller =
      takeUnit(reader)?.mm ?? (unit.mm === mmPerFoot && endsHere(reader) ? mmPerInch : 0)
    if (!allowed.includes(smaller))
      reader.fail(`“${next.token.text}”: a second length? Join parts with +`, next.token)
    sum += next.value * smaller
    allowed = smallerUnits.get(smaller) ?? []
  }
  return { value: sum, power: 1, unit: unit.text }
}

/** A whole number without a unit behind a metric length is an angle where the shape wants one: `arch r 41 cm 120`. */
const isBareAngle = (reader: Reader, unit: ReadUnit): boolean =>
  reader.how.isBefore5 !== true &&
  unit.mm !== mmPerFoot &&
  reader.isNumber() &&
  (reader.peek(1).kind === 'end' ||
    reader.isMark('°', 1) ||
    reader.isWord(['deg', 'degrees', 'legs', 'leg'], 1))

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
  units: readonly string[] = [...Object.keys(mmPerUnit), ...pixelWords],
): boolean {
  const next = reader.peek(1)
  return next.isGlued && next.kind === 'word' && !units.includes(next.text.toLowerCase())
}

function takeUnit(reader: Reader): ReadUnit | undefined {
  const token = reader.peek()
  if (token.kind !== 'word' && token.kind !== 'mark') return undefined
  // Two single marks are how some people type inches.
  if (reader.isMark("'") && reader.isMark("'", 1) && reader.peek(1).isGlued) {
    reader.take()
    reader.take()
    return { text: '"', mm: mmPerInch }
  }
  const mm = mmPerUnit[token.text.toLowerCase()]
  if (mm === undefined) return undefined
  reader.take()
  return { text: token.text, mm }
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
    const unit = left.unit ?? right.unit
    left = {
      value: left.value + sign * right.value,
      power: left.power === 1 || right.power === 1 ? 1 : 0,
      ...(unit !== undefined && { unit }),
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
  return unit === undefined ? inside : { value: inside.value * unit.mm, power: 1, unit: unit.text }
}
