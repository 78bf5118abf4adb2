import { z, issuesOf, type Issue } from '../quantity/z'
import { lightStates, whens, type LightState, type When } from './fault'
import type { MeterPoint, Stage } from './look'
import type { LookRun } from './run-states'
import { symptomNames, type SymptomName } from './symptoms'

/** Pixels of a run that look the same, as they were painted. */
export type Painted = readonly [from: number, count: number, state: LightState, when?: When]

/** A figure that a meter showed with power on. */
export interface SeenReading {
  readonly what: 'current' | 'volts'
  /** A supply's id, or a place of the network. */
  readonly where: string
  readonly case: 'full-white' | 'idle'
  readonly value: number
}

/** Whether a figure was read at that point. */
export const isReadingOf = (point: MeterPoint, reading: SeenReading): boolean =>
  point.what === reading.what &&
  point.where === reading.where &&
  (point.case === 'idle') === (reading.case === 'idle')

/** What is noted when a meter shows so much at a point. */
export const readingAt = ({ what, where, case: look }: MeterPoint, value: number): SeenReading => ({
  what,
  where,
  case: look === 'idle' ? 'idle' : 'full-white',
  value,
})

/** The outcome of a test that is neither a look nor a reading. */
export interface TestOutcome {
  readonly test: string
  readonly outcome: string
}

/** All that is known of what is wrong: what is not painted is not known. */
export interface Seen {
  readonly runs: Readonly<Record<string, readonly Painted[]>>
  /** Second looks, each as good as a first one. */
  readonly again: Readonly<Record<string, readonly Painted[]>>
  readonly readings: readonly SeenReading[]
  /** Ids of faults that are ruled out. */
  readonly cleared: readonly string[]
  readonly tests: readonly TestOutcome[]
  readonly words: readonly SymptomName[]
}

export const nothingSeen: Seen = {
  runs: {},
  again: {},
  readings: [],
  cleared: [],
  tests: [],
  words: [],
}

const count = z.int().min(0).max(1_000_000)
const paintedSchema = z
  .record(
    z.string().max(80),
    z
      .array(
        z.union([
          z.tuple([count, count, z.enum(lightStates)]),
          z.tuple([count, count, z.enum(lightStates), z.enum(whens)]),
        ]),
      )
      .max(10_000),
  )
  .default({})
const seenSchema = z.strictObject({
  runs: paintedSchema,
  again: paintedSchema,
  readings: z
    .array(
      z.looseObject({
        what: z.enum(['current', 'volts']),
        where: z.string().max(200),
        case: z.enum(['full-white', 'idle']).default('full-white'),
        value: z.number().min(-1_000).max(1_000),
      }),
    )
    .max(1_000)
    .default([]),
  cleared: z.array(z.string().max(400)).max(100_000).default([]),
  tests: z
    .array(z.strictObject({ test: z.string().max(400), outcome: z.string().max(60) }))
    .max(1_000)
    .default([]),
  words: z.array(z.enum(symptomNames)).max(symptomNames.length).default([]),
})

export type SeenResult =
  | { readonly ok: true; readonly seen: Seen }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** Reads what was seen, and holds it against the plan. */
export function readSeen(given: unknown, stage: Pick<Stage, 'runs' | 'points'>): SeenResult {
  const parsed = seenSchema.safeParse(given)
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  const seen: Seen = parsed.data
  const issues = seenIssues(seen, stage)
  return issues.length > 0 ? { ok: false, issues } : { ok: true, seen }
}

/** What does not go together, by its path. */
export function seenIssues(
  { runs, again, readings, words }: Seen,
  stage: Pick<Stage, 'runs' | 'points'>,
): readonly Issue[] {
  const issues: Issue[] = []
  const runOf = new Map(stage.runs.map((run) => [run.id, run]))
  const add = (path: string, message: string): void => void issues.push({ path, message })
  for (const [field, painted] of Object.entries({ runs, again }))
    for (const [id, stretches] of Object.entries(painted))
      issues.push(...paintedIssues(`${field}.${id}`, id, stretches, runOf))
  const places = new Set(stage.points.map(({ where }) => where))
  for (const [index, { where }] of readings.entries())
    if (!places.has(where))
      add(
        `readings[${String(index)}].where`,
        `“${where}” is no place where a meter is held; there are ${[...places].slice(0, 6).join(', ')} …`,
      )
  const all = Object.entries(runs).flatMap(([id, stretches]) =>
    stretches.map(([from, , state]) => ({ id, from, state })),
  )
  const lit = all.find(({ state }) => state !== 'dark')
  for (const [index, word] of words.entries())
    if (word === 'nothing-lights' && lit !== undefined)
      add(
        `words[${String(index)}]`,
        `“nothing lights” does not go with ${runOf.get(lit.id)?.name ?? lit.id}, which is said to be ${lit.state} from pixel ${String(lit.from)}`,
      )
  return issues
}

/** Runs that there are not, stretches beyond their run, and pixels that are said to be two things. */
function paintedIssues(
  path: string,
  id: string,
  stretches: readonly Painted[],
  runOf: ReadonlyMap<string, LookRun>,
): readonly Issue[] {
  const run = runOf.get(id)
  if (run === undefined)
    return [
      {
        path,
        message: `there is no run “${id}” that lights; there ${runOf.size === 1 ? 'is' : 'are'} ${[...runOf.keys()].join(', ')}`,
      },
    ]
  const issues: Issue[] = []
  const inOrder = stretches
    .map(([from, length, state], index) => ({ from, to: from + length, state, index }))
    .toSorted((a, b) => a.from - b.from)
  for (const [at, { from, to, state, index }] of inOrder.entries()) {
    const add = (message: string): void =>
      void issues.push({ path: `${path}[${String(index)}]`, message })
    if (to === from) add('a stretch has at least one pixel')
    if (to > run.count) add(`goes to pixel ${String(to)}; ${run.name} has ${String(run.count)}`)
    const before = inOrder[at - 1]
    if (before !== undefined && before.to > from)
      add(
        before.state === state
          ? `overlaps the stretch from ${String(before.from)}`
          : `pixels ${String(from)} to ${String(Math.min(before.to, to) - 1)} of ${run.name} are said to be ${before.state} and ${state}: one of them`,
      )
  }
  return issues
}
