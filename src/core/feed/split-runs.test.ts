import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readPlanFile } from '../../formats/plan-file'
import { worked } from '../worked'
import { networkSchema } from './network-schema'
import { planNetwork } from './plan-network'
import { solve } from './solve'
import { splitRuns } from './split-runs'

const demo = (name: string) => {
  const read = readPlanFile(
    readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'),
  )
  if (!read.ok) throw new Error(name)
  return worked(read.plan)
}

describe('a network of uniform runs', () => {
  it.each(['bay-window-nook', 'pegboard-moon', 'wardrobe-rails', 'toy-harbour'])(
    'of %s has the same volts at every load and the same amperes',
    (name) => {
      const whole = planNetwork(demo(name), 'full-white')
      const parts = splitRuns(whole)
      expect(parts.runs.every(({ jumpers }) => jumpers === undefined)).toBe(true)
      // It is a file that the command line reads.
      expect(networkSchema.safeParse(JSON.parse(JSON.stringify(parts))).success).toBe(true)
      const [before, after] = [solve(whole), solve(parts)]
      if (!before.ok || !after.ok) throw new Error('not solved')
      const voltsOf = (solved: typeof before.solution): number[] =>
        [...solved.runs.values()].flatMap((run) => ('volts' in run ? Array.from(run.volts) : []))
      const [one, other] = [voltsOf(before.solution), voltsOf(after.solution)]
      expect(other).toHaveLength(one.length)
      one.forEach((volts, index) => {
        expect(other[index]).toBeCloseTo(volts, 5)
      })
      for (const [id, amperes] of before.solution.supplyA)
        expect(after.solution.supplyA.get(id)).toBeCloseTo(amperes, 5)
    },
  )

  it('names its parts and the wires between them', () => {
    const run = {
      id: 'sill',
      loads: 10,
      pitchM: 0.1,
      railOhmPerM: { p: 0.1, m: 0.1 },
      load: { idleA: 0.1 },
      jumpers: [
        { pad: 4, plusOhm: 0.2, minusOhm: 0.3 },
        { pad: 7, plusOhm: 0.4, minusOhm: 0.5 },
      ],
    }
    const lead = { from: 'a', plusOhm: 0, minusOhm: 0 }
    const network = {
      supplies: [{ id: 'a', volts: 5 }],
      runs: [run],
      leads: [
        { ...lead, to: 'sill@0' },
        { ...lead, to: 'sill@4' },
        { ...lead, to: 'sill@10' },
      ],
    }
    const { runs, leads } = splitRuns(network)
    expect(runs.map(({ id, loads }) => [id, loads])).toEqual([
      ['sill.1', 4],
      ['sill.2', 3],
      ['sill.3', 3],
    ])
    expect(leads).toEqual([
      { ...lead, to: 'sill.1@0' },
      { ...lead, to: 'sill.1@4' },
      { ...lead, to: 'sill.3@3' },
      { from: 'sill.1@4', to: 'sill.2@0', plusOhm: 0.2, minusOhm: 0.3 },
      { from: 'sill.2@3', to: 'sill.3@0', plusOhm: 0.4, minusOhm: 0.5 },
    ])
  })
})
