import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deltaOf, withDelta } from './delta'
import { shared } from './share'

const plain = fc.jsonValue({ maxDepth: 4 })

describe('what changed', () => {
  it('brings the page to what the worker has, whatever was there before', () => {
    fc.assert(
      fc.property(plain, plain, (last, next) => {
        const kept = shared(last, structuredClone(next))
        const sent = structuredClone(deltaOf(last, kept))
        expect(withDelta(last, sent)).toEqual(next)
      }),
    )
  })

  const runs = Array.from({ length: 500 }, (_, index) => ({ id: `r${String(index)}`, mm: index }))

  it('of one run of many is that run alone, and all others stay the same objects', () => {
    const last = { runs, totals: { mm: 7 } }
    const next = { runs: runs.with(3, { id: 'r3', mm: 99 }), totals: last.totals }
    const delta = deltaOf(last, next)
    expect(JSON.stringify(delta).length).toBeLessThan(JSON.stringify(next).length / 4)
    const told = withDelta(last, delta) as typeof last
    expect(told).toEqual(next)
    expect(told.totals).toBe(last.totals)
    expect(told.runs[4]).toBe(runs[4])
  })

  it('within an item that is found again by its id is what changed of it alone', () => {
    const last = [
      { id: 'current', figures: runs },
      { id: 'length', figures: runs },
    ]
    const next = last.with(0, { id: 'current', figures: runs.with(3, { id: 'r3', mm: 99 }) })
    const told = withDelta(last, structuredClone(deltaOf(last, next))) as typeof last
    expect(told).toEqual(next)
    expect(told[1]).toBe(last[1])
    expect(told[0]!.figures[4]).toBe(runs[4])
  })

  it('follows items that are put in, taken out and moved', () => {
    const moved = [...runs.slice(10, 20), { id: 'new', mm: 1 }, ...runs.slice(0, 5)]
    const told = withDelta(runs, structuredClone(deltaOf(runs, moved))) as typeof runs
    expect(told).toEqual(moved)
    expect(told[0]).toBe(runs[10])
  })
})
