import { expect, it } from 'vitest'
import { shippedStrips } from '../parts/strips'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { tally } from '../tally'
import { valuesAround, whatIf } from './what-if'

const plan: Plan = {
  ...emptyPlan('t', 'a'),
  lines: [
    { id: 'a', text: 'honeycomb panels 5 x 6 sides 400' },
    { id: 'b', text: 'sill 620' },
  ],
}

it('tells what a plan really comes to when the size is changed', () => {
  const [answer] = whatIf(plan, 'a', 0, [260])
  const changed = tally({
    ...plan,
    lines: [{ id: 'a', text: 'honeycomb panels 5 x 6 sides 260' }, plan.lines[1]!],
  })
  expect(answer).toMatchObject({
    value: 260,
    pieces: 31,
    pixels: changed.totals.pixels,
    price: changed.reels[0]!.price,
  })
  expect(answer!.peakA).toBeCloseTo(changed.totals.peakCurrentA, 9)
})

it('looks at the present, round sizes, cut marks and factory lengths around it', () => {
  const values = valuesAround(plan, 'a', 0)
  expect(values).toContain(400)
  expect(values).toContain(260)
  expect(values).toContain(500)
  expect(values.every((value) => value >= 200 && value <= 600)).toBe(true)
  const answers = whatIf(plan, 'a', 0, values)
  const even = answers.filter(({ isOnMarks }) => isOnMarks).map(({ value }) => value)
  expect(even).toContain(400)
  for (const value of even)
    expect(Math.abs((value / 50) * 3 - Math.round((value / 50) * 3))).toBeLessThan(0.05)
  expect(answers.filter(({ isOnSplices }) => isOnSplices).map(({ value }) => value)).toEqual([500])
})

it('of a ring asks for the diameter that brings its length onto marks', () => {
  const ring = { ...plan, lines: [{ id: 'a', text: 'ring 382' }] }
  const even = whatIf(ring, 'a', 0, valuesAround(ring, 'a', 0)).filter(({ isOnMarks }) => isOnMarks)
  expect(even.length).toBeGreaterThan(3)
  for (const { value } of even) {
    const groups = (Math.PI * value) / (1000 / 60)
    expect(Math.abs(groups - Math.round(groups))).toBeLessThan(0.04)
  }
})

it('a line or measure that is not there has no answers', () => {
  expect(whatIf(plan, 'x', 0, [100])).toEqual([])
  expect(valuesAround(plan, 'a', 9)).toEqual([])
})

it('counts a strip whose marks fall a hair short of a splice as on it', () => {
  const strip = {
    ...shippedStrips.find(({ id }) => id === 'white-12v-10')!,
    id: 'own-odd',
    cutPitchMm: 41.66,
    spliceMm: 500,
  }
  const odd: Plan = {
    ...plan,
    lines: [{ id: 'a', text: 'shelf 500', stripId: strip.id }],
    own: { ...plan.own, strips: [strip] },
  }
  // 12 × 41.66 mm = 499.92 mm.
  expect(whatIf(odd, 'a', 0, [500])[0]).toMatchObject({ isOnMarks: true, isOnSplices: true })
})
