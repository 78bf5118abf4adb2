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
  ])('%s %j names the field', (name, given, path) => {
    const result = sums.find((sum) => sum.name === name)?.work(given)
    expect(result?.ok).toBe(false)
    if (result?.ok === false) expect(result.issues.map((issue) => issue.path)).toContain(path)
  })

  it('finds no supply where none is large enough', () => {
    const result = sums
      .find((sum) => sum.name === 'supply-size')
      ?.work({ loadA: 50, sizesA: [1, 5] })
    expect(result).toEqual({ ok: true, answer: { needA: 62.5, pickA: null } })
  })
})
