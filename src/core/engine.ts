import type { Plan } from './plan/plan'
import type { Derived, StageName, WorkedPlan } from './derived'
import { onTrial } from './quantity/kept'
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

  /** @param isTrial the plan is only tried: what is remembered of the one that it comes from stays */
  constructor(
    private plan: Plan,
    table: StageTable,
    private readonly isTrial = false,
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
    const fork = new Engine(this.plan, this.table, true)
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
    return this.work(this.stage(name))
  }

  private stage<Name extends StageName>(name: Name): Derived<WorkedPlan[Name]> {
    const stage = this.table[name]
    if (stage === undefined) throw new RangeError(`the engine has no stage ${name}`)
    return stage
  }

  /**
   * Works out what a result is made of, and then itself: yields after each stage, so that whoever asks can turn to something else in
   * between. What is there already takes no step; steps that are begun anew go on from where the last ones were left.
   */
  *steps(of: Derived<unknown>): Generator<'stage', void> {
    if (this.fresh.has(of)) return
    for (const read of of.reads) yield* this.steps(this.stage(read))
    this.work(of)
    yield 'stage'
  }

  /** The same for the result of a stage. */
  stepsTo(name: StageName): Generator<'stage', void> {
    return this.steps(this.stage(name))
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
      const worked = { plan: this.plan, ...given } as unknown as WorkedPlan
      const value = this.isTrial ? onTrial(() => of.work(worked)) : of.work(worked)
      this.kept.set(of, { inputs, value })
    }
    this.fresh.add(of)
    return this.kept.get(of)?.value as Result
  }
}
