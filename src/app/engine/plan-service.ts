import { messageOf } from '../../core/quantity/message-of'
import { Engine } from '../../core/engine'
import type { Derived } from '../../core/derived'
import { stages } from '../../core/stages'
import { earlyParts } from '../../core/tally-parts'
import type { Plan } from '../../core/plan/plan'
import type { FigureSection, SectionKind } from '../../core/roll/section'
import { deltaOf, withDelta, type Delta } from './delta'
import type { FixSearch } from './bit-by-bit'
import type * as lateParts from './late-parts'
import type { PartName } from './parts'
import { shared } from './share'

/** What a page asks for: parts of the tally, and kinds of sections of the roll. */
export interface Question {
  readonly parts: readonly PartName[]
  readonly sections: readonly SectionKind[]
  /** Sections of late stages can wait: as long as there are none, the last ones stand. */
  readonly isQuick?: boolean
  /** The answer may be put off once it has taken so long, so that a newer plan can come in, ms. Without it nothing is put off. */
  readonly withinMs?: number
  /** Verdicts whose fixes are looked for, by their ids; without it those that are found already are told. */
  readonly fixesOf?: readonly string[]
}

/** Sections of the roll that a page shows, by kind. */
export type RollFigures = Partial<Record<SectionKind, readonly FigureSection[]>>

/** What has changed of each part that was asked for since it was last told, or why it could not be worked out. */
export interface Answer {
  readonly changes: readonly (readonly [part: PartName | 'roll', change: Delta])[]
  readonly problem: string | undefined
  /** There is more to work out: who asks the same again gets more. */
  readonly isUnfinished: boolean
}

/** What comes a moment after the engine itself: late stages, the roll, and what only some pages ask for. */
type LateParts = typeof lateParts

/** The engine of the open plan. It remembers what it has told, so that an answer carries only what changed. */
export class PlanService {
  private readonly late: Promise<LateParts> = import('./late-parts').then((late) => {
    this.loaded = late
    return late
  })
  private loaded: LateParts | undefined
  private engine: Engine | undefined
  private plan: Plan | undefined
  private readonly sent = new Map<PartName | 'roll', unknown>()
  /** Fixes of the present plan, as far as they were looked for. */
  private search: FixSearch | undefined

  /** Forgets what was told: another page asks, or the plan is another. */
  begin(): void {
    this.engine = undefined
    this.plan = undefined
    this.search = undefined
    this.sent.clear()
  }

  /**
   * Never rejects: what goes wrong in a stage is told, and the other parts are answered.
   *
   * @param changed from the plan that was asked about last
   */
  async answer(changed: Delta, question: Question): Promise<Answer> {
    const { parts, sections, isQuick = false, withinMs, fixesOf } = question
    const until = performance.now() + (withinMs ?? Infinity)
    // What comes into a worker is new throughout: what equals the plan before is taken from there, so that stages see what changed.
    const plan = shared(this.plan, withDelta(this.plan, changed)) as Plan
    this.plan = plan
    const engine = (this.engine ??= new Engine(plan, stages))
    engine.follow(plan)
    const needsLate =
      !isQuick && (sections.length > 0 || parts.some((part) => !(part in earlyParts)))
    const late = needsLate ? await this.late : this.loaded
    // Another page asks since: it must not be left without what this answer would count as told.
    if (this.engine !== engine) return { changes: [], problem: undefined, isUnfinished: false }
    if (late !== undefined) engine.extend(late.allStages)
    // Another plan may have come while the late stages did.
    engine.follow(plan)
    const derived: Readonly<Record<string, Derived<unknown>>> = late?.planParts ?? earlyParts
    if (withinMs !== undefined && late !== undefined) {
      const asked = [
        ...parts.map((part) => derived[part]),
        ...sections.map((kind) => late.rollSections[kind]),
      ]
      if (!late.isDoneBy(until, engine, asked))
        return { changes: [], problem: undefined, isUnfinished: true }
    }
    const changes: (readonly [PartName | 'roll', Delta])[] = []
    let problem: string | undefined
    let isUnfinished = false
    const tell = (part: PartName | 'roll', work: () => unknown): void => {
      try {
        const last = this.sent.get(part)
        const value = shared(last, work())
        const change = deltaOf(last, value)
        if (change.kind !== 'same') changes.push([part, change])
        this.sent.set(part, value)
      } catch (error) {
        problem ??= messageOf(error)
      }
    }
    for (const part of parts)
      tell(part, () => {
        // What the plan's verdicts come with is not waited for: fixes are looked for when nothing else is asked.
        if (part === 'fixes' && late !== undefined) {
          if (this.search?.plan !== plan) this.search = new late.FixSearch(plan, engine.fork(plan))
          if (fixesOf !== undefined) isUnfinished = !this.search.goOn(until, fixesOf)
          return this.search.found
        }
        const of = derived[part]
        return of === undefined ? undefined : engine.work(of)
      })
    if (late !== undefined && sections.length > 0)
      tell('roll', (): RollFigures => {
        const last = this.sent.get('roll') as RollFigures | undefined
        return Object.fromEntries(
          sections.map((kind) => {
            const of = late.rollSections[kind]
            return [kind, isQuick && !isEarly(of) ? last?.[kind] : engine.work(of)]
          }),
        )
      })
    return { changes, problem, isUnfinished }
  }
}

/** What needs no late stage. */
const isEarly = ({ reads }: Derived<unknown>): boolean => reads.every((stage) => stage in stages)
