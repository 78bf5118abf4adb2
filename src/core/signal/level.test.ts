import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameTime } from '../lanes/timing'
import { firstPixelDiode, levelGrade, logicLevel } from './level'

const volts = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('logic level', () => {
  it.each<[string, Parameters<typeof logicLevel>[0], number, string]>([
    // 0.7 × 5 = 3.5: 3.3 V is 0.2 V short, 5 V has 1.5 V to spare.
    ['3.3 V on 5 V', { boardHighV: 3.3, pixelSupplyV: 5 }, -0.2, 'fail'],
    ['5 V on 5 V', { boardHighV: 5, pixelSupplyV: 5 }, 1.5, 'good'],
    // 0.7 × 4.5 = 3.15.
    ['3.3 V on 4.5 V', { boardHighV: 3.3, pixelSupplyV: 4.5 }, 0.15, 'marginal'],
    [
      'the same with a rise',
      { boardHighV: 3.3, pixelSupplyV: 4.5, groundRiseV: 0.2 },
      -0.05,
      'fail',
    ],
    [
      'a chip that is content with half',
      { boardHighV: 3.3, pixelSupplyV: 5, ratio: 0.5 },
      0.8,
      'good',
    ],
  ])('%s', (_, given, marginV, grade) => {
    const found = logicLevel(given)
    expect(found.marginV).toBeCloseTo(marginV, 9)
    expect(found.verdict).toBe(grade)
  })

  it('is thinner the higher the supply and the rise, and better the higher the board', () => {
    fc.assert(
      fc.property(
        volts(1.8, 5),
        volts(3, 6),
        volts(0, 1),
        volts(0.01, 0.5),
        (high, supply, rise, more) => {
          const margin = (boardHighV: number, pixelSupplyV: number, groundRiseV: number): number =>
            logicLevel({ boardHighV, pixelSupplyV, groundRiseV }).marginV
          const here = margin(high, supply, rise)
          expect(margin(high + more, supply, rise)).toBeCloseTo(here + more, 9)
          expect(margin(high, supply + more, rise)).toBeCloseTo(here - 0.7 * more, 9)
          expect(margin(high, supply, rise + more)).toBeCloseTo(here - more, 9)
        },
      ),
    )
  })

  it('grades meet at 0 and at 0.3 V', () => {
    expect([-1e-9, 0, 0.2999, 0.3].map(levelGrade)).toEqual([
      'fail',
      'marginal',
      'marginal',
      'good',
    ])
  })
})

describe('a diode in the first pixel’s plus', () => {
  it('helps the first hop by 0.7 of its volts and costs the second all of them', () => {
    fc.assert(
      fc.property(volts(2.5, 5), volts(4, 5.5), volts(0.2, 1), (high, supply, diodeV) => {
        const given = {
          boardHighV: high,
          pixelSupplyV: supply,
          firstPixelMa: 36,
          diodeLimitMa: 150,
        }
        const without = firstPixelDiode({ ...given, diodeV: 0 })
        const found = firstPixelDiode({ ...given, diodeV })
        expect(found.firstMarginV - without.firstMarginV).toBeCloseTo(0.7 * diodeV, 9)
        expect(without.nextMarginV - found.nextMarginV).toBeCloseTo(diodeV, 9)
        expect(found.firstSupplyV).toBeCloseTo(supply - diodeV, 9)
      }),
    )
  })

  it('stands its pixel, up to its limit', () => {
    const of = (firstPixelMa: number): boolean =>
      firstPixelDiode({
        boardHighV: 3.3,
        pixelSupplyV: 5,
        diodeV: 0.7,
        firstPixelMa,
        diodeLimitMa: 60,
      }).diodeOk
    expect([59, 60, 61].map(of)).toEqual([true, true, false])
  })
})

describe('frame time', () => {
  it.each([
    // 300 × 30 µs + 80 µs; the same on three lanes; 32 bits are 40 µs a pixel.
    [{ pixels: 300, bitsPerPixel: 24, bitRateKhz: 800, resetUs: 80 }, 9.08],
    [{ pixels: 300, bitsPerPixel: 24, bitRateKhz: 800, resetUs: 80, lanes: 3 }, 3.08],
    [{ pixels: 100, bitsPerPixel: 32, bitRateKhz: 800, resetUs: 80 }, 4.08],
  ])('%j', (given, frameMs) => {
    const found = frameTime(given)
    expect(found.frameMs).toBeCloseTo(frameMs, 9)
    expect(found.framesPerSecond).toBeCloseTo(1000 / frameMs, 9)
  })

  it('goes by the longest lane: a pixel too many lengthens it', () => {
    const of = (pixels: number): number =>
      frameTime({ pixels, bitsPerPixel: 24, bitRateKhz: 800, resetUs: 80, lanes: 4 })
        .pixelsOnLongestLane
    expect([100, 101, 104, 105].map(of)).toEqual([25, 26, 26, 27])
  })
})
