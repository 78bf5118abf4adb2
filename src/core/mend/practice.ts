import { answeredExactly, courseOf, paintedExactly } from './course'
import { dimTest, measuredAs, type Candidate, type Diagnosis } from './diagnose'
import type { MendGiven, ProbeKind } from './fault'
import { HeldMeter } from './meter'
import { mistaken, probeId, probes } from './probes'
import { nothingSeen } from './seen'
import { allAnswer, firstOdd, walkAlong, walkedRuns, walkText } from './walk'

/** Something besides the meter that can be tried on a hidden fault. */
export interface Try {
  readonly id: string
  readonly title: string
  readonly minutes: number
}

/** A meter is off by so much of what it shows, at the most. *Typical.* */
const meterTolerance = 0.01
/** To hold two tips somewhere, minutes. *Typical.* */
export const holdMinutes = 1
/** To open a plus, put the meter in between and close it again, minutes. *Typical.* */
export const openMinutes = 4

/** A fault that is hidden in a plan, to be found by looking, measuring and trying. */
export class Practice {
  /** Held where the fault is hidden. */
  readonly meter: HeldMeter

  constructor(
    given: MendGiven,
    private readonly diagnosis: Diagnosis,
    readonly truth: Candidate,
    private readonly random: () => number,
  ) {
    this.meter = new HeldMeter(given, diagnosis.stage, [truth.fault.does])
  }

  /** What is seen. */
  get seen(): ReturnType<typeof paintedExactly> {
    return paintedExactly(this.diagnosis, this.truth)
  }

  /** The course that the tests of Mend would take, without a mistake. */
  get best(): { readonly tests: number; readonly minutes: number } {
    const { tests, minutes } = courseOf(
      this.diagnosis,
      { ...nothingSeen, runs: this.seen },
      answeredExactly(this.diagnosis, this.truth),
    )
    return { tests: tests.length, minutes }
  }

  /** Everything that can be tried, each once. */
  get tries(): readonly Try[] {
    const found = new Map<string, Try>([
      [dimTest, { id: dimTest, title: 'Lower the brightness to 15 %', minutes: 0.5 }],
    ])
    for (const run of this.diagnosis.stage.runs) {
      const walk = walkAlong(run)
      if (walk !== undefined) found.set(walk.id, walk)
    }
    for (const { fault } of this.diagnosis.candidates)
      for (const probe of fault.shownBy) {
        // Ohms and volts are measured with the meter.
        if (metered.has(probe.kind)) continue
        const id = probeId(probe)
        const { title, minutes } = probes[probe.kind]
        if (!found.has(id)) found.set(id, { id, title: title(probe.where), minutes })
      }
    return [...found.values()]
  }

  /** What comes of trying something: now and then it misleads, as it does at the bench. */
  tryOut(id: string): { readonly isShown: boolean; readonly text: string } {
    const walked = walkedRuns(this.diagnosis.stage.runs).get(id)
    if (walked !== undefined) {
      const first = firstOdd(this.truth.look, walked)
      const isShown = first !== undefined && this.random() < first.share
      return { isShown, text: walkText(isShown ? String(first.at) : allAnswer) }
    }
    const isTrue = this.diagnosis.isShownBy(this.truth, id)
    const kind = this.kindOf(id)
    const shows = kind === undefined ? 1 : probes[kind].shows
    const isShown = this.random() < (isTrue ? shows : kind === undefined ? 0 : mistaken)
    if (kind === undefined)
      return { isShown, text: isShown ? 'what was wrong is gone' : 'it is just the same' }
    return { isShown, text: isShown ? probes[kind].yes : probes[kind].no }
  }

  private kindOf(test: string): ProbeKind | undefined {
    for (const { probes: own } of this.diagnosis.candidates) {
      const kind = own.get(test)
      if (kind !== undefined) return kind
    }
    return undefined
  }

  /** What a meter shows that is off by a little, as each of them is. */
  shown<Exact extends number | null>(exact: Exact): Exact {
    return (
      exact === null ? exact : exact * (1 + (2 * this.random() - 1) * meterTolerance)
    ) as Exact
  }

  /** Whether a fault is the hidden one, or cannot be told from it. */
  isIt(id: string): boolean {
    const named = this.diagnosis.candidates.find(({ fault }) => fault.id === id)
    return named !== undefined && measuredAs(named) === measuredAs(this.truth)
  }
}

const metered: ReadonlySet<ProbeKind> = new Set<ProbeKind>(['ohm', 'short', 'node-volts'])
