import type { History } from '../../core/plan/history'
import type { Photo, Plan } from '../../core/plan/plan'

/**
 * What was typed last when the page went away. Its database answers too late then; this store writes at once. It is read, and emptied, when
 * the plan is opened again.
 */
interface LastStrokes {
  readonly plan: Plan
  readonly history: History
  /** What was saved last, and by which opening of the plan. */
  readonly revision: number
  readonly session: string
  /** The photo is as it was saved: too large to be kept here too. */
  readonly isPhotoLeftOut: boolean
}

const keyOf = (id: string): string => `glow-tally last strokes of ${id}`

/** Of a plan that does not fit, at least the plan itself is kept, without its steps back. */
export function keepLastStrokes(
  id: string,
  { plan, history, revision, session }: Omit<LastStrokes, 'isPhotoLeftOut'>,
): void {
  const { photo, ...bench } = plan.bench
  const kept = {
    plan: { ...plan, bench },
    history,
    revision,
    session,
    isPhotoLeftOut: photo !== undefined,
  }
  for (const one of [kept, { ...kept, history: { steps: [], done: 0 } }])
    try {
      localStorage.setItem(keyOf(id), JSON.stringify(one))
      return
    } catch {
      // No room, or no such store: the next smaller one, or what the database still managed.
    }
}

export function forgetLastStrokes(id: string): void {
  try {
    localStorage.removeItem(keyOf(id))
  } catch {
    // Without such a store there is nothing in it.
  }
}

/** What a stored plan is known by. */
interface Saved {
  readonly revision: number
  /** Which opening of the plan saved it. */
  readonly session: string | undefined
  readonly photo: Photo | undefined
}

/**
 * What was typed after the last save, if it goes on from it: from the same revision, or from the one that the same page was saving when it
 * went away. What another tab has saved since is newer.
 */
export function lastStrokes(
  id: string,
  { revision, session, photo }: Saved,
): Pick<LastStrokes, 'plan' | 'history'> | undefined {
  try {
    const text = localStorage.getItem(keyOf(id))
    if (text === null) return undefined
    const kept = JSON.parse(text) as LastStrokes
    const goesOn =
      kept.revision === revision || (kept.session === session && kept.revision + 1 === revision)
    if (!goesOn) return undefined
    const bench =
      kept.isPhotoLeftOut && photo !== undefined ? { ...kept.plan.bench, photo } : kept.plan.bench
    return { plan: { ...kept.plan, bench }, history: kept.history }
  } catch {
    return undefined
  }
}
