import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { change, patched } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import { worked } from '../worked'
import { candidatesFor, compare } from './compare'
import { differences } from './differences'

const named = (names: readonly string[], plan = demoPlan('wardrobe-rails')) =>
  candidatesFor(plan).filter(({ id }) => names.includes(id))

describe('which light', () => {
  it.each(['wardrobe-rails', 'pegboard-moon'])(
    'what is told of a candidate of %s is what the plan comes to once it is taken, and it can be undone',
    (name) => {
      const plan = demoPlan(name)
      const some = candidatesFor(plan).filter((_, index) => index % 4 === 0)
      const rows = [...compare(plan, some)]
      expect(rows.map(({ strip }) => strip.id)).toEqual(some.map(({ id }) => id))
      for (const { strip, commands, isPresent, ...told } of rows) {
        const taken = change(plan, commands)
        expect(patched(taken.plan, taken.backward)).toEqual(plan)
        const { receipt, joints, leads, verdicts, cutRuns } = worked(taken.plan)
        expect(told.cost).toBe(receipt.total)
        expect(told.joints).toBe(joints.length)
        expect(told.feeds).toBe(leads.filter(({ to }) => to.kind === 'run').length)
        expect(told.problems).toHaveLength(verdicts.filter(({ grade }) => grade !== 'note').length)
        for (const { run, strip: laid } of cutRuns)
          if (run.segments.length > 0) expect(laid.id).toBe(strip.id)
        const again = [...compare(taken.plan, [strip])][0]!
        expect(again.isPresent).toBe(true)
        expect({ ...again, isPresent, commands }).toMatchObject({ ...told, isPresent })
      }
    },
  )

  it('the plan’s own strip is the plan as it is', () => {
    const plan = demoPlan('wardrobe-rails')
    const [own] = compare(plan, named([plan.defaults.stripId]))
    const { receipt, loads } = worked(plan)
    expect(own).toMatchObject({ isPresent: true, commands: [], cost: receipt.total })
    const watts = loads.reduce((sum, load) => sum + load.currentA['full-white'] * load.volts, 0)
    expect(own!.powerW).toBeCloseTo(watts, 6)
  })

  it('another voltage gets a supply of its own, and feeds until nothing fades that can be helped', () => {
    const plan = demoPlan('wardrobe-rails')
    const [low, high] = compare(plan, named(['white-12v-10', 'white-24v-10']))
    expect(low!.supplies.join()).toContain('12 V')
    expect(high!.supplies.join()).toContain('24 V')
    expect(low!.problems.map(({ code }) => code)).not.toContain('volts-differ')
  })

  it('closer lights show less behind a cover, and none are told of where there is no cover', () => {
    const plan = demoPlan('wardrobe-rails')
    const rows = [...compare(plan, named(['pixels-5v-30', 'pixels-5v-60', 'pixels-5v-144']))]
    const ripples = rows.map(({ ripple }) => ripple ?? NaN)
    expect(ripples).toEqual(ripples.toSorted((a, b) => b - a))
    const bare = { ...emptyPlan('bare', 'a'), lines: [{ id: 'a', text: 'shelf 900' }] }
    expect([...compare(bare, candidatesFor(bare).slice(0, 1))][0]?.ripple).toBeNull()
  })

  it('tells what is otherwise in words, and nothing of a plan against itself', () => {
    const plan = demoPlan('wardrobe-rails')
    const [low, high] = [...compare(plan, named(['white-24v-10', 'white-24v-19']))]
    const price = (value: number): string => `${value.toFixed(0)} money`
    expect(differences(low!, low!, price)).toEqual([])
    const told = differences(high!, low!, price)
    expect(told[0]).toBe(`${(high!.cost - low!.cost).toFixed(0)} money dearer`)
    expect(told).toContain('1.9 × the light')
    expect(differences(low!, high!, price)[0]).toContain('cheaper')
  })

  it('only what bends edgewise is tried where a run is bent so; a plan without strip has no candidate', () => {
    const bent = {
      ...emptyPlan('bent', 'a'),
      lines: [{ id: 'a', text: 'ring 400', mount: { bend: 'edgewise' as const } }],
    }
    const ids = candidatesFor(bent).map(({ edgeRadiusMm }) => edgeRadiusMm)
    expect(ids.length).toBeGreaterThan(0)
    expect(ids).not.toContain(null)
    expect(candidatesFor(demoPlan('paper-lanterns'))).toEqual([])
  })
})
