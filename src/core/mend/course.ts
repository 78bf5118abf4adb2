import { lookedAgain, measuredAs, type Candidate, type Diagnosis } from './diagnose'
import { stretchesOf } from './run-states'
import { nextTests, type Test } from './next-test'
import { readingAt, type Painted, type Seen } from './seen'
import { allAnswer, firstOdd, type WalkOutcome } from './walk'

/** Suspects, those that nothing measurable can tell apart as one; the likeliest first. */
export interface Ranked {
  readonly key: string
  readonly candidate: Candidate
  readonly probability: number
}

export function ranked(diagnosis: Diagnosis, seen: Seen): readonly Ranked[] {
  const groups = new Map<string, { key: string; candidate: Candidate; probability: number }>()
  for (const { candidate, probability } of diagnosis.probabilities(seen)) {
    if (probability < 1e-9) break
    const key = measuredAs(candidate)
    const known = groups.get(key)
    if (known === undefined) groups.set(key, { key, candidate, probability })
    else known.probability += probability
  }
  return [...groups.values()].toSorted((a, b) => b.probability - a.probability)
}

/** How a fault was looked for. */
export interface Course {
  readonly tests: readonly Test[]
  readonly minutes: number
  /** What it is taken for in the end. */
  readonly taken: Candidate | undefined
}

/** Sure enough to begin mending; and so many tests at the most. */
const sureEnough = 0.96
const mostTests = 30

/** Follows the tests that are proposed, one after another, until one suspect is sure. */
export function courseOf(
  diagnosis: Diagnosis,
  begin: Seen,
  carryOut: (seen: Seen, test: Test) => Seen,
): Course {
  let seen = begin
  const tests: Test[] = []
  let [first] = ranked(diagnosis, seen)
  while (tests.length < mostTests && first !== undefined && first.probability < sureEnough) {
    const [next] = nextTests(diagnosis, seen)
    if (next === undefined) break
    seen = carryOut(seen, next)
    tests.push(next)
    first = ranked(diagnosis, seen)[0]
  }
  return {
    tests,
    minutes: tests.reduce((sum, { minutes }) => sum + minutes, 0),
    taken: first?.candidate,
  }
}

/** What a fault looks like, painted without a mistake. */
export const paintedExactly = (
  { stage }: Diagnosis,
  { look }: Pick<Candidate, 'look'>,
): Record<string, readonly Painted[]> =>
  Object.fromEntries(
    stage.runs.map(({ id, count }) => [
      id,
      stretchesOf(look.runs.get(id), count).map(([from, length, state, when]): Painted =>
        state === 'right' ? [from, length, state] : [from, length, state, when],
      ),
    ]),
  )

/** What a light that wanders along a run shows of a fault. */
export const walkedExactly = ({ look }: Pick<Candidate, 'look'>, run: string): WalkOutcome =>
  String(firstOdd(look, run)?.at ?? allAnswer)

/** A test as it comes out with a fault, without a mistake. */
export const answeredExactly =
  (diagnosis: Diagnosis, truth: Candidate) =>
  (seen: Seen, { id, kind, run, point, isAgain }: Test): Seen => {
    if (kind === 'see' && run !== undefined) {
      const field = isAgain === true ? 'again' : 'runs'
      const painted = paintedExactly(diagnosis, truth)[run] ?? []
      return {
        ...seen,
        [field]: { ...seen[field], [run]: painted },
        tests: [...seen.tests, { test: id, outcome: lookedAgain }],
      }
    }
    if (kind === 'walk' && run !== undefined)
      return {
        ...seen,
        tests: [...seen.tests, { test: id, outcome: walkedExactly(truth, run) }],
      }
    if (point !== undefined)
      return {
        ...seen,
        readings: [
          ...seen.readings,
          readingAt(
            point,
            truth.look.values.get(diagnosis.stage.points.indexOf(point)) ?? point.value,
          ),
        ],
      }
    return {
      ...seen,
      tests: [...seen.tests, { test: id, outcome: diagnosis.isShownBy(truth, id) ? 'yes' : 'no' }],
    }
  }
