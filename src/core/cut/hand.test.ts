import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measure } from '../measure/measure'
import { partsOf } from '../parts/find'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { cut, litSpansOf } from './cut'
import { countJoints } from './joints'
import { packJoined } from './pack-joined'
import { jumpersOf, padPlace } from './pads'
import { prewiredInstead } from './prewired'
import { cutFromReels } from './reels'

type Line = Plan['lines'][number]
const planOf = (text: string, line: Partial<Line> = {}): Plan => ({
  ...emptyPlan('t', 'a'),
  lines: [{ id: 'a', text, ...line }],
})
const cutsOf = (plan: Plan) => cut(plan, measure(plan).runs, partsOf(plan.own))
const hand = (set: Partial<NonNullable<Line['cutting']>[number]>) => [
  { part: 0, more: 0, offMm: 0, splits: [], ...set },
]
const names = (plan: Plan): string[] =>
  cutsOf(plan).flatMap(({ pieces }) =>
    pieces.map(({ name, groups }) => `${name}:${String(groups)}`),
  )

describe('a hand on the cuts', () => {
  it('splits, moves ends and turns, and every piece keeps its name', () => {
    expect(names(planOf('frame 500 x 300'))).toEqual(['A1:30', 'A2:18', 'A3:30', 'A4:18'])
    expect(names(planOf('frame 500 x 300', { isTurned: true }))).toEqual([
      'A4:18',
      'A3:30',
      'A2:18',
      'A1:30',
    ])
    expect(names(planOf('shelf 500', { cutting: hand({ splits: [10, 99] }) }))).toEqual([
      'A1a:10',
      'A1b:20',
    ])
    expect(names(planOf('shelf 500', { cutting: hand({ splits: [10] }), isTurned: true }))).toEqual(
      ['A1a:20', 'A1b:10'],
    )
    expect(names(planOf('shelf 500', { cutting: hand({ more: -4 }) }))).toEqual(['A1:26'])
    expect(names(planOf('shelf 500', { endMm: 20 }))).toEqual(['A1:27'])
  })

  it('begins behind what is kept free at the end, as the rule for the gap has it', () => {
    const startOf = (gap: Plan['rules']['gap']): number => {
      const plan = planOf('shelf 510', { endMm: 20 })
      return cutsOf({ ...plan, rules: { ...plan.rules, gap } })[0]!.pieces[0]!.startMm
    }
    // 510 − 2 × 20 = 470 mm: 28 groups of 16.67 mm leave 3.3 mm.
    expect(startOf('far')).toBeCloseTo(20, 9)
    expect(startOf('shared')).toBeCloseTo(20 + 3.333 / 2, 2)
    expect(startOf('near')).toBeCloseTo(20 + 3.333, 2)
  })

  it('whatever it does, lengths add up and the lit part lies within the measure', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 3000 }),
        fc.array(fc.integer({ min: 1, max: 170 }), { maxLength: 4 }),
        fc.integer({ min: -20, max: 3 }),
        fc.integer({ min: 0, max: 15 }),
        fc.boolean(),
        fc.constantFrom('far' as const, 'shared' as const, 'near' as const),
        (mm, splits, more, endMm, isTurned, gap) => {
          const plan = planOf(`shelf ${String(mm)}`, {
            cutting: hand({ splits, more }),
            endMm,
            isTurned,
          })
          const [entry] = cutsOf({ ...plan, rules: { ...plan.rules, gap } })
          const { pieces, parts, placedMm, gapMm, groups } = entry!
          expect(placedMm + gapMm).toBeCloseTo(mm, 6)
          expect(pieces.reduce((sum, piece) => sum + piece.groups, 0)).toBe(parts[0]!.groups)
          expect(groups).toBe(parts[0]!.groups)
          const [[from, to]] = litSpansOf(entry!) as [[number, number]]
          expect(from).toBeGreaterThanOrEqual(0)
          expect(to).toBeLessThanOrEqual(mm + 1e-6)
          if (more <= 0) expect(to - from).toBeCloseTo(placedMm, 6)
        },
      ),
    )
  })

  it('finds pads along the pieces, and the jumps between them', () => {
    const [entry] = cutsOf(planOf('frame 500 x 300'))
    expect(padPlace(entry!, 0)?.point).toEqual([0, 0])
    expect(padPlace(entry!, 30)?.point[0]).toBeCloseTo(500, 6)
    expect(padPlace(entry!, 39)?.point[1]).toBeCloseTo(150, 6)
    expect(padPlace(entry!, 999)?.piece.name).toBe('A4')
    expect(jumpersOf(entry!).map(({ pad, lengthMm }) => [pad, Math.round(lengthMm)])).toEqual([
      [30, 0],
      [48, 0],
      [78, 0],
    ])
    const [split] = cutsOf(planOf('shelf 500', { cutting: hand({ splits: [12] }) }))
    expect(countJoints([split!], []).map(({ kind, count }) => [kind, count])).toEqual([
      ['lead', 1],
      ['pad', 1],
    ])
  })
})

describe('reels where a piece may be joined of two', () => {
  const lengths = fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 5 })

  it('are never dearer than without, hold every group once, and are bounded by every way there is', () => {
    fc.assert(
      fc.property(lengths, fc.integer({ min: 0, max: 6 }), (pieces, joinPrice) => {
        const given = { pieces, stock: [{ length: 12, price: 10 }], offcuts: [5] }
        const whole = packJoined({ ...given, joinPrice: Infinity })!
        const joined = packJoined({ ...given, joinPrice })!
        expect(whole.joins).toBe(0)
        expect(joined.price).toBeLessThanOrEqual(whole.price + 1e-9)
        expect(joined.boundPrice).toBeLessThanOrEqual(joined.price + 1e-9)
        const placed = pieces.map(() => 0)
        for (const bin of joined.bins) {
          const used = bin.pieces.reduce((sum, part) => sum + part.length, 0)
          expect(used).toBeLessThanOrEqual(bin.length)
          for (const { piece, length } of bin.pieces) placed[piece]! += length
        }
        expect(placed).toEqual(pieces)
        const reels = joined.bins.filter(({ kind }) => kind === 'reel').length
        expect(joined.price).toBeCloseTo(reels * 10 + joined.joins * joinPrice, 9)
        // No way at all needs fewer reels than the length asks for.
        const total = pieces.reduce((sum, piece) => sum + piece, 0)
        expect(joined.boundPrice).toBeGreaterThanOrEqual(
          Math.min(whole.price, Math.max(0, Math.ceil((total - 5) / 12)) * 10) - 1e-9,
        )
      }),
    )
  })

  it('a join saves a reel where it is cheap, and is left out where it is dear', () => {
    // Three of 40 groups in reels of 60: a reel each, or two reels and a join.
    const given = { pieces: [40, 40, 40], stock: [{ length: 60, price: 9 }], offcuts: [] }
    expect(packJoined({ ...given, joinPrice: 2 })).toMatchObject({
      price: 20,
      joins: 1,
      isProved: true,
    })
    expect(packJoined({ ...given, joinPrice: 9.5 })).toMatchObject({ price: 27, joins: 0 })
  })

  it('are numbered on the cut list', () => {
    const plan = planOf('ledge 3 x 680')
    const cutRuns = cutsOf({
      ...plan,
      own: { strips: [], supplies: [], boards: [], lights: [], profiles: [] },
    })
    const strip = { ...cutRuns[0]!.strip, reels: [{ lengthMm: 1000, price: 9 }] }
    const [found] = cutFromReels(
      cutRuns.map((entry) => ({ ...entry, strip })),
      [],
      { joins: { areAllowed: true, price: 2 } },
    )
    expect(found).toMatchObject({ joins: 1, joinsPrice: 2, price: 29 - 9 })
    const parts = found!.reels.flatMap(({ cuts: own }) => own).filter(({ parts: all }) => all > 1)
    expect(
      parts.map(({ part, parts: all }) => `${String(part)}/${String(all)}`).toSorted(),
    ).toEqual(['1/2', '2/2'])
  })
})

it('plugged lengths reach as far as they can, at the least price', () => {
  const cutRuns = cutsOf(planOf('ledge 1600 + 400'))
  const strip = {
    ...cutRuns[0]!.strip,
    prewired: [
      { lengthMm: 500, price: 5 },
      { lengthMm: 1000, price: 8 },
    ],
  }
  const [instead] = prewiredInstead(cutRuns.map((entry) => ({ ...entry, strip })))
  expect(instead).toMatchObject({ price: 13, tooShort: 1 })
  expect(instead!.lengths.map(({ lengthMm, count }) => [lengthMm, count])).toEqual([
    [1000, 1],
    [500, 1],
  ])
  // 1600 is cut to 1600, plugged to 1500; of 400 nothing can be plugged.
  expect(instead!.moreDarkMm).toBeCloseTo(100 + 400, 6)
})

describe('factory splices', () => {
  it('lie every so far along a reel, counted from where each piece begins', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 60, max: 2200 }), { minLength: 1, maxLength: 6 }),
        fc.constantFrom(500, 1000, 333),
        (lengths, spliceMm) => {
          const cutRuns = cutsOf(planOf(lengths.join(' + ')))
          const strip = { ...cutRuns[0]!.strip, spliceMm }
          const [found] = cutFromReels(
            cutRuns.map((entry) => ({ ...entry, strip })),
            [],
            { joins: { areAllowed: false, price: 0 } },
          )
          for (const reel of found!.reels)
            for (const { fromGroup, lengthMm, splicesMm } of reel.cuts) {
              const start = (fromGroup - 1) * strip.cutPitchMm
              for (const mm of splicesMm) {
                expect(mm).toBeGreaterThan(0)
                expect(mm).toBeLessThan(lengthMm)
                const at = (start + mm) / spliceMm
                expect(at).toBeCloseTo(Math.round(at), 6)
              }
              const most = Math.floor(lengthMm / spliceMm) + 1
              expect(splicesMm.length).toBeLessThanOrEqual(most)
            }
        },
      ),
    )
  })
})

describe('plugged lengths', () => {
  it('are as long as any choice of them can be, and no choice as long is cheaper', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 40 }),
        fc.uniqueArray(
          fc.record({
            length: fc.integer({ min: 3, max: 15 }),
            price: fc.integer({ min: 1, max: 9 }),
          }),
          {
            minLength: 1,
            maxLength: 3,
            selector: ({ length }) => length,
          },
        ),
        (length, sold) => {
          const cutRuns = cutsOf(planOf(`shelf ${String(length * 100)}`))
          const prewired = sold.map((one) => ({ lengthMm: one.length * 100, price: one.price }))
          const strip = { ...cutRuns[0]!.strip, prewired }
          const [found] = prewiredInstead(cutRuns.map((entry) => ({ ...entry, strip })))
          // Every choice there is, by its length: the least that it costs.
          const costs = new Map([[0, 0]])
          for (let mm = 100; mm <= length * 100; mm += 100)
            for (const { lengthMm, price } of prewired) {
              const before = costs.get(mm - lengthMm)
              if (before !== undefined)
                costs.set(mm, Math.min(costs.get(mm) ?? Infinity, before + price))
            }
          const longest = Math.max(...costs.keys())
          const reached = found!.lengths.reduce((sum, one) => sum + one.count * one.lengthMm, 0)
          expect(reached).toBe(longest)
          expect(found!.price).toBe(costs.get(longest))
        },
      ),
    )
  })
})
