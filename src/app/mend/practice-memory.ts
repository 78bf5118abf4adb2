import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs'

/** What of a kind of fault is remembered: when it comes back. */
export interface KindMemory {
  readonly kind: string
  readonly card: Card
}

const key = 'practice of faults'

/** What was practised on this device before; nothing where the browser keeps nothing. */
export function keptMemory(): readonly KindMemory[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '[]') as readonly KindMemory[]
    return kept.map(({ kind, card }) => ({
      kind,
      card: {
        ...card,
        due: new Date(card.due),
        ...(card.last_review !== undefined && { last_review: new Date(card.last_review) }),
      },
    }))
  } catch {
    return []
  }
}

/** How well a fault was found: wrong, or in how many of the best course's minutes. */
export function ratingOf(isRight: boolean, minutes: number, bestMinutes: number): Grade {
  if (!isRight) return Rating.Again
  const share = minutes / Math.max(1, bestMinutes)
  if (share > 2.5) return Rating.Hard
  return share > 1.2 ? Rating.Good : Rating.Easy
}

/** Notes how it went, so that what was hard comes back soon and what was easy late. */
export function remember(
  memory: readonly KindMemory[],
  kind: string,
  rating: Grade,
  now: Date,
): readonly KindMemory[] {
  const before: Card = memory.find((one) => one.kind === kind)?.card ?? createEmptyCard(now)
  const { card } = fsrs().next(before, now, rating)
  const next = [...memory.filter((one) => one.kind !== kind), { kind, card }]
  try {
    localStorage.setItem(key, JSON.stringify(next))
  } catch {
    // A store that is full or forbidden: it lasts as long as the page.
  }
  return next
}

/** Kinds that are due, the longest overdue first. */
export const dueKinds = (memory: readonly KindMemory[], now: Date): readonly KindMemory[] =>
  memory.filter(({ card }) => card.due <= now).toSorted((a, b) => +a.card.due - +b.card.due)
