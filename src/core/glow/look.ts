import type { CutStripRun } from '../cut/cut'
import { pointOf } from '../cut/pads'
import { sharesAt } from '../feed/brightness'
import type { SolvedRun } from '../feed/solution'
import type { LitRun } from '../load/lights'
import { hasOwnPins } from '../load/lit-colours'
import type { Box, Point } from '../measure/geometry'
import { placer, placesOf, type Layout } from '../measure/layout'
import { coverLets } from '../parts/covers'
import { mounted } from '../parts/mounted'
import type { RoutedPlan } from '../route/routed-plan'
import { readColour, whiteOf } from './colour'
import type { Field, FieldRun } from './field'
import { full } from './fixed'

/** Linear red, green and blue of a colour at full, 0–1. */
type Tint = readonly [red: number, green: number, blue: number]

const tintOf = ([r, g, b]: readonly number[]): Tint => [
  (r ?? 0) / full,
  (g ?? 0) / full,
  (b ?? 0) / full,
]

/** Whites of strips that do not say which, K. *Typical.* */
const [neutralK, warmK, coolK] = [4000, 2700, 6000]

/** How a channel looks by its white, or else by its name. */
function channelTint(name: string, kelvin?: number): Tint {
  if (kelvin !== undefined) return tintOf(whiteOf(kelvin))
  const lower = name.toLowerCase()
  if (lower === 'red') return [1, 0, 0]
  if (lower === 'green') return [0, 1, 0]
  if (lower === 'blue') return [0, 0, 1]
  if (lower.includes('yellow') || lower.includes('amber')) return [1, 0.55, 0]
  return tintOf(whiteOf(lower.includes('warm') ? warmK : lower.includes('co') ? coolK : neutralK))
}

/** How far the light is from the surface that it falls on by where it faces, mm, and the share of it that gets there. *Typical.* */
const facings = {
  wall: [45, 0.9],
  down: [90, 0.6],
  up: [90, 0.6],
  room: [220, 0.25],
} as const
/** A single light, lm. *Typical.* */
const lightLm = 4
/** A plain strip is drawn by a dot each so many mm, at most so many a run. */
const [dotMm, mostDots] = [25, 400]
/** Lights that lie side by side light the surface as one: so many of them at most. */
const mostSources = 260

/** Lights of one run as they are seen. */
interface SeenRun {
  readonly entry: CutStripRun
  /** Its run of the field; `undefined` where nothing dims it. */
  readonly run: FieldRun | undefined
  /** Colour of each channel. */
  readonly tints: readonly Tint[]
  readonly from: number
  readonly count: number
  /** Of one dot at full, lm, and where it falls. */
  readonly lumens: number
  readonly heightMm: number
  readonly through: number
}

/** The lights of a run among all that are seen, in the order of its data; turned, that begins where pads are counted to. */
export interface LookedRun {
  readonly id: string
  readonly from: number
  readonly count: number
  readonly isTurned: boolean
}

/** A run as one straight row of lights. */
export interface Tape {
  readonly name: string
  readonly lengthMm: number
  /** Its lights among all that are seen, in the order of its data. */
  readonly from: number
  readonly count: number
}

type LookGiven = Pick<RoutedPlan, 'plan' | 'cutRuns' | 'lit' | 'layout'>

/**
 * How a frame looks: each light in the colour that its volts leave it, and what falls on the wall behind, by lumens, distance and cover.
 *
 * Lux at d mm beside a light of Φ lm that is h before the wall: Φ/π × h² / (h² + d²)², h and d in m (handbook 3, blend and bench-light).
 */
export class Look {
  /** Of every light that is seen, on the drawing, mm. */
  readonly x: Float32Array
  readonly y: Float32Array
  /** Red, green and blue of each, linear, 1 = its run at full. */
  readonly light: Float32Array
  /** Red, green and blue of each cell of the wall, lux, row by row. */
  readonly wall: Float32Array
  private readonly runs: readonly SeenRun[]
  /** Dots of each source: from, up to. */
  private readonly sources: readonly (readonly [from: number, to: number])[]
  /** How much a source of 1 lm lights each cell, source by source. */
  private readonly falls: Float32Array
  private readonly lumens: Float32Array
  private readonly cells: number
  /** Red, green and blue of each cell, while they add up. */
  private readonly onWall: readonly [Float64Array, Float64Array, Float64Array]

  constructor(
    given: LookGiven,
    field: Field,
    { box, columns, rows }: { readonly box: Box; readonly columns: number; readonly rows: number },
  ) {
    const points: Point[] = []
    const runs: SeenRun[] = []
    const places = placesOf(given.layout)
    const lit = new Map(given.lit.map((run) => [run.id, run]))
    for (const entry of given.cutRuns) {
      const run = field.runs.find(({ id }) => id === entry.run.id)
      const own = dotsOf(entry, run, lit.get(entry.run.id), field, given.layout, places)
      if (own.length === 0) continue
      const { facing, cover, coverMm } = mounted(given.plan.own, entry.run.line.mount)
      const [heightMm, share] = facings[facing]
      const single = lit.get(entry.run.id)
      const part = single?.part
      runs.push({
        entry,
        run,
        tints:
          part === undefined
            ? entry.strip.light.channels.map((one) =>
                channelTint(one.name, 'kelvin' in one ? one.kelvin : undefined),
              )
            : // What lights its colours together is seen as all of them.
              (single !== undefined && hasOwnPins(single) ? single.colours : [part]).map(
                ({ tint }) => tintOf(readColour(tint) ?? [full, full, full]),
              ),
        from: points.length,
        count: own.length,
        lumens:
          part === undefined
            ? (entry.strip.lumensPerM * entry.placedMm) / 1000 / own.length
            : lightLm * part.leds,
        heightMm: heightMm + (cover === 'none' ? 0 : coverMm),
        through: share * coverLets[cover],
      })
      points.push(...own)
    }
    this.runs = runs
    this.x = Float32Array.from(points, ([x]) => x)
    this.y = Float32Array.from(points, ([, y]) => y)
    this.light = new Float32Array(3 * points.length)
    this.cells = columns * rows
    this.wall = new Float32Array(3 * this.cells)
    const none = (): Float64Array => new Float64Array(this.cells)
    this.onWall = [none(), none(), none()]
    this.lumens = new Float32Array(points.length)
    for (const { from, count, lumens, through } of runs)
      this.lumens.fill(lumens * through, from, from + count)
    const together = Math.max(1, Math.ceil(points.length / mostSources))
    const sources: [number, number][] = []
    for (const { from, count } of runs)
      for (let at = from; at < from + count; at += together)
        sources.push([at, Math.min(from + count, at + together)])
    this.sources = sources
    this.falls = new Float32Array(sources.length * this.cells)
    for (const [index, [from, to]] of sources.entries()) {
      const seen = runs.find((one) => from >= one.from && from < one.from + one.count)
      const [x, y] = [mean(this.x, from, to), mean(this.y, from, to)]
      // Several as one are spread over their own length.
      const spread =
        Math.hypot(
          (this.x[to - 1] ?? x) - (this.x[from] ?? x),
          (this.y[to - 1] ?? y) - (this.y[from] ?? y),
        ) / 2
      const h = Math.max(seen?.heightMm ?? 50, spread) / 1000
      for (let row = 0; row < rows; row += 1)
        for (let column = 0; column < columns; column += 1) {
          const dx = (box.x + ((column + 0.5) * box.width) / columns - x) / 1000
          const dy = (box.y + ((row + 0.5) * box.height) / rows - y) / 1000
          this.falls[index * this.cells + row * columns + column] =
            h ** 2 / (h ** 2 + dx ** 2 + dy ** 2) ** 2 / Math.PI
        }
    }
  }

  /** Runs as tapes, in the order of the data; what no program lights comes last. */
  get tapes(): Tape[] {
    const order = ({ run }: SeenRun): number => run?.from ?? Infinity
    return this.runs
      .toSorted((a, b) => (order(a) === order(b) ? 0 : order(a) - order(b)))
      .map(({ entry, from, count }) => ({
        name: entry.run.name,
        lengthMm: entry.placedMm > 0 ? entry.placedMm : lengthOf(this, from, count),
        from,
        count,
      }))
  }

  /**
   * Works out a frame.
   *
   * @param byteAt what is sent to a channel of an element, 0–255
   * @param solved the volts of the frame; a run that is missing has none and is dark
   * @param alter changes what the lights of a run look like before they fall on the wall
   */
  frame(
    byteAt: (run: FieldRun, element: number, channel: number) => number,
    solved: ReadonlyMap<string, SolvedRun>,
    alter?: (run: LookedRun, light: Float32Array) => void,
  ): void {
    for (const seen of this.runs) {
      const { entry, run, from, count } = seen
      const { id } = entry.run
      this.lightRun(seen, byteAt, solved.get(id))
      alter?.({ id, from, count, isTurned: run?.isTurned === true }, this.light)
    }
    this.lightWall()
  }

  private lightWall(): void {
    const { light, lumens, falls, cells, onWall } = this
    for (const channel of onWall) channel.fill(0)
    const from = new Int32Array(4)
    const lm = new Float64Array(12)
    let waiting = 0
    for (const [index, [first, end]] of this.sources.entries()) {
      let [r, g, b] = [0, 0, 0]
      for (let at = first; at < end; at += 1) {
        const own = lumens[at] ?? 0
        r += own * (light[3 * at] ?? 0)
        g += own * (light[3 * at + 1] ?? 0)
        b += own * (light[3 * at + 2] ?? 0)
      }
      if (r + g + b < 1e-4) continue
      from[waiting] = index * cells
      lm.set([r, g, b], 3 * waiting)
      waiting = (waiting + 1) % 4
      if (waiting === 0) addFour(onWall, falls, from, lm)
    }
    if (waiting > 0) addFour(onWall, falls, from, lm.fill(0, 3 * waiting))
    for (const [channel, own] of onWall.entries())
      for (let cell = 0; cell < cells; cell += 1) this.wall[3 * cell + channel] = own[cell] ?? 0
  }

  private lightRun(
    { entry, run, tints, from, count }: SeenRun,
    byteAt: (run: FieldRun, element: number, channel: number) => number,
    solved: SolvedRun | undefined,
  ): void {
    const { light } = this
    const isLights = run?.isLights ?? entry.run.lights.length > 0
    // Single lights hang on a lead as one: their volts are not told one by one.
    const shares = (load: number): readonly number[] | undefined =>
      isLights ? undefined : sharesAt(entry.strip, solved?.volts[load] ?? 0)
    const isOff = !isLights && solved === undefined
    for (let dot = 0; dot < count; dot += 1) {
      const loads = solved?.volts.length ?? 0
      const load =
        run !== undefined && run.count > 1 && run.count === loads
          ? run.isTurned
            ? loads - 1 - dot
            : dot
          : Math.min(loads - 1, Math.floor((dot * loads) / count))
      const own = isOff ? [] : shares(load)
      const element = run === undefined ? 0 : run.from + (run.count > 1 ? dot : 0)
      let [r, g, b] = [0, 0, 0]
      for (const [channel, [tr, tg, tb]] of tints.entries()) {
        const duty = run === undefined ? 1 : byteAt(run, element, channel) / 255
        const level = isOff ? 0 : duty * Math.min(1, own?.[channel] ?? 1)
        r += level * tr
        g += level * tg
        b += level * tb
      }
      light[3 * (from + dot)] = r
      light[3 * (from + dot) + 1] = g
      light[3 * (from + dot) + 2] = b
    }
  }
}

/**
 * Adds what four sources light of the wall: together, and each colour by itself, which takes a quarter of the time.
 *
 * @param wall red, green and blue of each cell
 * @param from where the cells of each source begin in `falls`
 * @param lm red, green and blue of each source
 */
function addFour(
  [red, green, blue]: readonly [Float64Array, Float64Array, Float64Array],
  falls: Float32Array,
  [at1 = 0, at2 = 0, at3 = 0, at4 = 0]: Int32Array,
  lm: Float64Array,
): void {
  const [r1 = 0, g1 = 0, b1 = 0, r2 = 0, g2 = 0, b2 = 0] = lm
  const [r3 = 0, g3 = 0, b3 = 0, r4 = 0, g4 = 0, b4 = 0] = lm.subarray(6)
  for (let cell = 0; cell < red.length; cell += 1) {
    const one = falls[at1 + cell] ?? 0
    const two = falls[at2 + cell] ?? 0
    const three = falls[at3 + cell] ?? 0
    const four = falls[at4 + cell] ?? 0
    red[cell] = (red[cell] ?? 0) + one * r1 + two * r2 + three * r3 + four * r4
    green[cell] = (green[cell] ?? 0) + one * g1 + two * g2 + three * g3 + four * g4
    blue[cell] = (blue[cell] ?? 0) + one * b1 + two * b2 + three * b3 + four * b4
  }
}

/** How far it is along lights that hang by themselves, mm. */
function lengthOf({ x, y }: Pick<Look, 'x' | 'y'>, from: number, count: number): number {
  let sum = 0
  for (let at = from + 1; at < from + count; at += 1)
    sum += Math.hypot((x[at] ?? 0) - (x[at - 1] ?? 0), (y[at] ?? 0) - (y[at - 1] ?? 0))
  return sum
}

const mean = (values: Float32Array, from: number, to: number): number => {
  let sum = 0
  for (let at = from; at < to; at += 1) sum += values[at] ?? 0
  return sum / (to - from)
}

/** Where the lights of a run are seen: its pixels or single lights, or dots along a plain strip. */
function dotsOf(
  entry: CutStripRun,
  run: FieldRun | undefined,
  lit: LitRun | undefined,
  field: Field,
  layout: Layout,
  places: ReturnType<typeof placesOf>,
): Point[] {
  if (run !== undefined && run.count > 1)
    return Array.from({ length: run.count }, (_, at): Point => [
      field.x[run.from + at] ?? 0,
      field.y[run.from + at] ?? 0,
    ])
  const place = places.get(entry.run.id) ?? layout.placed[0]?.place
  if (place === undefined) return []
  const put = placer(entry.run, place)
  if (lit !== undefined) return entry.run.lights.map(put)
  const apart = Math.max(
    1,
    Math.ceil(Math.max(dotMm, entry.placedMm / mostDots) / entry.strip.cutPitchMm),
  )
  return entry.pieces.flatMap((piece) => {
    const own: Point[] = []
    for (let group = 0; group < piece.groups; group += apart)
      own.push(put(pointOf(entry, piece, Math.min(piece.groups, group + apart / 2))))
    return own
  })
}

/** Lux that a screen shows in the middle of its range at no exposure, and what a light at full counts as. */
const [middleLux, lightLux] = [150, 1_000]

/** What an eye, or a camera, that takes a white for neutral sees of red, green and blue. @param kelvin 1000 to 40000 K */
export function balanceOf(kelvin: number): readonly [number, number, number] {
  const [r, g, b] = tintOf(whiteOf(kelvin))
  const least = 0.02
  return [g / Math.max(least, r), 1, g / Math.max(least, b)]
}

/** How light is shown: as lux on the wall, or a light that is looked at. */
export const luxOf = { wall: 1, light: lightLux } as const

/**
 * Linear light as the screen shows it, 0–255: an exposure in stops, softly held at the top so that its hue stays, and the screen's own
 * curve.
 *
 * @param linear red, green and blue side by side
 * @param balance what each of them is multiplied by first: `balanceOf`
 * @param into red, green, blue and, where `stride` is 4, 255
 */
export function show(
  linear: Float32Array,
  {
    stops,
    lux,
    stride,
    balance: [onRed, onGreen, onBlue],
  }: {
    readonly stops: number
    readonly lux: number
    readonly stride: 3 | 4
    readonly balance: readonly [number, number, number]
  },
  into: Uint8ClampedArray,
): void {
  const scale = (lux * 2 ** stops) / middleLux
  for (let from = 0, to = 0; from < linear.length; from += 3, to += stride) {
    const r = (linear[from] ?? 0) * onRed
    const g = (linear[from + 1] ?? 0) * onGreen
    const b = (linear[from + 2] ?? 0) * onBlue
    const most = Math.max(r, g, b) * scale
    const held = most < 1e-6 ? 0 : ((1 - Math.exp(-most)) / most) * scale
    into[to] = 255 * (r * held) ** (1 / 2.2)
    into[to + 1] = 255 * (g * held) ** (1 / 2.2)
    into[to + 2] = 255 * (b * held) ** (1 / 2.2)
    if (stride === 4) into[to + 3] = 255
  }
}
