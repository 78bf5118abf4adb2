import type { StoredPart } from '../storage/db'

type PartOf<Kind extends StoredPart['kind']> = Extract<StoredPart, { kind: Kind }>['part']

/** The user's own parts of one kind that are kept for every plan. */
export const keptOf = <Kind extends StoredPart['kind']>(
  stored: readonly StoredPart[] | undefined,
  kind: Kind,
): PartOf<Kind>[] =>
  (stored ?? []).flatMap((one) => (one.kind === kind ? [one.part as PartOf<Kind>] : []))

/** What a plan offers: own parts of other plans that it does not know, and then all that it knows. */
export const offeredOf = <Part extends { readonly id: string }>(
  kept: readonly Part[],
  known: readonly Part[],
): Part[] => {
  const ids = new Set(known.map(({ id }) => id))
  return [...kept.filter(({ id }) => !ids.has(id)), ...known]
}

/** The kept part of that id, where the plan does not know it yet: choosing it takes it into the plan. */
export const newToPlan = <Part extends { readonly id: string }>(
  id: string,
  kept: readonly Part[],
  known: readonly Part[],
): Part | undefined =>
  known.some((part) => part.id === id) ? undefined : kept.find((part) => part.id === id)
