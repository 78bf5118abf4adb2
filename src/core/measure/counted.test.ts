import { expect, it } from 'vitest'
import { shippedStrips } from '../parts/strips'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { changedCounts } from './counted'
import { measure, type MeasuredRun } from './measure'

const runsOn = (stripId: string): readonly MeasuredRun[] => {
  const plan: Plan = {
    ...emptyPlan('t', 'x'),
    defaults: { stripId, wire: 'mm2-0_75' },
    lines: ['ridge 30 px', 'shelf 500', 'hoop ring 12 px'].map((text, at) => ({
      id: `l${String(at)}`,
      text,
    })),
  }
  return measure(plan).runs
}

it('what is given by its pixels changes its length with the strip, and only that is told', () => {
  const [before, after] = [runsOn('pixels-5v-60'), runsOn('pixels-5v-144')]
  // 30 ÷ 60 and 30 ÷ 144 of a metre.
  expect(changedCounts(before, after, 'mm')).toEqual([
    'ridge, 30 px: 500 mm is now 208 mm',
    'hoop, 12 px: 200 mm is now 83.3 mm',
  ])
  expect(changedCounts(before, before, 'mm')).toEqual([])
})

it('a plain strip takes the count away, and says so', () => {
  const found = changedCounts(
    runsOn('pixels-5v-60'),
    runsOn(shippedStrips.find(({ light }) => light.kind === 'plain')!.id),
    'mm',
  )
  expect(found[0]).toMatch(/^ridge: a strip without pixels/)
})
