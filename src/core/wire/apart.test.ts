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
    // A sleeve for each half on each wire.
    expect(joint.threadFirst).toEqual(
      by === 'solder' ? joint.wires.map((wire) => `sleeve 4.8 mm on ${wire}, two`) : [],
    )
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

describe('a data wire that comes apart', () => {
  it('has the connector once, with its joint and its place in the bill', () => {
    const dataOf = (dataApart?: ConnectorId): ReturnType<typeof worked> => {
      const plan = planOf()
      const [line] = plan.lines
      return worked({ ...plan, lines: [{ ...line!, ...(dataApart && { dataApart }) }] })
    }
    const [through, given] = [dataOf(), dataOf('strip-plug')]
    const joint = given.joints.find(({ meets }) => meets[0]?.startsWith('strip plug pair'))!
    expect(joint.meets).toEqual(['strip plug pair, both halves, data to data'])
    expect(joint.wires).toHaveLength(1)
    expect(given.joints).toHaveLength(through.joints.length + 1)
    expect(given.steps.some(({ joints }) => joints.includes(joint.id))).toBe(true)
    expect(given.bill.filter(({ name }) => name.includes('strip plug pair'))).toMatchObject([
      { need: 1 },
    ])
  })
})
