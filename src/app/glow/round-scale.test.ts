import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../../testing/runs'
import { roundParts, roundScale } from './round-scale'

describe('the scale of a chart', () => {
  it.each<[most: number, max: number, steps: number, decimals: number]>([
    [1.08, 1.5, 3, 1],
    [0.96, 1, 2, 1],
    [2.1, 3, 3, 0],
    [3, 3, 3, 0],
    [3.01, 4, 2, 0],
    [0.011, 0.015, 3, 3],
    [47, 60, 3, 0],
    [0.3, 0.3, 3, 1],
  ])('up to %f ends at %f after %i steps', (most, max, steps, decimals) => {
    expect(roundScale(most, 3)).toEqual({ max, steps, decimals })
  })

  it('holds what it has to, has no step too many, and labels that are exact', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 10_000, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        (most, mostSteps) => {
          const { max, steps, decimals } = roundScale(most, mostSteps)
          expect(max).toBeGreaterThanOrEqual(most * (1 - 1e-9))
          expect(max).toBeLessThan(most + max / steps)
          expect(steps).toBeLessThanOrEqual(mostSteps)
          for (let step = 0; step <= steps; step += 1)
            expect(Number(((max * step) / steps).toFixed(decimals))).toBeCloseTo(
              (max * step) / steps,
              9,
            )
        },
      ),
      { numRuns: runs(200) },
    )
  })

  it.each([
    [10, 5],
    [12, 5],
    [0.6, 6],
    [0.8, 8],
    [0.7, 7],
    [1.3, 5],
  ])('%f s is told in %i parts', (seconds, parts) => {
    expect(roundParts(seconds)).toBe(parts)
  })
})
