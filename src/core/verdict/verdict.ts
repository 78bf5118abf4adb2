import type { Command } from '../plan/commands'
import type { Line, Mount } from '../plan/plan'
import type { WiredPlan } from '../wire/wired-plan'
import type { Grade, VerdictCode, VerdictPage, VerdictSection } from './kinds'

/** An ordinary edit that answers a verdict, in one action that can be undone. */
export interface Remedy {
  readonly label: string
  readonly commands: readonly Command[]
}

export interface Verdict {
  /** Stable while the plan changes: the code and what it is about. */
  readonly id: string
  readonly code: VerdictCode
  readonly grade: Grade
  /** Ids of the runs and supplies concerned. */
  readonly about: readonly string[]
  /** What is the matter, with its figures, in one sentence. */
  readonly text: string
  readonly why: string
  readonly remedies: readonly Remedy[]
}

/** … with the page on which it is counted and can be acted on, and the section of the roll under which it is printed. */
export interface JudgedVerdict extends Verdict {
  readonly page: VerdictPage
  readonly section: VerdictSection
}

/** A verdict before anybody asks how to mend it. Remedies that have to be searched for are a function, because trials of a change do not need them. */
export interface Finding extends Omit<Verdict, 'remedies'> {
  readonly remedies: readonly Remedy[] | (() => readonly Remedy[])
}

/** … with its page and section; its remedies are worked out once, however often they are asked for. */
export interface JudgedFinding extends Omit<JudgedVerdict, 'remedies'> {
  readonly remedies: () => readonly Remedy[]
}

/** Those that must not stay as they are. */
export const stopsOf = (findings: readonly JudgedFinding[]): JudgedFinding[] =>
  findings.filter(({ grade }) => grade === 'stop')

/** What a verdict is judged on: the plan and the results of the stages before. */
export type Evidence = Omit<
  WiredPlan,
  'wiring' | 'joints' | 'measured' | 'prices' | 'prewired' | 'shown'
>

export type Judge = (evidence: Evidence) => Finding[]

/** The mount of a run with something changed, as an edit of its line. */
export const mountEdit = (line: Line, set: Mount): Command => ({
  do: 'set-within-line',
  line: line.id,
  mount: set,
})
