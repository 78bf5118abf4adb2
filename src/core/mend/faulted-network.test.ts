import { describe, expect, it } from 'vitest'
import type { Network } from '../feed/network'
import { networkIssues } from '../feed/network-schema'
import { solve, solveWithRails } from '../feed/solve'
import type { SolvedRun } from '../feed/solution'
import type { FeedChange } from './fault'
import { faultedNetwork } from './faulted-network'

/** Ten loads of 0.1 A on rails of 0.1 Ω a pitch, fed from one end through 0.05 Ω a wire. */
const network: Network = {
  supplies: [{ id: 'supply', volts: 5 }],
  runs: [
    {
      id: 'run',
      loads: 10,
      pitchM: 0.1,
      railOhmPerM: { p: 1, m: 1 },
      load: { idleA: 0.1 },
    },
  ],
  leads: [{ from: 'supply', to: 'run@0', plusOhm: 0.05, minusOhm: 0.05 }],
}
const with_ = (...changes: FeedChange[]): Network => {
  const faulty = faultedNetwork(network, changes)
  expect(networkIssues(faulty)).toEqual([])
  return faulty
}
const volts = (own: Network, run: string): SolvedRun => {
  const result = solve(own)
  if (!result.ok) throw new Error(result.reason)
  const found = result.solution.runs.get(run)
  if (found === undefined || 'floating' in found) throw new Error(`${run} floats`)
  return found
}

describe('a network with a fault in it', () => {
  const healthy = volts(network, 'run').firstV

  it('is the same without a change', () => {
    expect(with_()).toEqual(network)
  })

  it('has more ohms in one wire of a lead, or none of it at all', () => {
    const poor = with_({ kind: 'lead', lead: 0, rail: 'plus', ohm: 0.5 })
    expect(poor.leads[0]).toMatchObject({ plusOhm: 0.55, minusOhm: 0.05 })
    // 1 A goes through it.
    expect(healthy - volts(poor, 'run').firstV).toBeCloseTo(0.5, 9)
    const open = with_({ kind: 'lead', lead: 0, rail: 'minus', ohm: null })
    expect(open.leads[0]).toMatchObject({ plusOhm: 0.05, minusOhm: null })
    const twice = with_(
      { kind: 'lead', lead: 0, rail: 'plus', ohm: null },
      { kind: 'lead', lead: 0, rail: 'plus', ohm: 1 },
    )
    expect(twice.leads[0]!.plusOhm).toBeNull()
  })

  it('splits a run where one of its rails is poor or open', () => {
    const poor = with_({ kind: 'rail', run: 'run', pad: 4, rail: 'minus', ohm: 2 })
    expect(poor.runs.map(({ id, loads }) => [id, loads])).toEqual([
      ['run.1', 4],
      ['run.2', 6],
    ])
    expect(poor.leads[1]).toEqual({ from: 'run.1@4', to: 'run.2@0', plusOhm: 0, minusOhm: 2 })
    // Six loads behind it draw 0.6 A through 2 Ω.
    const whole = volts(network, 'run').volts[4]!
    expect(whole - volts(poor, 'run.2').firstV).toBeCloseTo(1.2, 6)
    const open = with_({ kind: 'rail', run: 'run', pad: 4, rail: 'plus', ohm: null })
    const result = solveWithRails(open)
    if (!result.ok) throw new Error(result.reason)
    const behind = result.solution.runs.get('run.2')!
    expect(behind).toMatchObject({ floating: ['plus'] })
    // Its minus still hangs on the supply's, with 0.4 A through the lead and what is before it.
    expect(behind.rails!.minus[0]).toBeGreaterThan(0.02)
    expect(volts(open, 'run.1').currentA).toBeCloseTo(0.4, 9)
  })

  it('has a bridge as a run of one load, and a strip the wrong way round behind a drop', () => {
    const bridged = with_({ kind: 'bridge', at: 'run@0', ohm: 0.1, forwardV: 0 })
    expect(bridged.runs).toHaveLength(2)
    const [, bridge] = bridged.runs
    // 5 V over two wires and the bridge, less what the strip takes.
    const amperes = volts(bridged, bridge!.id).currentA
    expect(amperes * (0.1 + 0.1) + 0.1).toBeCloseTo(5, 4)
    const swapped = with_({ kind: 'swap', lead: 0 })
    expect(swapped.leads[0]).toMatchObject({ plusOhm: null, minusOhm: null })
    expect(swapped.leads[1]).toMatchObject({ from: 'supply', plusOhm: 0, minusOhm: 0 })
    expect(swapped.runs[1]!.load.ohmic).toMatchObject({ forwardV: 0.7 })
    expect(swapped.runs[1]!.load.ohmic!.ohm).toBeCloseTo(0.2, 9)
  })

  it('gives other volts, or hangs everything of a supply on one more cable', () => {
    expect(with_({ kind: 'volts', supply: 'supply', volts: 4 }).supplies).toEqual([
      { id: 'supply', volts: 4 },
    ])
    const thin = with_({ kind: 'behind', supply: 'supply', ohm: 0.3 })
    expect(thin.leads.map(({ from, to }) => [from, to])).toEqual([
      ['cable:supply', 'run@0'],
      ['supply', 'cable:supply'],
    ])
    // Both its wires count.
    expect(healthy - volts(thin, 'run').firstV).toBeCloseTo(0.6, 6)
  })
})
