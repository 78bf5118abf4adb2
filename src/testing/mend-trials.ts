import {
  chanceOf,
  lookedAgain,
  measuredAs,
  type Candidate,
  type Diagnosis,
} from '../core/mend/diagnose'
import { lightStates, type LightState } from '../core/mend/fault'
import { stateOf, whenOf } from '../core/mend/run-states'
import { courseOf, ranked, walkedExactly } from '../core/mend/course'
import type { Test } from '../core/mend/next-test'
import { nothingSeen, readingAt, type Painted, type Seen } from '../core/mend/seen'

/** How what is seen is blurred: so much of each run is not painted, and so much painted wrong. */
const [unpainted, wronglyPainted] = [0.2, 0.1]
/** Each run is looked at in so many parts. */
const partsOfRun = 10
/** A meter is off by so much, as one standard deviation. */
const meterShare = 0.015

/** What somebody paints who does not look too closely. */
function blurred(
  { stage }: Diagnosis,
  { look }: Pick<Candidate, 'look'>,
  random: () => number,
  only?: string,
): Record<string, Painted[]> {
  const runs: Record<string, Painted[]> = {}
  for (const { id, count } of stage.runs) {
    if (only !== undefined && id !== only) continue
    const codes = look.runs.get(id)
    const painted: Painted[] = []
    const size = Math.max(1, Math.ceil(count / partsOfRun))
    let from = 0
    while (from < count) {
      const code = codes?.[from] ?? 0
      let to = from + 1
      while (to < count && to - from < size && (codes?.[to] ?? 0) === code) to += 1
      const isSeen = random() >= unpainted
      const state = random() < wronglyPainted ? otherThan(stateOf(code), random) : stateOf(code)
      if (isSeen)
        painted.push(
          state === 'right' || code === 0
            ? [from, to - from, state]
            : [from, to - from, state, whenOf(code)],
        )
      from = to
    }
    if (painted.length > 0) runs[id] = joined(painted)
  }
  return runs
}

const otherThan = (state: LightState, random: () => number): LightState => {
  const others = lightStates.filter((one) => one !== state)
  return others[Math.floor(random() * others.length)] ?? 'dark'
}

/** Neighbours of one look are one stretch. */
function joined(painted: readonly Painted[]): Painted[] {
  const all: Painted[] = []
  for (const one of painted) {
    const last = all.at(-1)
    if (
      last !== undefined &&
      last[0] + last[1] === one[0] &&
      last[2] === one[2] &&
      last[3] === one[3]
    )
      all[all.length - 1] = [last[0], last[1] + one[1], ...(one.slice(2) as [LightState])]
    else all.push(one)
  }
  return all
}

/** How one hidden fault was looked for. */
export interface Trial {
  readonly truth: Candidate
  /** Place of the fault among the suspects before any test, from 1, those that measure the same counted as one. */
  readonly rank: number
  /** … those that look the same counted as one. */
  readonly sightRank: number
  readonly tests: number
  readonly minutes: number
  readonly isFound: boolean
  /** What was taken for it. */
  readonly taken: Candidate | undefined
}

/** Hides a fault, looks at it as a maker would, and follows the tests that are proposed until one suspect is sure. */
export function trial(diagnosis: Diagnosis, truth: Candidate, random: () => number): Trial {
  const seen: Seen = { ...nothingSeen, runs: blurred(diagnosis, truth, random) }
  const wanted = measuredAs(truth)
  const rank = ranked(diagnosis, seen).findIndex(({ key }) => key === wanted) + 1
  const sightRank =
    diagnosis.suspects(seen).findIndex(({ candidate }) => candidate.sight === truth.sight) + 1
  const { tests, minutes, taken } = courseOf(diagnosis, seen, (known, test) =>
    carriedOut(diagnosis, truth, known, test, random),
  )
  return {
    truth,
    rank: rank === 0 ? Infinity : rank,
    sightRank: sightRank === 0 ? Infinity : sightRank,
    tests: tests.length,
    minutes,
    isFound: taken !== undefined && measuredAs(taken) === wanted,
    taken,
  }
}

/** What is known after a test of that fault. */
function carriedOut(
  diagnosis: Diagnosis,
  truth: Candidate,
  seen: Seen,
  test: Test,
  random: () => number,
): Seen {
  const { point, run } = test
  if (test.kind === 'walk') {
    let left = random()
    const { id } = test.outcomes.find((one) => {
      left -= chanceOf(truth, { test: test.id, outcome: one.id })
      return left <= 0
    }) ?? { id: walkedExactly(truth, run ?? '') }
    return { ...seen, tests: [...seen.tests, { test: test.id, outcome: id }] }
  }
  if (run !== undefined) {
    const field = test.isAgain === true ? 'again' : 'runs'
    return {
      ...seen,
      [field]: { ...seen[field], ...blurred(diagnosis, truth, random, run) },
      tests: [...seen.tests, { test: test.id, outcome: lookedAgain }],
    }
  }
  if (point !== undefined) {
    const index = diagnosis.stage.points.indexOf(point)
    const exact = truth.look.values.get(index) ?? point.value
    const noise = (random() + random() + random() - 1.5) * 2 * meterShare
    return {
      ...seen,
      readings: [...seen.readings, readingAt(point, exact * (1 + noise))],
    }
  }
  const outcome = random() < chanceOf(truth, { test: test.id, outcome: 'yes' }) ? 'yes' : 'no'
  return { ...seen, tests: [...seen.tests, { test: test.id, outcome }] }
}

/** Draws faults of a plan by their priors; those that change no light are hardly ever looked for. */
export function drawing(diagnosis: Diagnosis, random: () => number): () => Candidate {
  const all = diagnosis.probabilities(nothingSeen)
  const [likeliest] = all
  if (likeliest === undefined) throw new RangeError('a plan without anything that can fail')
  return () => {
    let left = random()
    return (
      all.find(({ probability }) => {
        left -= probability
        return left <= 0
      }) ?? likeliest
    ).candidate
  }
}
