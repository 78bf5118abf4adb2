import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readPlan } from '../../formats/plan-file'
import { emptyPlan } from './empty'
import type { Junction, Plan } from './plan'
import { junctionsBefore, supplyBehind } from './supply-of'

const junction = (id: string, from: string): Junction => ({
  id,
  name: id.toUpperCase(),
  kind: 'terminals',
  limitA: 10,
  fuse: 'auto',
  from,
})

it('a junction may hang on any that does not hang on it, and is refused on all others', () => {
  const ids = ['a', 'b', 'c', 'd']
  // Each hangs on the supply or on one that comes before it in a shuffled order: never on itself.
  const trees = fc
    .tuple(
      fc.shuffledSubarray(ids, { minLength: 4 }),
      fc.array(fc.nat(3), { minLength: 4, maxLength: 4 }),
    )
    .map(([order, picks]): Plan => {
      const plan = emptyPlan('t', 'x')
      const [supply] = plan.supplies
      const junctions = order.map((id, index) =>
        junction(id, order.slice(0, index)[picks[index]!] ?? supply!.id),
      )
      return { ...plan, junctions }
    })
  fc.assert(
    fc.property(trees, fc.constantFrom(...ids), (plan, id) => {
      const allowed = junctionsBefore(plan, id).map((one) => one.id)
      for (const other of ids) {
        const junctions = plan.junctions.map((one) =>
          one.id === id ? { ...one, from: other } : one,
        )
        const hung = { ...plan, junctions }
        expect(readPlan(hung).ok).toBe(allowed.includes(other))
        if (allowed.includes(other)) expect(supplyBehind(hung, id)).toBe(plan.supplies[0]!.id)
      }
    }),
  )
})
