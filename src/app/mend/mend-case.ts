import { nothingSeen, type Painted, type Seen } from '../../core/mend/seen'

/** A test that was done, in words, and what was known before it. */
export interface DoneTest {
  readonly test: string
  readonly outcome: string
  readonly before: Seen
  readonly skippedBefore: readonly string[]
}

/** What is known of the trouble with a plan; kept on this device until it is mended or given up. */
export interface MendCase {
  readonly seen: Seen
  readonly skipped: readonly string[]
  readonly done: readonly DoneTest[]
  /** When it was begun, ms. */
  readonly sinceMs: number
}

export const noCase = (): MendCase => ({
  seen: nothingSeen,
  skipped: [],
  done: [],
  sinceMs: Date.now(),
})

const keyOf = (id: string): string => `mend of ${id}`

/** What was painted and tested of a plan before, as far as the browser kept it. */
export function keptCase(id: string): MendCase {
  try {
    const text = localStorage.getItem(keyOf(id))
    const kept = text === null ? undefined : (JSON.parse(text) as Partial<MendCase>)
    return kept === undefined
      ? noCase()
      : { ...noCase(), ...kept, seen: { ...nothingSeen, ...kept.seen } }
  } catch {
    return noCase()
  }
}

/** Keeps what is known of the trouble with a plan on this device; a store that is full or forbidden keeps nothing. */
export function keepCase(id: string, next: MendCase): void {
  try {
    if (isNothing(next)) localStorage.removeItem(keyOf(id))
    else localStorage.setItem(keyOf(id), JSON.stringify(next))
  } catch {
    // It lasts as long as the page.
  }
}

/** Adds what was seen elsewhere to it: of these runs what was painted before is replaced. */
export function paintCase(id: string, runs: Readonly<Record<string, readonly Painted[]>>): void {
  const known = keptCase(id)
  keepCase(id, { ...known, seen: { ...known.seen, runs: { ...known.seen.runs, ...runs } } })
}

export const isNothing = ({ seen, done, skipped }: MendCase): boolean =>
  Object.keys(seen.runs).length === 0 &&
  seen.readings.length === 0 &&
  seen.words.length === 0 &&
  done.length === 0 &&
  skipped.length === 0
