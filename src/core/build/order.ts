import type { BuildSchool } from '../plan/build-choices'
import type { Build } from '../plan/plan'
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
  const keys = new Map(steps.map((step) => [step.id, keyOf(step)]))
  return sorted(steps, (a, b) => {
    const [one, other] = [keys.get(a.id) ?? [0, 0], keys.get(b.id) ?? [0, 0]]
    return compared(one[0], other[0]) || one[1] - other[1] || a.turn - b.turn
  })
}

/** Also of two that are infinite. */
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

/** A topological order that always takes the step that is due first; of equals the one that is listed first. */
function sorted(steps: readonly Step[], compare: (a: Step, b: Step) => number): Step[] {
  const ranked = steps.map((step, index) => ({ step, index }))
  const rank = new Map<string, number>()
  for (const [number, { step }] of ranked
    .toSorted((a, b) => compare(a.step, b.step) || a.index - b.index)
    .entries())
    rank.set(step.id, number)
  const byRank: Step[] = []
  for (const step of steps) byRank[rank.get(step.id) ?? 0] = step
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
    const step = byRank[next]
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

/** The smallest number first. */
class Heap {
  private readonly items: number[] = []

  push(item: number): void {
    const { items } = this
    let at = items.push(item) - 1
    while (at > 0) {
      const up = (at - 1) >> 1
      if ((items[up] ?? 0) <= item) break
      items[at] = items[up] ?? 0
      at = up
    }
    items[at] = item
  }

  pop(): number | undefined {
    const { items } = this
    const [top] = items
    const last = items.pop()
    if (last === undefined || items.length === 0) return top
    let at = 0
    for (;;) {
      let down = 2 * at + 1
      if (down >= items.length) break
      if ((items[down + 1] ?? Infinity) < (items[down] ?? Infinity)) down += 1
      if ((items[down] ?? Infinity) >= last) break
      items[at] = items[down] ?? 0
      at = down
    }
    items[at] = last
    return top
  }
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
 * meanwhile.
 */
export function timeOf(order: readonly Step[]): Pick<Schedule, 'minutes' | 'elapsedMin'> {
  const readyAt = new Map<string, number>()
  const left = new Set(order)
  let [now, minutes, end] = [0, 0, 0]
  let tool: Step['tool'] | undefined
  const startOf = (step: Step): number => {
    let start = 0
    for (const need of step.needs) start = Math.max(start, readyAt.get(need) ?? Infinity)
    return start
  }
  while (left.size > 0) {
    let next: Step | undefined
    let soonest = Infinity
    for (const step of left) {
      const start = startOf(step)
      if (start < soonest) [next, soonest] = [step, start]
      if (start <= now) break
    }
    // Each needs what is done: one is always ready.
    if (next === undefined) break
    const change = next.tool === tool ? 0 : changeMinutes[next.tool]
    now = Math.max(now, soonest) + change + next.minutes
    minutes += change + next.minutes
    end = Math.max(end, now + next.waitMin)
    readyAt.set(next.id, now + next.waitMin)
    tool = next.tool
    left.delete(next)
  }
  return { minutes, elapsedMin: Math.max(end, now) }
}
