import type { Plan } from './plan/plan'
import type { Derived, StageName, WorkedPlan } from './derived'
import { areSame } from './quantity/same'

/** Stages by name; an engine may begin without the late ones. */
export type StageTable = { readonly [Name in StageName]?: Derived<WorkedPlan[Name]> }

interface Kept {
  readonly inputs: readonly unknown[]
  readonly value: unknown
}

/**
 * Works the stages of a plan out when they are asked for, and keeps each result until something that it reads has changed. A plan is
 * immutable: what is the same object has not changed.
 */
export class Engine {
  private readonly kept = new Map<Derived<unknown>, Kept>()
  /** What was compared with its inputs for the present plan. */
  private readonly fresh = new Set<Derived<unknown>>()
  /** The plan with the results of all stages, each worked out when it is read. */
  readonly worked: WorkedPlan

  private table: StageTable = {}

  constructor(
    private plan: Plan,
    table: StageTable,
  ) {
    const results = {}
    Object.defineProperty(results, 'plan', { get: () => this.plan, enumerable: true })
    this.worked = results as WorkedPlan
    this.extend(table)
  }

  /** Adds stages that have come since. */
  extend(table: StageTable): void {
    for (const name of Object.keys(table) as StageName[])
      if (!(name in this.table))
        Object.defineProperty(this.worked, name, { get: () => this.get(name), enumerable: true })
    this.table = { ...this.table, ...table }
  }

  /** Another engine that begins with what this one has kept, to try a change of the plan; this one stays as it is. */
  fork(plan: Plan): Engine {
    const fork = new Engine(this.plan, this.table)
    for (const [of, kept] of this.kept) fork.kept.set(of, kept)
    fork.follow(plan)
    return fork
  }

  /** Goes on with another plan, mostly the next state of the same. */
  follow(plan: Plan): void {
    if (plan === this.plan) return
    this.plan = plan
    this.fresh.clear()
  }

  /** The result of a stage for the present plan. */
  get<Name extends StageName>(name: Name): WorkedPlan[Name] {
    const stage = this.table[name]
    if (stage === undefined) throw new RangeError(`the engine has no stage ${name}`)
    return this.work(stage)
  }

  /** What is made of results of stages: the same object as before where nothing that it reads has changed. */
  work<Result>(of: Derived<Result>): Result {
    const known = this.kept.get(of)
    if (known !== undefined && this.fresh.has(of)) return known.value as Result
    const results = of.reads.map((read) => this.get(read))
    const inputs = [...of.plan.map((field) => this.plan[field]), ...results]
    if (known === undefined || !areSame(known.inputs, inputs)) {
      // It gets the results that it names and no others.
      const given = Object.fromEntries(of.reads.map((read, index) => [read, results[index]]))
      const value = of.work({ plan: this.plan, ...given } as unknown as WorkedPlan)
      this.kept.set(of, { inputs, value })
    }
    this.fresh.add(of)
    return this.kept.get(of)?.value as Result
  }
}
