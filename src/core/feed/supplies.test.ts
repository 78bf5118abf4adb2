import { fedPlan } from '../fed-plan'
import { describe, expect, it } from 'vitest'
import type { RunLoad } from '../load/load'
import { partsOf } from '../parts/find'
import { emptyPlan } from '../plan/empty'
import type { Plan, Rules } from '../plan/plan'
import { feedSupplies, largestLoadA, smallestFor } from './supplies'

const parts = partsOf({ strips: [], supplies: [] })
const load = (id: string, peakA: number, volts = 5): RunLoad => ({
  id,
  volts,
  groups: 10,
  idleA: peakA / 50,
  peakA,
  levelA: peakA / 4,
  shownA: peakA,
})
function planOf(ids: readonly string[], part = 'auto', rules: Partial<Rules> = {}): Plan {
  const plan = emptyPlan('test', 'x')
  return {
    ...plan,
    lines: ids.map((id) => ({ id, text: 'x' })),
    supplies: [{ id: 's', name: 'S', part }],
    rules: { ...plan.rules, ...rules },
  }
}
const feed = (plan: Plan, loads: RunLoad[]) => feedSupplies(plan, loads, parts)[0]!

describe('the size of a supply by each school', () => {
  it.each<[Partial<Rules>, number, number, number]>([
    // rules, full white, what it needs, what is picked
    [{ sizing: 'full-white', headroom: 0.2 }, 8, 10, 10],
    [{ sizing: 'full-white', headroom: 0.2 }, 8.1, 10.125, 12],
    [{ sizing: 'full-white', headroom: 0 }, 8, 8, 8],
    [{ sizing: 'next-size', headroom: 0.2 }, 8, 8, 8],
    [{ sizing: 'scenes', headroom: 0.2 }, 8, 2, 2],
  ])('%j: %f A at full white needs %f A, picks %f A', (rules, peakA, needA, ratedA) => {
    const supply = feed(planOf(['a'], 'auto', rules), [load('a', peakA)])
    expect(supply.needA).toBeCloseTo(needA, 9)
    expect(supply.ratedA).toBe(ratedA)
    expect(supply.grade).toBe('ok')
  })

  it.each<[string, number, string]>([
    ['brick-5v-10', 8, 'ok'],
    ['brick-5v-10', 8.01, 'tight'],
    ['brick-5v-10', 10, 'tight'],
    ['brick-5v-10', 10.01, 'short'],
    ['auto', 48, 'ok'],
    ['auto', 48.01, 'short'],
  ])('%s with %f A is %s', (part, peakA, grade) => {
    expect(feed(planOf(['a'], part), [load('a', peakA)]).grade).toBe(grade)
  })
})

describe('runs on their supplies', () => {
  it('a chosen part sets the volts; those of other volts are told apart', () => {
    const loads = [load('a', 2), load('b', 3, 12)]
    const supply = feed(planOf(['a', 'b'], 'brick-12v-5'), loads)
    expect(supply.volts).toBe(12)
    expect(supply.fits).toEqual([loads[1]])
    expect(supply.misfits).toEqual([loads[0]])
    expect(supply.loadA).toBe(3)
  })

  it('left to itself it takes the volts at which most power is drawn', () => {
    const loads = [load('a', 2), load('b', 1, 12)]
    expect(feed(planOf(['a', 'b']), loads).volts).toBe(12)
    expect(feed(planOf(['a', 'b']), [load('a', 3), load('b', 1, 12)]).volts).toBe(5)
  })

  it('with nothing to feed it picks nothing and is no trouble', () => {
    const supply = feed(planOf([]), [])
    expect(supply.part).toBeUndefined()
    expect(supply.loadA).toBe(0)
    expect(supply.volts).toBe(5)
  })

  it('a line goes to the supply that it names, the others to the first', () => {
    const plan = planOf(['a', 'b'])
    const two: Plan = {
      ...plan,
      lines: [plan.lines[0]!, { ...plan.lines[1]!, supplyId: 't' }],
      supplies: [...plan.supplies, { id: 't', name: 'T', part: 'auto' }],
    }
    const fed = feedSupplies(two, [load('a', 2), load('b', 3)], parts)
    expect(fed.map(({ loadA }) => loadA)).toEqual([2, 3])
  })
})

describe('what can be bought', () => {
  it('is the smallest that will do, the cheaper of two equal ones', () => {
    expect(smallestFor(parts, 5, 4.4, 0.2)?.id).toBe('brick-5v-6')
    expect(smallestFor(parts, 5, 0.3, 0.2)?.id).toBe('usb-port-0_5')
    expect(smallestFor(parts, 5, 2.4, 0.2)?.id).toBe('usb-port-3')
    expect(smallestFor(parts, 12, 4, 0.2)?.id).toBe('brick-12v-5')
    expect(smallestFor(parts, 48, 1, 0.2)).toBeUndefined()
  })

  it('ends at the largest', () => {
    expect(largestLoadA(parts, 5, 0.2)).toBeCloseTo(48, 9)
    expect(largestLoadA(parts, 24, 0)).toBeCloseTo(13.33, 2)
    expect(largestLoadA(parts, 48, 0)).toBe(0)
  })
})

it.each<[string, string, boolean]>([
  ['white-usb', 'battery-3-aa', true],
  ['white-usb', 'battery-4-nimh', true],
  ['white-usb', 'battery-9v', false],
  ['white-12v-5', 'battery-9v', false],
  ['white-12v-5', 'battery-lead-12v', true],
  ['pixels-5v-60', 'computer-5v', true],
  ['pixels-5v-60', 'computer-12v', false],
])('%s hangs on %s: %j', (stripId, part, suits) => {
  const plan: Plan = {
    ...emptyPlan('t', 'a'),
    lines: [{ id: 'a', text: 'shelf 300', stripId }],
    supplies: [{ id: 'supply-a', name: 'A', part }],
  }
  const [supply] = fedPlan(plan).supplies
  expect(supply!.fits.length === 1).toBe(suits)
  expect(supply!.misfits.length === 1).toBe(!suits)
})
