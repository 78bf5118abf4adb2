import type { Note, NoteAbout, Plan } from '../../core/plan/plan'
import type { Parts } from '../../core/parts/find'

/** One text for what a note is on: by it notes are sorted and fields filled. */
export const aboutKey = (about: NoteAbout): string =>
  about.kind === 'plan' ? 'plan' : about.kind === 'run' ? `run ${about.line}` : `part ${about.part}`

/** Notes on one thing. */
export const notesOn = (notes: readonly Note[], about: NoteAbout): Note[] =>
  notes.filter((note) => aboutKey(note.about) === aboutKey(about))

/** Something that a note can be on, and what it is called. */
export interface Subject {
  readonly about: NoteAbout
  readonly name: string
}

/** What notes can be on: the plan, its runs by their names, and the parts that it uses. */
export function subjectsOf(
  plan: Plan,
  runs: readonly { readonly id: string; readonly name: string }[],
  parts: Parts,
  chosenParts: readonly (string | null)[],
): Subject[] {
  const used = new Set([
    plan.defaults.stripId,
    ...plan.lines.flatMap(({ stripId, lights }) => [stripId, lights?.part]),
    ...plan.supplies.map(({ part }) => part),
    plan.signal.board,
    ...chosenParts,
  ])
  const known = [...parts.strips, ...parts.lights, ...parts.supplies, ...parts.boards]
  return [
    { about: { kind: 'plan' }, name: 'The whole plan' },
    ...runs.map(({ id, name }): Subject => ({ about: { kind: 'run', line: id }, name })),
    ...known
      .filter(({ id }) => used.has(id))
      .map(({ id, name }): Subject => ({ about: { kind: 'part', part: id }, name })),
  ]
}
