import { messageOf } from '../../core/quantity/message-of'
import type { Plan } from '../../core/plan/plan'
import type { SectionKind } from '../../core/roll/section'
import { deltaOf, withDelta, type Delta } from './delta'
import { latestWins } from './latest'
import type { PartName, PlanParts } from './parts'
import type { Answer, Question, RollFigures } from './plan-service'

/** Parts that every page shows something of, and that are there first. */
const always = [
  'totals',
  'runs',
  'supplies',
  'feed',
  'nodes',
  'batteries',
  'unread',
] as const satisfies readonly PartName[]

/** How long what can wait is worked out before a newer plan may come in, ms. */
const sliceMs = 40

/** A shorter pause is none; a longer one keeps waiting who only looks, ms. */
const [leastPauseMs, longestPauseMs] = [100, 1_000]

/** What is known of the open plan: the parts that every page has, and those that come later, once they have come. */
export type PlanAnswers = Pick<PlanParts, (typeof always)[number]> &
  Partial<PlanParts> & { readonly roll?: RollFigures }

/** The far end: in the worker, or in tests at the other end of a message channel. */
export interface Answering {
  begin(): Promise<void> | void
  answer(changed: Delta, question: Question): Promise<Answer> | Answer
}

/** What is asked for one after another: figures, what is made of them, what only the header and the shelf tell, and fixes. */
const [figures, verdicts, facts, fixes] = [0, 1, 2, 3]

interface Job {
  readonly plan: Plan
  readonly step: number
}

/**
 * Follows the open plan through the engine: asks for what the page shows, after every change for the newest plan alone, then for what can
 * wait. A part that could not be worked out leaves the last one standing and is told as a problem; nothing waits for it.
 */
export class PlanFollower {
  private plan: Plan | undefined
  /** What the far end has. */
  private sent: Plan | undefined
  private parts: Readonly<Record<string, unknown>> = {}
  private readonly wanted = new Map<PartName, number>()
  private sections: readonly SectionKind[] = []
  private generation = 0
  /** Verdicts that are shown, by their ids: fixes are looked for for those alone. */
  private readonly shown = new Map<string, number>()
  /** What is under way; `undefined` where all that was asked for has come. */
  private step: number | undefined
  /** How long the answer to each step took last, ms. */
  private readonly tookMs: number[] = []
  /** There is more of the step that is under way. */
  private isUnfinished = false
  /** Somebody is changing the plan, and does not only look at it. */
  private isEdited = false
  /** Until what is asked for next. */
  private pause: ReturnType<typeof setTimeout> | undefined
  private readonly request: (job: Job) => void

  constructor(
    private readonly service: Answering,
    private readonly onAnswers: (answers: PlanAnswers) => void,
    private readonly onProblem: (message: string) => void,
  ) {
    this.request = latestWins<Job, { answer: Answer; generation: number }>(
      async ({ plan, step }) => {
        const { generation } = this
        const start = performance.now()
        const before = this.isUnfinished ? (this.tookMs[step] ?? 0) : 0
        try {
          const changed = deltaOf(this.sent, plan)
          this.sent = plan
          const answer = await this.service.answer(changed, this.questionOf(step))
          this.tookMs[step] = before + performance.now() - start
          return { answer, generation }
        } catch (error) {
          // Whatever the far end has now: the next plan goes there whole.
          this.sent = undefined
          const problem = messageOf(error)
          return { answer: { changes: [], problem, isUnfinished: false }, generation }
        }
      },
      ({ answer, generation }, { step }, isLatest) => {
        if (generation !== this.generation) return
        this.take(answer)
        if (!isLatest) return
        this.isUnfinished = answer.isUnfinished
        this.goTo(answer.isUnfinished ? step : step + 1)
      },
    )
  }

  private questionOf(step: number): Question {
    const { sections } = this
    if (step === figures) return { parts: always, sections, isQuick: true }
    const withinMs = sliceMs
    if (step === verdicts)
      return {
        parts: ['verdicts', 'signal', 'fixes', ...this.wanted.keys()],
        sections,
        withinMs,
      }
    if (step === facts) return { parts: ['facts', 'unreadable'], sections: [], withinMs }
    return { parts: ['fixes'], sections: [], withinMs, fixesOf: [...this.shown.keys()] }
  }

  /** While somebody types, what takes long would mostly be begun for nothing: it is asked for after as long a pause. */
  private goTo(step: number): void {
    clearTimeout(this.pause)
    const { plan } = this
    if (plan === undefined || step > fixes || (step === fixes && this.shown.size === 0)) {
      this.step = undefined
      return
    }
    this.step = step
    const ask = (): void => {
      this.request({ plan, step })
    }
    const canWait = this.isEdited && !this.isUnfinished && step !== figures && step !== fixes
    const ms = canWait ? (this.tookMs[step] ?? 0) : 0
    if (ms < leastPauseMs) ask()
    else this.pause = setTimeout(ask, Math.min(ms, longestPauseMs))
  }

  /** Goes on with the next state of the plan. */
  follow(plan: Plan): void {
    this.isEdited = this.plan !== undefined
    this.plan = plan
    this.ask()
  }

  /** Ends with this plan: what is under way is not told any more. */
  leave(): void {
    this.generation += 1
    this.plan = undefined
    this.ask()
    this.sent = undefined
    this.parts = {}
    this.tookMs.length = 0
    void this.service.begin()
  }

  /** Asks for a part as long as it is wanted. */
  want(part: PartName): () => void {
    const release = hold(this.wanted, part)
    this.isEdited = false
    this.ask()
    return release
  }

  /** Kinds of sections of the roll that the page shows. */
  show(sections: readonly SectionKind[]): void {
    this.sections = sections
    this.isEdited = false
    this.ask()
  }

  /** Fixes of a verdict are looked for as long as it is shown. */
  wantFixes(verdict: string): () => void {
    const release = hold(this.shown, verdict)
    if (this.step === undefined || this.step === fixes) this.goTo(fixes)
    return release
  }

  private ask(): void {
    this.isUnfinished = false
    this.goTo(figures)
  }

  private take({ changes, problem }: Answer): void {
    if (problem !== undefined) this.onProblem(problem)
    if (changes.length === 0) return
    this.parts = {
      ...this.parts,
      ...Object.fromEntries(
        changes.map(([part, change]) => [part, withDelta(this.parts[part], change)]),
      ),
    }
    if (always.every((part) => part in this.parts))
      this.onAnswers(this.parts as unknown as PlanAnswers)
  }
}

/** Counts a holder of a thing; gives how it lets go of it. */
function hold<Thing>(holders: Map<Thing, number>, thing: Thing): () => void {
  holders.set(thing, (holders.get(thing) ?? 0) + 1)
  return () => {
    const left = (holders.get(thing) ?? 1) - 1
    if (left > 0) holders.set(thing, left)
    else holders.delete(thing)
  }
}
