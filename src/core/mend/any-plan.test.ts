import fc from 'fast-check'
import { expect, it } from 'vitest'
import { networkIssues } from '../feed/network-schema'
import { planNetwork } from '../feed/plan-network'
import { solve } from '../feed/solve'
import { worked } from '../worked'
import { anyPlan } from '../../testing/any-plan'
import { runs } from '../../testing/runs'
import { Diagnosis } from './diagnose'
import { faultedNetwork } from './faulted-network'
import { nextTests } from './next-test'
import { nothingSeen } from './seen'

it('of any plan every fault has a look within its runs, a network that is one, and a chance among all', () => {
  fc.assert(
    fc.property(anyPlan, fc.nat(), (plan, pick) => {
      const given = worked(plan)
      const diagnosis = new Diagnosis(given)
      const { candidates, stage } = diagnosis
      if (candidates.length === 0) return
      expect(candidates.reduce((sum, { fault }) => sum + fault.chance, 0)).toBeLessThan(1 + 1e-9)
      const counts = new Map(stage.runs.map(({ id, count }) => [id, count]))
      for (const { look, fault } of candidates) {
        for (const [run, codes] of look.runs) expect(codes.length, fault.id).toBe(counts.get(run))
        for (const value of look.values.values()) expect(Number.isFinite(value)).toBe(true)
        expect(fault.where).not.toMatch(/undefined|NaN/)
      }
      const own = candidates[pick % candidates.length]!
      const network = faultedNetwork(planNetwork(given, 'full-white'), own.fault.does.feed ?? [])
      expect(networkIssues(network)).toEqual([])
      expect(solve(network).ok, own.fault.id).toBe(true)

      // Before anything is seen, and with one run all dark, tests have whole chances.
      const [run] = stage.runs
      const dark =
        run === undefined
          ? nothingSeen
          : { ...nothingSeen, runs: { [run.id]: [[0, run.count, 'dark', 'always'] as const] } }
      for (const seen of [nothingSeen, dark]) {
        const all = diagnosis.probabilities(seen)
        expect(all.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6)
        for (const { outcomes, bits } of nextTests(diagnosis, seen)) {
          expect(bits).toBeGreaterThan(0)
          expect(outcomes.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 6)
        }
      }
    }),
    { numRuns: runs(10, 6_000) },
  )
})
