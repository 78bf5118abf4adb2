import { random } from '../glow/fixed'
import type { LookedRun } from '../glow/look'
import type { LightState, When } from './fault'
import type { Painted } from './seen'

/** Something wrong, as it is seen while a show plays: by run, from pad 0. Lights that are not named are right. */
export type FaultyRuns = Readonly<
  Record<string, { readonly count: number; readonly stretches: readonly Painted[] }>
>

/** Shares that are left of a light that is dim, and of the red, green and blue of one that is short of volts. *Typical.* */
const dimShare = 0.3
const tintShares = [0.8, 0.4, 0.2] as const
/** Above so much of full a light is bright. */
const brightShare = 0.5
/** How long a fault at the start lasts, and when one that comes with warmth begins; ms, share of the show. */
const [startMs, warmShare] = [2_000, 0.5]
/** What flickers changes so rarely that it stays below three flashes in a second, ms. */
const flickerMs = 400
/** What comes and goes at random is there for so much of the time, in stretches of so many ms. */
const [randomShare, randomMs] = [0.4, 1_200]

/** A number from 0 to 1 that is the same whenever it is asked for. */
const chance = (a: number, b: number): number => random(0, a, b) / 65_536

/** Draws a show with something wrong: what lights look like is altered, frame by frame. */
export class FaultInShow {
  private readonly still = new Map<string, Float32Array>()

  /** @param lengthMs of the show */
  constructor(
    private readonly runs: FaultyRuns,
    private readonly lengthMs: number,
  ) {}

  /**
   * Alters the lights of a run.
   *
   * @param light red, green and blue of all lights, linear, 1 = full
   */
  alter({ id, from, count, isTurned }: LookedRun, light: Float32Array, ms: number): void {
    const own = this.runs[id]
    if (own === undefined || own.stretches.length === 0) return
    const before = light.slice(3 * from, 3 * (from + count))
    const still = this.still.get(id) ?? before
    this.still.set(id, still)
    for (const [first, length, state, when = 'always'] of own.stretches) {
      if (state === 'right') continue
      for (let at = 0; at < count; at += 1) {
        const along = isTurned ? count - 1 - at : at
        const pad = Math.floor(((along + 0.5) * own.count) / Math.max(1, count))
        if (pad < first || pad >= first + length) continue
        const rgb = before.subarray(3 * at, 3 * at + 3)
        if (!this.isNow(when, rgb, first, ms)) continue
        const next = altered(state, rgb, {
          still: still.subarray(3 * at, 3 * at + 3),
          neighbour: at === 0 ? rgb : before.subarray(3 * at - 3, 3 * at),
          isOff: chance(first, Math.floor(ms / flickerMs)) < 0.5,
        })
        light.set(next, 3 * (from + at))
      }
    }
  }

  private isNow(when: When, rgb: Float32Array, first: number, ms: number): boolean {
    switch (when) {
      case 'always':
        return true
      case 'bright':
        return Math.max(...rgb) > brightShare
      case 'start':
        return ms < startMs
      case 'random':
        return chance(first, Math.floor(ms / randomMs)) < randomShare
      case 'warm':
        return ms > warmShare * this.lengthMs
    }
  }
}

function altered(
  state: Exclude<LightState, 'right'>,
  rgb: Float32Array,
  {
    still,
    neighbour,
    isOff,
  }: {
    readonly still: Float32Array
    readonly neighbour: Float32Array
    readonly isOff: boolean
  },
): ArrayLike<number> {
  const [r = 0, g = 0, b = 0] = rgb
  switch (state) {
    case 'dark':
      return [0, 0, 0]
    case 'dim':
      return [r * dimShare, g * dimShare, b * dimShare]
    case 'tinted':
      return [r * tintShares[0], g * tintShares[1], b * tintShares[2]]
    case 'wrong':
      // Red and green change places; what has no hue is told by its loss of green.
      return r === g ? [r, 0, b] : [g, r, b]
    case 'flicker':
      return isOff ? [0, 0, 0] : rgb
    case 'frozen':
      return still
    case 'follows':
      return neighbour
  }
}
