import { hasWords } from '../ui/has-words'

/** Something to go to or to do, as the search lists it. */
export interface Find {
  readonly group: string
  readonly text: string
  /** Beside it: a shortcut, a length. */
  readonly more?: string
  readonly run: () => void
}

/** So many are listed. */
const most = 40

/** Those that have every word of the query, in any order; those that begin with it first. */
export function found(all: readonly Find[], query: string): readonly Find[] {
  const first = query.trim().toLowerCase().split(/\s+/)[0] ?? ''
  return all
    .filter(({ text, group }) => hasWords(`${text} ${group}`, query))
    .toSorted(
      (a, b) =>
        Number(b.text.toLowerCase().startsWith(first)) -
        Number(a.text.toLowerCase().startsWith(first)),
    )
    .slice(0, most)
}
