import type { LogEntry, Plan } from '../plan/plan'
import type { Step } from './step'

/** How far a build has come. */
export interface Progress {
  /** Ids of steps that are done, and of those that were passed over with a reason. */
  readonly done: ReadonlySet<string>
  readonly skipped: ReadonlySet<string>
  /** The first that is not done and lacks nothing; `undefined` once all are. */
  readonly next: Step | undefined
  /** Hands-on minutes that were logged, and that are still to come. */
  readonly spentMin: number
  readonly leftMin: number
  /** What was built and is no longer in the plan: it has to be undone. */
  readonly toUndo: readonly LogEntry[]
  /** What still dries or cures, and until when, ms. */
  readonly curing: readonly Curing[]
}

export interface Curing {
  readonly step: Step
  readonly untilMs: number
}

/** Kinds that leave something behind: the others are looks and measurements. */
const leavesSomething: ReadonlySet<LogEntry['kind']> = new Set([
  'cut',
  'joint',
  'insulate',
  'mount',
  'cover',
])

/** Steps that come once all is built. */
const atTheEnd: ReadonlySet<LogEntry['kind']> = new Set(['power', 'soak', 'book'])

/** When a plan was built, as an ISO date and time: the last of the steps at its end; `undefined` while none of them is done. */
export const builtAt = ({ build }: Pick<Plan, 'build'>): string | undefined =>
  build.log
    .flatMap(({ kind, state, at }) =>
      state === 'done' && at !== undefined && atTheEnd.has(kind) ? [at] : [],
    )
    .toSorted((a, b) => Date.parse(a) - Date.parse(b))
    .at(-1)

/** The log's entry of each step, by its id. */
export const logOf = ({ build }: Pick<Plan, 'build'>): ReadonlyMap<string, LogEntry> =>
  new Map(build.log.map((entry) => [entry.step, entry]))

/**
 * How far the build of a plan has come, by its log and the joints that are ticked: a step with joints is done when all of them are.
 *
 * @param nowMs for what cures
 */
export function progressOf(
  plan: Pick<Plan, 'build' | 'wiring'>,
  steps: readonly Step[],
  nowMs: number,
): Progress {
  const log = logOf(plan)
  const ticks = new Set(plan.wiring.ticks)
  const [done, skipped] = [new Set<string>(), new Set<string>()]
  const curing: Curing[] = []
  let [spentMin, leftMin] = [0, 0]
  for (const step of steps) {
    const entry = log.get(step.id)
    spentMin += entry?.minutes ?? 0
    const isDone =
      step.joints.length > 0
        ? step.joints.every((joint) => ticks.has(joint))
        : entry?.state === 'done'
    if (isDone) {
      done.add(step.id)
      const endedMs = entry?.at === undefined ? NaN : Date.parse(entry.at)
      const untilMs = endedMs + step.waitMin * 60_000
      if (step.waitMin > 0 && untilMs > nowMs) curing.push({ step, untilMs })
    } else if (entry?.state === 'skipped') skipped.add(step.id)
    else leftMin += Math.max(0, step.minutes - (entry?.minutes ?? 0))
  }
  const passed = (id: string): boolean => done.has(id) || skipped.has(id)
  const wet = new Set(curing.map(({ step }) => step.id))
  const open = steps.filter(({ id, needs }) => !passed(id) && needs.every(passed))
  const known = new Set(steps.map(({ id }) => id))
  return {
    done,
    skipped,
    // What waits for nothing that is wet goes first.
    next: open.find(({ needs }) => !needs.some((need) => wet.has(need))) ?? open[0],
    spentMin,
    leftMin,
    toUndo: plan.build.log.filter(
      ({ step, state, kind }) => state === 'done' && leavesSomething.has(kind) && !known.has(step),
    ),
    curing,
  }
}

/**
 * The steps that fit into some minutes, from the next on, ending where work may be left: never between a joint and its meter check.
 *
 * @returns fewer minutes where the next good place to stop comes earlier, none where not even the first fits
 */
export function stepsWithin(
  steps: readonly Step[],
  { done, skipped }: Pick<Progress, 'done' | 'skipped'>,
  minutes: number,
): readonly Step[] {
  const passed = new Set([...done, ...skipped])
  const unmeasured = new Set<string>()
  const fitting: Step[] = []
  let used = 0
  let good = 0
  for (const step of steps) {
    if (passed.has(step.id)) continue
    if (!step.needs.every((need) => passed.has(need))) continue
    used += step.minutes
    if (used > minutes) break
    fitting.push(step)
    passed.add(step.id)
    if (step.kind === 'joint') unmeasured.add(step.id)
    if (step.kind === 'check') for (const need of step.needs) unmeasured.delete(need)
    if (unmeasured.size === 0) good = fitting.length
  }
  return fitting.slice(0, good)
}

/** The user's own pace at a kind of step. */
export interface Pace {
  readonly kind: Step['kind']
  /** Of the typical minutes. */
  readonly share: number
  /** Timed steps that it comes from. */
  readonly count: number
}

/** So many timed steps of a kind tell a pace. */
const worthPace = 3

/**
 * The pace at each kind of step, as the log has it: minutes of all that were timed over their typical ones.
 *
 * @param steps with the minutes that the plan reckons with now
 */
export function pacesIn(plan: Pick<Plan, 'build'>, steps: readonly Step[]): readonly Pace[] {
  const log = logOf(plan)
  const sums = new Map<Step['kind'], { timed: number; typical: number; count: number }>()
  for (const { id, kind, minutes, pace = 1 } of steps) {
    const entry = log.get(id)
    if (entry?.state !== 'done' || entry.minutes <= 0 || minutes <= 0) continue
    const sum = sums.get(kind) ?? { timed: 0, typical: 0, count: 0 }
    sums.set(kind, {
      timed: sum.timed + entry.minutes,
      typical: sum.typical + minutes / pace,
      count: sum.count + 1,
    })
  }
  return [...sums].flatMap(([kind, { timed, typical, count }]) =>
    count < worthPace ? [] : [{ kind, share: Math.round((timed / typical) * 100) / 100, count }],
  )
}

/** Joints made since the last step whose readings were logged: where to look first when a reading is off. */
export function jointsSince(
  plan: Pick<Plan, 'build'>,
  steps: readonly Step[],
  { done }: Pick<Progress, 'done'>,
  id: string,
): readonly string[] {
  const log = logOf(plan)
  const fresh: string[] = []
  for (const step of steps) {
    if (step.id === id) break
    if ((log.get(step.id)?.readings.length ?? 0) > 0) fresh.length = 0
    if (done.has(step.id)) fresh.push(...step.joints)
  }
  return fresh
}
