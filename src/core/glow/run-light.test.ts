import { describe, expect, it } from 'vitest'
import type { Point } from '../measure/geometry'
import { measure } from '../measure/measure'
import { emptyPlan } from '../plan/empty'
import { benchLight } from './bench-light'
import type { Line, Plan } from '../plan/plan'
import { worked } from '../worked'
import { lightShare, runLux } from './run-light'

const segmentsOf = (text: string) =>
  measure({ ...emptyPlan('t', 'x'), lines: [{ id: 'l', text }] }).runs[0]!.segments
const luxOf = (text: string, heightM: number, share = 1): number => {
  const segments = segmentsOf(text)
  const litMm = segments.map(({ lengthMm }): [number, number] => [0, lengthMm])
  return runLux({ segments, litMm, lumensPerM: 800, share, heightM })
}

it('a limit dims what the program dims, a cover all of it', () => {
  const shareOf = (line: Partial<Line>): number => {
    const plan: Plan = {
      ...emptyPlan('t', 'x'),
      limit: 0.5,
      lines: [{ id: 'l', text: 'shelf 1 m', ...line }],
    }
    return lightShare(plan, worked(plan).cutRuns[0]!)
  }
  const plain = { stripId: 'white-12v-14' }
  expect(shareOf({})).toBe(0.5)
  expect(shareOf(plain)).toBe(1)
  expect(shareOf({ ...plain, dimmer: 'all' })).toBe(0.5)
  expect(shareOf({ ...plain, mount: { cover: 'opal' } })).toBe(0.6)
  expect(shareOf({ mount: { cover: 'frosted' } })).toBe(0.4)
})

describe('lux below a run', () => {
  it('is the sum of one straight line below its middle', () => {
    const { lux } = benchLight({ lumensPerM: 800, lengthM: 1.2, heightM: 0.5, offsetM: 0 })
    expect(luxOf('shelf 1200', 0.5)).toBeCloseTo(lux, 9)
    expect(luxOf('shelf 1200', 0.5, 0.6 * 0.5)).toBeCloseTo(0.3 * lux, 9)
  })

  it('counts only what is lit', () => {
    const segments = segmentsOf('shelf 1200')
    const half = runLux({ segments, litMm: [[0, 600]], lumensPerM: 800, share: 1, heightM: 0.5 })
    const { lux } = benchLight({ lumensPerM: 800, lengthM: 0.6, heightM: 0.5, offsetM: 0 })
    expect(half).toBeCloseTo(lux, 9)
  })

  it('adds up parts where they are, as small sources by the inverse square do', () => {
    // Four sides of a frame, each cut into millimetres: I = Φ/π × cos, E = I × cos / r².
    const segments = segmentsOf('window frame 600 x 400')
    const h = 0.3
    const sources: Point[] = segments.flatMap(({ points, lengthMm }) => {
      const [[x0, y0], [x1, y1]] = [points[0]!, points.at(-1)!]
      return Array.from({ length: lengthMm }, (_, mm): Point => {
        const t = (mm + 0.5) / lengthMm
        return [(x0 + (x1 - x0) * t) / 1000, (y0 + (y1 - y0) * t) / 1000]
      })
    })
    const at = ([x, y]: Point): number =>
      sources.reduce((sum, [sx, sy]) => {
        const r2 = (sx - x) ** 2 + (sy - y) ** 2 + h ** 2
        return sum + ((800 * 0.001) / Math.PI) * (h ** 2 / r2 ** 2)
      }, 0)
    const middles = segments.map(({ points }): Point => {
      const [[x0, y0], [x1, y1]] = [points[0]!, points.at(-1)!]
      return [(x0 + x1) / 2000, (y0 + y1) / 2000]
    })
    expect(luxOf('window frame 600 x 400', h)).toBeCloseTo(Math.max(...middles.map(at)), 1)
    // More than the longest side alone.
    expect(luxOf('window frame 600 x 400', h)).toBeGreaterThan(luxOf('shelf 600', h) * 1.05)
  })
})
