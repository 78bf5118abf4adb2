import type { Trace } from '../plan/plan'
import { isObject, type Document } from '../plan/upgrade'
import { readLine, type JottedRun } from './jot'

/**
 * In version 5 a unit at the end of a list belongs to all members, commas can be decimal, and names can end in a number. Lines that would
 * mean something else are written out, so that every length stays.
 */
export function toVersion5(document: object): object {
  const plan: Document = { ...document }
  return {
    ...plan,
    version: 5,
    lines: Array.isArray(plan.lines) ? plan.lines.map(withMeaningKept) : plan.lines,
  }
}

const withMeaningKept = (line: unknown): unknown =>
  isObject(line) && typeof line.text === 'string'
    ? {
        ...line,
        text: asBefore5(line.text, isObject(line.trace) ? (line.trace as Trace) : undefined),
      }
    : line

/** A line of an older plan, written so that it means today what it meant; as it was where it does anyway, or never meant anything. */
export function asBefore5(text: string, trace?: Trace): string {
  const before = readLine(text, { trace, isBefore5: true })
  if (before.kind !== 'run') return text
  const candidates = [text, writtenOut(text, before), quoted(writtenOut(text, before), before.name)]
  return (
    candidates.find((candidate) => {
      const after = readLine(candidate, { trace })
      return after.kind === 'run' && isSame(before, after)
    }) ?? text
  )
}

/** With a unit behind every bare length, a space behind every comma, and no number that could be a thousand or a decimal. */
function writtenOut(text: string, { dimensions }: JottedRun): string {
  const first = Math.min(text.length, ...dimensions.map(({ at }) => at))
  const measures = dimensions
    .filter(({ kind, unit }) => kind !== 'degrees' && kind !== 'count' && unit === undefined)
    .toSorted((a, b) => b.end - a.end)
    .reduce((line, { end }) => `${line.slice(0, end)} mm${line.slice(end)}`, text)
    .slice(first)
    .replaceAll(/,(?=\S)/g, ', ')
    .replaceAll(/(?<![\d.])([1-9]\d{0,2}\.\d{3})(?![\d.])/g, '$10')
  return text.slice(0, first) + measures
}

const quoted = (text: string, name: string): string =>
  name !== '' && text.trimStart().startsWith(name)
    ? `"${name}"${text.trimStart().slice(name.length)}`
    : text

const isSame = (before: JottedRun, after: JottedRun): boolean =>
  before.name === after.name &&
  before.shape === after.shape &&
  before.lights.length === after.lights.length &&
  before.segments.length === after.segments.length &&
  before.segments.every(
    ({ lengthMm }, index) => Math.abs(lengthMm - (after.segments[index]?.lengthMm ?? NaN)) < 1e-6,
  ) &&
  before.dimensions.every(
    ({ kind, value }, index) =>
      kind === after.dimensions[index]?.kind &&
      Math.abs(value - after.dimensions[index].value) < 1e-6,
  )
