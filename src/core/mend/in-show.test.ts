import { describe, expect, it } from 'vitest'
import { mostFlashes } from '../glow/flash'
import type { LightState, When } from './fault'
import { FaultInShow } from './in-show'

/** Ten lights of one run, from light 2 on; each a little brighter than the one before. */
const run = { id: 'a', from: 2, count: 10, isTurned: false }
const lights = (scale = 0.05): Float32Array =>
  Float32Array.from(
    { length: 3 * 14 },
    (_, at) => scale * (1 + Math.floor(at / 3)) + (at % 3) * 0.01,
  )
const red = (light: Float32Array): number[] => Array.from({ length: 14 }, (_, at) => light[3 * at]!)

function seen(
  state: LightState,
  {
    when = 'always',
    ms = 0,
    light = lights(),
    isTurned = false,
  }: { when?: When; ms?: number; light?: Float32Array; isTurned?: boolean } = {},
): Float32Array {
  const fault = new FaultInShow({ a: { count: 10, stretches: [[4, 3, state, when]] } }, 10_000)
  const own = light.slice()
  fault.alter({ ...run, isTurned }, own, ms)
  return own
}
/** Which lights of all look different. */
const changed = (light: Float32Array, from = lights()): number[] =>
  Array.from({ length: 14 }, (_, at) => at).filter((at) =>
    [0, 1, 2].some((part) => light[3 * at + part] !== from[3 * at + part]),
  )

describe('a fault while a show plays', () => {
  it('alters the lights it is on, and no others', () => {
    for (const state of ['dark', 'dim', 'tinted', 'wrong', 'follows'] as const)
      expect(changed(seen(state)), state).toEqual([6, 7, 8])
    expect(changed(seen('right'))).toEqual([])
    // Pads are counted from the other end there.
    expect(changed(seen('dark', { isTurned: true }))).toEqual([5, 6, 7])
    // Five cut groups that are drawn by ten dots.
    const groups = new FaultInShow({ a: { count: 5, stretches: [[4, 1, 'dark']] } }, 10_000)
    const own = lights()
    groups.alter(run, own, 0)
    expect(changed(own)).toEqual([10, 11])
    // Three cut groups: a dot shows the one that its middle lies on.
    const three = new FaultInShow({ a: { count: 3, stretches: [[1, 1, 'dark']] } }, 10_000)
    const dots = lights()
    three.alter(run, dots, 0)
    expect(changed(dots)).toEqual([5, 6, 7, 8])
  })

  it('shows each look as it is', () => {
    expect(red(seen('dark')).slice(6, 9)).toEqual([0, 0, 0])
    const [dim, right] = [red(seen('dim')), red(lights())]
    expect(dim[7]! / right[7]!).toBeCloseTo(0.3, 5)
    expect(red(seen('follows'))[7]).toBe(right[6])
    // The first of all has none before it.
    const none = new FaultInShow({ a: { count: 10, stretches: [[0, 1, 'follows']] } }, 10_000)
    const first = lights()
    none.alter(run, first, 0)
    expect(changed(first)).toEqual([])
    const tinted = seen('tinted')
    // Blue goes first, red last.
    expect(tinted[21]! / lights()[21]!).toBeGreaterThan(tinted[22]! / lights()[22]!)
    expect(tinted[22]! / lights()[22]!).toBeGreaterThan(tinted[23]! / lights()[23]!)
    const wrong = seen('wrong')
    expect([wrong[21], wrong[22]]).toEqual([lights()[22], lights()[21]])
    const still = new FaultInShow({ a: { count: 10, stretches: [[4, 3, 'frozen']] } }, 10_000)
    still.alter(run, lights(), 0)
    const later = lights(0.1)
    still.alter(run, later, 500)
    expect(red(later)[7]).toBe(right[7])
    expect(red(later)[9]).not.toBe(right[9])
  })

  it('is there when it is so', () => {
    const at = (when: When, ms: number, light = lights()): number =>
      changed(seen('dark', { when, ms, light }), light).length
    expect([at('start', 1_000), at('start', 3_000)]).toEqual([3, 0])
    expect([at('warm', 1_000), at('warm', 9_000)]).toEqual([0, 3])
    expect([at('bright', 0), at('bright', 0, lights(0.2))]).toEqual([0, 3])
    const times = Array.from({ length: 200 }, (_, step) => at('random', step * 100))
    const share = times.filter((count) => count > 0).length / times.length
    expect(share).toBeGreaterThan(0.2)
    expect(share).toBeLessThan(0.7)
  })

  it('flickers, and never above the limit of flashes', () => {
    for (const when of ['always', 'random'] as const) {
      const isLit = Array.from(
        { length: 6_000 },
        (_, step) => red(seen('flicker', { when, ms: 10 * step }))[7]! > 0,
      )
      const goesDark = isLit.map((lit, step) => step > 0 && !lit && isLit[step - 1] === true)
      expect(goesDark.filter(Boolean).length).toBeGreaterThan(5)
      for (let from = 0; from + 100 <= isLit.length; from += 10)
        expect(goesDark.slice(from, from + 100).filter(Boolean).length).toBeLessThanOrEqual(
          mostFlashes,
        )
    }
  })
})
