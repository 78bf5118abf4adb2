import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cut, type CutStripRun } from '../../core/cut/cut'
import { measure } from '../../core/measure/measure'
import { partsOf } from '../../core/parts/find'
import { stripOf } from '../../core/parts/find-strips'
import { shippedStrips } from '../../core/parts/strips'
import { change } from '../../core/plan/commands'
import { emptyPlan } from '../../core/plan/empty'
import type { Line, Plan } from '../../core/plan/plan'
import { tally } from '../../core/tally'
import { lightPitchMm } from '../../core/parts/light-pitch'
import { drawnPieces, markEvery, tapeScale } from '../tape/tape'
import { cutPart, splitAt } from './cutting'

const planOf = (text: string, line: Partial<Line> = {}): Plan => ({
  ...emptyPlan('t', 'a'),
  lines: [{ id: 'a', text, ...line }],
})
const cutsOf = (plan: Plan): CutStripRun => cut(plan, measure(plan).runs, partsOf(plan.own))[0]!
const groups = (plan: Plan): number[] => cutsOf(plan).pieces.map(({ groups }) => groups)

/** The plan after a click at a mark of one of its pieces. */
function clicked(plan: Plan, piece: number, mark: number): Plan {
  const { pieces, parts } = cutsOf(plan)
  const one = pieces[piece]!
  const part = parts.find(({ index }) => index === one.part)!
  return change(plan, [splitAt(plan.lines[0]!, one, part.groups, mark)]).plan
}

describe('a click at a cut mark', () => {
  it('splits there, and at a split joins again', () => {
    const whole = planOf('shelf 900')
    const split = clicked(whole, 0, 20)
    expect(groups(split)).toEqual([20, 34])
    const twice = clicked(split, 1, 4)
    expect(groups(twice)).toEqual([20, 4, 30])
    const back = clicked(clicked(twice, 1, 4), 0, 20)
    expect(groups(back)).toEqual([54])
    expect('cutting' in back.lines[0]!).toBe(false)
  })

  it('means the same place whichever end the wire enters', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 53 }), fc.boolean(), (mark, isTurned) => {
        const plan = planOf('shelf 900', isTurned ? { isTurned: true } : {})
        expect(groups(clicked(plan, 0, mark))).toEqual([mark, 54 - mark])
        expect(groups(clicked(clicked(plan, 0, mark), 0, mark))).toEqual([54])
      }),
    )
  })

  it('of one part leaves the others alone', () => {
    const frame = planOf('frame 500 x 300')
    const split = clicked(frame, 2, 10)
    expect(cutsOf(split).pieces.map(({ name }) => name)).toEqual(['A1', 'A2', 'A3a', 'A3b', 'A4'])
    expect(split.lines[0]!.cutting).toEqual([{ part: 2, more: 0, offMm: 0, splits: [10] }])
  })
})

describe('an end moved by hand', () => {
  it('is kept as so many groups from the rule, so that it goes along with the measure', () => {
    const line = planOf('shelf 900').lines[0]!
    const plan = change(planOf('shelf 900'), [
      cutPart(line, 0, ({ more }) => ({ more: more - 2 })),
    ]).plan
    expect(groups(plan)).toEqual([52])
    const longer = change(plan, [{ do: 'set-text', line: 'a', text: 'shelf 1000' }]).plan
    expect(groups(longer)).toEqual([58])
    const back = change(longer, [
      cutPart(longer.lines[0]!, 0, ({ more }) => ({ more: more + 2 })),
    ]).plan
    expect('cutting' in back.lines[0]!).toBe(false)
  })

  it('never goes below nothing', () => {
    const line = planOf('shelf 100').lines[0]!
    const plan = change(planOf('shelf 100'), [cutPart(line, 0, () => ({ more: -99 }))]).plan
    expect(groups(plan)).toEqual([0])
    expect(tally(plan).totals.pixels).toBe(0)
  })
})

describe('tapes', () => {
  const runs = tally({
    ...emptyPlan('t', 'a'),
    lines: [
      { id: 'a', text: 'seat 2140' },
      { id: 'b', text: 'crown frame 500 x 300' },
      { id: 'c', text: 'ledge 3 x 410', cutting: [{ part: 1, more: 0, offMm: 0, splits: [8] }] },
    ],
  }).runs

  it('the longest fills the width and none goes beyond it', () => {
    for (const width of [300, 700, 1600]) {
      const scale = tapeScale(runs, width)
      const ends = runs.map(({ pieces }) => {
        const last = drawnPieces(pieces, scale).at(-1)!
        return Math.max(last.x + last.width, last.stripX + last.stripWidth)
      })
      expect(Math.max(...ends)).toBeLessThanOrEqual(width + 1e-6)
      if (scale < 1) expect(Math.max(...ends)).toBeGreaterThan(width * 0.9)
    }
  })

  it('pieces follow each other with a space, those of a split part without', () => {
    const drawn = drawnPieces(runs[2]!.pieces, 0.3)
    const gaps = drawn.slice(1).map((one, index) => {
      const before = drawn[index]!
      return Math.round(one.stripX - before.stripX - before.stripWidth)
    })
    expect(drawn.map(({ piece }) => piece.name)).toEqual(['C1', 'C2a', 'C2b', 'C3'])
    expect(gaps[1]).toBe(0)
    expect(gaps[0]).toBeGreaterThan(10)
    expect(gaps[2]).toBeGreaterThan(10)
  })

  it('marks stay apart, and lights are as far apart as the strip has them', () => {
    for (const strip of shippedStrips)
      for (const scale of [0.02, 0.2, 1])
        expect(markEvery(strip, scale) * strip.cutPitchMm * scale).toBeGreaterThanOrEqual(
          Math.min(5, 200 * strip.cutPitchMm * scale),
        )
    const parts = partsOf({ strips: [], supplies: [] })
    expect(lightPitchMm(stripOf(parts, 'pixels-5v-60'))).toBeCloseTo(16.667, 3)
    expect(lightPitchMm(stripOf(parts, 'white-12v-10'))).toBeCloseTo(25 / 3, 3)
  })
})
