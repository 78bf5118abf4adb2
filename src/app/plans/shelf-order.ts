import type { PlanFacts } from '../engine/plan-facts'
import { hasWords } from '../ui/has-words'
import type { StoredPlan } from '../storage/db'

/** A plan on the shelf with what is known of it. */
export interface ShelfCard {
  readonly stored: StoredPlan
  readonly facts: PlanFacts | undefined
  readonly problem: string | undefined
}

export const orders = [
  { value: 'changed', label: 'changed last' },
  { value: 'name', label: 'by name' },
  { value: 'cost', label: 'dearest first' },
  { value: 'progress', label: 'furthest built' },
] as const
export type ShelfOrder = (typeof orders)[number]['value']

const shareDone = ({ facts }: ShelfCard): number => {
  const { steps = 0, done = 0 } = facts?.work ?? {}
  return steps === 0 ? 0 : done / steps
}

const compare: Readonly<Record<ShelfOrder, (a: ShelfCard, b: ShelfCard) => number>> = {
  changed: (a, b) => b.stored.changedAt - a.stored.changedAt,
  name: (a, b) =>
    a.stored.name.localeCompare(b.stored.name, undefined, { numeric: true, sensitivity: 'base' }),
  cost: (a, b) => (b.facts?.work?.cost ?? -1) - (a.facts?.work?.cost ?? -1),
  progress: (a, b) => shareDone(b) - shareDone(a),
}

/** Every word of the query stands in the name or in a tag; a chosen tag is there. */
export function onShelf(
  cards: readonly ShelfCard[],
  {
    query,
    tag,
    order,
  }: { readonly query: string; readonly tag: string | undefined; readonly order: ShelfOrder },
): ShelfCard[] {
  return cards
    .filter(({ stored: { name, tags = [] } }) => {
      const text = [name, ...tags].join(' ')
      return hasWords(text, query) && (tag === undefined || tags.includes(tag))
    })
    .toSorted(compare[order])
}

/** All tags, most used first. */
export function tagsOf(cards: readonly ShelfCard[]): string[] {
  const counts = new Map<string, number>()
  for (const { stored } of cards)
    for (const tag of stored.tags ?? []) counts.set(tag, (counts.get(tag) ?? 0) + 1)
  return [...counts].toSorted(([a, x], [b, y]) => y - x || a.localeCompare(b)).map(([tag]) => tag)
}

/** What was typed as tags: words between commas, each once, without a sign in front. */
export const readTags = (text: string): string[] =>
  [
    ...new Set(
      text
        .split(/[,;]/)
        .map((tag) => tag.trim().replace(/^#/, '').slice(0, 60))
        .filter(Boolean),
    ),
  ].slice(0, 20)
