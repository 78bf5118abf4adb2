import './as-written-here'
import { expose } from 'comlink'
import { Diagnosis, type Candidate } from '../../core/mend/diagnose'
import type { Mend } from '../../core/mend/fault'
import { faultKinds } from '../../core/mend/kinds'
import type { MeterPoint } from '../../core/mend/look'
import { stretchesOf, type Stretch } from '../../core/mend/run-states'
import {
  firstGuesses,
  planOfAnswers,
  type Answers,
  type FirstGuess,
} from '../../core/mend/five-questions'
import type { LookCase } from '../../core/mend/fault-feed'
import { HeldMeter, type OpenPlace } from '../../core/mend/meter'
import { nextTests, type Test } from '../../core/mend/next-test'
import { Practice, type Try } from '../../core/mend/practice'
import { nothingSeen, seenIssues, type Painted, type Seen } from '../../core/mend/seen'
import { seeded } from '../../core/quantity/seeded'
import type { TipPlace } from '../../core/mend/tips'
import { noneFits, pairsFor } from '../../core/mend/two'
import { whyOf } from '../../core/mend/why'
import type { Plan } from '../../core/plan/plan'
import type { Diagram } from '../../core/wire/diagram-parts'
import { diagramOf } from '../../core/wire/diagram'
import { worked } from '../../core/worked'

/** A run as it is painted. */
export interface PaintRun {
  readonly id: string
  readonly name: string
  /** Pixels, cut groups of plain strip, or single lights. */
  readonly count: number
  readonly unit: 'pixel' | 'group' | 'light'
  readonly pieces: readonly {
    readonly name: string
    readonly from: number
    readonly count: number
  }[]
}

/** What the page has to know before anything is painted. */
export interface OpenMend {
  readonly runs: readonly PaintRun[]
  readonly points: readonly MeterPoint[]
  /** Faults that are worked out so far, and which share of all that is. */
  readonly faults: number
  readonly done: number
}

/** A fault as the page names it, with how it is mended. */
export interface ShownFault {
  readonly id: string
  readonly kind: string
  readonly title: string
  readonly where: string
  readonly mend: Mend
}

/** A suspect as the page tells it. */
export interface ShownSuspect extends ShownFault {
  readonly probability: number
  readonly why: readonly string[]
  /** Others that look and measure the same. */
  readonly same: readonly (ShownFault & { readonly probability: number })[]
  /** What it would look like, by run. */
  readonly look: Readonly<Record<string, readonly Stretch[]>>
}

export interface Ranking {
  readonly suspects: readonly ShownSuspect[]
  /** All that are not listed. */
  readonly others: { readonly count: number; readonly probability: number }
  /** Bits that are not known yet. */
  readonly openBits: number
  readonly tests: readonly Test[]
  /** Two at once, where no single fault goes with what is seen. */
  readonly two: readonly {
    readonly a: string
    readonly b: string
    readonly probability: number
  }[]
  readonly isOdd: boolean
  readonly issues: readonly { readonly path: string; readonly message: string }[]
  /** Kinds that the plan's own figures clear. */
  readonly cleared: readonly string[]
}

/** Where a meter can be held. */
export interface MeterPlaces {
  readonly tips: readonly TipPlace[]
  /** Where a plus can be opened for it. */
  readonly opens: readonly OpenPlace[]
}
const placesOf = ({ tips, opens }: HeldMeter): MeterPlaces => ({ tips, opens })

/** A hidden fault as the page shows it. */
export interface Hidden extends MeterPlaces {
  readonly runs: readonly PaintRun[]
  readonly seen: Readonly<Record<string, readonly Painted[]>>
  readonly tries: readonly Try[]
  readonly causes: readonly { readonly id: string; readonly text: string }[]
  readonly best: { readonly tests: number; readonly minutes: number }
  /** Not shown: what it is remembered by. */
  readonly kind: string
}

export interface Named {
  readonly isRight: boolean
  readonly cause: string
  readonly kind: string
  readonly mend: Mend
}

const [mostSuspects, mostTests, mostPairs] = [8, 5, 3]

/** Until the first ranking, and then from pause to pause, ms. */
const [firstMs, sliceMs] = [1_200, 400]
const pauseAfter = (ms: number): (() => boolean) => {
  const start = performance.now()
  return () => performance.now() - start > ms
}

class MendService {
  private diagnosis: Diagnosis | undefined
  private given: ReturnType<typeof worked> | undefined
  private practice: Practice | undefined
  /** The meter that is held, where, and how what it reads is shown. */
  private inHand:
    | {
        readonly given: ReturnType<typeof worked>
        readonly meter: HeldMeter
        readonly shown: (exact: number | null) => number | null
      }
    | undefined

  /** Begins to work out what each fault of a plan would look like, the likeliest first. */
  open(plan: Plan): OpenMend {
    const given = worked(plan)
    const diagnosis = new Diagnosis(given, false)
    this.diagnosis = diagnosis
    this.given = given
    const done = diagnosis.goOn(pauseAfter(firstMs))
    return {
      runs: paintRuns(diagnosis, given),
      points: diagnosis.stage.points,
      faults: diagnosis.candidates.length,
      done,
    }
  }

  /** Goes on with it for a moment, so that what is asked meanwhile is answered; answers with the share that is done. */
  goOn(): { readonly done: number; readonly faults: number } {
    const done = this.diagnosis?.goOn(pauseAfter(sliceMs)) ?? 1
    return { done, faults: this.diagnosis?.candidates.length ?? 0 }
  }

  /** Suspects and tests by what is seen; `undefined` before a plan is open. */
  rank(seen: Seen, skipped: readonly string[]): Ranking | undefined {
    const { diagnosis } = this
    if (diagnosis === undefined) return undefined
    const issues = seenIssues(seen, diagnosis.stage)
    if (issues.length > 0)
      return {
        suspects: [],
        others: { count: 0, probability: 0 },
        openBits: 0,
        tests: [],
        two: [],
        isOdd: false,
        issues,
        cleared: [],
      }
    const all = diagnosis.suspects(seen)
    const shown = all.slice(0, mostSuspects)
    const rest = all.slice(mostSuspects)
    const isOdd = noneFits(diagnosis, seen)
    const name = ({ fault }: Candidate): string => `${fault.title}, ${fault.where}`
    return {
      suspects: shown.map(({ candidate, probability, same }) => ({
        ...this.describe(diagnosis, candidate, seen),
        probability,
        same: same.map(({ candidate: { fault }, probability: own }) => ({
          ...shownFault(fault),
          probability: own,
        })),
      })),
      others: {
        count: rest.reduce((sum, { same }) => sum + 1 + same.length, 0),
        probability: rest.reduce((sum, { probability }) => sum + probability, 0),
      },
      openBits: all.reduce(
        (sum, { probability }) =>
          probability > 0 ? sum - probability * Math.log2(probability) : sum,
        0,
      ),
      tests: nextTests(diagnosis, seen, new Set(skipped)).slice(0, mostTests),
      two: isOdd
        ? pairsFor(diagnosis, seen)
            .slice(0, mostPairs)
            .map(({ a, b, probability }) => ({ a: name(a), b: name(b), probability }))
        : [],
      isOdd,
      issues: [],
      cleared: [
        ...new Set(
          diagnosis.candidates.flatMap(({ fault: { title, clearedBy } }) =>
            clearedBy === undefined
              ? []
              : [`${title.toLowerCase()}: cleared by the plan: ${clearedBy}`],
          ),
        ),
      ],
    }
  }

  /** A first ranking without a plan. */
  guess(answers: Answers): readonly FirstGuess[] {
    return firstGuesses(new Diagnosis(worked(planOfAnswers(answers))), answers)
  }

  /**
   * Hides a fault in a plan.
   *
   * @param want the fault itself, or a kind of fault; else one is drawn by how often it happens
   * @returns `undefined` where the plan has none of that kind that shows
   */
  hide(
    plan: Plan,
    want: { readonly fault?: string | undefined; readonly kind?: string | undefined },
    seed: number,
  ): Hidden | undefined {
    const given = worked(plan)
    const diagnosis = new Diagnosis(given)
    const random = seeded(seed)
    const all = diagnosis
      .probabilities(nothingSeen)
      .filter(
        ({ candidate: { fault, look } }) =>
          look.runs.size > 0 &&
          (want.fault === undefined || fault.id === want.fault) &&
          (want.kind === undefined || fault.kind === want.kind),
      )
    let left = random() * all.reduce((sum, { probability }) => sum + probability, 0)
    const truth = all.find(({ probability }) => (left -= probability) <= 0) ?? all[0]
    if (truth === undefined) return undefined
    const practice = new Practice(given, diagnosis, truth.candidate, random)
    this.practice = practice
    this.inHand = { given, meter: practice.meter, shown: (exact) => practice.shown(exact) }
    return {
      runs: paintRuns(diagnosis, given),
      seen: practice.seen,
      ...placesOf(practice.meter),
      tries: practice.tries,
      causes: causesOf(diagnosis),
      best: practice.best,
      kind: truth.candidate.fault.kind,
    }
  }

  private wrongWith(faults: readonly string[]): readonly Candidate[] {
    return this.diagnosis?.candidates.filter(({ fault }) => faults.includes(fault.id)) ?? []
  }

  /** What faults look like at the same time, by run. */
  together(faults: readonly string[]): ShownSuspect['look'] {
    const { diagnosis } = this
    if (diagnosis === undefined) return {}
    return looksOf(
      diagnosis,
      diagnosis.stage.look(this.wrongWith(faults).map(({ fault }) => fault.does)),
    )
  }

  /** Holds the meter on the open plan with these faults in it, or with none. */
  suppose(faults: readonly string[]): MeterPlaces | undefined {
    const { diagnosis, given } = this
    if (diagnosis === undefined || given === undefined) return undefined
    const wrong = this.wrongWith(faults)
    const meter = new HeldMeter(
      given,
      diagnosis.stage,
      wrong.map((one) => one.fault.does),
    )
    this.inHand = { given, meter, shown: (exact) => exact }
    return placesOf(meter)
  }

  /** The diagram that tips are held on, with the tip on each of its terminals. */
  diagram():
    | { readonly diagram: Diagram; readonly tips: ReadonlyMap<string, TipPlace> }
    | undefined {
    if (this.inHand === undefined) return undefined
    const { given, meter } = this.inHand
    return { diagram: diagramOf(given.wiring, given, given.plan.units), tips: meter.terminals }
  }

  /** Tips on plus and minus beside a pixel of a tape. */
  tape(run: string, pixel: number): ReturnType<HeldMeter['tape']> {
    return this.inHand?.meter.tape(run, pixel) ?? {}
  }

  /** What the meter shows; `null` for an open circuit. */
  hold(mode: 'V' | 'Ω', red: TipPlace, black: TipPlace, look: LookCase): number | null {
    const { inHand } = this
    return inHand?.shown(inHand.meter.hold(mode, red, black, look)) ?? null
  }

  /** What the meter shows in a plus that was opened, A. */
  through(open: OpenPlace, look: LookCase): number | undefined {
    const { inHand } = this
    return inHand?.shown(inHand.meter.through(open, look)) ?? undefined
  }

  tryOut(id: string): ReturnType<Practice['tryOut']> | undefined {
    return this.practice?.tryOut(id)
  }

  /** Whether it is that one; and what it really was. */
  nameIt(id: string): Named | undefined {
    if (this.practice === undefined) return undefined
    const { fault } = this.practice.truth
    return {
      isRight: this.practice.isIt(id),
      cause: `${fault.title}, ${fault.where}`,
      kind: fault.kind,
      mend: faultKinds[fault.kind].mend,
    }
  }

  private describe(
    diagnosis: Diagnosis,
    candidate: Candidate,
    seen: Seen,
  ): Omit<ShownSuspect, 'probability' | 'same'> {
    const { fault, look } = candidate
    return {
      ...shownFault(fault),
      why: whyOf(diagnosis, candidate, seen),
      look: looksOf(diagnosis, look),
    }
  }
}

const looksOf = ({ stage }: Diagnosis, { runs }: Candidate['look']): ShownSuspect['look'] =>
  Object.fromEntries(stage.runs.map(({ id, count }) => [id, stretchesOf(runs.get(id), count)]))

const shownFault = ({ id, kind, title, where }: Candidate['fault']): ShownFault => ({
  id,
  kind,
  title,
  where,
  mend: faultKinds[kind].mend,
})

/** All faults as they are named, those that differ by degree alone once. */
function causesOf({ candidates }: Diagnosis): Hidden['causes'] {
  const known = new Set<string>()
  return candidates.flatMap(({ fault: { id, title, where, cause } }) => {
    if (cause !== undefined && known.has(cause)) return []
    if (cause !== undefined) known.add(cause)
    return [{ id, text: `${title}, ${where}` }]
  })
}

function paintRuns({ stage }: Diagnosis, given: ReturnType<typeof worked>): readonly PaintRun[] {
  return stage.runs.map(({ id, name, count, strip, lights }): PaintRun => {
    const entry = given.cutRuns.find(({ run }) => run.id === id)
    const perGroup = strip.light.kind === 'pixels' ? strip.light.perCut : 1
    let from = 0
    return {
      id,
      name,
      count,
      unit: lights !== undefined ? 'light' : strip.light.kind === 'pixels' ? 'pixel' : 'group',
      pieces:
        lights !== undefined
          ? []
          : (entry?.pieces ?? []).flatMap((piece) => {
              if (piece.groups === 0) return []
              const own = { name: piece.name, from, count: piece.groups * perGroup }
              from += own.count
              return [own]
            }),
    }
  })
}

export type MendWorker = MendService
expose(new MendService())
