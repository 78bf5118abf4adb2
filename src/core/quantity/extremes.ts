/**
 * The largest of some numbers, however many there are: `Math.max(...values)` overflows the stack from about a hundred thousand.
 *
 * @param least what it is where there is none, and at least
 */
export function largest(values: Iterable<number>, least = -Infinity): number {
  let found = least
  for (const value of values) if (value > found) found = value
  return found
}

/** The smallest of some numbers, however many there are; `Infinity` where there is none. */
export function smallest(values: Iterable<number>): number {
  let found = Infinity
  for (const value of values) if (value < found) found = value
  return found
}
