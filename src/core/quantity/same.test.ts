import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSame } from './same'

describe('two values that say the same', () => {
  it('whatever the order of their keys, as long as all of them are there', () => {
    expect(isSame({ a: 1, b: [2, { c: 3 }] }, { b: [2, { c: 3 }], a: 1 })).toBe(true)
    expect(isSame({ a: 1, b: undefined }, { a: 1 })).toBe(true)
    expect(isSame({ a: 1 }, { a: 1, b: 2 })).toBe(false)
    expect(isSame([1, 2], [2, 1])).toBe(false)
    expect(isSame({ 0: 1 }, [1])).toBe(false)
    expect(isSame(null, {})).toBe(false)
  })

  it('as their JSON does', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 2 }), fc.jsonValue({ maxDepth: 2 }), (a, b) => {
        expect(isSame(a, JSON.parse(JSON.stringify(a)))).toBe(true)
        if (JSON.stringify(a) !== JSON.stringify(b) && typeof a !== 'object')
          expect(isSame(a, b)).toBe(false)
      }),
    )
  })
})
