import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demandOf, fillBin } from './fill'
import { fitInto } from './fit'
import { pack, setsByPrice, type PackGiven, type Packing } from './pack'
import { runs } from '../../testing/runs'

/** The least price by trying every way: each piece into each open bin, each rest or a new reel of each kind. */
function leastPrice({ pieces, stock, offcuts }: PackGiven): number {
  let best = Infinity
  const rooms = [...offcuts]
  const place = (index: number, price: number): void => {
    if (price >= best) return
    if (index === pieces.length) {
      best = price
      return
    }
    const piece = pieces[index]!
    for (const bin of rooms.keys()) {
      if (rooms[bin]! < piece) continue
      rooms[bin]! -= piece
      place(index + 1, price)
      rooms[bin]! += piece
    }
    for (const reel of stock) {
      if (reel.length < piece) continue
      rooms.push(reel.length - piece)
      place(index + 1, price + reel.price)
      rooms.pop()
    }
  }
  place(0, 0)
  return best
}

/** Every piece once, none hanging out of its bin, offcuts once each, the price that of the reels. */
function expectSound({ pieces, stock, offcuts }: PackGiven, packing: Packing): void {
  const sorted = (values: readonly number[]): number[] => values.toSorted((a, b) => a - b)
  expect(sorted(packing.bins.flatMap((bin) => bin.pieces))).toEqual(sorted(pieces))
  const unused = [...offcuts]
  let price = 0
  for (const bin of packing.bins) {
    expect(bin.pieces.reduce((sum, piece) => sum + piece, 0)).toBeLessThanOrEqual(bin.length + 1e-6)
    if (bin.kind === 'reel') {
      expect(stock).toContainEqual({ length: bin.length, price: bin.price })
      price += bin.price
    } else {
      expect(bin.pieces).not.toEqual([])
      expect(unused).toContain(bin.length)
      unused.splice(unused.indexOf(bin.length), 1)
    }
  }
  expect(packing.price).toBeCloseTo(price, 6)
  expect(packing.boundPrice).toBeLessThanOrEqual(packing.price + 1e-9)
  if (packing.isProved) expect(packing.boundPrice).toBe(packing.price)
}

const lengths = fc.integer({ min: 3, max: 60 })
const stock = fc.array(
  fc.record({ length: fc.integer({ min: 60, max: 120 }), price: fc.integer({ min: 3, max: 40 }) }),
  { minLength: 1, maxLength: 3 },
)

describe('packing', () => {
  it('finds the least price that trying everything finds', () => {
    fc.assert(
      fc.property(
        fc.array(lengths, { minLength: 1, maxLength: 7 }),
        stock,
        fc.array(fc.integer({ min: 5, max: 70 }), { maxLength: 2 }),
        (pieces, reels, offcuts) => {
          const given = { pieces, stock: reels, offcuts }
          const result = pack(given)
          if (!result.ok) throw new Error('nothing is too long')
          expectSound(given, result.packing)
          expect(result.packing.isProved).toBe(true)
          expect(result.packing.price).toBeCloseTo(leastPrice(given), 9)
        },
      ),
      { numRuns: runs(300) },
    )
  })

  it('of many pieces is sound, and within 2 % of its bound', () => {
    let seed = 1
    const random = (): number => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647
    for (let round = 0; round < 5; round += 1) {
      const given = {
        pieces: Array.from({ length: 60 }, () => 6 + Math.floor(random() * 130)),
        stock: [
          { length: 60, price: 9 },
          { length: 300, price: 29 },
        ],
        offcuts: [47, 113],
      }
      const result = pack(given)
      if (!result.ok) throw new Error('nothing is too long')
      expectSound(given, result.packing)
      expect(result.packing.price / result.packing.boundPrice).toBeLessThanOrEqual(1.02)
    }
  })

  it('uses up offcuts first, and buys nothing where they do', () => {
    const result = pack({
      pieces: [40, 30],
      stock: [{ length: 100, price: 9 }],
      offcuts: [45, 30, 20],
    })
    expect(result).toMatchObject({ ok: true, packing: { price: 0, isProved: true } })
    if (result.ok) expect(result.packing.bins.map(({ length }) => length)).toEqual([45, 30])
  })

  it('says which pieces are longer than all there is', () => {
    const reels = [{ length: 100, price: 9 }]
    expect(pack({ pieces: [50, 120, 101], stock: reels, offcuts: [] })).toEqual({
      ok: false,
      tooLong: [1, 2],
    })
    // One rest is long enough, but for one of them only.
    expect(pack({ pieces: [120, 120], stock: reels, offcuts: [130] }).ok).toBe(false)
    expect(pack({ pieces: [120, 50], stock: reels, offcuts: [130] }).ok).toBe(true)
  })

  it('stopped early still gives every piece a place, and does not call it proved', () => {
    const pieces = Array.from({ length: 30 }, (_, index) => 35 + (index % 7))
    const given = { pieces, stock: [{ length: 100, price: 10 }], offcuts: [] }
    const result = pack(given, { mostNodes: 1, onSet: () => true })
    if (!result.ok) throw new Error('nothing is too long')
    expectSound(given, result.packing)
    // 30 pieces of 35 to 41: two to a reel.
    expect(result.packing.price).toBe(150)
    expect(result.packing.isProved).toBe(false)
  })

  it('does not even try sets of reels that the pieces cannot fill', () => {
    const tried: number[] = []
    const result = pack(
      { pieces: [60, 60, 60], stock: [{ length: 100, price: 5 }], offcuts: [] },
      { onSet: (count) => tried.push(count) > 99 },
    )
    // Two reels are long enough in all, but of each only 60 can be used.
    expect(result).toMatchObject({ ok: true, packing: { price: 15, isProved: true } })
    expect(tried).toEqual([])
  })
})

describe('filling one bin', () => {
  it('gets as full as any choice of pieces can', () => {
    fc.assert(
      fc.property(
        fc.array(lengths, { minLength: 1, maxLength: 9 }),
        fc.integer({ min: 5, max: 150 }),
        (pieces, room) => {
          const demand = demandOf(pieces)
          const { counts, sum, isBest } = fillBin(demand, room, 1e6)
          expect(isBest).toBe(true)
          expect(counts.reduce((all, n, index) => all + n * demand.lengths[index]!, 0)).toBe(sum)
          let best = 0
          for (let mask = 0; mask < 1 << pieces.length; mask += 1) {
            const all = pieces.reduce(
              (total, piece, index) => total + (mask & (1 << index) ? piece : 0),
              0,
            )
            if (all <= room) best = Math.max(best, all)
          }
          expect(sum).toBe(best)
          counts.forEach((count, index) => {
            expect(count).toBeLessThanOrEqual(demand.counts[index]!)
          })
        },
      ),
    )
  })
})

describe('whether pieces fit', () => {
  it.each<[number[], number[], string]>([
    [[], [], 'fits'],
    [[5], [], 'none'],
    [[60, 60, 60], [100, 100], 'none'],
    [[50, 50, 50, 50], [100, 100], 'fits'],
    [[51, 50, 50, 49], [100, 100], 'fits'],
    [[44, 43, 42, 41, 40, 39, 33, 17], [99, 100, 100], 'none'],
    [[50, 49, 48, 34, 33, 33, 19, 18, 16], [100, 100, 100], 'fits'],
    [[70, 60, 50], [100, 80], 'none'],
  ])('%j into %j: %s', (pieces, bins, kind) => {
    expect(fitInto(pieces, bins, 1e6).kind).toBe(kind)
  })

  it('gives up rather than guess', () => {
    const pieces = Array.from({ length: 40 }, (_, index) => 340 + ((index * 37) % 61)).toSorted(
      (a, b) => b - a,
    )
    const total = pieces.reduce((sum, piece) => sum + piece, 0)
    const bins = Array.from({ length: 14 }, () => Math.floor(total / 14))
    bins[0]! += total - bins.reduce((sum, bin) => sum + bin, 0)
    expect(fitInto(pieces, bins, 50).kind).toBe('unknown')
  })
})

describe('sets of reels', () => {
  it('come as trying everything has them: cheapest first, the longest of equally cheap ones, none left out', () => {
    fc.assert(
      fc.property(
        stock,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 1, max: 4 }),
        (reels, unusable, need, most) => {
          const usable = reels.map(({ length }) => Math.max(0, length - unusable))
          const sum = (counts: readonly number[], of: readonly number[]): number =>
            counts.reduce((all, count, kind) => all + count * of[kind]!, 0)
          const all = (kind: number, left: number): number[][] =>
            kind === reels.length
              ? [[]]
              : Array.from({ length: left + 1 }, (_, count) =>
                  all(kind + 1, left - count).map((rest) => [count, ...rest]),
                ).flat()
          const prices = reels.map(({ price }) => price)
          const known = all(0, most)
            .filter((counts) => sum(counts, usable) >= need)
            .map((counts) => [sum(counts, prices), -sum(counts, usable)])
            .toSorted(([a = 0, b = 0], [c = 0, d = 0]) => a - c || b - d)
          expect(
            [...setsByPrice(reels, usable, need, most)].map(({ counts, price }) => {
              expect(price).toBe(sum(counts, prices))
              return [price, -sum(counts, usable)]
            }),
          ).toEqual(known)
        },
      ),
      { numRuns: runs(300) },
    )
  })

  it('are none where no reel has a length that can be used', () => {
    expect([...setsByPrice([{ length: 10, price: 1 }], [0], 5)]).toEqual([])
  })

  it('of very many reels come without a look at all cheaper ones', () => {
    let looks = 0
    const spools = [
      [100, 27.5],
      [25, 8.75],
      [10, 4.25],
      [5, 2.5],
      [2, 1.3],
    ].map(([metres = 0, price = 0]) => ({
      length: metres,
      get price(): number {
        looks += 1
        return price
      },
    }))
    const metres = spools.map(({ length }) => length)
    // Ten spools of 100 m hold 990 m, and nothing cheaper does. More than a million sets cost less.
    const [first] = setsByPrice(spools, metres, 990, 60)
    expect(first).toEqual({ counts: [10, 0, 0, 0, 0], price: 275 })
    expect(looks).toBeLessThan(50_000)
  })
})
