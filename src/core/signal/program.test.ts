import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { programData } from './program'

const plan: Plan = {
  ...emptyPlan('t', 'a'),
  lines: [{ id: 'a', text: 'shelf 2000' }],
  signal: { ...emptyPlan('t', 'a').signal, boardFrom: 'usb' },
}
const dataOf = (set: Partial<Plan>) => programData(worked({ ...plan, ...set }))
const supply = (id: string, part: string) => ({ id, name: `Supply ${id}`, part })

/** 120 pixels of 0.7 mA while dark. */
const idleMa = 120 * 0.7

it('names dark pixels as far as the run goes, and no farther', () => {
  const { lanes } = dataOf({
    lines: [
      { id: 'a', text: 'shelf 1000', skip: [{ from: 50, count: 99, why: 'dark' }] },
      { id: 'b', text: 'sill 500', skip: [{ from: 400, count: 5, why: 'dark' }] },
    ],
  })
  expect(lanes[0]!.runs.map(({ first, count, dark }) => ({ first, count, dark }))).toEqual([
    { first: 0, count: 60, dark: [{ from: 50, count: 10 }] },
    { first: 60, count: 30, dark: [] },
  ])
})

describe('limits for the program', () => {
  it('are those of the supplies that pixels hang on, not of plain strips’', () => {
    const { limitMa, supplies, lanes } = dataOf({
      lines: [
        { id: 'a', text: 'shelf 2000' },
        { id: 'b', text: 'cove 3 m', stripId: 'white-24v-14', supplyId: 's2' },
      ],
      supplies: [supply('s1', 'brick-5v-2'), supply('s2', 'enclosed-24v-150w')],
    })
    expect(limitMa).toBe(Math.floor(2000 * 0.8 - idleMa))
    expect(supplies).toHaveLength(1)
    expect(lanes[0]!.limitMa).toBe(limitMa)
  })

  it('of a board’s pin is what its regulator passes', () => {
    // 1 W ÷ (9 − 5) V
    expect(dataOf({ supplies: [supply('s1', 'board-pin-9v')] }).limitMa).toBe(250 - idleMa)
  })

  it('leave out what the program cannot dim, and count what a dimmer can', () => {
    const cove = { id: 'b', text: 'cove 1 m', stripId: 'white-usb' }
    const supplies = [supply('s1', 'brick-5v-4')]
    const undimmed = dataOf({ supplies, lines: [...plan.lines, cove] })
    const coveMa = worked({ ...plan, supplies, lines: [...plan.lines, cove] }).loads[1]!.currentA[
      'full-white'
    ]
    expect(undimmed.limitMa).toBe(Math.floor(4000 * 0.8 - idleMa - coveMa * 1000))
    const dimmed = dataOf({ supplies, lines: [...plan.lines, { ...cove, dimmer: 'cove' }] })
    expect(dimmed.limitMa).toBe(Math.floor(4000 * 0.8 - idleMa))
    // Shared out by what each draws at full white.
    const [lane, dimmer] = [dimmed.lanes[0]!.limitMa, dimmed.dimmers[0]!.limitMa]
    expect(lane + dimmer).toBeGreaterThanOrEqual(dimmed.limitMa - 1)
    expect(lane / dimmer).toBeCloseTo((120 * 36) / (coveMa * 1000), 1)
  })

  it('of a lane that two supplies feed is held by the one with less to spare', () => {
    const { lanes, supplies } = dataOf({
      lines: [
        { id: 'a', text: 'shelf 2000' },
        { id: 'b', text: 'sill 1000', supplyId: 's2' },
      ],
      supplies: [supply('s1', 'brick-5v-2'), supply('s2', 'brick-5v-10')],
    })
    const [small] = supplies
    expect(lanes).toHaveLength(1)
    expect(lanes[0]!.limitMa).toBeCloseTo(small!.limitMa * 1.5, -1)
  })
})
