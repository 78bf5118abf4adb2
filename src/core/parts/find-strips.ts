// Strips by themselves: the page lays out what is typed with them, before it has any other part.
import type { Strip } from '../plan/parts'
import { shippedStrips } from './strips'

/** Anything that knows strips. */
interface Strips {
  readonly strips: readonly Strip[]
}

/** The strips a plan can use: the user's own first, then those that ship. An own one hides a shipped one of its id. */
export const stripsOf = (own: readonly Strip[] = []): readonly Strip[] => merged(own, shippedStrips)

/**
 * The strip of that id.
 *
 * @throws RangeError where there is none; a plan is checked for that when it is read
 */
export function stripOf({ strips }: Strips, id: string): Strip {
  const strip = strips.find((part) => part.id === id)
  if (strip === undefined) throw new RangeError(`no strip has the id ${id}`)
  return strip
}

/** The part of that id: the user's own, or the one that ships. */
export const ownOrShipped = <Part extends { readonly id: string }>(
  own: readonly Part[],
  shipped: readonly Part[],
  id: string,
): Part | undefined => own.find((part) => part.id === id) ?? shipped.find((part) => part.id === id)

export function merged<Part extends { readonly id: string }>(
  own: readonly Part[],
  shipped: readonly Part[],
): Part[] {
  const ownIds = new Set(own.map((part) => part.id))
  return [...own, ...shipped.filter((part) => !ownIds.has(part.id))]
}
