import type { Engine } from '../engine'
import { change, type Command } from '../plan/commands'
import { grades } from '../verdict/kinds'
import { stopsOf, type JudgedFinding, type Remedy, type Verdict } from '../verdict/verdict'

/** Further edits that a remedy may bring with it, where it would cause a new stop by itself. */
const mostFollowUps = 3

/** Confirmed remedies by the ids of their verdicts. */
export type Fixes = Readonly<Record<string, readonly Remedy[]>>

/** A verdict with the remedies that were confirmed. */
export interface FixedVerdict {
  readonly id: string
  readonly fixes: readonly Remedy[]
}

/** How far a search is: another stage of a plan that is tried is worked out, all of it is, or a verdict has been looked at. */
export type SearchStep = 'stage' | 'trial' | FixedVerdict

/** The verdict that a step of a search ends with, if it does. */
export const lookedAt = (step: SearchStep): FixedVerdict | undefined =>
  typeof step === 'string' ? undefined : step

/**
 * Tries the remedies that the judges propose on the whole plan and keeps those that work: the cause is gone or its grade is lower, and no
 * new stop has come. Where a remedy alone would cause a new stop, the edits that clear it are made part of it.
 *
 * Goes verdict by verdict, in their order. Yields step by step, so that whoever asks can turn to something else in between.
 *
 * @param isWanted which verdicts are looked at; without it all
 */
export function* fixSearch(
  engine: Engine,
  isWanted: (finding: JudgedFinding) => boolean = () => true,
): Generator<SearchStep, void> {
  const { plan, findings } = engine.worked
  const stops = stopsIn(findings)
  for (const finding of findings.filter(isWanted)) {
    const fixes: Remedy[] = []
    for (const remedy of finding.remedies()) {
      const fix = yield* confirmed(remedy, finding, stops, function* (commands) {
        const trial = engine.fork(change(plan, commands).plan)
        yield* trial.stepsTo('findings')
        yield 'trial'
        return trial.worked.findings
      })
      if (fix !== undefined) fixes.push(fix)
    }
    yield { id: finding.id, fixes }
  }
}

/** Every verdict of a plan with the remedies that work; after so many trials the rest is left without any. */
export function fixedVerdicts(engine: Engine, mostTrials: number): Verdict[] {
  const found = new Map<string, readonly Remedy[]>()
  let trials = 0
  for (const step of fixSearch(engine)) {
    if (typeof step !== 'string') found.set(step.id, step.fixes)
    else if (step === 'trial' && (trials += 1) > mostTrials) break
  }
  return engine.worked.verdicts.map((verdict) => ({
    ...verdict,
    remedies: found.get(verdict.id) ?? [],
  }))
}

type Judged = (
  commands: readonly Command[],
) => Generator<'stage' | 'trial', readonly JudgedFinding[]>

/** The remedy, with what has to go with it; `undefined` where it does not do. */
function* confirmed(
  remedy: Remedy,
  cause: JudgedFinding,
  stops: ReadonlySet<string>,
  judged: Judged,
): Generator<'stage' | 'trial', Remedy | undefined> {
  let fix = remedy
  const labels = [remedy.label]
  let after = yield* judged(fix.commands)
  for (let round = 0; ; round += 1) {
    if (isStill(cause, after)) return undefined
    const fresh = freshStops(stops, after)
    const [first] = fresh
    if (first === undefined) return fix
    if (round === mostFollowUps) return undefined
    let better: { fix: Remedy; label: string; after: readonly JudgedFinding[] } | undefined
    for (const { label, commands } of first.remedies()) {
      const longer = {
        label: labelOf([...labels, label]),
        commands: [...fix.commands, ...commands],
      }
      const then = yield* judged(longer.commands)
      if (isStill(cause, then) || freshStops(stops, then).length >= fresh.length) continue
      better = { fix: longer, label, after: then }
      break
    }
    if (better === undefined) return undefined
    ;({ fix, after } = better)
    labels.push(better.label)
  }
}

/** What a remedy does, and what goes with it: `lower the supply to 4.5 V, feed both ends (in 3 places)`. */
function labelOf(labels: readonly string[]): string {
  const times = new Map<string, number>()
  for (const label of labels) times.set(label, (times.get(label) ?? 0) + 1)
  return [...times]
    .map(([label, count]) => (count === 1 ? label : `${label} (in ${String(count)} places)`))
    .join(', ')
}

/** Whether a verdict is there as before, or graver. */
const isStill = ({ id, grade }: JudgedFinding, after: readonly JudgedFinding[]): boolean =>
  after.some(
    (verdict) => verdict.id === id && grades.indexOf(verdict.grade) <= grades.indexOf(grade),
  )

/** A stop by its code and each thing that it is about: a verdict on several runs may come to be on fewer. */
const stopKeys = ({ code, about }: JudgedFinding): string[] =>
  about.length === 0 ? [code] : about.map((id) => `${code} ${id}`)

const stopsIn = (findings: readonly JudgedFinding[]): ReadonlySet<string> =>
  new Set(stopsOf(findings).flatMap(stopKeys))

const freshStops = (stops: ReadonlySet<string>, after: readonly JudgedFinding[]): JudgedFinding[] =>
  stopsOf(after).filter((finding) => stopKeys(finding).some((key) => !stops.has(key)))
