import { describe, expect, it } from 'vitest'
import { planNetwork } from '../feed/plan-network'
import { connectors } from '../parts/connectors'
import type { ConnectorId } from '../plan/choices'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'

const planOf = (apart?: ConnectorId): Plan => ({
  ...emptyPlan('t', 'a'),
  rules: { ...emptyPlan('t', 'a').rules, spare: 0 },
  supplies: [{ id: 'supply-a', name: 'A', part: 'brick-5v-10' }],
  lines: [
    {
      id: 'a',
      text: 'shelf 500',
      feeds: [{ id: 'f', pad: 0, fuse: 'auto', wire: 'mm2-1', ...(apart && { apart }) }],
    },
  ],
})

describe('a lead that comes apart', () => {
  const through = worked(planOf())
  const [lead] = planNetwork(through, 'full-white').leads
  it.each(connectors)('at a $name: in the feed, the fuse, the joints and the bill', (connector) => {
    const { id, name, ohm, limitA, by } = connector
    const given = worked(planOf(id))
    const [own] = planNetwork(given, 'full-white').leads
    expect((own!.minusOhm ?? NaN) - (lead!.minusOhm ?? NaN)).toBeCloseTo(ohm, 12)
    expect((own!.plusOhm ?? NaN) - (lead!.plusOhm ?? NaN)).toBeCloseTo(ohm, 12)
    expect(given.leads[0]!.limitA).toBe(Math.min(8, limitA))

    // One in the pair, on its plus and its minus.
    const joint = given.joints.find(({ meets }) => meets[0]?.startsWith(name))!
    expect(joint.wires).toHaveLength(2)
    expect(joint.soldered).toBe(by === 'solder' ? 4 : 0)
    expect(given.joints).toHaveLength(through.joints.length + 1)
    const title = given.steps.find(({ joints }) => joints.includes(joint.id))!.title
    expect(title).toMatch(
      by === 'solder'
        ? new RegExp(`^Solder the .* fuse and its holder and ${name} into`)
        : new RegExp(`^Solder the .* fuse and its holder into .*, ${by} the ${name} into`),
    )
    const bought = given.bill.filter((line) => line.name.includes(name))
    expect(bought).toMatchObject([{ need: 1 }])
    const sleeve = (of: typeof given): number =>
      of.bill
        .filter((line) => /heat-shrink|sleeve/i.test(line.name))
        .reduce((sum, line) => sum + line.need, 0)
    expect(sleeve(given) - sleeve(through)).toBeCloseTo(by === 'solder' ? 0.1 : 0, 9)
  })
})
