import { messageOf } from '../../core/quantity/message-of'
import { Engine } from '../../core/engine'
import type { Derived } from '../../core/derived'
import { stages } from '../../core/stages'
import { earlyParts } from '../../core/tally-parts'
import type { Fixes } from '../../core/choose/fixes'
import type { Plan } from '../../core/plan/plan'
import type { FigureSection, SectionKind } from '../../core/roll/section'
import { deltaOf, withDelta, type Delta } from './delta'
import type * as lateParts from './late-parts'
import type { PartName } from './parts'
import { shared } from './share'

/** What a page asks for: parts of the tally, and kinds of sections of the roll. */
export interface Question {
  readonly parts: readonly PartName[]
  readonly sections: readonly SectionKind[]
  /** Sections of late stages can wait: as long as there are none, the last ones stand. */
  readonly isQuick?: boolean
}

/** Sections of the roll that a page shows, by kind. */
export type RollFigures = Partial<Record<SectionKind, readonly FigureSection[]>>

/** What has changed of each part that was asked for since it was last told, or why it could not be worked out. */
export interface Answer {
  readonly changes: readonly (readonly [part: PartName | 'roll', change: Delta])[]
  readonly problem: string | undefined
  /** Fixes are still being looked for: ask again. */
  readonly isSearching: boolean
}

/** How long fixes are looked for before a newer plan may come in, ms. */
const searchMs = 40

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
  private readonly told = new Map<PartName | 'roll', unknown>()
  /** Fixes of the present plan, as far as they were looked for. */
  private search: FixSearch | undefined

  /** Forgets what was told: another page asks, or the plan is another. */
  begin(): void {
    this.engine = undefined
    this.plan = undefined
    this.search = undefined
    this.told.clear()
  }

  /**
   * Never rejects: what goes wrong in a stage is told, and the other parts are answered.
   *
   * @param changed from the plan that was asked about last
   */
  async answer(changed: Delta, { parts, sections, isQuick = false }: Question): Promise<Answer> {
    // What comes into a worker is new throughout: what equals the plan before is taken from there, so that stages see what changed.
    const plan = shared(this.plan, withDelta(this.plan, changed)) as Plan
    this.plan = plan
    const engine = (this.engine ??= new Engine(plan, stages))
    engine.follow(plan)
    const needsLate =
      !isQuick && (sections.length > 0 || parts.some((part) => !(part in earlyParts)))
    const late = needsLate ? await this.late : this.loaded
    if (late !== undefined) engine.extend(late.allStages)
    // Another plan may have come while the late stages did.
    engine.follow(plan)
    const derived = late?.planParts ?? earlyParts
    const changes: (readonly [PartName | 'roll', Delta])[] = []
    let problem: string | undefined
    const tell = (part: PartName | 'roll', work: () => unknown): void => {
      try {
        const last = this.told.get(part)
        const value = shared(last, work())
        const change = deltaOf(last, value)
        if (change.kind !== 'same') changes.push([part, change])
        this.told.set(part, value)
      } catch (error) {
        problem ??= messageOf(error)
      }
    }
    for (const part of parts)
      tell(part, () => {
        // What the plan's verdicts come with is not waited for: fixes are looked for when nothing else is asked.
        if (part === 'fixes' && late !== undefined)
          return this.fixesOf(engine, plan, late, parts.length === 1 ? searchMs : 0)
        const of = (derived as Readonly<Record<string, Derived<unknown>>>)[part]
        return of === undefined ? undefined : engine.work(of)
      })
    if (late !== undefined && sections.length > 0)
      tell('roll', (): RollFigures => {
        const last = this.told.get('roll') as RollFigures | undefined
        return Object.fromEntries(
          sections.map((kind) => {
            const of = late.rollSections[kind]
            return [kind, isQuick && !isEarly(of) ? last?.[kind] : engine.work(of)]
          }),
        )
      })
    return { changes, problem, isSearching: this.search?.isDone === false }
  }

  /** Looks for fixes for a while, on a copy of the engine that stays with this plan. */
  private fixesOf(engine: Engine, plan: Plan, late: LateParts, ms: number): Fixes {
    if (this.search?.plan !== plan)
      this.search = { plan, steps: late.fixSearch(engine.fork(plan)), found: {}, isDone: false }
    const { search } = this
    for (const until = performance.now() + ms; !search.isDone && performance.now() < until;) {
      const { done, value } = search.steps.next()
      if (done === true) search.isDone = true
      else if (value !== undefined) search.found = { ...search.found, [value.id]: value.fixes }
    }
    return search.found
  }
}

/** What needs no late stage. */
const isEarly = ({ reads }: Derived<unknown>): boolean => reads.every((stage) => stage in stages)

interface FixSearch {
  readonly plan: Plan
  readonly steps: ReturnType<LateParts['fixSearch']>
  found: Fixes
  isDone: boolean
}
