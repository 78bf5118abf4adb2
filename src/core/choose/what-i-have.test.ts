import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { withWhatIHave, type HaveUse } from './what-i-have'

const item = (part: string, unit: 'piece' | 'mm' = 'piece', amount = 1) => ({
  id: part,
  part,
  name: part,
  unit,
  amount,
})
const usesOf = (plan: Plan, ...items: ReturnType<typeof item>[]): HaveUse[] => [
  ...withWhatIHave(plan, items),
]
const stopsOf = (plan: Plan): string[] =>
  worked(plan).verdicts.flatMap(({ id, grade }) => (grade === 'stop' ? [id] : []))
const shelf: Plan = {
  ...emptyPlan('shelf', 'a'),
  lines: [{ id: 'a', text: 'shelf 2 m' }],
}

describe('what is in the drawer', () => {
  it('a supply that is too small does with a limit, and then nothing stops that did not before', () => {
    const plan = demoPlan('bay-window-nook')
    const [use] = usesOf(plan, item('brick-5v-10'))
    expect(use).toMatchObject({ kind: 'supply', stops: [] })
    expect(use!.needs.join()).toMatch(/limit brightness to \d+ %/)
    const taken = change(plan, use!.commands).plan
    expect(taken.limit).toBeLessThan(plan.limit)
    const before = stopsOf(plan)
    expect(stopsOf(taken).filter((id) => !before.includes(id))).toEqual([])
    expect(use!.costMore).toBeLessThan(-15)
    expect(use!.costMore).toBeCloseTo(worked(taken).receipt.total - worked(plan).receipt.total, 6)
  })

  it('one that is large enough needs nothing; one of other volts and what the plan has are not told', () => {
    const present = worked(shelf).supplies[0]!.part!.id
    const uses = usesOf(shelf, item('supply.brick-5v-8'), item('brick-12v-5'), item(present))
    expect(uses).toMatchObject([{ name: '5 V brick, 8 A', needs: [], stops: [] }])
    expect(usesOf(shelf)).toEqual([])
  })

  it('a board that lies there, and offcuts that are long enough to buy no reel', () => {
    const uses = usesOf(shelf, item('large-5v'), item('pixels-5v-30', 'mm', 2400))
    expect(uses.map(({ kind }) => kind)).toEqual(['board', 'strip'])
    const strip = uses[1]!
    const taken = change(shelf, strip.commands).plan
    const line = worked(taken).receipt.lines.find(({ part }) => part === 'pixels-5v-30')!
    expect([line.buys, line.have > 1.9]).toEqual([[], true])
    expect(strip.costMore).toBeLessThan(-10)
  })
})
