import type { Plan } from './plan/plan'
import { stages, type StageName, type WorkedPlan } from './stages'

interface Kept {
  readonly inputs: readonly unknown[]
  readonly value: unknown
}

/**
 * Works the stages of a plan out when they are asked for, and keeps each result until something that it reads has changed. A plan is
 * immutable: what is the same object has not changed.
 */
export class Engine {
  private readonly kept = new Map<StageName, Kept>()
  /** Stages whose inputs were compared for the present plan. */
  private readonly fresh = new Set<StageName>()
  private readonly results: WorkedPlan

  constructor(private plan: Plan) {
    const results = {}
    Object.defineProperty(results, 'plan', { get: () => this.plan, enumerable: true })
    for (const name of Object.keys(stages) as StageName[])
      Object.defineProperty(results, name, { get: () => this.get(name), enumerable: true })
    this.results = results as WorkedPlan
  }

  /** Goes on with another plan, mostly the next state of the same. */
  follow(plan: Plan): void {
    if (plan === this.plan) return
    this.plan = plan
    this.fresh.clear()
  }

  /** The result of a stage for the present plan. */
  get<Name extends StageName>(name: Name): WorkedPlan[Name] {
    const known = this.kept.get(name)
    if (known !== undefined && this.fresh.has(name)) return known.value as WorkedPlan[Name]
    const { plan: fields, reads, work } = stages[name]
    const results = reads.map((read) => this.get(read))
    const inputs = [...fields.map((field) => this.plan[field]), ...results]
    if (known?.inputs.every((input, index) => Object.is(input, inputs[index])) !== true) {
      // A stage gets the results that it names and no others.
      const given = Object.fromEntries(reads.map((read, index) => [read, results[index]]))
      this.kept.set(name, {
        inputs,
        value: work({ plan: this.plan, ...given } as unknown as WorkedPlan),
      })
    }
    this.fresh.add(name)
    return this.kept.get(name)?.value as WorkedPlan[Name]
  }

  /** The plan with the results of all stages, each worked out when it is read. */
  get worked(): WorkedPlan {
    return this.results
  }
}

/** A plan with the results of all stages, each worked out when it is read. */
export const worked = (plan: Plan): WorkedPlan => new Engine(plan).worked
