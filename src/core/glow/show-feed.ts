import { groupDraw } from '../load/group-draw'
import { colourShares } from '../load/lit-colours'
import { networkName, planNetwork, type PlanNetworkGiven } from '../feed/plan-network'
import { changingFeed, type ChangingFeed } from '../feed/solve'
import type { SolvedRun } from '../feed/solution'
import type { Field, FieldRun } from './field'

/** Amperes and volts of one frame. */
export interface FrameFeed {
  /** Of each supply of the plan, in its order, A. */
  readonly supplyA: readonly number[]
  /** Of each run by its id; runs that reach no supply are missing. */
  readonly runs: ReadonlyMap<string, SolvedRun>
}

/** What is sent for a channel of an element in a frame, 0–255. */
type ByteAt = (run: FieldRun, element: number, channel: number) => number

/** One run of the field with the brightness that the network reads. */
interface DutyRun {
  readonly run: FieldRun
  readonly duties: Float64Array
  /** How much each channel of a plain strip, or colour of single lights, counts: its share of the watts. `undefined` for pixels. */
  readonly weights: readonly number[] | undefined
}

/** The feed of a plan while a show plays: its network is made once, and solved for each frame with the brightness of that frame. */
export class ShowFeed {
  private readonly duties: readonly DutyRun[]
  private readonly feed: ChangingFeed
  private readonly supplies: readonly string[]
  readonly volts: readonly number[]

  constructor(given: PlanNetworkGiven, field: Field) {
    const litOf = new Map(given.lit.map((run) => [run.id, run]))
    this.duties = field.runs.map((run): DutyRun => {
      const { light } = run.entry.strip
      const isPixels = !run.isLights && light.kind === 'pixels'
      const own = run.channels.length > 1 ? litOf.get(run.id) : undefined
      const { channelMa } = groupDraw(run.entry.strip)
      const all = channelMa.reduce((sum, mA) => sum + mA, 0)
      return {
        run,
        duties: new Float64Array(
          run.isLights ? 1 : run.loads * (isPixels ? run.channels.length : 1),
        ),
        weights: isPixels
          ? undefined
          : run.isLights
            ? own === undefined
              ? [1]
              : colourShares(own)
            : channelMa.map((mA) => (all > 0 ? mA / all : 0)),
      }
    })
    this.supplies = given.plan.supplies.map(({ id }) => networkName.supply(id))
    this.volts = given.plan.supplies.map(({ id }) => given.volts.get(id) ?? 0)
    const levels = new Map(this.duties.map(({ run, duties }) => [run.id, duties]))
    this.feed = changingFeed(planNetwork(given, 'full-white', levels))
  }

  /**
   * Solves a frame.
   *
   * @param byteAt what is sent for each channel of each element, 0–255
   * @returns `undefined` where the network has no answer
   */
  frame(byteAt: ByteAt): FrameFeed | undefined {
    this.set(byteAt)
    return this.solved()
  }

  /**
   * Which supplies a frame draws more of than this, by their places in the plan; a frame is only solved where it could.
   *
   * @param mostA of each supply, A
   */
  over(byteAt: ByteAt, mostA: readonly number[]): number[] {
    this.set(byteAt)
    const bounds = this.feed.mostA()
    const isOver = (amperes = 0, at: number): boolean => amperes > (mostA[at] ?? Infinity)
    if (!this.supplies.some((id, at) => isOver(bounds.get(id), at))) return []
    const supplyA = this.solved()?.supplyA ?? []
    return [...supplyA.keys()].filter((at) => isOver(supplyA[at], at))
  }

  private set(byteAt: ByteAt): void {
    for (const { run, duties, weights } of this.duties) fill(run, duties, weights, byteAt)
  }

  private solved(): FrameFeed | undefined {
    const result = this.feed.solve()
    if (!result.ok) return undefined
    const { supplyA, runs } = result.solution
    return {
      supplyA: this.supplies.map((id) => supplyA.get(id) ?? 0),
      runs: new Map([...runs].flatMap(([id, run]) => ('floating' in run ? [] : [[id, run]]))),
    }
  }
}

function fill(
  run: FieldRun,
  duties: Float64Array,
  weights: readonly number[] | undefined,
  byteAt: ByteAt,
): void {
  const { from, count, isTurned, channels } = run
  if (weights !== undefined) {
    let sum = 0
    for (let at = from; at < from + count; at += 1)
      for (const [channel, weight] of weights.entries()) sum += weight * byteAt(run, at, channel)
    duties.fill(sum / count / 255)
    return
  }
  const stride = channels.length
  for (let at = 0; at < count; at += 1) {
    const load = (isTurned ? count - 1 - at : at) * stride
    for (let channel = 0; channel < stride; channel += 1)
      duties[load + channel] = byteAt(run, from + at, channel) / 255
  }
}
