import { describe, expect, it } from 'vitest'
import { nodeParts } from '../../core/parts/node-parts'
import { emptyPlan } from '../../core/plan/empty'
import { change } from '../../core/plan/commands'
import { tally } from '../../core/tally'
import { readPlanFile, writePlanFile } from '../../formats/plan-file'
import { bareNode, withPart, withPartSet, withoutPart } from './node-edit'

describe('a node that is put together', () => {
  it('tells parts of one kind apart, and loses them again', () => {
    const [pair] = nodeParts
    const two = withPart(withPart(bareNode, pair!, 'a'), pair!, 'b')
    expect(two.parts.map(({ name }) => name)).toEqual(['proximity pair', 'proximity pair 2'])
    const named = withPartSet(two, 'b', { name: 'hand', count: 3 })
    expect(named.parts[1]).toMatchObject({ id: 'b', name: 'hand', count: 3, mA: 20 })
    expect(withoutPart(named, 'a').parts.map(({ id }) => id)).toEqual(['b'])
    expect(withoutPart(withoutPart(named, 'a'), 'b')).toEqual(bareNode)
  })

  it('of every part that is offered is a plan’s, and its sums add up', () => {
    const node = nodeParts.reduce(
      (all, part, index) => withPart(all, part, `p${String(index)}`),
      bareNode,
    )
    const empty = emptyPlan('t', 'x')
    const plan = change(
      { ...empty, lines: [{ id: 'l', text: 'table grid 3 x 4 @ 60', stripId: 'nodes-12v' }] },
      [{ do: 'set-lines', lines: ['l'], set: { node } }],
    ).plan
    expect(readPlanFile(writePlanFile(plan))).toEqual({ ok: true, plan, adjusted: [] })
    const { nodes, roll } = tally(plan)
    const sum = (of: (part: (typeof nodeParts)[number]) => number): number =>
      nodeParts.reduce((all, part) => all + part.count * of(part), 0)
    expect(nodes[0]!.each).toEqual({
      parts: sum(() => 1),
      wires: sum(({ wires }) => wires),
      channels: sum(({ channels }) => channels),
      minutes: sum(({ minutes }) => minutes),
      mA: sum(({ mA }) => mA),
    })
    expect(nodes[0]!.holes.reduce((all, { count }) => all + count, 0)).toBe(
      12 * sum(({ holes }) => holes),
    )
    const built = roll.flatMap(({ figures }) => figures).find(({ id }) => id === 'node-minutes.l')
    expect(built).toMatchObject({ value: 12 * sum(({ minutes }) => minutes), isTotal: true })
  })
})
