import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { solveDense } from './dense'
import { drawOf } from './draw'
import { endOf, type Network } from './network'
import { networkIssues, networkSchema } from './network-schema'
import { solve } from './solve'
import type { Solution, SolvedRun } from './solution'
import { runs } from '../../testing/runs'

interface FeedCase {
  id: string
  what: string
  network: Network
  expect: {
    runs: Record<string, Record<string, number>>
    leads: { from: string; to: string; plusA: number; minusA: number }[]
    supplyA: Record<string, number>
  }
}
const { cases } = JSON.parse(
  readFileSync(new URL('../../../worked/feed.json', import.meta.url), 'utf8'),
) as { cases: FeedCase[] }

function solved(network: Network): Solution {
  const result = solve(network)
  if (!result.ok) throw new Error(`${result.reason}, ${String(result.residualA)} A left over`)
  return result.solution
}
function runIn(solution: Solution, id: string): SolvedRun {
  const run = solution.runs.get(id)
  if (run === undefined || 'floating' in run) throw new Error(`${id} floats`)
  return run
}

describe('worked networks', () => {
  it.each(cases.map((one) => [one.what, one] as const))(
    '%s',
    (_, { network, expect: expected }) => {
      expect(networkIssues(networkSchema.parse(network))).toEqual([])
      const solution = solved(network)
      for (const [id, values] of Object.entries(expected.runs)) {
        const run = runIn(solution, id)
        for (const key of ['firstV', 'lastV', 'minV', 'firstGroundV', 'currentA'] as const)
          expect(Math.abs(run[key] - (values[key] ?? NaN)), `${id} ${key}`).toBeLessThan(0.001)
        // Equal lows at both ends of a symmetric run may be told from either.
        expect(Math.abs((run.volts[values.minAt!] ?? NaN) - run.minV)).toBeLessThan(1e-6)
      }
      for (const [index, lead] of expected.leads.entries()) {
        const found = solution.leads[index]!
        expect([found.from, found.to]).toEqual([lead.from, lead.to])
        expect(Math.abs(found.plusA - lead.plusA)).toBeLessThan(0.001)
        expect(Math.abs(found.minusA - lead.minusA)).toBeLessThan(0.001)
      }
      for (const [id, amperes] of Object.entries(expected.supplyA))
        expect(Math.abs((solution.supplyA.get(id) ?? NaN) - amperes)).toBeLessThan(0.001)
    },
  )
})

const rgb = (duty: number): Network['runs'][number]['load'] => ({
  idleA: 0.0007,
  channels: [
    { fullA: 0.02, kneeV: 2.5, offV: 1.7, duty },
    { fullA: 0.02, kneeV: 3.5, offV: 2.6, duty },
    { fullA: 0.02, kneeV: 3.6, offV: 2.7, duty },
  ],
})
const white: Network['runs'][number]['load'] = {
  idleA: 0,
  ohmic: { forwardV: 2.9, ohm: 60, duty: 1 },
}
const ohms = fc.integer({ min: 5, max: 300 }).map((n) => n / 1000)

/** One or two runs, leads to some of their pads, a junction, perhaps a second supply and a missing wire. */
const networks = fc
  .record({
    loads: fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 2 }),
    duty: fc.integer({ min: 0, max: 10 }).map((n) => n / 10),
    isWhite: fc.boolean(),
    rail: fc.tuple(ohms, ohms),
    leads: fc.array(
      fc.record({
        from: fc.constantFrom('s', 's', 'hub'),
        run: fc.nat(1),
        pad: fc.nat(30),
        plusOhm: ohms,
        minusOhm: fc.oneof(
          { weight: 5, arbitrary: ohms },
          { weight: 1, arbitrary: fc.constant(null) },
        ),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    hub: fc.tuple(ohms, ohms),
  })
  .map(({ loads, duty, isWhite, rail, leads, hub }): Network => ({
    supplies: [{ id: 's', volts: 5 }],
    runs: loads.map((count, index) => ({
      id: `r${String(index)}`,
      loads: count,
      pitchM: 0.1,
      railOhmPerM: { p: rail[0], m: rail[1] },
      load: isWhite ? white : rgb(duty),
    })),
    leads: [
      { from: 's', to: 'hub', plusOhm: hub[0], minusOhm: hub[1] },
      ...leads.map(({ from, run, pad, plusOhm, minusOhm }) => {
        const index = run % loads.length
        return {
          from,
          to: `r${String(index)}@${String(pad % (loads[index]! + 1))}`,
          plusOhm,
          minusOhm,
        }
      }),
    ],
  }))

/**
 * The same network without any of the solver's ways: every pad and load a node of one dense system, Newton with tiny steps towards the
 * answer. Slow, plain, and right.
 */
function plainly(network: Network, floating: ReadonlySet<string>): Map<string, number[]> {
  const nodes = new Map<string, number>()
  const node = (name: string): number => {
    const known = nodes.get(name)
    if (known !== undefined) return known
    nodes.set(name, nodes.size)
    return nodes.size - 1
  }
  const resistors: [number, number, number][] = []
  const loads: {
    run: string
    plus: number
    minus: number
    draw: ReturnType<typeof drawOf>
    v: number
  }[] = []
  for (const { id, loads: count, pitchM, railOhmPerM, load } of network.runs)
    for (let at = 0; at < count; at += 1) {
      for (const [rail, ohm] of [
        ['p', railOhmPerM.p],
        ['m', railOhmPerM.m],
      ] as const) {
        const half = (ohm * pitchM) / 2
        resistors.push([
          node(`${rail} ${id}@${String(at)}`),
          node(`${rail} ${id}:${String(at)}`),
          half,
        ])
        resistors.push([
          node(`${rail} ${id}:${String(at)}`),
          node(`${rail} ${id}@${String(at + 1)}`),
          half,
        ])
      }
      loads.push({
        run: id,
        plus: node(`p ${id}:${String(at)}`),
        minus: node(`m ${id}:${String(at)}`),
        // What has no way back draws nothing, whatever its idle current.
        draw: drawOf(floating.has(id) ? { idleA: 0 } : load),
        v: 5,
      })
    }
  for (const { from, to, plusOhm, minusOhm } of network.leads) {
    if (plusOhm !== null) resistors.push([node(`p ${from}`), node(`p ${to}`), plusOhm])
    if (minusOhm !== null) resistors.push([node(`m ${from}`), node(`m ${to}`), minusOhm])
  }
  const [plus, minus] = [node('p s'), node('m s')]
  const n = nodes.size
  for (let round = 0; round < 4000; round += 1) {
    const matrix = new Float64Array(n * n)
    const right = new Float64Array(n)
    const add = (row: number, column: number, value: number): void => {
      matrix[row * n + column]! += value
    }
    const conductance = (a: number, b: number, siemens: number): void => {
      add(a, a, siemens)
      add(b, b, siemens)
      add(a, b, -siemens)
      add(b, a, -siemens)
    }
    for (const [a, b, ohm] of resistors) conductance(a, b, 1 / ohm)
    // A leak to ground so small that no answer notices, for what hangs in the air.
    for (let at = 0; at < n; at += 1) add(at, at, 1e-9)
    for (const { plus: p, minus: m, draw, v } of loads) {
      const g = draw.slope(v, 0)
      conductance(p, m, g)
      right[p]! -= draw.current(v, 0) - g * v
      right[m]! += draw.current(v, 0) - g * v
    }
    for (const [at, volts] of [
      [plus, 5],
      [minus, 0],
    ] as const) {
      matrix.fill(0, at * n, (at + 1) * n)
      matrix[at * n + at] = 1
      right[at] = volts
    }
    solveDense(matrix, right)
    let change = 0
    for (const load of loads) {
      const v = right[load.plus]! - right[load.minus]!
      change = Math.max(change, Math.abs(v - load.v))
      load.v += (round < 20 ? 1 : 0.3) * (v - load.v)
    }
    if (change < 1e-10) break
  }
  const answers = new Map<string, number[]>()
  for (const { run, v } of loads) answers.set(run, [...(answers.get(run) ?? []), v])
  return answers
}

describe('any network', () => {
  it('gives what a plain dense solver gives', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const solution = solved(network)
        const floating = [...solution.runs].filter(([, run]) => 'floating' in run).map(([id]) => id)
        const plain = plainly(network, new Set(floating))
        for (const [id, run] of solution.runs) {
          if ('floating' in run) continue
          for (const [at, v] of run.volts.entries())
            expect(Math.abs(v - plain.get(id)![at]!)).toBeLessThan(1e-5)
        }
      }),
      { numRuns: runs(60) },
    )
  })

  it('loses no current: in is out at supply, junction and run, on both rails', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const { leads, runs, supplyA } = solved(network)
        const sum = (of: (lead: (typeof leads)[number]) => number): number =>
          leads.reduce((total, lead) => total + of(lead), 0)
        for (const rail of ['plusA', 'minusA'] as const) {
          const into = (isThere: (end: string) => boolean): number =>
            sum(
              (lead) => (isThere(lead.to) ? lead[rail] : 0) - (isThere(lead.from) ? lead[rail] : 0),
            )
          expect(into((end) => end === 'hub')).toBeCloseTo(0, 7)
          for (const [id, run] of runs) {
            if ('floating' in run) {
              if (run.floating.includes(rail === 'plusA' ? 'plus' : 'minus'))
                expect(into((end) => end.startsWith(`${id}@`))).toBeCloseTo(0, 7)
            } else expect(into((end) => end.startsWith(`${id}@`))).toBeCloseTo(run.currentA, 6)
          }
          expect(-into((end) => end === 's')).toBeCloseTo(supplyA.get('s')!, 6)
        }
      }),
      { numRuns: runs(100) },
    )
  })

  it('never loses volts to more copper from the supply, while nothing fades', () => {
    // Only from the supply: a thicker wire between two runs may well draw one of them down with the other. And only constant
    // loads: what fades less draws more, and its neighbours pay for it.
    fc.assert(
      fc.property(networks, fc.nat(5), (drawn, which) => {
        const network = {
          ...drawn,
          leads: drawn.leads.map((lead) => ({ ...lead, minusOhm: lead.minusOhm ?? 0.1 })),
        }
        const own = network.leads.filter(({ from }) => from === 's')
        const lead = own[which % own.length]!
        const thicker = {
          ...network,
          leads: network.leads.map((one) =>
            one === lead ? { ...one, plusOhm: one.plusOhm! / 3, minusOhm: one.minusOhm / 3 } : one,
          ),
        }
        const lowest = ({ runs }: Solution) =>
          [...runs.values()].map((run) => ('floating' in run ? Infinity : run.minV))
        const [before, after] = [solved(network), solved(thicker)].map(lowest)
        fc.pre(network.runs[0]!.load.ohmic === undefined)
        fc.pre([...before!, ...after!].every((volts) => volts >= 3.6))
        for (const [index, volts] of before!.entries())
          expect(after![index]).toBeGreaterThanOrEqual(volts - 1e-7)
      }),
      { numRuns: runs(60) },
    )
  })

  it('seen in a mirror gives mirrored answers', () => {
    fc.assert(
      fc.property(networks, (network) => {
        const mirrored = {
          ...network,
          leads: network.leads.map((lead) => {
            const [id = '', pad] = lead.to.split('@')
            const run = network.runs.find((one) => one.id === id)
            return run === undefined
              ? lead
              : { ...lead, to: `${id}@${String(run.loads - Number(pad))}` }
          }),
        }
        const [one, other] = [solved(network), solved(mirrored)]
        for (const [id, run] of one.runs) {
          const twin = other.runs.get(id)!
          if ('floating' in run) expect(twin).toEqual(run)
          else if ('floating' in twin) throw new Error('only one of the two floats')
          else
            for (const [at, v] of run.volts.entries())
              expect(twin.volts[run.volts.length - 1 - at]).toBeCloseTo(v, 6)
        }
      }),
      { numRuns: runs(60) },
    )
  })
})

describe('what hangs in the air', () => {
  const network = (minusOhm: number | null, plusOhm: number | null = 0.03): Network => ({
    supplies: [{ id: 's', volts: 5 }],
    runs: [{ id: 'r', loads: 10, pitchM: 0.02, railOhmPerM: { p: 0.1, m: 0.1 }, load: rgb(1) }],
    leads: [{ from: 's', to: 'r@0', plusOhm, minusOhm }],
  })
  it.each<[Network, string[]]>([
    [network(null), ['minus']],
    [network(0.03, null), ['plus']],
    [network(null, null), ['plus', 'minus']],
    [{ ...network(0.03), leads: [] }, ['plus', 'minus']],
    [
      { ...network(0.03), leads: [{ from: 'hub', to: 'r@3', plusOhm: 1, minusOhm: 1 }] },
      ['plus', 'minus'],
    ],
  ])('is told as such, not as a number (%#)', (one, floating) => {
    const solution = solved(one)
    expect(solution.runs.get('r')).toEqual({ floating })
    expect(solution.supplyA.get('s')).toBeCloseTo(0, 9)
  })

  it('still carries current on to what hangs behind it', () => {
    const { leads, supplies, runs } = network(null)
    const solution = solved({
      supplies,
      runs: [...runs, { ...runs[0]!, id: 'q' }],
      leads: [
        ...leads,
        { from: 'r@10', to: 'q@0', plusOhm: 0.01, minusOhm: null },
        { from: 's', to: 'q@10', plusOhm: null, minusOhm: 0.03 },
      ],
    })
    expect(solution.runs.get('r')).toEqual({ floating: ['minus'] })
    expect(runIn(solution, 'q').currentA).toBeCloseTo(10 * 0.0607, 6)
    expect(solution.supplyA.get('s')).toBeCloseTo(10 * 0.0607, 6)
  })
})

it('20,000 loads that fade along a reel settle in a few steps', () => {
  const solution = solved({
    supplies: [{ id: 's', volts: 5 }],
    runs: [
      { id: 'r', loads: 20_000, pitchM: 1 / 60, railOhmPerM: { p: 0.085, m: 0.085 }, load: rgb(1) },
    ],
    leads: Array.from({ length: 41 }, (_, index) => ({
      from: 's',
      to: `r@${String(index * 500)}`,
      plusOhm: 0.05,
      minusOhm: 0.05,
    })),
  })
  const run = runIn(solution, 'r')
  expect(solution.iterations).toBeLessThan(40)
  expect(run.minV).toBeGreaterThan(1.7)
  expect(run.currentA).toBeCloseTo(solution.supplyA.get('s')!, 5)
})

describe('ends of leads', () => {
  const { network } = cases[0]!
  it.each<[string, object]>([
    ['a', { kind: 'supply', index: 0 }],
    ['sill@0', { kind: 'pad', run: 0, pad: 0 }],
    ['sill@90', { kind: 'pad', run: 0, pad: 90 }],
    ['hub', { kind: 'junction', name: 'hub' }],
  ])('%s', (name, end) => {
    expect(endOf(network, name)).toEqual({ ok: true, end })
  })

  it.each<[string, string]>([
    ['sill', 'sill@0'],
    ['sill@91', 'pads 0 to 90'],
    ['sill@-1', 'pads 0 to 90'],
    ['sill@1@2', 'pads 0 to 90'],
    ['cove@0', 'no run “cove”'],
  ])('%s leads nowhere', (name, message) => {
    const result = endOf(network, name)
    expect(result.ok ? '' : result.message).toContain(message)
    const leads = [{ ...network.leads[0]!, to: name }]
    expect(networkIssues({ ...network, leads }).map(({ path }) => path)).toEqual(['leads[0].to'])
  })

  it('names are used once, and a lead goes somewhere', () => {
    const twice = { ...network, supplies: [...network.supplies, ...network.supplies] }
    expect(networkIssues(twice).map(({ path }) => path)).toEqual(['supplies[1].id'])
    const loop = { ...network, leads: [{ ...network.leads[0]!, to: 'a' }] }
    expect(networkIssues(loop).map(({ path }) => path)).toEqual(['leads[0]'])
  })
})

it('settles where a board hangs on a strip that its leads starve', () => {
  // A full step goes downhill all the way: shortening it would leave the solver standing still.
  const channels = [
    { fullA: 0.02, kneeV: 2.5, offV: 1.7, duty: 1 },
    { fullA: 0.02, kneeV: 3.5, offV: 2.6, duty: 1 },
    { fullA: 0.02, kneeV: 3.6, offV: 2.7, duty: 1 },
  ]
  const result = solve({
    supplies: [{ id: 's', volts: 5 }],
    runs: [
      {
        id: 'l',
        loads: 200,
        pitchM: 1 / 30,
        railOhmPerM: { p: 0.085, m: 0.085 },
        load: { idleA: 0.0007, channels },
      },
      { id: 'b', loads: 1, pitchM: 1e-6, railOhmPerM: { p: 0, m: 0 }, load: { idleA: 0.05 } },
    ],
    leads: [
      { from: 's', to: 'l@0', plusOhm: 0.55, minusOhm: 0.55 },
      { from: 'l@0', to: 'b@0', plusOhm: 0.119, minusOhm: 0.119 },
    ],
  })
  if (!result.ok) throw new Error(result.reason)
  const { supplyA, runs: solved } = result.solution
  const board = solved.get('b')!
  expect('floating' in board ? undefined : board.currentA).toBeCloseTo(0.05, 9)
  // What the supply gives is what hangs on it draws.
  const strip = solved.get('l')!
  expect(supplyA.get('s')).toBeCloseTo('floating' in strip ? 0 : strip.currentA + 0.05, 9)
})
