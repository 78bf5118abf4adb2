import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import { dimmersOf } from '../lanes/dimmers'
import type { Lane } from '../lanes/lanes'
import { pixelMap } from '../lanes/pixel-map'
import { groupCount, hasOwnPins } from '../load/lit-colours'
import type { RoutedPlan } from '../route/routed-plan'
import { placer, placesOf } from '../measure/layout'
import type { Point } from '../measure/geometry'
import { loadsPerGroup } from '../load/group-draw'
import { full } from './fixed'

/** What a channel of a light takes of a colour. */
export type ChannelKind = 'red' | 'green' | 'blue' | 'white' | 'warm' | 'cool' | 'all' | 'none'

/** Pixels or groups of a run, in the elements of the show. */
export interface FieldRun {
  readonly id: string
  readonly name: string
  readonly entry: CutStripRun
  /** Its first element, in the order of the data. */
  readonly from: number
  readonly count: number
  /** Loads of the run that the elements stand for: as many, or all of them for one element of a dimmer. */
  readonly loads: number
  /** The data enters at the end where its loads are counted to. */
  readonly isTurned: boolean
  readonly channels: readonly ChannelKind[]
  /** Own single lights: they are lit as one. */
  readonly isLights: boolean
}

/** Bytes that the program sends in a row: a data output, or one channel of a dimmer. */
export interface FieldLane {
  readonly name: string
  readonly kind: 'pixels' | 'lights' | 'dimmer'
  /** Elements that it takes, one after another. */
  readonly from: number
  readonly count: number
  readonly channels: readonly ChannelKind[]
}

/**
 * Everything that a show can light, as one row of elements: the pixels of all lanes in the order of their data, extra and dark ones too,
 * then single lights that have pins of their own, then each dimmer as one.
 */
export interface Field {
  readonly runs: readonly FieldRun[]
  readonly lanes: readonly FieldLane[]
  readonly count: number
  /** Of each element: its run among `runs`, or -1 where it is never lit. */
  readonly run: Int32Array
  /** On the drawing, and along its run, mm. */
  readonly x: Float64Array
  readonly y: Float64Array
  readonly along: Float64Array
}

type FieldGiven = Pick<RoutedPlan, 'cutRuns' | 'lit' | 'lanes' | 'layout'>

/** What each channel of a light is by its name; of several with names of their own none is lit. */
export function channelKinds(names: readonly string[]): ChannelKind[] {
  return names.map((name): ChannelKind => {
    const lower = name.toLowerCase()
    if (lower === 'red' || lower === 'green' || lower === 'blue')
      return names.length === 1 ? 'all' : lower
    if (names.length === 1) return 'all'
    if (lower.includes('warm')) return 'warm'
    if (lower.includes('cool') || lower.includes('cold')) return 'cool'
    return lower.includes('white') ? 'white' : 'none'
  })
}

export function fieldOf({ cutRuns, lit, lanes, layout }: FieldGiven): Field {
  const pixels = pixelMap(lanes, layout)
  const dimmers = dimmersOf(cutRuns, lit).filter(({ by }) => by !== 'button')
  const runs: FieldRun[] = []
  const fieldLanes: FieldLane[] = []
  const single = lit.filter(hasOwnPins)
  const count =
    pixels.length + single.reduce((sum, own) => sum + groupCount(own), 0) + dimmers.length
  const field = {
    run: new Int32Array(count).fill(-1),
    x: new Float64Array(count),
    y: new Float64Array(count),
    along: new Float64Array(count),
  }
  for (const [at, pixel] of pixels.entries()) [field.x[at], field.y[at]] = pixel.at
  let first = 0
  for (const lane of lanes) {
    addLane(lane, first, { ...field, runs, isLit: (at) => pixels[at]?.isLit ?? false })
    fieldLanes.push({
      name: lane.name,
      kind: 'pixels',
      from: first,
      count: lane.pixels,
      channels: channelKinds(channelNames(lane.runs[0]?.entry)),
    })
    first += lane.pixels
  }
  const places = placesOf(layout)
  for (const own of single) {
    const { id, settings, colours } = own
    const groups = groupCount(own)
    const entry = entryOf(cutRuns, id)
    if (entry === undefined) continue
    const place = places.get(id)
    const put = place === undefined ? (point: Point): Point => point : placer(entry.run, place)
    for (let at = 0; at < groups; at += 1) {
      const point = put(entry.run.lights[at * settings.inSeries] ?? [0, 0])
      ;[field.x[first + at], field.y[first + at]] = point
      field.run[first + at] = runs.length
    }
    measureAlong(field, first, groups)
    const common = {
      name: entry.run.name,
      from: first,
      count: groups,
      channels: channelKinds(colours.map(({ name }) => name)),
    }
    runs.push({ ...common, id, entry, loads: groups, isTurned: false, isLights: true })
    fieldLanes.push({ ...common, kind: 'lights' })
    first += groups
  }
  for (const { name, channels, runs: own } of dimmers) {
    const kinds = channelKinds(channels)
    for (const entry of own) {
      const isLights = lit.some(({ id }) => id === entry.run.id)
      runs.push({
        id: entry.run.id,
        name: entry.run.name,
        entry,
        from: first,
        count: 1,
        loads: entry.groups * loadsPerGroup(entry.strip),
        isTurned: false,
        channels: isLights ? ['all'] : channelKinds(channelNames(entry)),
        isLights,
      })
      const place = places.get(entry.run.id)
      const { x, y, width, height } = entry.run.box
      const middle: Point = [x + width / 2, y + height / 2]
      ;[field.x[first], field.y[first]] =
        place === undefined ? middle : placer(entry.run, place)(middle)
      // Runs that dim together are found by any of them: the element is that of the first.
      if ((field.run[first] ?? -1) < 0) field.run[first] = runs.length - 1
    }
    for (const [channel, kind] of kinds.entries())
      fieldLanes.push({
        name: kinds.length === 1 ? name : `${name} ${channels[channel] ?? ''}`,
        kind: 'dimmer',
        from: first,
        count: 1,
        channels: [kind],
      })
    first += 1
  }
  return { ...field, runs, lanes: fieldLanes, count }
}

const channelNames = (entry: CutStripRun | undefined): string[] =>
  entry?.strip.light.channels.map(({ name }) => name) ?? []

function addLane(
  lane: Lane,
  first: number,
  {
    runs,
    isLit,
    ...field
  }: Pick<Field, 'run' | 'x' | 'y' | 'along'> & {
    readonly runs: FieldRun[]
    readonly isLit: (at: number) => boolean
  },
): void {
  const { run } = field
  for (const { entry, first: inLane, pixels, isAgainstArrow } of lane.runs) {
    const from = first + inLane
    runs.push({
      id: entry.run.id,
      name: entry.run.name,
      entry,
      from,
      count: pixels,
      loads: pixels,
      isTurned: isAgainstArrow,
      channels: channelKinds(channelNames(entry)),
      isLights: false,
    })
    for (let at = from; at < from + pixels; at += 1) {
      if (isLit(at)) run[at] = runs.length - 1
    }
    measureAlong(field, from, pixels)
  }
}

/** Places of elements along their run: from one to the next as the crow flies, mm. */
function measureAlong(
  { x, y, along }: Pick<Field, 'x' | 'y' | 'along'>,
  from: number,
  count: number,
): void {
  for (let at = from + 1; at < from + count; at += 1)
    along[at] =
      (along[at - 1] ?? 0) +
      Math.hypot((x[at] ?? 0) - (x[at - 1] ?? 0), (y[at] ?? 0) - (y[at - 1] ?? 0))
}

/**
 * What a channel takes of a colour: white where there is a white channel is made by it, so that red, green and blue hold what is left;
 * without one it is mixed.
 *
 * @param light linear red, green, blue and white, 0 to 65535, from `at`
 */
export function channelLevel(
  kind: ChannelKind,
  hasWhite: boolean,
  light: ArrayLike<number>,
  at: number,
): number {
  const [r, g, b, w] = [light[at] ?? 0, light[at + 1] ?? 0, light[at + 2] ?? 0, light[at + 3] ?? 0]
  const white = Math.min(r, g, b)
  switch (kind) {
    case 'red':
      return hasWhite ? r - white : Math.min(full, r + w)
    case 'green':
      return hasWhite ? g - white : Math.min(full, g + w)
    case 'blue':
      return hasWhite ? b - white : Math.min(full, b + w)
    case 'white':
      return Math.min(full, white + w)
    case 'cool':
      return white
    case 'warm':
      return Math.min(full, Math.max(r, g, b) - white + w)
    case 'all':
      return Math.min(full, Math.max(r, g, b) + w)
    case 'none':
      return 0
  }
}

/** Whether a light of these channels has a white one of its own. */
export const hasWhite = (channels: readonly ChannelKind[]): boolean => channels.includes('white')

/** A linear level as the byte that is sent: × the limit, rounded. @param limit 65536 lets everything through */
export const byteOf = (level: number, limit: number): number =>
  Math.floor((Math.floor((level * limit + 32_768) / 65_536) * 255 + 32_767) / full)

/** The byte that a channel is sent of a light from `at`. @param limit as for `byteOf` */
export const sentByte = (
  kind: ChannelKind,
  isWithWhite: boolean,
  light: ArrayLike<number>,
  at: number,
  limit: number,
): number => byteOf(channelLevel(kind, isWithWhite, light, at), limit)
