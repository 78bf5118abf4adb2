import type { Look } from './look'
import type { LightState } from './fault'
import { stateOf, whenOf, type LookRun } from './run-states'

// One light wanders along a run: each is looked at by itself, and the first is noted that does not answer as it should.

/** Nothing is wrong on the way. */
export const allAnswer = 'all'

/** What comes out: `allAnswer`, or the number of the first light that does not, from 0. */
export type WalkOutcome = string

/** How sure it is, and what any other outcome is left with. *Typical.* */
const [sure, other] = [0.96, 0.004]
/** What comes and goes, or comes after a while, is there while one looks. *Typical.* */
const thereShare = 0.5

/** The id of the test along a run. */
const walkId = (run: string): string => `walk:${run}`

/** Runs by the ids of the tests along them. */
export const walkedRuns = (runs: readonly Pick<LookRun, 'id'>[]): ReadonlyMap<string, string> =>
  new Map(runs.map(({ id }) => [walkId(id), id]))

/** What is said to do, and how long it takes, minutes. */
export interface Walk {
  readonly id: string
  readonly title: string
  readonly minutes: number
}

/** To begin, for each light, and at the most, minutes. *Typical.* */
const walkMinutes = { begin: 1, each: 0.02, most: 4 } as const

/** How a run is walked along; `undefined` where its lights cannot be lit one by one. */
export const walkAlong = ({ id, name, count, strip, lights }: LookRun): Walk | undefined =>
  count < 2 || (lights === undefined && strip.light.kind !== 'pixels')
    ? undefined
    : {
        id: walkId(id),
        title: `Let one light wander along ${name}, and find the first that does not answer`,
        minutes: Math.min(walkMinutes.most, walkMinutes.begin + walkMinutes.each * count),
      }

/** What came of it, as it is said. */
export const walkText = (outcome: WalkOutcome): string =>
  outcome === allAnswer ? 'every one answers' : `the first is ${String(Number(outcome) + 1)}`

/** The first light that one would see, and how likely it is there while one looks. */
export function firstOdd(
  { runs }: Pick<Look, 'runs'>,
  run: string,
): { readonly at: number; readonly state: LightState; readonly share: number } | undefined {
  const codes = runs.get(run)
  if (codes === undefined) return undefined
  // One light draws too little for what comes with brightness.
  const at = codes.findIndex((code) => code !== 0 && whenOf(code) !== 'bright')
  if (at < 0) return undefined
  const code = codes[at] ?? 0
  return { at, state: stateOf(code), share: whenOf(code) === 'always' ? 1 : thereShare }
}

/** How likely each outcome is with a look, which is searched once for all of them. */
export function chancesOfWalk(
  look: Pick<Look, 'runs'>,
  run: string,
): (outcome: WalkOutcome) => number {
  const first = firstOdd(look, run)
  const share = first?.share ?? 0
  const there = String(first?.at)
  return (outcome) => {
    if (outcome === allAnswer) return other + (sure - other) * (1 - share)
    return outcome === there ? other + (sure - other) * share : other
  }
}
