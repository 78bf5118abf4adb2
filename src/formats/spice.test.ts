import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import type { Network } from '../core/feed/network'
import { networkSchema } from '../core/feed/network-schema'
import { solve } from '../core/feed/solve'
import { spiceNetlist } from './spice'

const { cases } = JSON.parse(
  readFileSync(new URL('../../worked/feed.json', import.meta.url), 'utf8'),
) as { cases: { name: string; network: Network }[] }

/**
 * The netlist solved by itself: nodes from its text, each load a resistor that is set anew until nothing changes. Slow and plain, so that
 * it shares nothing with the solver but the netlist's meaning.
 */
function voltsOf(netlist: string): Map<string, number> {
  const volts = new Map<string, number>([['0', 0]])
  const links: [a: string, b: string, ohm: number][] = []
  const loads: [p: string, m: string, current: (v: number) => number][] = []
  for (const line of netlist.split('\n')) {
    const [name = '', a = '', b = '', ...rest] = line.split(' ')
    if (name.startsWith('Vs')) volts.set(a, Number(rest[1]))
    else if (name.startsWith('R')) links.push([a, b, Number(rest[0])])
    else if (name.startsWith('B')) {
      const expression = line.slice(line.indexOf('I = ') + 4).replaceAll(/V\([^)]*\)/g, 'v')
      loads.push([a, b, evaluator(expression)])
    }
  }
  const held = new Set(volts.keys())
  const free = [...new Set(links.flatMap(([a, b]) => [a, b]))].filter((node) => !held.has(node))
  const index = new Map(free.map((node, at) => [node, at]))
  const n = free.length
  const across = loads.map(() => 4)
  for (let round = 0; round < 400; round += 1) {
    const matrix = Array.from({ length: n }, () => new Float64Array(n + 1))
    const add = (a: string, b: string, siemens: number): void => {
      for (const [one, other] of [
        [a, b],
        [b, a],
      ] as const) {
        const row = index.get(one)
        if (row === undefined) continue
        matrix[row]![row]! += siemens
        const column = index.get(other)
        if (column === undefined) matrix[row]![n]! += siemens * volts.get(other)!
        else matrix[row]![column]! -= siemens
      }
    }
    for (const [a, b, ohm] of links) add(a, b, 1 / ohm)
    for (const [at, [p, m, current]] of loads.entries())
      add(p, m, Math.max(1e-9, current(across[at]!) / Math.max(0.1, across[at]!)))
    for (let k = 0; k < n; k += 1) {
      let pivot = k
      for (let r = k + 1; r < n; r += 1)
        if (Math.abs(matrix[r]![k]!) > Math.abs(matrix[pivot]![k]!)) pivot = r
      ;[matrix[k], matrix[pivot]] = [matrix[pivot]!, matrix[k]!]
      for (let r = k + 1; r < n; r += 1) {
        const factor = matrix[r]![k]! / matrix[k]![k]!
        if (factor !== 0) for (let c = k; c <= n; c += 1) matrix[r]![c]! -= factor * matrix[k]![c]!
      }
    }
    for (let r = n - 1; r >= 0; r -= 1) {
      let sum = matrix[r]![n]!
      for (let c = r + 1; c < n; c += 1) sum -= matrix[r]![c]! * volts.get(free[c]!)!
      volts.set(free[r]!, sum / matrix[r]![r]!)
    }
    let change = 0
    for (const [at, [p, m]] of loads.entries()) {
      const next = volts.get(p)! - volts.get(m)!
      change = Math.max(change, Math.abs(next - across[at]!))
      across[at] = (across[at]! + next) / 2
    }
    if (change < 1e-7) break
  }
  return volts
}

/** An expression of a netlist as a function: sums of products of numbers, min, max and v. */
function evaluator(expression: string): (v: number) => number {
  const terms = expression.split('+')
  return (v) =>
    terms.reduce((sum, term) => {
      const channel = /^(.+)\*min\(1,max\(0,\(v-(.+)\)\/(.+)\)\)$/.exec(term)
      if (channel !== null)
        return (
          sum +
          Number(channel[1]) *
            Math.min(1, Math.max(0, (v - Number(channel[2])) / Number(channel[3])))
        )
      const group = /^(.+)\*max\(0,v-(.+)\)$/.exec(term)
      if (group !== null) return sum + Number(group[1]) * Math.max(0, v - Number(group[2]))
      return sum + Number(term)
    }, 0)
}

const pixel = {
  idleA: 0.001,
  channels: [
    { fullA: 0.3, kneeV: 3.5, offV: 2.6, duty: 1 },
    { fullA: 0.3, kneeV: 3.6, offV: 2.7, duty: 0.5 },
  ],
}
/** Few loads, and all that a netlist can hold: a ring closed on itself, groups behind a drop, a junction, two supplies, a jumper. */
const own = [
  {
    name: 'a ring closed on itself',
    network: {
      supplies: [{ id: 's', volts: 5 }],
      runs: [{ id: 'r', loads: 12, pitchM: 0.1, railOhmPerM: { p: 0.3, m: 0.2 }, load: pixel }],
      leads: [
        { from: 's', to: 'r@0', plusOhm: 0.1, minusOhm: 0.1 },
        { from: 'r@0', to: 'r@12', plusOhm: 0.01, minusOhm: 0.01 },
      ],
    },
  },
  {
    name: 'white groups behind a junction beside pixels on a supply of their own',
    network: {
      supplies: [
        { id: 's', volts: 24 },
        { id: 't', volts: 5 },
      ],
      runs: [
        {
          id: 'w',
          loads: 8,
          pitchM: 0.1,
          railOhmPerM: { p: 0.17, m: 0.17 },
          load: { idleA: 0, ohmic: { forwardV: 20.3, ohm: 9, duty: 0.8 } },
          jumpers: [{ pad: 4, plusOhm: 0.05, minusOhm: 0.05 }],
        },
        { id: 'p', loads: 6, pitchM: 0.1, railOhmPerM: { p: 0.2, m: 0.2 }, load: pixel },
      ],
      leads: [
        { from: 's', to: 'j', plusOhm: 0.05, minusOhm: 0.05 },
        { from: 'j', to: 'w@2', plusOhm: 0.1, minusOhm: 0.1 },
        { from: 'j', to: 'w@8', plusOhm: 0.2, minusOhm: 0.2 },
        { from: 't', to: 'p@0', plusOhm: 0.1, minusOhm: 0.1 },
      ],
    },
  },
]
const small = [
  ...own,
  ...cases.filter(({ network }) => network.runs.reduce((sum, { loads }) => sum + loads, 0) <= 70),
]

it.each(small.map(({ name, network }) => [name, network] as const))(
  'the netlist of “%s” means what the solver solves',
  (_name, raw) => {
    const network = networkSchema.parse(raw)
    const result = solve(network)
    if (!result.ok) throw new Error(result.reason)
    const volts = voltsOf(spiceNetlist(network, 'test'))
    for (const [at, { id, loads }] of network.runs.entries()) {
      const run = result.solution.runs.get(id)!
      if ('floating' in run) continue
      for (const load of [1, Math.ceil(loads / 2), loads]) {
        const node = `r${String(at + 1)}`
        const found = volts.get(`${node}p${String(load)}`)! - volts.get(`${node}m${String(load)}`)!
        expect(found).toBeCloseTo(run.volts[load - 1]!, 3)
      }
    }
  },
)

it('a jumper is a resistance in each rail behind its pad', () => {
  const network = networkSchema.parse({
    supplies: [{ id: 's', volts: 5 }],
    runs: [
      {
        id: 'r',
        loads: 2,
        pitchM: 0.1,
        railOhmPerM: { p: 1, m: 2 },
        load: { idleA: 0.1 },
        jumpers: [{ pad: 1, plusOhm: 0.5, minusOhm: 0.6 }],
      },
    ],
    leads: [{ from: 's', to: 'r@0', plusOhm: 0.01, minusOhm: null }],
  })
  expect(spiceNetlist(network, 'two\nloads').split('\n').slice(0, 9)).toEqual([
    '* two loads: feed network',
    'Vs1 s1 0 DC 5',
    'Rl1p s1 k1p 0.01',
    'Rr1p0b k1p r1p1 0.05',
    'Rr1p1 r1p1 r1p2 0.6',
    'Rr1m0b k1m r1m1 0.1',
    'Rr1m1 r1m1 r1m2 0.8',
    'Br1x1 r1p1 r1m1 I = 0.1',
    'Br1x2 r1p2 r1m2 I = 0.1',
  ])
  expect(small.length).toBeGreaterThan(2)
})
