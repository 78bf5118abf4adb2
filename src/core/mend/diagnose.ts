import type { Fault, LightState, MendGiven, ProbeKind } from './fault'
import { faultsOf } from './faults'
import { Stage, type Look, type MeterPoint } from './look'
import { stateOf, whenOf } from './run-states'
import { isReadingOf, type Painted, type Seen, type TestOutcome } from './seen'
import { factsOf, symptoms, type LookFacts } from './symptoms'
import { sightOf } from './sight'
import { mistaken, probeId, probes } from './probes'
import { chancesOfWalk, walkedRuns } from './walk'

/** A fault with what it would look like. */
export interface Candidate {
  readonly fault: Fault
  readonly look: Look
  readonly facts: LookFacts
  readonly probes: ReadonlyMap<string, ProbeKind>
  /** Equal for those whose light, volts and amperes are the same everywhere. */
  readonly sight: string
}

type Probabilities = readonly { readonly candidate: Candidate; readonly probability: number }[]

/** A fault, or several that look the same, with its probability after all that is seen. */
export interface Suspect {
  readonly candidate: Candidate
  readonly probability: number
  /** Others with the same light, volts and amperes everywhere, the likeliest first. */
  readonly same: readonly { readonly candidate: Candidate; readonly probability: number }[]
}

/** How sure what is painted is: right for the true fault, something like it, and anything else. *Typical.* */
const paint = { right: 0.85, like: 0.15, other: 0.015, when: 0.35, there: 0.6 } as const
/** Words, readings, and outcomes of tests, where they do not fit. */
const [wordMisfit, readingMisfit] = [0.12, 0.02]
/** A reading's spread: a share of it, and what a meter and the strip's makes leave open. *Typical.* */
const spread = { share: 0.05, V: 0.06, A: 0.05 } as const

/** States that people take for each other. */
const like: readonly (readonly [LightState, LightState])[] = [
  ['dim', 'tinted'],
  ['wrong', 'tinted'],
  ['wrong', 'flicker'],
  ['dark', 'frozen'],
  ['follows', 'wrong'],
]
const isLike = (a: LightState, b: LightState): boolean =>
  like.some(([one, other]) => (a === one && b === other) || (a === other && b === one))

/** A border that is painted so far off, of the run's pixels, is hardly off. */
const borderShare = 0.03
/** So many pixels that look otherwise are seen for sure. */
const enoughPixels = 1.5
/** What is taken in at a glance, of a run's pixels; a mistake over more than that is by so much less likely. */
const [glanceShare, mostFurther] = [0.1, 0.75]

/** Above so many pixels, faults of single ones are looked at only where something is seen to end. */
const mostPixelsAtOnce = 3_000
const pixelKindNames: ReadonlySet<string> = new Set(['dead-light', 'dead-data', 'dead-pixel'])
/** So far around a border, pixels. */
const nearPixels = 4

/** Pixels beside the borders of what is painted, by run. */
function pixelsNear(
  { runs }: Pick<Stage, 'runs'>,
  seen: Seen,
): ReadonlyMap<string, ReadonlySet<number>> {
  const near = new Map<string, Set<number>>()
  for (const { id, count } of runs) {
    const numbers = new Set<number>()
    for (const [from, length] of [...(seen.runs[id] ?? []), ...(seen.again[id] ?? [])])
      for (const border of [from, from + length])
        for (let at = border - nearPixels; at <= border + nearPixels; at += 1)
          if (at >= 0 && at < count) numbers.add(at)
    if (numbers.size > 0) near.set(id, numbers)
  }
  return near
}

/** Works out what each fault of a plan would look like, once, and ranks them by what is seen. */
export class Diagnosis {
  readonly stage: Stage
  /** All single faults; of a large plan without those of single pixels, which come in where something is seen to end. */
  readonly candidates: readonly Candidate[]
  private readonly known: Candidate[] = []
  /** Those whose look is still to be worked out, the likeliest last. */
  private readonly waiting: Fault[]
  private readonly probeCache = new Map<string, ReadonlyMap<string, ProbeKind>>()
  private readonly looks = new Map<string, Pick<Candidate, 'look' | 'facts' | 'sight'>>()
  private readonly isLarge: boolean
  /** What was ranked last: suspects, pairs and tests all ask for the same. */
  private last:
    | { readonly seen: Seen; readonly count: number; readonly all: Probabilities }
    | undefined
  private near: { readonly key: string; readonly candidates: readonly Candidate[] } | undefined

  /** @param isWhole `false`: looks are worked out by `goOn`, those of the likeliest faults first */
  constructor(
    private readonly given: MendGiven,
    isWhole = true,
  ) {
    this.stage = new Stage(given)
    const pixels = given.lanes.reduce((sum, lane) => sum + lane.pixels, 0)
    this.isLarge = pixels > mostPixelsAtOnce
    const faults = faultsOf(given, this.isLarge ? new Map() : 'all')
    this.candidates = this.known
    this.waiting = isWhole ? faults.toReversed() : faults.toSorted((a, b) => a.chance - b.chance)
    if (isWhole) this.goOn(() => false)
  }

  /** Works out looks until it is told to pause; answers with the share that is done, 0–1. */
  goOn(isPaused: () => boolean): number {
    while (this.waiting.length > 0) {
      const fault = this.waiting.pop()
      if (fault !== undefined) this.known.push(this.candidateOf(fault))
      if (isPaused()) break
    }
    return this.known.length / Math.max(1, this.known.length + this.waiting.length)
  }

  private candidateOf(fault: Fault): Candidate {
    // Both ends of a wire and the wire itself do the same: that is worked out once.
    const key = JSON.stringify(fault.does)
    const known = this.looks.get(key) ?? this.lookOf(fault)
    this.looks.set(key, known)
    return { fault, ...known, probes: this.probesOf(fault) }
  }

  /** All that are weighed with what is seen. */
  private weighed(seen: Seen): readonly Candidate[] {
    if (!this.isLarge) return this.candidates
    const pixels = pixelsNear(this.stage, seen)
    const key = [...pixels].map(([run, numbers]) => `${run} ${[...numbers].join(',')}`).join(';')
    if (this.near?.key !== key)
      this.near = {
        key,
        candidates: faultsOf(this.given, pixels)
          .filter(({ kind }) => pixelKindNames.has(kind))
          .map((fault) => this.candidateOf(fault)),
      }
    return [...this.candidates, ...this.near.candidates]
  }

  private lookOf({ does }: Fault): Pick<Candidate, 'look' | 'facts' | 'sight'> {
    const look = this.stage.look([does])
    return { look, facts: factsOf(look, this.stage.pixels), sight: sightOf(look) }
  }

  private probesOf({ shownBy }: Fault): ReadonlyMap<string, ProbeKind> {
    const own = shownBy.map((probe) => [probeId(probe), probe.kind] as const)
    const key = own.map(([id]) => id).join('\n')
    const known = this.probeCache.get(key) ?? new Map(own)
    this.probeCache.set(key, known)
    return known
  }

  /** All faults with their probabilities, the likeliest first. */
  probabilities(seen: Seen): Probabilities {
    const count = this.known.length
    if (this.last?.seen !== seen || this.last.count !== count)
      this.last = { seen, count, all: this.weighedBy(seen) }
    return this.last.all
  }

  private weighedBy(seen: Seen): Probabilities {
    const judge = new Judge(this.stage, seen)
    const cleared = new Set(seen.cleared)
    const candidates = this.weighed(seen)
    const logs = candidates.map((candidate) =>
      cleared.has(candidate.fault.id) || candidate.fault.chance <= 0
        ? -Infinity
        : Math.log(candidate.fault.chance * noticedShare(candidate)) + judge.log(candidate),
    )
    const most = logs.reduce((a, b) => Math.max(a, b), -Infinity)
    const weights = logs.map((log) => (most === -Infinity ? 0 : Math.exp(log - most)))
    const all = weights.reduce((sum, weight) => sum + weight, 0)
    return candidates
      .map((candidate, index) => ({
        candidate,
        probability: all > 0 ? (weights[index] ?? 0) / all : 0,
      }))
      .toSorted((a, b) => b.probability - a.probability)
  }

  /** The same, with those that look and measure the same as one. */
  suspects(seen: Seen): readonly Suspect[] {
    const groups = new Map<string, { candidate: Candidate; probability: number }[]>()
    for (const { candidate, probability } of this.probabilities(seen)) {
      if (probability <= 0) continue
      const own = groups.get(candidate.sight) ?? []
      own.push({ candidate, probability })
      groups.set(candidate.sight, own)
    }
    return [...groups.values()]
      .flatMap(([first, ...same]): Suspect[] =>
        first === undefined
          ? []
          : [
              {
                candidate: first.candidate,
                probability: same.reduce((sum, one) => sum + one.probability, first.probability),
                same,
              },
            ],
      )
      .toSorted((a, b) => b.probability - a.probability)
  }

  /** By how much what is seen goes worse with a fault than with one that it fits throughout, in units of e. */
  misfitOf(candidate: Candidate, seen: Seen): number {
    const judge = new Judge(this.stage, seen)
    return judge.best - judge.log(candidate)
  }

  /** Faults that go with a part of what does not look right, those that explain most of it first. */
  partly(seen: Seen, most: number): readonly Candidate[] {
    const wanted = new Map(
      Object.entries(seen.runs).map(([id, stretches]) => [
        id,
        stretches.filter(([, , state]) => state !== 'right'),
      ]),
    )
    const oddSeen = { ...seen, runs: Object.fromEntries(wanted) }
    const odd = [...wanted.values()].flat().reduce((sum, [, count]) => sum + count, 0)
    return this.weighed(seen)
      .map((candidate) => {
        const { fits } = this.fit(candidate, oddSeen)
        const against = this.fit(candidate, seen)
        // What it would change that is painted right speaks against it; what it leaves right another may explain.
        const wrong = against.painted - against.fits - (odd - fits)
        return {
          candidate,
          score:
            fits > 0
              ? Math.log(candidate.fault.chance) + 8 * (fits / odd) - 0.5 * wrong
              : -Infinity,
        }
      })
      .filter(({ score }) => score > -Infinity)
      .toSorted((a, b) => b.score - a.score)
      .slice(0, most)
      .map(({ candidate }) => candidate)
  }

  /** Whether a test shows a fault. */
  isShownBy({ probes: own, facts }: Candidate, test: string): boolean {
    return test === dimTest ? facts.whens.has('bright') : own.has(test)
  }

  /** How well a fault goes with what is painted of each run: pixels that fit, of those painted. */
  fit(candidate: Candidate, seen: Seen): { readonly fits: number; readonly painted: number } {
    let [fits, painted] = [0, 0]
    for (const [id, stretches] of Object.entries(seen.runs))
      for (const [from, count, state] of stretches) {
        painted += count
        const codes = candidate.look.runs.get(id)
        for (let at = from; at < from + count; at += 1)
          if (stateOf(codes?.[at] ?? 0) === state) fits += 1
      }
    return { fits, painted }
  }
}

/** What changes no light is hardly noticed. */
const noticedShare = ({ look }: Candidate): number => (look.runs.size > 0 ? 1 : unnoticed)
const unnoticed = 0.02

/** Compares what is seen with what a fault would show. */
class Judge {
  private readonly painted: readonly {
    readonly run: string
    readonly count: number
    readonly stretches: readonly Painted[]
    /** What it comes to where the whole run is right. */
    readonly allRight: number
  }[]
  private readonly paintedLogs = new Map<Look, number>()
  private readonly walked: ReadonlyMap<string, string>
  private readonly read: readonly {
    readonly index: number
    readonly point: MeterPoint
    readonly value: number
  }[]

  constructor(
    stage: Stage,
    private readonly seen: Seen,
  ) {
    const countOf = new Map(stage.runs.map(({ id, count }) => [id, count]))
    this.walked = walkedRuns(stage.runs)
    this.painted = [...Object.entries(seen.runs), ...Object.entries(seen.again)].map(
      ([run, given]) => {
        const count = countOf.get(run) ?? 0
        const stretches = given.toSorted((a, b) => a[0] - b[0])
        const allRight = stretches.reduce(
          (sum, stretch, index) =>
            sum +
            logOfStretch(undefined, stretch, stretches[index - 1], stretches[index + 1], {
              all: count,
              isThere: true,
            }),
          0,
        )
        return { run, count, stretches, allRight }
      },
    )
    this.read = seen.readings.flatMap((reading) => {
      const index = stage.points.findIndex((point) => isReadingOf(point, reading))
      const point = stage.points[index]
      return point === undefined ? [] : [{ index, point, value: reading.value }]
    })
  }

  /** What it comes to where everything that is seen fits. */
  get best(): number {
    return this.painted.reduce(
      (sum, { stretches }) => sum + stretches.length * Math.log(paint.right),
      Math.log(paint.there),
    )
  }

  /**
   * … what is painted alone. What comes and goes was either there while it was looked at, everywhere, or it was not: one of the two holds
   * for all that is painted.
   */
  private logOfLook({ runs }: Look): number {
    const logWhile = (isThere: boolean): number => {
      let sum = 0
      for (const { run, count, stretches, allRight } of this.painted) {
        const codes = runs.get(run)
        if (codes === undefined) sum += allRight
        else
          for (const [index, stretch] of stretches.entries())
            sum += logOfStretch(codes, stretch, stretches[index - 1], stretches[index + 1], {
              all: count,
              isThere,
            })
      }
      return sum
    }
    return Math.max(
      Math.log(paint.there) + logWhile(true),
      Math.log(1 - paint.there) + logWhile(false),
    )
  }

  /** The logarithm of how likely all that is seen is with that fault. */
  log(candidate: Candidate): number {
    let sum = this.paintedLogs.get(candidate.look) ?? this.logOfLook(candidate.look)
    this.paintedLogs.set(candidate.look, sum)
    for (const { index, point, value } of this.read) {
      const expected = candidate.look.values.get(index) ?? point.value
      const sigma = Math.abs(expected) * spread.share + spread[point.what === 'volts' ? 'V' : 'A']
      sum += Math.log(readingMisfit + Math.exp(-0.5 * ((value - expected) / sigma) ** 2))
    }
    for (const name of this.seen.words) {
      const symptom = symptoms.find((one) => one.name === name)
      if (symptom !== undefined && !symptom.fits(candidate.fault, candidate.facts))
        sum += Math.log(wordMisfit)
    }
    for (const outcome of this.seen.tests)
      sum += Math.log(chanceOf(candidate, outcome, this.walked.get(outcome.test)))
    return sum
  }
}

/**
 * One stretch: fits, or how much of it does not. Two pixels that do not are enough to see it; next to a border that is painted with just
 * that state a few count for less.
 */
function logOfStretch(
  codes: Uint8Array | undefined,
  [from, count, state, when]: Painted,
  before: Painted | undefined,
  after: Painted | undefined,
  { all, isThere }: { readonly all: number; readonly isThere: boolean },
): number {
  const slack = Math.max(1, Math.round(all * borderShare))
  let [wrong, alike, late] = [0, 0, 0]
  for (let at = from; at < from + count; at += 1) {
    const code = codes?.[at] ?? 0
    const isNow = isThere || whenOf(code) === 'always' || whenOf(code) === when
    const own = isNow ? stateOf(code) : 'right'
    if (own === state) {
      if (when !== undefined && state !== 'right' && whenOf(code) !== when) late += 1
      continue
    }
    const isAtBorder =
      (at - from < slack && before?.[2] === own) ||
      (from + count - 1 - at < slack && after?.[2] === own)
    const weight = isAtBorder ? 0.1 : 1
    if (isLike(own, state)) alike += weight
    else wrong += weight
  }
  const enough = Math.min(count, enoughPixels)
  const misses = Math.min(1, wrong / enough)
  // A long stretch is hardly ever mistaken.
  const further = Math.min(mostFurther, Math.max(0, wrong / (glanceShare * all) - 1) / 4)
  const likes = Math.min(1 - misses, alike / enough)
  const lates = Math.min(1 - misses - likes, late / enough)
  return (
    misses * Math.log(paint.other) * (1 + further) +
    likes * Math.log(paint.like) +
    lates * Math.log(paint.when) +
    (1 - misses - likes - lates) * Math.log(paint.right)
  )
}

/**
 * How likely an outcome of a test is with a fault.
 *
 * @param walked the run that the test goes along light by light, if it is such a test
 */
export function chanceOf(
  { probes: own, facts, look }: Candidate,
  { test, outcome }: TestOutcome,
  walked?: string,
): number {
  // What a look brought is painted.
  if (outcome === lookedAgain) return 1
  if (walked !== undefined) return chancesOfWalk(look, walked)(outcome)
  const kind = own.get(test)
  const yes =
    test === dimTest
      ? facts.whens.has('bright')
        ? dimShows
        : 1 - dimShows
      : kind === undefined
        ? mistaken
        : probes[kind].shows
  return outcome === 'yes' ? yes : 1 - yes
}

/** The outcome of a look: it is in what is painted. */
export const lookedAgain = 'seen'

/** The test that lowers the brightness, and how surely it shows what comes with brightness. *Typical.* */
export const dimTest = 'dim'
const dimShows = 0.9

/**
 * What no meter and no look at the light can tell apart: a tip reaches pads and screws, so that a wire and the joints at both its ends are
 * one to it; which of them it is, only a look at the joint shows.
 */
export const measuredAs = ({ fault, sight, probes: own }: Candidate): string =>
  fault.cause ??
  [sight, ...[...own].flatMap(([id, kind]) => (kind === 'look' ? [] : [id])).toSorted()].join('\n')
