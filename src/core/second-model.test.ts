import fc from 'fast-check'
import { expect, it } from 'vitest'
import { anyPlan } from '../testing/any-plan'
import { demoNames, demoPlan } from '../testing/demo-plan'
import { runs } from '../testing/runs'
import { secondModel } from '../testing/second-model'
import { batteriesOf } from './feed/batteries'
import type { Plan } from './plan/plan'
import { programData } from './signal/program'
import { tally } from './tally'
import { worked } from './worked'

/** What the core tells of a plan's supplies is what the second model tells. */
function compare(plan: Plan): void {
  const given = worked(plan)
  const batteries = batteriesOf(given.supplies, plan.use)
  const energies = new Map(
    tally(plan)
      .roll.flatMap(({ figures }) => figures)
      .map(({ id, operands }) => [id, operands[0]?.value]),
  )
  const limits = new Map(programData(given).supplies.map(({ name, limitMa }) => [name, limitMa]))
  const second = secondModel(given)
  for (const [at, told] of given.supplies.entries()) {
    const own = second[at]!
    const near = (what: string, one: number, other: number, share = 1e-9): void => {
      expect(
        Math.abs(one - other),
        `${plan.name}, ${told.slot.id}, ${what}: ${String(one)} and ${String(other)}`,
      ).toBeLessThanOrEqual(share * Math.max(1, Math.abs(one)))
    }
    near('full white', told.currentA['full-white'], own.fullA)
    near('level', told.currentA.level, own.levelA)
    near('red', told.currentA.red, own.redA)
    near('idle', told.currentA.idle, own.idleA)
    near('off', told.offA, own.offA)
    near('required', told.needA, own.needA)
    expect(told.limitA === null).toBe(own.limitMa === null)
    if (told.limitA !== null) {
      near('limit', told.limitA * 1000, own.limitMa!, 1e-6)
      const inProgram = limits.get(told.slot.name)
      if (inProgram !== undefined) near('limit in the program', inProgram, own.limitMa!, 1)
    }
    const kwh = energies.get(`energy.${told.slot.id}`)
    if (kwh !== undefined) near('energy', kwh, own.kwhPerYear!)
    const battery = batteries.get(told.slot.id)
    expect(battery === undefined, 'lives on cells').toBe(own.hours === null)
    if (battery !== undefined)
      // Stepped otherwise: by time, not by depth.
      if (battery.hours === null) expect(own.hours).toBe(Infinity)
      else near('hours', battery.hours, own.hours!, 0.01)
  }
}

it.each(demoNames)(
  'load, supplies, limits, energy and batteries of %s are told alike by two models',
  (name) => {
    compare(demoPlan(name))
  },
)

it('… and of any plan', () => {
  fc.assert(fc.property(anyPlan, compare), { numRuns: runs(60) })
})
