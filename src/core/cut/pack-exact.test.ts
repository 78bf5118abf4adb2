import fc from 'fast-check'
import solver from 'javascript-lp-solver'
import { expect, it } from 'vitest'
import { pack, type PackGiven } from './pack'
import { runs } from '../../testing/runs'

/** The least price by an integer programme: which reel or rest each piece lies in, and which reels are bought. */
function exactPrice({ pieces, stock, offcuts }: PackGiven): number {
  const bins = [
    ...offcuts.map((length) => ({ length, price: 0 })),
    ...stock.flatMap((reel) => pieces.map(() => reel)),
  ]
  const variables: Record<string, Record<string, number>> = {}
  const constraints: Record<string, { equal?: number; max?: number }> = {}
  for (const piece of pieces.keys()) constraints[`piece${String(piece)}`] = { equal: 1 }
  for (const [bin, { length, price }] of bins.entries()) {
    constraints[`room${String(bin)}`] = { max: 0 }
    constraints[`once${String(bin)}`] = { max: 1 }
    variables[`buy${String(bin)}`] = {
      price,
      [`room${String(bin)}`]: -length,
      [`once${String(bin)}`]: 1,
    }
    for (const [piece, size] of pieces.entries())
      variables[`in${String(piece)}_${String(bin)}`] = {
        price: 0,
        [`piece${String(piece)}`]: 1,
        [`room${String(bin)}`]: size,
      }
  }
  const ints = Object.fromEntries(Object.keys(variables).map((name) => [name, 1 as const]))
  const result = solver.Solve({
    optimize: 'price',
    opType: 'min',
    constraints,
    variables,
    ints,
  }) as {
    feasible: boolean
    result: number
  }
  return result.feasible ? result.result : NaN
}

it('what is called proved is what an integer programme proves', () => {
  let proved = 0
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 2, max: 11 }), { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 5, max: 9 }),
      fc.array(fc.integer({ min: 2, max: 8 }), { maxLength: 1 }),
      (pieces, shortPrice, offcuts) => {
        const stock = [
          { length: 12, price: 10 },
          { length: 6, price: shortPrice },
        ]
        const result = pack({ pieces, stock, offcuts })
        if (!result.ok) throw new Error('too long')
        const { price, boundPrice, isProved } = result.packing
        const exact = exactPrice({ pieces, stock, offcuts })
        expect(price).toBeGreaterThanOrEqual(exact - 1e-6)
        expect(boundPrice).toBeLessThanOrEqual(exact + 1e-6)
        if (isProved) {
          proved += 1
          expect(price).toBeCloseTo(exact, 6)
        }
      },
    ),
    { numRuns: runs(25) },
  )
  expect(proved).toBeGreaterThan(runs(25) * 0.8)
})
