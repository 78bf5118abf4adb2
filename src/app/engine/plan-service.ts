import { Engine } from '../../core/engine'
import type { Plan } from '../../core/plan/plan'
import { sectionsOf, type RollSection, type SectionKind } from '../../core/roll/roll'
import { deltaOf, type Delta } from './delta'
import { planParts, type PartName } from './parts'
import { shared } from './share'

/** What a page asks for: parts of the tally, and kinds of sections of the roll. */
export interface Question {
  readonly parts: readonly PartName[]
  readonly sections: readonly SectionKind[]
}

/** What has changed of each part that was asked for since it was last told, or why it could not be worked out. */
export interface Answer {
  readonly changes: readonly (readonly [part: PartName | 'roll', change: Delta])[]
  readonly problem: string | undefined
}

/** The engine of the open plan. It remembers what it has told, so that an answer carries only what changed. */
export class PlanService {
  private engine: Engine | undefined
  private plan: Plan | undefined
  private readonly told = new Map<PartName | 'roll', unknown>()

  /** Forgets what was told: another page asks, or the plan is another. */
  begin(): void {
    this.engine = undefined
    this.plan = undefined
    this.told.clear()
  }

  /** Never throws: what goes wrong in a stage is told, and the other parts are answered. */
  answer(next: Plan, { parts, sections }: Question): Answer {
    // What comes into a worker is new throughout: what equals the plan before is taken from there, so that stages see what changed.
    const plan = shared(this.plan, next)
    this.plan = plan
    if (this.engine === undefined) this.engine = new Engine(plan)
    else this.engine.follow(plan)
    const { engine } = this
    const changes: (readonly [PartName | 'roll', Delta])[] = []
    let problem: string | undefined
    const tell = (part: PartName | 'roll', work: () => unknown): void => {
      try {
        const last = this.told.get(part)
        const value = shared(last, work())
        changes.push([part, deltaOf(last, value)])
        this.told.set(part, value)
      } catch (error) {
        problem ??= error instanceof Error ? error.message : String(error)
      }
    }
    for (const part of parts) tell(part, () => engine.work<unknown>(planParts[part]))
    if (sections.length > 0) tell('roll', (): RollSection[] => sectionsOf(engine.worked, sections))
    return { changes: changes.filter(([, { kind }]) => kind !== 'same'), problem }
  }
}
