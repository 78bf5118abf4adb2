import { issueText } from '../core/quantity/message-of'
import type { Issue } from '../core/quantity/z'
import { jsonText } from '../formats/safe-text'

/** Input that cannot be worked with: which, and what was expected. Ends the program with code 1. */
export class BadInput extends Error {}

export const json = (value: unknown): string => `${jsonText(value, plainValues)}\n`

/**
 * Rows of volts as lists, to a tenth of a millivolt; maps as objects and sets as lists; what is endless, such as a battery with no load, as
 * null.
 */
const plainValues = (_key: string, value: unknown): unknown => {
  if (value instanceof Float64Array) return Array.from(value, (one) => Math.round(one * 1e4) / 1e4)
  if (value instanceof Map) return Object.fromEntries(value)
  return value instanceof Set ? [...value] : value
}

/** Ends with what is wrong, a line each: whose input, which field, what was expected. */
export function fail(from: string, issues: readonly Issue[]): never {
  throw new BadInput(
    issues
      .slice(0, 20)
      .map((issue) => `${from}: ${issueText(issue)}`)
      .join('\n'),
  )
}
