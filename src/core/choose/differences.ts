import { plural, significant } from '../quantity/format'
import type { Candidate } from './compare'

/** More and less by this is told, as a share of what is there now. */
const worthTelling = 0.03

/**
 * What is otherwise with one candidate than with another, in words: what costs and lights more or less, what has to be joined, what still is
 * wrong.
 *
 * @param price writes an amount of money
 */
export function differences(
  one: Candidate,
  other: Candidate,
  price: (value: number) => string,
): string[] {
  const lines: string[] = []
  const isOther = (a: number, b: number): boolean =>
    Math.abs(a - b) > worthTelling * Math.max(Math.abs(a), Math.abs(b), 1e-9)
  const money = one.cost - other.cost
  if (isOther(one.cost, other.cost))
    lines.push(`${price(Math.abs(money))} ${money < 0 ? 'cheaper' : 'dearer'}`)
  if (isOther(one.lumens, other.lumens) && other.lumens > 0)
    lines.push(`${significant(one.lumens / other.lumens, 2)} × the light`)
  if (isOther(one.powerW, other.powerW)) {
    const watts = one.powerW - other.powerW
    lines.push(`${significant(Math.abs(watts), 2)} W ${watts < 0 ? 'less' : 'more'} at full white`)
  }
  const [supply, before] = [one.supplies.join(' and '), other.supplies.join(' and ')]
  if (supply === '') lines.push('no supply is large enough')
  else if (supply !== before) lines.push(`on ${supply}`)
  const count = (value: number, what: string): void => {
    if (value !== 0) lines.push(`${plural(Math.abs(value), what)} ${value < 0 ? 'fewer' : 'more'}`)
  }
  count(one.feeds - other.feeds, 'feed')
  count(one.joints - other.joints, 'joint')
  if (one.ripple !== null && other.ripple !== null && Math.abs(one.ripple - other.ripple) > 0.02)
    lines.push(`dots show ${one.ripple < other.ripple ? 'less' : 'more'}`)
  if ((one.framesPerSecond === null) !== (other.framesPerSecond === null))
    lines.push(
      one.framesPerSecond === null ? 'no patterns: one dimmer for all' : 'each pixel by itself',
    )
  count(one.problems.length - other.problems.length, 'problem')
  return lines
}
