import { describe, expect, it } from 'vitest'
import { readPlan } from '../../formats/plan-file'
import { demoPlan } from '../../testing/demo-plan'
import { partsOf } from '../parts/find'
import { change } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { progressOf } from './progress'
import { swapsAt, type Swap } from './swaps'
import type { Step } from './step'

function swapsIn(plan: Plan): { step: Step; swaps: Swap[] }[] {
  const { supplies, fit, wiring, schedule } = worked(plan)
  const given = {
    plan,
    parts: partsOf(plan.own),
    wires: wiring.wires,
    supplyParts: new Map(
      supplies.flatMap(({ slot, part }) =>
        part === undefined ? [] : [[slot.id, part.id] as const],
      ),
    ),
    board: fit?.board.id,
  }
  return schedule.steps.map((step) => ({ step, swaps: swapsAt(given, step) }))
}

describe('a part that was swapped', () => {
  it('is told at its step, becomes the plan’s, and leaves what is done done', () => {
    const kinds = new Set<Swap['of']>()
    for (const name of ['bay-window-nook', 'wall-of-jars'] as const) {
      const plan = demoPlan(name)
      const before = progressOf(plan, worked(plan).schedule.steps, Infinity)
      for (const { step, swaps } of swapsIn(plan))
        for (const swap of swaps) {
          expect(
            swap.options.map(([id]) => id),
            `${step.title}: ${swap.label}`,
          ).toContain(swap.now)
          if (kinds.has(swap.of)) continue
          kinds.add(swap.of)
          const other = swap.options.findLast(([id]) => id !== swap.now)![0]
          const swapped = change(plan, [...swap.commands(other)]).plan
          expect(readPlan(JSON.parse(JSON.stringify(swapped))).ok).toBe(true)
          const now = swapsIn(swapped)
            .flatMap((one) => one.swaps)
            .find(({ label }) => label === swap.label)
          expect(now?.now, `${step.title}: ${swap.label}`).toBe(other)
          // Another strip is another piece, another board or supply is wired otherwise; the rest leaves all joints where they are.
          const { steps } = worked(swapped).schedule
          const after = progressOf(swapped, steps, Infinity)
          if (swap.of === 'gauge' || swap.of === 'fuse' || swap.of === 'resistor')
            expect([...before.done].filter((id) => !after.done.has(id))).toEqual([])
        }
    }
    expect([...kinds].toSorted()).toEqual(['board', 'fuse', 'gauge', 'resistor', 'strip', 'supply'])
  })

  it('at a lead changes that lead, and no other', () => {
    const nook = demoPlan('bay-window-nook')
    const feeds = [
      { id: 'first', pad: 0, fuse: 'auto' },
      { id: 'far', pad: 'end', fuse: 'auto' },
    ] as const
    const plan = change(nook, [
      { do: 'set-lines', lines: ['seat'], set: { feeds: [...feeds] } },
    ]).plan
    const all = swapsIn(plan).flatMap(({ swaps }) => swaps)
    const fuse = all.find(({ label }) => label === 'Fuse in W1')!
    const { full } = worked(change(plan, [...fuse.commands('15')]).plan)
    const set = full.leads.filter(({ lead }) => lead.fuse === 15).map(({ lead }) => lead.id)
    expect(set).toEqual([worked(plan).wiring.wires.find(({ name }) => name === 'W1')!.fusedLead])
  })
})
