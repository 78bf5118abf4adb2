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
  'signal',
  'unread',
] as const satisfies readonly PartName[]

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

interface Job {
  readonly plan: Plan
  readonly question: Question
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
  /** What is asked for one after another. */
  private steps: readonly Question[] = []
  /** How long the answer to each of them took last, ms. */
  private readonly tookMs: number[] = []
  /** Somebody is changing the plan, and does not only look at it. */
  private isEdited = false
  /** Until what is asked for next. */
  private pause: ReturnType<typeof setTimeout> | undefined
  private readonly request: (job: Job) => void

  constructor(
    private readonly service: Answering,
    private readonly onAnswers: (told: PlanAnswers) => void,
    private readonly onProblem: (message: string) => void,
  ) {
    this.request = latestWins<Job, { answer: Answer; generation: number }>(
      async ({ plan, question }) => {
        const { generation } = this
        const start = performance.now()
        const step = this.steps.indexOf(question)
        try {
          const changed = deltaOf(this.sent, plan)
          this.sent = plan
          const answer = await this.service.answer(changed, question)
          if (step >= 0) this.tookMs[step] = performance.now() - start
          return { answer, generation }
        } catch (error) {
          // Whatever the far end has now: the next plan goes there whole.
          this.sent = undefined
          const problem = messageOf(error)
          return { answer: { changes: [], problem, isSearching: false }, generation }
        }
      },
      ({ answer, generation }, job, isLatest) => {
        if (generation !== this.generation) return
        this.take(answer)
        // Step by step: the figures, what is made of them, what only the header and the shelf tell, and bit by bit how to put it right.
        const at = this.steps.indexOf(job.question)
        const isLast = at === this.steps.length - 1
        const isGoingOn = isLast && answer.isSearching
        const next = isGoingOn ? job.question : this.steps[at + 1]
        if (isLatest && next !== undefined) this.later(next, isGoingOn ? 0 : this.tookMs[at + 1])
      },
    )
  }

  /** While somebody types, what takes long would keep the figures waiting: it is asked for after as long a pause. */
  private later(question: Question, ms = 0): void {
    const ask = (): void => {
      if (this.plan !== undefined) this.request({ plan: this.plan, question })
    }
    if (!this.isEdited || ms < leastPauseMs) ask()
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
    clearTimeout(this.pause)
    this.generation += 1
    this.plan = undefined
    this.sent = undefined
    this.parts = {}
    this.tookMs.length = 0
    void this.service.begin()
  }

  /** Asks for a part as long as it is wanted. */
  want(part: PartName): () => void {
    this.wanted.set(part, (this.wanted.get(part) ?? 0) + 1)
    this.isEdited = false
    this.ask()
    return () => {
      const left = (this.wanted.get(part) ?? 1) - 1
      if (left > 0) this.wanted.set(part, left)
      else this.wanted.delete(part)
    }
  }

  /** Kinds of sections of the roll that the page shows. */
  show(sections: readonly SectionKind[]): void {
    this.sections = sections
    this.isEdited = false
    this.ask()
  }

  private ask(): void {
    clearTimeout(this.pause)
    if (this.plan === undefined) return
    const first: Question = { parts: always, sections: this.sections, isQuick: true }
    this.steps = [
      first,
      { parts: ['verdicts', 'fixes', ...this.wanted.keys()], sections: this.sections },
      { parts: ['facts', 'unreadable'], sections: [] },
      { parts: ['fixes'], sections: [] },
    ]
    this.request({ plan: this.plan, question: first })
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
