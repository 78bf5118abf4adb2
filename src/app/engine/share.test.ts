import fc from 'fast-check'
import { expect, it } from 'vitest'
import { shared } from './share'

const plain = fc.jsonValue({ maxDepth: 4 })

it('says the same as what came', () => {
  fc.assert(
    fc.property(plain, plain, (last, next) => {
      expect(shared(last, structuredClone(next))).toEqual(next)
    }),
  )
})

it('gives the last object back where nothing changed', () => {
  fc.assert(
    fc.property(plain, (last) => {
      expect(Object.is(shared(last, structuredClone(last)), last)).toBe(true)
    }),
  )
})

it('keeps the parts that did not change, and only those', () => {
  const last = {
    runs: [
      { id: 'a', mm: 3 },
      { id: 'b', mm: 4 },
    ],
    totals: { mm: 7 },
  }
  const next = shared(last, {
    runs: [
      { id: 'a', mm: 3 },
      { id: 'b', mm: 5 },
    ],
    totals: { mm: 7 },
  })
  expect(next).not.toBe(last)
  expect(next.runs[0]).toBe(last.runs[0])
  expect(next.runs[1]).not.toBe(last.runs[1])
  expect(next.totals).toBe(last.totals)
})

it.each<[unknown, unknown]>([
  [[1, 2], [1]],
  [{ a: undefined }, {}],
  [{}, { a: undefined }],
  [[], {}],
  [null, {}],
])('%j is not taken for %j', (last, next) => {
  expect(shared(last, next)).toStrictEqual(next)
  expect(shared(last, next)).not.toBe(last)
})

it('finds items that have ids wherever they stand now', () => {
  const [a, b] = [
    { id: 'a', mm: 3 },
    { id: 'b', mm: 4 },
  ]
  const next = shared(
    [a, b],
    [
      { id: 'new', mm: 1 },
      { id: 'a', mm: 3 },
      { id: 'b', mm: 5 },
    ],
  )
  expect(next[1]).toBe(a)
  expect(next[2]).toEqual({ id: 'b', mm: 5 })
})

it('does not compare again what it has compared', () => {
  let reads = 0
  const next = {
    get mm(): number {
      reads += 1
      return 3
    },
  }
  const last = { mm: 3 }
  expect(shared(last, next)).toBe(last)
  const once = reads
  expect(once).toBeGreaterThan(0)
  expect(shared(last, next)).toBe(last)
  expect(reads).toBe(once)
  // … with another value before it does.
  expect(shared({ mm: 4 }, next)).toEqual({ mm: 3 })
  expect(reads).toBeGreaterThan(once)
})
