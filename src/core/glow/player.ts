import type { CompiledLayer, CompiledScene, CompiledShow } from './compile'
import { byteOf, hasWhite, sentByte, type ChannelKind } from './field'
import { full, mix, mul } from './fixed'
import { limiterScales, scaleElements, unscaled } from './limiter'
import { tickMs, type Paint } from './pattern'

/** Words of the player's own memory, before one for each scene's input. */
const words = {
  /** When the next tick is due. */
  next: 0,
  scene: 1,
  since: 2,
  /** The scene that is fading away, or -1. */
  before: 3,
  beforeSince: 4,
  /** A scene that an input asked for while another one was still fading in, or -1. */
  asked: 5,
  /** When the input of the scene that plays was last on. */
  held: 6,
  /** The scene that is gone back to. */
  turn: 7,
} as const
const ownWords = 8

/** Minutes of a day; a clock that says as many or more is not set. */
export const dayMinutes = 1440

/** The scene whose time of day it is, the last of several; -1 for none, and while the clock is not set. */
export const dueScene = (
  scenes: readonly Pick<CompiledScene, 'clock' | 'lengthMs'>[],
  minute: number,
): number =>
  minute >= dayMinutes
    ? -1
    : scenes.findLastIndex(
        ({ clock, lengthMs }) =>
          clock >= 0 && ((minute + dayMinutes - clock) % dayMinutes) * 60_000 < lengthMs,
      )

/**
 * Plays a show: a step from a memory of fixed size, the time and the inputs, in whole numbers alone, so that the same inputs at the same
 * times give the same bytes everywhere. `formats/c-show` writes the same in C99.
 */
export class Player {
  /** Linear red, green, blue and white of each element, after `paint`. */
  readonly light: Uint16Array
  /** By how much the limiter scales each element, in 65536ths, after `paint`. */
  private readonly scales: Uint32Array
  /** The lowest of them. */
  private lowest = unscaled
  private readonly other: Uint16Array
  private readonly own: Int32Array
  private readonly scratch: Paint = { r: 0, g: 0, b: 0, w: 0, a: 0 }

  constructor(readonly show: CompiledShow) {
    this.light = new Uint16Array(show.field.count * 4)
    this.other = new Uint16Array(show.field.count * 4)
    this.scales = new Uint32Array(show.field.count).fill(unscaled)
    this.own = new Int32Array(ownWords + show.scenes.length)
    this.restart()
  }

  /** Back to the start, as the board is when it is switched on. */
  restart(): void {
    this.own.fill(0)
    this.own[words.before] = -1
    this.own[words.asked] = -1
    this.own[words.scene] = this.own[words.turn] = this.show.turns[0] ?? 0
    this.scales.fill(unscaled)
    this.lowest = unscaled
    for (const { layers } of this.show.scenes) for (const { m } of layers) m.fill(0)
  }

  /** The number of the scene that plays. */
  get sceneNumber(): number {
    return this.own[words.scene] ?? 0
  }

  /** The scene that plays. */
  get scene(): CompiledScene | undefined {
    return this.show.scenes[this.sceneNumber]
  }

  /**
   * All ticks up to a time, ms; times only go up.
   *
   * @param inputs 0 to 65535 each, in the order of the plan's; behind them the minute of the day, where the show goes by the clock
   */
  step(ms: number, inputs: ArrayLike<number>): void {
    while ((this.own[words.next] ?? 0) <= ms) {
      this.tick(this.own[words.next] ?? 0, inputs)
      this.own[words.next] = (this.own[words.next] ?? 0) + tickMs
    }
  }

  private tick(ms: number, inputs: ArrayLike<number>): void {
    const { own } = this
    const { scenes, turns } = this.show
    const due = dueScene(scenes, inputs[this.show.inputs.length] ?? dayMinutes)
    for (const [index, { input, from, to }] of scenes.entries()) {
      if (input < 0) continue
      const said = inputs[input] ?? 0
      const isWanted = said >= from && said <= to && input < this.show.inputs.length
      const isNew = isWanted && own[ownWords + index] === 0
      own[ownWords + index] = isWanted ? 1 : 0
      if (index === own[words.scene]) {
        if (isWanted) own[words.held] = ms
      } else if (isNew) own[words.asked] = index
    }
    const scene = scenes[own[words.scene] ?? 0]
    const age = ms - (own[words.since] ?? 0)
    if ((own[words.before] ?? -1) >= 0 && age >= (scene?.fadeMs ?? 0)) own[words.before] = -1
    if ((own[words.before] ?? -1) < 0) {
      if ((own[words.asked] ?? -1) >= 0) {
        this.go(own[words.asked] ?? 0, ms)
        own[words.asked] = -1
      } else if ((scene?.input ?? -1) >= 0) {
        if (ms - (own[words.held] ?? 0) >= (scene?.lengthMs ?? 0))
          this.go(due < 0 ? (own[words.turn] ?? 0) : due, ms)
      } else if (due >= 0) {
        if (due !== own[words.scene]) this.go(due, ms)
      } else if (!turns.includes(own[words.scene] ?? 0)) {
        this.go(own[words.turn] ?? 0, ms)
      } else if (turns.length > 1 && age >= (scene?.lengthMs ?? 0)) {
        const at = turns.indexOf(own[words.scene] ?? 0)
        this.go(turns[(at + 1) % turns.length] ?? 0, ms)
      }
    }
    this.tickLayers(own[words.scene] ?? 0, ms - (own[words.since] ?? 0), inputs)
    if ((own[words.before] ?? -1) >= 0)
      this.tickLayers(own[words.before] ?? 0, ms - (own[words.beforeSince] ?? 0), inputs)
  }

  private tickLayers(scene: number, ms: number, inputs: ArrayLike<number>): void {
    for (const layer of this.show.scenes[scene]?.layers ?? [])
      layer.pattern.tick?.(layer, ms, inputs)
  }

  private go(to: number, ms: number): void {
    const { own } = this
    own[words.before] = (this.show.scenes[to]?.fadeMs ?? 0) > 0 ? (own[words.scene] ?? 0) : -1
    own[words.beforeSince] = own[words.since] ?? 0
    own[words.scene] = to
    own[words.since] = own[words.held] = ms
    if (this.show.turns.includes(to)) own[words.turn] = to
    for (const { m } of this.show.scenes[to]?.layers ?? []) m.fill(0)
  }

  /** Works out the light of every element at a time, after `step` up to it, and how far it is limited. */
  paint(ms: number): Uint16Array {
    this.paintScenes(ms)
    const { limiter, limit } = this.show
    if (limiter !== undefined) {
      const scales = limiterScales(limiter, this.light, limit)
      scaleElements(limiter, scales, this.scales)
      this.lowest = Math.min(unscaled, ...scales)
    }
    return this.light
  }

  /** How far the limiter dims the frame that was painted: the lowest scale of any element, 1 where it does nothing. */
  get limitedTo(): number {
    return this.lowest / unscaled
  }

  /** The byte that is sent for a channel of an element after `paint`: linear duty × the brightness limit, rounded, × the limiter's scale. */
  sent(kind: ChannelKind, isWithWhite: boolean, element: number): number {
    const byte = sentByte(kind, isWithWhite, this.light, element * 4, this.show.limit)
    return scaled(byte, this.scales[element] ?? unscaled)
  }

  /** The light of each element as it is sent after `paint`, 0–1: red, green, blue, white. @param into four for each element */
  sentShares(into: Float64Array): void {
    const { light, scales } = this
    const { limit } = this.show
    for (let at = 0; at < light.length; at += 1)
      into[at] = scaled(byteOf(light[at] ?? 0, limit), scales[at >> 2] ?? unscaled) / 255
  }

  private paintScenes(ms: number): void {
    const { own, light, other } = this
    const since = ms - (own[words.since] ?? 0)
    this.paintScene(own[words.scene] ?? 0, since, light)
    const before = own[words.before] ?? -1
    const fadeMs = this.scene?.fadeMs ?? 0
    if (before < 0 || since >= fadeMs) return
    this.paintScene(before, ms - (own[words.beforeSince] ?? 0), other)
    const share = Math.floor((since * 65_536) / fadeMs)
    for (let at = 0; at < light.length; at += 1)
      light[at] = mix(other[at] ?? 0, light[at] ?? 0, share)
  }

  private paintScene(scene: number, ms: number, into: Uint16Array): void {
    into.fill(0)
    for (const layer of this.show.scenes[scene]?.layers ?? []) this.paintLayer(layer, ms, into)
  }

  private paintLayer(layer: CompiledLayer, ms: number, into: Uint16Array): void {
    const { pattern, elements, u, v, blend, opacity } = layer
    pattern.begin?.(layer, ms)
    const paint = this.scratch
    for (let k = 0; k < elements.length; k += 1) {
      pattern.pixel(layer, u[k] ?? 0, v[k] ?? 0, k, paint)
      const at = (elements[k] ?? 0) * 4
      const cover = full - mul(paint.a, opacity)
      into[at] = blended(blend, into[at] ?? 0, mul(paint.r, opacity), cover)
      into[at + 1] = blended(blend, into[at + 1] ?? 0, mul(paint.g, opacity), cover)
      into[at + 2] = blended(blend, into[at + 2] ?? 0, mul(paint.b, opacity), cover)
      into[at + 3] = blended(blend, into[at + 3] ?? 0, mul(paint.w, opacity), cover)
    }
  }

  /** What is sent on a lane after `paint`; for pixels a byte a channel, pixel after pixel. */
  bytes(lane: number): Uint8Array {
    const { from = 0, count = 0, channels = [] } = this.show.field.lanes[lane] ?? {}
    const white = hasWhite(channels)
    const bytes = new Uint8Array(count * channels.length)
    let next = 0
    for (let at = from; at < from + count; at += 1)
      for (const kind of channels) {
        bytes[next] = this.sent(kind, white, at)
        next += 1
      }
    return bytes
  }
}

/** A byte as far as the limiter lets it. */
const scaled = (byte: number, scale: number): number => Math.floor((byte * scale) / unscaled)

function blended(
  blend: CompiledLayer['blend'],
  below: number,
  above: number,
  cover: number,
): number {
  if (blend === 'lighten') return Math.max(below, above)
  return Math.min(full, (blend === 'over' ? mul(below, cover) : below) + above)
}
