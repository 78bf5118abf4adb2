import type { Trace } from '../plan/plan'
import { mostCharacters } from '../plan/usual'
import { missing, takeCount } from '../quantity/length'
import { withDecimalPoints } from '../quantity/decimals'
import { Reader, type Reads } from '../quantity/reader'
import { runsFromTo } from './from-to'
import { NotUnderstood, tokensOf, type Token } from '../quantity/tokens'
import { boxAround, type Box } from './geometry'
import { mostParts, shapeNames, type ReadShape, type Shape, type ShapeName } from './shape'
import { readEdge } from './shapes/edge'
import { readGrid, readScatter, readString } from './shapes/lights'
import { readArch, readRing, readWrap } from './shapes/round'
import { readTraced } from './shapes/traced'
import { readCorners, readFrame, readPanels, readRows, readSteps } from './shapes/straight'

/** What one line of the pad came to. Positions count characters of the line from 0. */
export type Reading =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'error'; readonly message: string; readonly at: number; readonly end: number }
  | ({ readonly kind: 'run' } & JottedRun)

export interface JottedRun extends Shape {
  /** Empty where the line gives none: the run is then called after its shape and place. */
  readonly name: string
  readonly shape: ShapeName
  readonly wantedMm: number
  readonly box: Box
}

/** How a line is read, and what was read from a file for it. */
export interface ReadsLine extends Reads {
  readonly trace?: Trace | undefined
}

const readers: Readonly<Record<ShapeName, ReadShape>> = {
  edge: readEdge,
  corners: readCorners,
  frame: readFrame,
  ring: readRing,
  arch: readArch,
  panels: readPanels,
  wrap: readWrap,
  steps: readSteps,
  rows: readRows,
  grid: readGrid,
  string: readString,
  scatter: readScatter,
  traced: readTraced,
}

const isShapeName = (word: string): word is ShapeName =>
  (shapeNames as readonly string[]).includes(word)

/**
 * Reads one line of the pad: a name, a shape unless it is an edge, and its measures. Blank lines and what follows a `#`
 * are nothing to light.
 *
 * @param how.trace what was read from a file for this line
 * @param how.pixelMm from pixel to pixel of its strip, mm: `30 px` is then a length
 * @example readLine('ledge 2 x 560') // a run "ledge" of two segments, 560 mm each
 */
export function readLine(line: string, how: ReadsLine = {}): Reading {
  const text = withoutComment(line)
  if (text.trim() === '') return { kind: 'nothing' }
  if (line.length > mostCharacters)
    return {
      kind: 'error',
      message: `${String(line.length)} characters: a line holds at most ${String(mostCharacters)}`,
      at: mostCharacters,
      end: line.length,
    }
  try {
    return { kind: 'run', ...takeRun(text, how) }
  } catch (error) {
    if (!(error instanceof NotUnderstood)) throw error
    const several = runsFromTo(text)
    if (several !== undefined && readLine(several[0] ?? '', how).kind === 'run')
      return {
        kind: 'error',
        message: `${String(several.length)} runs: press Enter for a line each`,
        at: 0,
        end: text.length,
      }
    const at = Math.min(error.at, text.length)
    return { kind: 'error', message: error.message, at, end: Math.max(at, error.end) }
  }
}

function takeRun(text: string, { trace, ...how }: ReadsLine): JottedRun {
  const quoted = /^\s*"([^"]*[^"\s][^"]*)"(?=\s|$)/.exec(text)
  const reader = new Reader(tokensOfLine(text, quoted?.[0].length ?? 0, how), how)
  const name = quoted?.[1]?.trim() ?? takeName(reader)

  const isMany = reader.isNumber() && reader.isMark('x', 1) && shapeAt(reader, 2) !== undefined
  const count = isMany ? takeCount(reader, 'of them', mostParts).value : 1
  if (isMany) reader.take()
  const named = shapeAt(reader)
  if (named !== undefined) reader.take()
  const shape = named ?? (isCountOfLights(reader) ? 'scatter' : 'edge')
  if (named === undefined && reader.isAtEnd)
    reader.fail(`A length? Such as ${name === '' ? 'shelf' : name} 650`)

  const read = readers[shape](reader, count, trace)
  reader.expectEnd(wayOut(reader))
  if (read.segments.length > mostParts || read.lights.length > mostParts)
    reader.fail(`More than ${String(mostParts)} parts in a line: split it`)
  const points = [...read.segments.flatMap((segment) => segment.points), ...read.lights]
  return {
    ...read,
    name,
    shape,
    wantedMm: read.segments.reduce((sum, segment) => sum + segment.lengthMm, 0),
    box: boxAround(points),
  }
}

/** `raindrops 45 lights`: lights that a hand places, by their number. */
const isCountOfLights = (reader: Reader): boolean =>
  reader.how.isBefore5 !== true && reader.isNumber() && reader.isWord(['lights', 'light'], 1)

/** The tokens of a line, with its decimal commas read as such. */
function tokensOfLine(text: string, start: number, { isBefore5 = false }: Reads): Token[] {
  const options = { start, isShapeWord: isShapeName, isBefore5 }
  const tokens = tokensOf(text, options)
  if (isBefore5 || !/\d,\d/.test(text)) return tokens
  const isList = tokens.some(
    ({ kind, text: word }) => kind === 'word' && listShapes.has(word.toLowerCase()),
  )
  return tokensOf(withDecimalPoints(text, start, isList), { ...options, shown: text })
}

/** Shapes whose measures are a list with commas. */
const listShapes: ReadonlySet<string> = new Set<ShapeName>(['corners', 'rows'])

/** The words before the first measure or shape, and a number of at most two digits behind them: `tier 1 1040`. */
function takeName(reader: Reader): string {
  const words: string[] = []
  while (reader.peek().kind === 'word' && shapeAt(reader) === undefined)
    words.push(reader.take().text)
  if (words.length > 0 && endsName(reader)) words.push(reader.take().text)
  if (words.length > 0 || reader.isNumber() || shapeAt(reader) !== undefined) return words.join(' ')
  // What begins a length is left to the length's own reader: a bracket, a minus, a fraction such as ½.
  if (!/^(?:[(-]|\d\/\d)$/.test(reader.peek().text))
    reader.fail(missing(reader, 'a name or a length'))
  return ''
}

/** A number that a name may end in stands next: what follows it begins a measure or is a shape. */
function endsName(reader: Reader): boolean {
  if (reader.how.isBefore5 === true) return false
  const isShort = reader.isNumber() && /^\d{1,2}$/.test(reader.peek().text)
  if (!isShort || reader.peek(1).isGlued) return false
  if (shapeAt(reader, 1) !== undefined || reader.isMark('(', 1)) return true
  // `2 3/4 m` is a fraction.
  const isFraction = reader.isMark('/', 2) && reader.peek(2).isGlued
  return reader.isNumber(1) && !isFraction
}

/** A shape's word counts as one unless another plain word follows: `string lights 900` is a name. */
function shapeAt(reader: Reader, ahead = 0): ShapeName | undefined {
  const token = reader.peek(ahead)
  const word = token.text.toLowerCase()
  if (token.kind !== 'word' || !isShapeName(word)) return undefined
  const next = reader.peek(ahead + 1)
  const isFollowedByWord =
    next.kind === 'word' && !['pitch', 'turns', 'height', 'drop'].includes(next.text)
  return isFollowedByWord ? undefined : word
}

function wayOut(reader: Reader): string {
  if (reader.isNumber()) return 'a second length? Write 2 x 900, or put the name in quotes'
  if (reader.isMark('@')) return 'a pitch belongs to a grid, a string or rows'
  if (reader.isMark(',')) return 'a list belongs to corners or rows; join parts with +'
  if (reader.isMark('x')) return 'the count comes first: 2 x 560'
  return 'nothing more was expected here'
}

/** The line up to a `#` that is not inside a quoted name. */
function withoutComment(line: string): string {
  const end = /^(?:\s*"[^"]*")?[^#]*/.exec(line)?.[0].length ?? line.length
  return line.slice(0, end)
}

/** A line with a word more behind its measures, before its comment. */
export function withWord(line: string, word: string): string {
  const text = withoutComment(line)
  return `${text.trimEnd()} ${word}${text.length < line.length ? ` ${line.slice(text.length)}` : ''}`
}
