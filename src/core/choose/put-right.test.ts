import fc from 'fast-check'
import { expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { Engine } from '../engine'
import { allStages } from '../late-stages'
import { change } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { putRight, type PutRight } from './put-right'

function found(plan: Plan): PutRight {
  const search = putRight(new Engine(plan, allStages))
  for (;;) {
    const { done, value } = search.next()
    if (done === true) return value
  }
}
const count = (plan: Plan, grade: string): number =>
  worked(plan).verdicts.filter((verdict) => verdict.grade === grade).length

it.each(['bay-window-nook', 'pegboard-moon'])(
  '%s: no stop is left, and nothing it says is made up',
  { tags: 'long' },
  (name) => {
    const plan = demoPlan(name)
    const result = found(plan)
    const after = change(plan, result.commands).plan
    expect(result.before).toMatchObject({
      stops: count(plan, 'stop'),
      warnings: count(plan, 'warning'),
      price: worked(plan).receipt.total,
    })
    expect(result.after.price).toBeCloseTo(worked(after).receipt.total, 6)
    expect(result.before.stops).toBeGreaterThan(0)
    expect(result.after).toMatchObject({ stops: 0, warnings: count(after, 'warning') })
    expect(count(after, 'stop')).toBe(0)
    expect(result.after.warnings).toBeLessThan(result.before.warnings)
    // The light stays as it was: brightness is not given away where copper can do it.
    expect(result.after.pixels).toBe(result.before.pixels)
    expect(result.steps.length).toBeGreaterThan(1)
  },
)

it('takes the cheap way, and says what it costs', { tags: 'long' }, () => {
  const plan = demoPlan('bay-window-nook')
  const { before, after, steps } = found(plan)
  expect(after.price - before.price).toBeLessThan(25)
  expect(steps.map(({ label }) => label)).not.toContain('take the 12 V version')
})

it('a plan that is right already gets nothing to do', () => {
  const { steps, commands } = found(demoPlan('toy-harbour'))
  expect([steps, commands]).toEqual([[], []])
})

it(
  'leaves fewer stops on any plan, tells what is left, and never makes it worse',
  { tags: 'long' },
  () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const result = found(plan)
        const after = change(plan, result.commands).plan
        expect(count(after, 'stop')).toBe(result.after.stops)
        expect(result.after.stops).toBeLessThanOrEqual(result.before.stops)
        expect(result.left).toHaveLength(result.after.stops + result.after.warnings)
        if (result.steps.length > 0)
          expect(result.after.stops * 10 + result.after.warnings).toBeLessThan(
            result.before.stops * 10 + result.before.warnings,
          )
      }),
      { numRuns: runs(2, 1000) },
    )
  },
)
