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

const rightState = lightStates.indexOf('right')
export const darkState = lightStates.indexOf('dark')
const [dimState, tintedState] = [lightStates.indexOf('dim'), lightStates.indexOf('tinted')]

/** Arrays that stand in many looks at once: whoever paints on one takes a copy. */
export const shared = new WeakSet<Uint8Array>()
/** … and are of one state throughout. */
export const uniform = new WeakSet<Uint8Array>()
const fulls = new Map<number, Uint8Array>()
/** So many are kept, at the most. */
const mostFulls = 4_000
export function fullOf(count: number, value: number): Uint8Array {
  const key = count * 256 + value
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
  if (run.lights !== undefined) return poweredLights(run.count, run.lights, fed, healthy)
  const [now, was] = [fed.runs.get(run.id), healthy.runs.get(run.id)]
  if (now === undefined || was === undefined) return undefined
  // Most runs that a fault reaches look as they did: nothing is written down for them.
  let states: Uint8Array | undefined
  let dark = 0
  for (let at = 0; at < run.count; at += 1) {
    const state = poweredState(run.strip, now[at] ?? NaN, was[at] ?? 0)
    if (state === rightState) continue
    states ??= new Uint8Array(run.count)
    states[at] = state
    if (state === darkState) dark += 1
  }
  return dark === run.count && dark > 0 ? fullOf(run.count, darkState) : states
}

function poweredLights(
  count: number,
  lights: NonNullable<LookRun['lights']>,
  fed: FaultedFeed,
  healthy: FaultedFeed,
): Uint8Array | undefined {
  const states = new Uint8Array(count)
  let before = 0
  for (const { load, count: own } of lights) {
    const [now, was] = [fed.runs.get(load)?.[0], healthy.runs.get(load)?.[0] ?? 0]
    if (now !== undefined && !(now >= dimShare * was))
      states.fill(now > 0.5 * was ? dimState : darkState, before, before + own)
    before += own
  }
  return states.some((state) => state !== rightState) ? states : undefined
}

/** Volts that nobody sees. */
const unseenV = 0.01

/** The state of a pixel by its volts, as its place in `lightStates`. */
function poweredState(strip: Strip, now: number, was: number): number {
  if (Math.abs(now - was) < unseenV) return rightState
  const { light, volts } = strip
  if (!(now > 0)) return darkState
  // With more volts than before nothing gets darker.
  if (now > was) return rightState
  if (light.kind === 'pixels') {
    const least = leastVolts(light, volts)
    if (now < darkShare * least && was >= darkShare * least) return darkState
  }
  const before = sharesAt(strip, was)
  let [least, most, count] = [Infinity, -Infinity, 0]
  for (const [channel, share] of sharesAt(strip, now).entries()) {
    const own = before[channel] ?? 0
    if (own <= 0.02) continue
    least = Math.min(least, share / own)
    most = Math.max(most, share / own)
    count += 1
  }
  if (count === 0) return rightState
  if (most < 0.05) return darkState
  if (least >= dimShare) return rightState
  return most - least > tintSpread ? tintedState : dimState
}

/** What is seen in bright and in dim light as one, with when it is so; `undefined` where all is right. */
export function together(
  bright: Uint8Array | undefined,
  low: Uint8Array | undefined,
  count: number,
  when: When | undefined,
): Uint8Array | undefined {
  const table = codesFor(when)
  // All of a run alike in both: one array for all faults.
  if (bright !== undefined && bright === low && uniform.has(bright)) {
    const code = table[pairOf(bright[0] ?? 0, bright[0] ?? 0)] ?? 0
    return code === 0 ? undefined : fullOf(count, code)
  }
  if (bright === undefined && low === undefined) return undefined
  // What stands in many looks comes with the same other half again and again.
  const isShared =
    (bright === undefined || shared.has(bright)) && (low === undefined || shared.has(low))
  const known = isShared ? joinedOf(bright, low) : undefined
  if (known?.has(when) === true) return known.get(when)
  const codes = joinedCodes(bright, low, count, table)
  known?.set(when, codes)
  return codes
}

/** Codes by when, of a pair of arrays that stand in many looks; `undefined` where all is right. */
type Joined = Map<When | undefined, Uint8Array | undefined>
const nothing = new Uint8Array(0)
const joinedPairs = new WeakMap<Uint8Array, WeakMap<Uint8Array, Joined>>()
function joinedOf(bright: Uint8Array = nothing, low: Uint8Array = nothing): Joined {
  const ofBright = joinedPairs.get(bright) ?? new WeakMap<Uint8Array, Joined>()
  joinedPairs.set(bright, ofBright)
  const known: Joined = ofBright.get(low) ?? new Map<When | undefined, Uint8Array | undefined>()
  ofBright.set(low, known)
  return known
}

function joinedCodes(
  bright: Uint8Array | undefined,
  low: Uint8Array | undefined,
  count: number,
  table: Uint8Array,
): Uint8Array | undefined {
  let codes: Uint8Array | undefined
  for (let at = 0; at < count; at += 1) {
    const inBright = bright === undefined ? 0 : (bright[at] ?? 0)
    const inLow = low === undefined ? 0 : (low[at] ?? 0)
    if (inBright === 0 && inLow === 0) continue
    codes ??= new Uint8Array(count)
    codes[at] = table[pairOf(inBright, inLow)] ?? 0
  }
  return codes
}

/** The place of a pair of states in a table of all of them. */
const pairOf = (inBright: number, inLow: number): number => inBright * lightStates.length + inLow

/** The code of each pair of states, in bright and in dim light, by when it is seen. */
const codeTables = new Map<When | undefined, Uint8Array>()
function codesFor(when: When | undefined): Uint8Array {
  const known = codeTables.get(when)
  if (known !== undefined) return known
  const table = Uint8Array.from({ length: lightStates.length ** 2 }, (_, pair) => {
    const [inBright, inLow] = [Math.floor(pair / lightStates.length), pair % lightStates.length]
    const state = lightStates[inBright !== rightState ? inBright : inLow] ?? 'right'
    return codeOf(
      when === 'random' && state === 'dark' ? 'flicker' : state,
      when ?? (inLow === rightState ? 'bright' : 'always'),
    )
  })
  codeTables.set(when, table)
  return table
}
