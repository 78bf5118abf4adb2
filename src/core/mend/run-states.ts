import { leastVolts, sharesAt } from '../feed/brightness'
import type { Strip } from '../plan/parts'
import { lightStates, whens, type LightState, type When } from './fault'
import type { FaultedFeed } from './fault-feed'

/** How one pixel looks, in one number: 0 is right. */
const codeOf = (state: LightState, when: When): number =>
  state === 'right' ? 0 : lightStates.indexOf(state) * whens.length + whens.indexOf(when)
export const stateOf = (code: number): LightState =>
  lightStates[Math.floor(code / whens.length)] ?? 'right'
export const whenOf = (code: number): When => whens[code % whens.length] ?? 'always'

/** A run as it is looked at: its pixels, cut groups, or single lights. */
export interface LookRun {
  readonly id: string
  readonly name: string
  readonly count: number
  readonly strip: Strip
  /** Loads of a network run, one a pixel; single lights hang on leads that each feed some. */
  readonly lights?: readonly { readonly load: string; readonly count: number }[]
}

/** Pixels that look the same as a list: `[from, count, state, when]`. */
export type Stretch = readonly [from: number, count: number, state: LightState, when: When]

/** All stretches of a run; right ones too. */
export function stretchesOf(codes: Uint8Array | undefined, count: number): readonly Stretch[] {
  const stretches: Stretch[] = []
  let from = 0
  for (let at = 1; at <= count; at += 1) {
    if (at < count && codes?.[at] === codes?.[from]) continue
    const code = codes?.[from] ?? 0
    stretches.push([from, at - from, stateOf(code), code === 0 ? 'always' : whenOf(code)])
    from = at
  }
  return count === 0 ? [] : stretches
}

/** Shares below this of what it should be are seen as dim; colours that far apart as a tint. *Typical.* */
const [dimShare, tintSpread] = [0.85, 0.12]
/** Chips go on working, badly, down to so much of the least volts that they are sure to work at. *Typical.* */
const darkShare = 0.75

export const darkState = lightStates.indexOf('dark')

/** Arrays that stand in many looks at once: whoever paints on one takes a copy. */
export const shared = new WeakSet<Uint8Array>()
/** … and are of one state throughout. */
export const uniform = new WeakSet<Uint8Array>()
const fulls = new Map<string, Uint8Array>()
/** So many are kept, at the most. */
const mostFulls = 4_000
export function fullOf(count: number, value: number): Uint8Array {
  const key = `${String(count)} ${String(value)}`
  const known = fulls.get(key)
  if (known !== undefined) return known
  if (fulls.size >= mostFulls) fulls.clear()
  const full = new Uint8Array(count).fill(value)
  shared.add(full)
  uniform.add(full)
  fulls.set(key, full)
  return full
}

/** Sets a state from a place on, in the order of the data. What is dark stays so. */
export function paintIn(
  states: Uint8Array,
  first: number,
  last: number,
  isTurned: boolean,
  value: number,
): void {
  for (let at = Math.max(0, first); at < Math.min(last, states.length); at += 1) {
    const index = isTurned ? states.length - 1 - at : at
    if (states[index] !== darkState) states[index] = value
  }
}

/** States of a run's pixels by their volts alone; `undefined` where all are right. */
export function powered(
  run: LookRun,
  fed: FaultedFeed,
  healthy: FaultedFeed,
): Uint8Array | undefined {
  const states = new Uint8Array(run.count)
  const put = (at: number, state: LightState): void => {
    states[at] = lightStates.indexOf(state)
  }
  if (run.lights !== undefined) {
    let before = 0
    for (const { load, count } of run.lights) {
      const [now, was] = [fed.runs.get(load)?.[0], healthy.runs.get(load)?.[0] ?? 0]
      const state: LightState =
        now === undefined
          ? 'right'
          : !(now > 0.5 * was)
            ? 'dark'
            : now < dimShare * was
              ? 'dim'
              : 'right'
      for (let at = 0; at < count; at += 1) put(before + at, state)
      before += count
    }
    return states.some((state) => state !== 0) ? states : undefined
  }
  const [now, was] = [fed.runs.get(run.id), healthy.runs.get(run.id)]
  if (now === undefined || was === undefined) return undefined
  for (let at = 0; at < run.count; at += 1)
    put(at, poweredState(run.strip, now[at] ?? NaN, was[at] ?? 0))
  if (states.every((state) => state === darkState)) return fullOf(run.count, darkState)
  return states.some((state) => state !== 0) ? states : undefined
}

function poweredState(strip: Strip, now: number, was: number): LightState {
  if (Math.abs(now - was) < 0.01) return 'right'
  const { light, volts } = strip
  if (!(now > 0)) return 'dark'
  if (light.kind === 'pixels') {
    const least = leastVolts(light, volts)
    if (now < darkShare * least && was >= darkShare * least) return 'dark'
  }
  const before = sharesAt(strip, was)
  const ratios = sharesAt(strip, now).flatMap((share, channel) => {
    const own = before[channel] ?? 0
    return own > 0.02 ? [share / own] : []
  })
  if (ratios.length === 0) return 'right'
  const [least, most] = [Math.min(...ratios), Math.max(...ratios)]
  if (most < 0.05) return 'dark'
  if (least >= dimShare) return 'right'
  return most - least > tintSpread ? 'tinted' : 'dim'
}

/** What is seen in bright and in dim light as one, with when it is so. */
export function together(
  bright: Uint8Array | undefined,
  low: Uint8Array | undefined,
  count: number,
  when: When | undefined,
): Uint8Array {
  // All of a run alike in both: one array for all faults.
  if (bright !== undefined && bright === low && uniform.has(bright)) {
    const state = lightStates[bright[0] ?? 0] ?? 'right'
    return fullOf(
      count,
      codeOf(when === 'random' && state === 'dark' ? 'flicker' : state, when ?? 'always'),
    )
  }
  const codes = new Uint8Array(count)
  for (let at = 0; at < count; at += 1) {
    const [inBright, inLow] = [bright?.[at] ?? 0, low?.[at] ?? 0]
    const state = lightStates[inBright !== 0 ? inBright : inLow] ?? 'right'
    if (state === 'right') continue
    const own: When = when ?? (inLow === 0 ? 'bright' : 'always')
    codes[at] = codeOf(when === 'random' && state === 'dark' ? 'flicker' : state, own)
  }
  return codes
}
