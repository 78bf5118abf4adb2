import { expect, it } from 'vitest'
import type { Network } from '../core/feed/network'
import { solve } from '../core/feed/solve'
import { solutionJson } from './solution-json'

const network: Network = {
  supplies: [{ id: 's', volts: 12 }],
  runs: ['fed', 'loose'].map((id) => ({
    id,
    loads: 4,
    pitchM: 0.05,
    railOhmPerM: { p: 0.1, m: 0.1 },
    load: { idleA: 0, ohmic: { forwardV: 8.7, ohm: 165, duty: 1 } },
  })),
  leads: [
    { from: 's', to: 'fed@0', plusOhm: 0.05, minusOhm: 0.05 },
    { from: 's', to: 'loose@0', plusOhm: 0.05, minusOhm: null },
  ],
}

it.each([true, false])(
  'is plain JSON by the ids, with volts where they are wanted: %s',
  (withVolts) => {
    const result = solve(network)
    if (!result.ok) throw new Error(result.reason)
    const json = JSON.parse(JSON.stringify(solutionJson(result.solution, withVolts))) as {
      runs: Record<string, { volts?: number[]; minAt?: number; floating?: string[] }>
      leads: object[]
      supplyA: Record<string, number>
    }
    expect(Object.keys(json.runs)).toEqual(['fed', 'loose'])
    expect(json.runs.fed?.minAt).toBe(3)
    expect(json.runs.fed?.volts?.length).toBe(withVolts ? 4 : undefined)
    expect(json.runs.loose).toEqual({ floating: ['minus'] })
    expect(json.leads).toHaveLength(2)
    // Four groups of 20 mA, a little less for the drop.
    expect(json.supplyA.s).toBeGreaterThan(0.078)
    expect(json.supplyA.s).toBeLessThan(0.08)
  },
)
