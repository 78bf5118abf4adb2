import type { Engine } from '../engine'
import { change, type Command } from '../plan/commands'
import type { WorkedPlan } from '../derived'
import type { Grade } from '../verdict/kinds'
import type { JudgedFinding, Remedy } from '../verdict/verdict'
import { fixSearch, lookedAt } from './fixes'

/** What a plan comes to, as far as putting it right is weighed by it. */
export interface Standing {
  readonly stops: number
  readonly warnings: number
  /** Of everything on the bill that has a price, by typical prices or the user's own. */
  readonly price: number
  readonly joints: number
  readonly peakW: number
  readonly pixels: number
}

/** One remedy on the way, and what it was taken for. */
export interface PutRightStep {
  readonly label: string
  readonly cause: string
}

/** Remedies that leave a plan without stops, then with as few warnings as they can. */
export interface PutRight {
  readonly steps: readonly PutRightStep[]
  /** All of them, as one edit. */
  readonly commands: readonly Command[]
  readonly before: Standing
  readonly after: Standing
  /** What no remedy clears: a sentence each. */
  readonly left: readonly string[]
}

/** More remedies than this in a row are no plan that was nearly right. */
const mostSteps = 40

/** Remedies that make a dimmer or another light of it are taken last: worth so much in price for each lost watt and pixel. */
const pricePerLostWatt = 0.2
const pricePerLostPixel = 0.02
/** What a further joint is worth in work. */
const pricePerJoint = 0.3

/**
 * Looks for remedies that leave no stop, then no warning: step by step the one that costs least for what it clears, of those that were
 * tried on the whole plan. Light that is lost counts as cost. It is the cheapest way that was found, not a proof that there is no other.
 *
 * Yields how many verdicts are left after each step, so that whoever asks can tell, or end it.
 */
export function* putRight(engine: Engine): Generator<number, PutRight> {
  const before = standing(engine.worked)
  const commands: Command[] = []
  const steps: PutRightStep[] = []
  let own = engine
  for (const grade of ['stop', 'warning'] as const) {
    while (steps.length < mostSteps) {
      const best = cheapest(own, grade)
      if (best === undefined) break
      const { remedy, verdict, next } = best
      commands.push(...remedy.commands)
      steps.push({ label: remedy.label, cause: verdict.text })
      own = next
      yield own.worked.findings.filter((one) => one.grade === grade).length
    }
  }
  const left = own.worked.findings.filter(({ grade }) => grade !== 'note').map(({ text }) => text)
  return {
    steps,
    commands,
    before,
    after: standing(own.worked),
    left,
  }
}

interface Found {
  readonly remedy: Remedy
  readonly verdict: JudgedFinding
  readonly next: Engine
  readonly cost: number
}

/** Of the confirmed remedies for verdicts of a grade the one that costs least for each verdict that it clears. */
function cheapest(engine: Engine, grade: Grade): Found | undefined {
  const { plan, findings } = engine.worked
  const before = standing(engine.worked)
  const wanted = new Map(findings.filter((one) => one.grade === grade).map((one) => [one.id, one]))
  let best: Found | undefined
  for (const step of fixSearch(engine, ({ id }) => wanted.has(id))) {
    const found = lookedAt(step)
    const verdict = found && wanted.get(found.id)
    if (found === undefined || verdict === undefined) continue
    for (const remedy of found.fixes) {
      const next = engine.fork(change(plan, remedy.commands).plan)
      const after = standing(next.worked)
      const cleared = weight(before) - weight(after)
      if (cleared <= 0 || after.stops > before.stops) continue
      const cost = costOf(before, after) / cleared
      if (best === undefined || cost < best.cost - 1e-9) best = { remedy, verdict, next, cost }
    }
  }
  return best
}

const weight = ({ stops, warnings }: Standing): number => stops * 10 + warnings

/** What a change costs: its price, and the light that it takes away. A dearer supply that nobody needs is no gain. */
const costOf = (before: Standing, after: Standing): number =>
  after.price -
  before.price +
  (after.joints - before.joints) * pricePerJoint +
  Math.max(0, before.peakW - after.peakW) * pricePerLostWatt +
  Math.max(0, before.pixels - after.pixels) * pricePerLostPixel

/** What a worked-out plan comes to. */
function standing({
  findings,
  receipt,
  loads,
  cutRuns,
  joints,
}: Pick<WorkedPlan, 'findings' | 'receipt' | 'loads' | 'cutRuns' | 'joints'>): Standing {
  const count = (grade: Grade): number => findings.filter((one) => one.grade === grade).length
  return {
    stops: count('stop'),
    warnings: count('warning'),
    price: receipt.total,
    joints: joints.length,
    peakW: loads.reduce((sum, { currentA, volts }) => sum + currentA['full-white'] * volts, 0),
    pixels: cutRuns.reduce((sum, { pixels }) => sum + pixels, 0),
  }
}
