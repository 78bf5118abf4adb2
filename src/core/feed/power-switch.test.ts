import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { standbyOf } from './standby'

const planOf = (part: string, of: Partial<Plan['supplies'][number]> = {}): Plan => {
  const plan = emptyPlan('t', 'l')
  return {
    ...plan,
    lines: [{ id: 'l', text: 'lantern 500', stripId: 'pixels-5v-30' }],
    supplies: [{ id: 'supply-a', name: 'A', part, ...of }],
  }
}
const switchIn = (plan: Plan): string[] =>
  worked(plan).receipt.lines.flatMap(({ id, name }) =>
    id.startsWith('power-switch.') ? [name] : [],
  )
const plusWays = (plan: Plan): string[] =>
  worked(plan).wiring.wires.flatMap(({ role, from, to }) =>
    role === 'plus' && to.block !== 'board' ? [`${from.block} → ${to.block}`] : [],
  )

describe('the power switch', () => {
  it('stands in the plus of cells by the rule, and elsewhere where it was chosen', () => {
    const cells = planOf('battery-4-nimh')
    expect(switchIn(cells)).toEqual(['toggle switch, 3 A'])
    expect(plusWays(cells)).toEqual([
      'supply:supply-a → power-switch:supply-a',
      'power-switch:supply-a → run:l',
    ])
    const wall = planOf('brick-5v-2')
    expect(switchIn(wall)).toEqual([])
    expect(plusWays(wall)).toEqual(['supply:supply-a → run:l'])
    expect(switchIn(planOf('brick-5v-2', { powerSwitch: 'auto' }))).toEqual(['toggle switch, 3 A'])
    expect(switchIn(planOf('battery-4-nimh', { powerSwitch: 'none' }))).toEqual([])
  })

  it('sits at the enable pin of a booster, where next to nothing flows', () => {
    const boosted = planOf('boosted-li-ion')
    expect(switchIn(boosted)).toEqual(['slide switch, 0.5 A'])
    const { wiring } = worked(boosted)
    expect(
      wiring.wires
        .filter(({ to }) => to.block === 'power-switch:supply-a')
        .map(({ role, from }) => `${role} ${from.label}`),
    ).toEqual(['signal enable', 'minus − switch'])
  })

  it('costs the volts of its contact and its wire', () => {
    const at = (powerSwitch: string): number =>
      worked(planOf('brick-5v-2', { powerSwitch })).full.runs.get('l')!.minV
    const { full } = worked(planOf('brick-5v-2', { powerSwitch: 'toggle-3a' }))
    const amperes = full.leads[0]!.currentA
    // 20 mΩ of a 3 A switch against 5 mΩ of one for 20 A: the current hardly changes.
    expect(at('toggle-20a') - at('toggle-3a')).toBeCloseTo(0.015 * amperes, 2)
    // 120 mm of 1 mm².
    const without = worked(planOf('brick-5v-2')).full.runs.get('l')!.minV
    expect(without - at('toggle-3a')).toBeCloseTo((0.02 + 0.12 * 0.017241) * amperes, 2)
  })

  it('hangs on a wire thick enough for all that is behind it, limit or not', () => {
    const gauge = (limit: number): string | undefined =>
      worked({
        ...planOf('enclosed-5v-100w', { powerSwitch: 'auto' }),
        // 240 pixels of 60 mA: 14 A on two leads of 1 mm², which take 8 A each.
        lines: ['a', 'b'].map((id) => ({ id, text: `${id} 120 px`, stripId: 'pixels-5v-60' })),
        limit,
      }).wiring.wires.find(({ to }) => to.block === 'power-switch:supply-a')?.gauge.name
    expect(gauge(1)).toBe('2.5 mm²')
    expect(gauge(0.3)).toBe('2.5 mm²')
  })

  it('is as good as its rating in the network', () => {
    const own = (part: string): Plan => ({
      ...planOf('enclosed-5v-100w', { powerSwitch: part }),
      lines: [{ id: 'l', text: 'wall 90 px', stripId: 'pixels-5v-60' }],
    })
    const volts = (part: string): number => worked(own(part)).full.runs.get('l')!.minV
    // 5.5 A: by itself the 10 A switch, not the one for 3 A.
    expect(volts('auto')).toBe(volts('rocker-10a'))
    expect(volts('auto')).toBeGreaterThan(volts('toggle-3a') + 0.01)
  })

  it('is not there where nothing hangs on its supply', () => {
    const plan = planOf('brick-5v-2')
    const { wiring } = worked({
      ...plan,
      supplies: [
        ...plan.supplies,
        { id: 'spare', name: 'Spare', part: 'brick-5v-4', powerSwitch: 'auto' },
      ],
    })
    expect(wiring.blocks.map(({ of }) => of.kind)).not.toContain('power-switch')
  })

  it('is too small where it carries more than it is rated for, and the remedy is the next', () => {
    const small = planOf('brick-5v-2', { powerSwitch: 'slide-0_5a' })
    const found = worked(small).verdicts.find(({ code }) => code === 'switch-over')!
    expect(found.text).toMatch(/A through its slide switch, 0\.5 A/)
    const mended = change(small, found.remedies[0]!.commands).plan
    expect(mended.supplies[0]!.powerSwitch).toBe('toggle-3a')
    expect(worked(mended).verdicts.map(({ code }) => code)).not.toContain('switch-over')
  })

  it('stands before a board’s raw input too, whose regulator keeps the strip’s volts', () => {
    const raw = planOf('board-pin-block')
    expect(switchIn(raw)).toEqual(['toggle switch, 3 A'])
    const codes = worked({
      ...raw,
      lines: [{ id: 'l', text: 'jar 15 px', stripId: 'pixels-5v-60' }],
    }).verdicts.map(({ code }) => code)
    // Heat and sag meet; fresh cells do no harm behind the regulator.
    expect(codes).toContain('regulator-hot')
    expect(codes).toContain('battery-short')
    expect(codes).not.toContain('volts-over')
  })

  it('standby tells what dark pixels and the board take, and how long cells last by that', () => {
    const plan = planOf('battery-4-nimh')
    const standby = standbyOf(plan, worked(plan).supplies[0]!)
    // 15 pixels × 0.7 mA and the board.
    expect(standby.idleA).toBeCloseTo(0.0105 + worked(plan).supplies[0]!.boardA, 9)
    expect(standby.hours! * standby.idleA).toBeGreaterThan(1.5)
    expect(standby.hours! * standby.idleA).toBeLessThan(2.2)
    expect(standby.powerSwitch).toBe('toggle switch, 3 A')
  })
})
