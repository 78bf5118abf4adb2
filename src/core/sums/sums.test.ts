import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { sums } from '.'

interface SumCase {
  sum: string
  given: unknown
  expect: Record<string, unknown>
  relativeTolerance: number
  absoluteTolerance: number
}

const { cases } = JSON.parse(
  readFileSync(new URL('../../../worked/sums.json', import.meta.url), 'utf8'),
) as { cases: SumCase[] }
const known = cases.filter(({ sum }) => sums.some(({ name }) => name === sum))

function expectClose(
  found: unknown,
  expected: unknown,
  { relativeTolerance, absoluteTolerance }: SumCase,
): void {
  if (typeof expected === 'number') {
    expect(typeof found).toBe('number')
    const allowed = Math.max(absoluteTolerance, relativeTolerance * Math.abs(expected))
    expect(Math.abs((found as number) - expected)).toBeLessThanOrEqual(allowed)
  } else expect(found).toEqual(expected)
}

describe('worked sums', () => {
  it('cover every sum there is', () => {
    expect(new Set(known.map(({ sum }) => sum))).toEqual(new Set(sums.map(({ name }) => name)))
  })

  it.each(known)('$sum $given', (one) => {
    const result = sums.find(({ name }) => name === one.sum)?.work(one.given)
    if (!result?.ok) throw new Error(JSON.stringify(result))
    for (const [key, expected] of Object.entries(one.expect)) {
      const found = (result.answer as Record<string, unknown>)[key]
      if (Array.isArray(expected)) {
        expect(found).toHaveLength(expected.length)
        expected.forEach((value, index) => {
          expectClose((found as unknown[])[index], value, one)
        })
      } else expectClose(found, expected, one)
    }
  })
})

describe('input that does not fit', () => {
  it.each<[string, object, string]>([
    ['cut-run', { lengthMm: -300, cutPitchMm: 25 }, 'lengthMm'],
    ['cut-run', { lengthMm: 300, cutPitchMm: 25, fit: 'tight' }, 'fit'],
    ['load', { pixels: 3, channelMa: [20, 'x'], volts: 5 }, 'channelMa[1]'],
    ['load', { pixels: 3, channelMa: [20], volts: 230 }, 'volts'],
    ['supply-size', { loadA: 3, headroom: 1, sizesA: [5] }, 'headroom'],
    ['shape', { kind: 'straight', lengthMm: 3, colour: 'red' }, ''],
    ['wire', { lengthM: 3, currentA: 2 }, 'mm2'],
    ['wire', { lengthM: 3, currentA: 2, mm2: 1, awg: 18 }, 'mm2'],
    ['resistor', { supplyV: 5, forwardV: 3, inSeries: 2, currentA: 0.02 }, 'supplyV'],
    ['npn-switch', { loadA: 0.3, driveV: 0.7, pinLimitMa: 20 }, 'driveV'],
    ['battery', { chemistry: 'potato', load: { currentA: 1 }, cutoffV: 3 }, 'chemistry'],
    ['reels', { piecesMm: [900, 1200], stock: [{ lengthMm: 1000, price: 5 }] }, 'piecesMm[1]'],
    ['blend', { pitchMm: 0, depthMm: 10 }, 'pitchMm'],
  ])('%s %j names the field', (name, given, path) => {
    const result = sums.find((sum) => sum.name === name)?.work(given)
    expect(result?.ok).toBe(false)
    if (result?.ok === false) expect(result.issues.map((issue) => issue.path)).toContain(path)
  })

  it.each<[string, object, object]>([
    // Dots are gone at one and a half pitches (handbook 3, blend).
    ['blend', { pitchMm: 10, depthMm: 5 }, { ripple: 0.35 }],
    ['blend', { pitchMm: 10, depthMm: 10 }, { ripple: 0.027 }],
    ['fuse', { loadA: 4, wireLimitA: 5 }, { fuseA: 5 }],
    ['fuse', { loadA: 4.01, wireLimitA: 5 }, { fuseA: null }],
    [
      'linear-regulator',
      { inputV: 6, outputV: 5, currentA: 0.1, limitA: 1, limitW: 1 },
      { allowedA: 0 },
    ],
    ['logic-level', { boardHighV: 3.3, pixelSupplyV: 3.3 / 0.7 }, { verdict: 'marginal' }],
    ['logic-level', { boardHighV: 3.3, pixelSupplyV: 5 }, { marginV: -0.2, verdict: 'fail' }],
    [
      'frame-time',
      { pixels: 100, resetUs: 0, lanes: 3 },
      { pixelsOnLongestLane: 34, frameMs: 1.02 },
    ],
    [
      'matrix',
      { rows: 20, columns: 2, dwellUs: 1000, peakMa: 20 },
      { refreshHz: 50, flicker: 'likely' },
    ],
    ['resistor', { supplyV: 5, forwardV: 2, currentA: 0.02, series: 'E12' }, { pickOhm: 150 }],
    ['wire', { lengthM: 1, currentA: 1, awg: 36 }, { areaMm2: 0.01267 }],
    ['energy', { watts: 10, hoursOnPerDay: 0, pricePerKwh: 1 }, { costPerYear: 0 }],
  ])('%s of %j', (name, given, expected) => {
    const result = sums.find((sum) => sum.name === name)?.work(given)
    if (!result?.ok) throw new Error(JSON.stringify(result))
    for (const [key, value] of Object.entries(expected)) {
      const found = (result.answer as Record<string, unknown>)[key]
      if (typeof value === 'number') expect(found).toBeCloseTo(value, 2)
      else expect(found).toBe(value)
    }
  })

  it('finds no supply where none is large enough', () => {
    const result = sums
      .find((sum) => sum.name === 'supply-size')
      ?.work({ loadA: 50, sizesA: [1, 5] })
    expect(result).toEqual({ ok: true, answer: { needA: 62.5, pickA: null } })
  })
})
