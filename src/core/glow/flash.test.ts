import { describe, expect, it } from 'vitest'
import { flashes } from './flash'
import { visits } from './nights'

describe('flashes', () => {
  const blink = (low: number, high: number, times: number): number[] =>
    Array.from({ length: times }, () => [low, high]).flat()

  it.each<[string, readonly number[], number, number]>([
    ['four in a second', blink(0, 1, 5), 10, 4],
    ['the same at half the speed', blink(0, 1, 5), 5, 2],
    ['bright against brighter does not count', blink(0.8, 1, 5), 10, 0],
    ['below a tenth is none', blink(0.2, 0.29, 5), 10, 0],
    ['steady', [0.5, 0.5, 0.5], 10, 0],
  ])('%s', (_, luminance, framesPerSecond, expected) => {
    expect(flashes(luminance, framesPerSecond)).toEqual({
      flashesPerSecond: expected,
      verdict: expected > 3 ? 'stop' : 'none',
    })
  })

  it('a slow rise is one change, however many frames it takes', () => {
    const ramp = Array.from({ length: 20 }, (_, n) => n / 20)
    expect(flashes([...ramp, ...ramp.toReversed()], 40).flashesPerSecond).toBe(1)
  })
})

it('visits that overlap are lit no longer than the day', () => {
  const given = { secondsEach: 600, watts: 10, idleWatts: 1, supplyEfficiency: 1, darkShare: 1 }
  expect(visits({ ...given, visitsPerDay: 500 })).toEqual({
    hoursLitPerDay: 24,
    wattHoursPerDay: 240,
  })
})
