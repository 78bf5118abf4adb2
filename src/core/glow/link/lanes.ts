import type { FedPlan } from '../../feed/fed-plan'
import { colourOrder } from '../../signal/program'
import { fieldOf, type FieldLane, type FieldRun } from '../field'
import { linkMark, type LinkShape } from './protocol'

/** A run, or a piece of one, in the elements of its lane. */
export interface LinkStretch {
  readonly name: string
  /** Its first element on the lane, from 0. */
  readonly from: number
  readonly count: number
}

export interface LinkRun extends LinkStretch {
  readonly id: string
  readonly stripId: string
  /** The data enters where the run ends: its elements count from there. */
  readonly isTurned: boolean
  /** In the order of the data. */
  readonly pieces: readonly LinkStretch[]
}

/** A lane as the bench link speaks of it: the same lanes as those of a show, in the same order. */
export interface LinkLane extends LinkShape {
  readonly name: string
  readonly kind: FieldLane['kind']
  /** Letters of its channels as colours are sent, such as `RGB`; lights of one colour have one, `W`. */
  readonly channels: string
  /** In which order its chips take them, as far as the plan knows. */
  readonly order: string
  /** Names of the channels for buttons: `Red`. */
  readonly channelNames: readonly string[]
  readonly runs: readonly LinkRun[]
}

export interface LinkPlan {
  readonly lanes: readonly LinkLane[]
  /** Sensors, buttons and knobs in the order of the plan. */
  readonly inputs: readonly { readonly id: string; readonly name: string }[]
  /** Brightness that is never exceeded, 0–1. */
  readonly limit: number
  readonly mark: string
}

/** How many more pixels can be lit than the plan has: a strip that is a little longer is noticed. */
const spareOf = (count: number): number => Math.max(4, Math.ceil(count / 10))

/** What the bench link has to know of a plan: the page, the simulated board and the generated C read the same. */
export function linkPlan(
  given: Pick<FedPlan, 'plan' | 'cutRuns' | 'lit' | 'lanes' | 'layout'>,
): LinkPlan {
  const { plan } = given
  const field = fieldOf(given)
  const lanes = field.lanes.map((lane): LinkLane => {
    const own = field.runs.filter(
      ({ from, count }) => from >= lane.from && from + count <= lane.from + lane.count,
    )
    const isPixels = lane.kind === 'pixels'
    const light = isPixels ? own[0]?.entry.strip.light : undefined
    const names =
      light?.kind === 'pixels' ? light.channels.map(({ name }) => name) : [own[0]?.name ?? '']
    return {
      name: lane.name,
      kind: lane.kind,
      count: lane.count,
      spare: isPixels ? spareOf(lane.count) : 0,
      bytes: lane.channels.length,
      channels: isPixels ? names.map((name) => name.charAt(0).toUpperCase()).join('') : 'W',
      order: light?.kind === 'pixels' ? colourOrder(light) : 'W',
      channelNames: names.map((name) => name.charAt(0).toUpperCase() + name.slice(1)),
      runs: own.map((run) => runOn(run, lane.from, isPixels)),
    }
  })
  const inputs = plan.signal.inputs.map(({ id, name }) => ({ id, name }))
  return { lanes, inputs, limit: plan.limit, mark: linkMark(lanes, inputs.length) }
}

function runOn(
  { id, name, from, count, entry, isTurned }: FieldRun,
  laneFrom: number,
  isPixels: boolean,
): LinkRun {
  const pieces: LinkStretch[] = []
  let next = from - laneFrom
  for (const piece of isTurned ? entry.pieces.toReversed() : entry.pieces) {
    if (!isPixels || piece.pixels === 0) continue
    pieces.push({ name: piece.name, from: next, count: piece.pixels })
    next += piece.pixels
  }
  return { id, name, stripId: entry.strip.id, isTurned, from: from - laneFrom, count, pieces }
}

/** Where on which lane the last pixel of a piece or a run is, by the names and ids that a step of building is about; the last that is found. */
export function lastOf(
  { lanes }: LinkPlan,
  about: readonly string[],
): { readonly lane: number; readonly at: number; readonly name: string } | undefined {
  const known = lanes.flatMap(({ runs }, lane) =>
    runs.flatMap((run) => [
      { key: run.id, lane, at: run.from + run.count - 1, name: run.name },
      ...run.pieces.map(({ name, from, count }) => ({
        key: name,
        lane,
        at: from + count - 1,
        name,
      })),
    ]),
  )
  for (const key of about.toReversed()) {
    const found = known.find((one) => one.key === key)
    if (found !== undefined) return found
  }
  return undefined
}
