import type { BuildSchool } from '../plan/build-choices'
import type { Build } from '../plan/plan'
import { Heap } from '../quantity/heap'
import type { WiredPlan } from '../wire/wired-plan'
import { samplePace, samplesOf } from './samples'
import { changeMinutes, phases, type Step } from './step'
import { places } from './work'

/** Steps in the order in which they are done. */
export interface Schedule {
  readonly steps: readonly Step[]
  /** Hands on, changes of tool among them. */
  readonly minutes: number
  /** From the first step to the last, with what has to be waited for. */
  readonly elapsedMin: number
  /** Moves that the rules do not allow, and what each would break. */
  readonly broken: readonly BrokenMove[]
}

/** A step that was moved by hand to where it cannot be. */
export interface BrokenMove {
  readonly step: Step
  /** The steps that have to come before it, or that need it before them. */
  readonly because: readonly Step[]
}

const phaseNumber = new Map(phases.map((phase, index) => [phase, index]))

/**
 * Puts steps in an order in which each comes after all that it needs.
 *
 * @param school `one`: each run finished and tested before the next; `batch`: all that is done with one tool in one go
 * @param samples runs that are built whole before the batch
 */
export function inOrder(
  steps: readonly Step[],
  school: BuildSchool,
  samples: ReadonlySet<string> = new Set(),
): Step[] {
  const placeNumber = placesInOrder(steps)
  const keyOf = ({ place, phase }: Step): readonly [number, number] => {
    const at = placeNumber.get(place) ?? 0
    const due = phaseNumber.get(phase) ?? 0
    if (place === places.last) return [Infinity, due]
    // What everything hangs on, and samples, are finished before the batch.
    const isWhole = school === 'one' || place === places.board || samples.has(place)
    return isWhole ? [at - placeNumber.size, due] : [due, at]
  }
  const keys = steps.map(keyOf)
  const turns = steps.map(({ turn }) => turn)
  return sorted(steps, (a, b) => {
    const [one = none, other = none] = [keys[a], keys[b]]
    return compared(one[0], other[0]) || one[1] - other[1] || (turns[a] ?? 0) - (turns[b] ?? 0)
  })
}

const none = [0, 0] as const
const compared = (a: number, b: number): number => (a === b ? 0 : a - b)

/** Places in the order in which steps name them: the board, junctions, runs in the order of the data, sensors, supplies. */
function placesInOrder(steps: readonly Step[]): Map<string, number> {
  const order = new Map<string, number>([
    [places.first, 0],
    [places.board, 1],
  ])
  for (const { place } of steps)
    if (!order.has(place) && place !== places.last) order.set(place, order.size)
  order.set(places.last, order.size)
  return order
}

/**
 * A topological order that always takes the step that is due first; of equals the one that is listed first.
 *
 * @param compare two steps by their places in the list
 */
function sorted(steps: readonly Step[], compare: (a: number, b: number) => number): Step[] {
  const byRank = [...steps.keys()].sort((a, b) => compare(a, b) || a - b)
  const rank = new Map<string, number>()
  for (const [number, at] of byRank.entries()) {
    const step = steps[at]
    if (step !== undefined) rank.set(step.id, number)
  }
  const waits = steps.map(() => 0)
  const after = steps.map((): number[] => [])
  for (const step of steps)
    for (const need of step.needs) {
      const [own, before] = [rank.get(step.id), rank.get(need)]
      if (own === undefined || before === undefined) continue
      waits[own] = (waits[own] ?? 0) + 1
      after[before]?.push(own)
    }
  const ready = new Heap()
  for (const [index, count] of waits.entries()) if (count === 0) ready.push(index)
  const order: Step[] = []
  for (let next = ready.pop(); next !== undefined; next = ready.pop()) {
    const step = steps[byRank[next] ?? -1]
    if (step !== undefined) order.push(step)
    for (const one of after[next] ?? []) {
      const left = (waits[one] ?? 0) - 1
      waits[one] = left
      if (left === 0) ready.push(one)
    }
  }
  if (order.length < steps.length) {
    const stuck = steps.find(({ id }) => !order.some((one) => one.id === id))
    throw new RangeError(`steps need each other in a ring: ${stuck?.id ?? ''}`)
  }
  return order
}

/** Carries moves by hand out as far as the rules allow. A step that is told to come before another takes along nothing. */
function moved(
  order: readonly Step[],
  moves: Build['moved'],
): { readonly steps: readonly Step[]; readonly broken: readonly BrokenMove[] } {
  let steps = [...order]
  const broken: BrokenMove[] = []
  for (const { step: id, before } of moves) {
    const step = steps.find((one) => one.id === id)
    if (step === undefined) continue
    const others = steps.filter((one) => one !== step)
    const found = before === null ? others.length : others.findIndex((one) => one.id === before)
    if (found < 0) continue
    const tried = [...others.slice(0, found), step, ...others.slice(found)]
    const because = brokenBy(tried, step, found)
    if (because.length > 0) broken.push({ step, because })
    else steps = tried
  }
  return { steps, broken }
}

/** What a step at that place would come before although it needs it, or after although that needs it. */
function brokenBy(order: readonly Step[], step: Step, at: number): Step[] {
  const needs = new Set(step.needs)
  return order.filter((other, index) =>
    index < at ? other.needs.includes(step.id) : index > at && needs.has(other.id),
  )
}

/** What an order is made from. */
type OrderGiven = Pick<WiredPlan, 'plan' | 'cutRuns'> & { readonly steps: readonly Step[] }

/** The plan's own schedule, and what the other school comes to. */
export interface BuildOrder extends Schedule {
  readonly other: Pick<Schedule, 'minutes' | 'elapsedMin'> & { readonly school: BuildSchool }
}

export function buildOrder(given: OrderGiven): BuildOrder {
  const school = given.plan.build.school === 'one' ? 'batch' : 'one'
  const { minutes, elapsedMin } = scheduleOf(given, school)
  return { ...scheduleOf(given), other: { school, minutes, elapsedMin } }
}

/** The schedule of a plan by a school, with moves by hand and the user's own pace. */
export function scheduleOf(
  { plan, steps, cutRuns }: OrderGiven,
  school: BuildSchool = plan.build.school,
): Schedule {
  const { moved: moves, paces } = plan.build
  const pace = new Map(paces.map(({ kind, share }) => [kind, share]))
  const timed = new Map(
    plan.build.log.map(({ step, state, minutes }) => [step, state === 'done' ? minutes : 0]),
  )
  const samples = samplesOf(cutRuns)
  const sampleShare = samplePace(steps, samples, timed)
  const paced = steps.map((step) => {
    // A sample that was timed tells more than any typical figure, and more than the pace at other things.
    const { sample, times = 0 } = step.like ?? {}
    const sampleMin = sample === undefined ? 0 : (timed.get(sample) ?? 0) * times
    const share =
      sampleMin > 0 && step.minutes > 0
        ? sampleMin / step.minutes
        : (sampleShare(step) ?? pace.get(step.kind))
    return share === undefined ? step : { ...step, minutes: step.minutes * share, pace: share }
  })
  const { steps: order, broken } = moved(inOrder(paced, school, new Set(samples.values())), moves)
  return { steps: order, broken, ...timeOf(order) }
}

/**
 * How long an order takes one pair of hands: when the next step still has to wait for something to dry, another that is ready is done
 * meanwhile: the first of those that can be done, or the one that can be soonest. Steps that need one that is not there are left out.
 */
export function timeOf(order: readonly Step[]): Pick<Schedule, 'minutes' | 'elapsedMin'> {
  const places = new Map(order.map(({ id }, at) => [id, at]))
  const after = order.map((): number[] => [])
  for (const [at, { needs }] of order.entries())
    for (const need of needs) after[places.get(need) ?? -1]?.push(at)
  const left = order.map(({ needs }) => needs.length)
  const starts = new Float64Array(order.length)
  /** Places in the order of what can be done now, and of what can at a later time, which is a number of `times`. */
  const ready = new Heap()
  const later = new Map<number, number[]>()
  const times = new Heap()
  let [now, minutes, end] = [0, 0, 0]
  let tool: Step['tool'] | undefined
  const allow = (at: number): void => {
    const start = starts[at] ?? 0
    const others = later.get(start)
    if (start <= now) ready.push(at)
    else if (others !== undefined) others.push(at)
    else {
      later.set(start, [at])
      times.push(start)
    }
  }
  const goOn = (time: number): void => {
    now = time
    for (let next = times.first; next !== undefined && next <= now; next = times.first) {
      times.pop()
      for (const at of later.get(next) ?? []) ready.push(at)
      later.delete(next)
    }
  }
  for (const [at, count] of left.entries()) if (count === 0) allow(at)
  for (;;) {
    if (ready.first === undefined && times.first !== undefined) goOn(times.first)
    const at = ready.pop()
    const step = at === undefined ? undefined : order[at]
    if (at === undefined || step === undefined) break
    const change = step.tool === tool ? 0 : changeMinutes[step.tool]
    minutes += change + step.minutes
    tool = step.tool
    goOn(now + change + step.minutes)
    const done = now + step.waitMin
    end = Math.max(end, done)
    for (const one of after[at] ?? []) {
      starts[one] = Math.max(starts[one] ?? 0, done)
      left[one] = (left[one] ?? 0) - 1
      if (left[one] === 0) allow(one)
    }
  }
  return { minutes, elapsedMin: Math.max(end, now) }
}
