import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { squareWay } from '../measure/geometry'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Junction, Line, Plan, Signal } from '../plan/plan'
import { worked } from '../worked'
import type { PlanWire } from './wires'

const planOf = (
  lines: readonly Partial<Line>[],
  signal: Partial<Signal> = {},
  extra: Partial<Plan> = {},
): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: lines.map((line, index) => ({ id: `l${String(index)}`, text: '', ...line })),
    signal: { ...empty.signal, ...signal },
    ...extra,
  }
}
const wiresOf = (plan: Plan): readonly PlanWire[] => worked(plan).wiring.wires
const ends = ({ from, to }: PlanWire): string => `${from.block} → ${to.block}`
const shelf = { text: 'shelf 900' }

describe('as built', () => {
  it('a wire of another colour keeps it, and no other changes', () => {
    const plan = demoPlan('bay-window-nook')
    const before = worked(plan).wiring.wires
    const wire = before.find(({ role }) => role === 'data')!
    const built = { from: wire.from.id, to: wire.to.id, colour: 'violet' as const }
    const { plan: next } = change(plan, [{ do: 'set-wiring', wiring: { asBuilt: [built] } }])
    for (const [index, own] of worked(next).wiring.wires.entries())
      expect(own.colour).toBe(own.name === wire.name ? 'violet' : before[index]!.colour)
  })
})

describe('the board’s own feed', () => {
  const powered = (boardFrom: Signal['boardFrom'], joinsMinus = true): string[] => {
    const plan = planOf([shelf], { boardFrom })
    return wiresOf({ ...plan, rules: { ...plan.rules, joinsMinus } })
      .filter(({ bundle }) => bundle === 'board')
      .map((wire) => `${wire.role} ${ends(wire)}`)
  }
  it('comes from the strip’s supply, from a plug of its own, or from the first pixel’s pads', () => {
    expect(powered('supply')).toEqual([
      'plus supply:supply-a → board',
      'minus supply:supply-a → board',
    ])
    // Its own plug brings plus; only the minuses meet.
    expect(powered('usb')).toEqual(['minus supply:supply-a → board'])
    expect(powered('usb', false)).toEqual([])
    expect(powered('strip')).toEqual(['plus board → run:l0', 'minus board → run:l0'])
  })

  it('is fused at the supply, not at the strip', () => {
    const fuses = (boardFrom: Signal['boardFrom']): number =>
      wiresOf(planOf([shelf], { boardFrom })).filter(
        ({ bundle, inLine }) => bundle === 'board' && inLine.length > 0,
      ).length
    expect([fuses('supply'), fuses('usb'), fuses('strip')]).toEqual([1, 0, 0])
  })
})

describe('data', () => {
  it('goes from the board along the lane, out to in, and is as long as the drawing says', () => {
    const plan = planOf([shelf, { text: 'sill 600' }, { text: 'rail 400' }])
    const { wiring, lanes, sources } = worked(plan)
    const data = wiring.wires.filter(({ role }) => role === 'data')
    expect(data.map(ends)).toEqual(['board → run:l0', 'run:l0 → run:l1', 'run:l1 → run:l2'])
    const [first, second] = lanes[0]!.runs
    expect(data[0]!.lengthMm).toBeCloseTo(squareWay(sources.controller, first!.start) * 1.1 + 40, 6)
    expect(data[1]!.lengthMm).toBeCloseTo(squareWay(first!.end, second!.start) * 1.1 + 40, 6)
  })

  it('takes a clock along where there is one, and a buffer where one is built', () => {
    const plan = planOf([{ ...shelf, stripId: 'pixels-5v-60-clocked' }], { fix: 'buffer' })
    const lines = wiresOf(plan).filter(({ role }) => role === 'data' || role === 'clock')
    expect(lines.map((wire) => `${wire.role} ${ends(wire)}`)).toEqual([
      'data board → buffer',
      'data buffer → run:l0',
      'clock board → buffer',
      'clock buffer → run:l0',
    ])
    // The resistor stands behind the buffer, before the strip.
    expect(lines.map(({ inLine }) => inLine.length)).toEqual([0, 1, 0, 1])
  })

  it('has its diode told at the first pixel of every lane, and no resistor where there is none', () => {
    const lanes = ['l0', 'l1'].map((line) => ({ id: `a${line}`, name: line, lines: [line] }))
    const plan = planOf([shelf, { text: 'sill 600' }], { fix: 'diode', resistorOhm: null, lanes })
    const wires = wiresOf(plan)
    // It carries the first pixel alone: the lead's plus meets the strip behind that.
    const diodes = wires.filter(({ inLine }) => inLine.some(({ kind }) => kind === 'diode'))
    expect(diodes.map(({ role, from, to }) => [role, from.spot, to.spot])).toEqual([
      ['plus', { kind: 'pad', pad: 1 }, { kind: 'pad', pad: 0 }],
      ['plus', { kind: 'pad', pad: 1 }, { kind: 'pad', pad: 0 }],
    ])
    const pads = wires
      .filter(({ fusedLead }) => fusedLead !== undefined)
      .map(({ to: { spot } }) => spot)
    expect(pads).toEqual([
      { kind: 'pad', pad: 1 },
      { kind: 'pad', pad: 1 },
    ])
    expect(wires.filter(({ role }) => role === 'data').flatMap(({ inLine }) => inLine)).toEqual([])
  })
})

describe('leads', () => {
  const junction = (id: string, from?: string): Junction => ({
    id,
    name: id,
    kind: 'terminals',
    limitA: 10,
    fuse: 'auto',
    wire: 'mm2-1_5',
    ...(from !== undefined && { from }),
  })
  it('run over junctions, each part with its own gauge', () => {
    const feeds = [{ id: 'a', pad: 0 as const, fuse: 'auto' as const, from: 'inner' }]
    const plan = planOf(
      [{ ...shelf, feeds }],
      {},
      {
        junctions: [junction('outer'), junction('inner', 'outer')],
      },
    )
    const plus = wiresOf(plan).filter(({ role, bundle }) => role === 'plus' && bundle !== 'board')
    expect(plus.map((wire) => `${ends(wire)} ${wire.gauge.name}`)).toEqual([
      'supply:supply-a → junction:outer 1.5 mm²',
      'junction:outer → junction:inner 1.5 mm²',
      'junction:inner → run:l0 1 mm²',
    ])
  })

  it('keep a length that was measured, and say so', () => {
    const feeds = [{ id: 'a', pad: 'end' as const, fuse: 'none' as const, lengthMm: 1234 }]
    const [lead] = wiresOf(planOf([{ ...shelf, feeds }]))
    expect(lead).toMatchObject({ lengthMm: 1234, rule: 'as measured', inLine: [] })
    expect(lead!.to).toMatchObject({ block: 'run:l0', spot: { kind: 'pad' } })
  })

  it('of two supplies come from each, and each has its capacitor', () => {
    const plan = planOf(
      [shelf, { text: 'rail 900', stripId: 'pixels-12v-20', supplyId: 'b' }],
      {},
      {
        supplies: [
          { id: 'a', name: 'A', part: 'auto' },
          { id: 'b', name: 'B', part: 'auto' },
        ],
      },
    )
    const { wiring } = worked(plan)
    const sources = wiring.wires.filter(({ to }) => to.id.endsWith('/+')).map(ends)
    expect(sources).toContain('supply:a → run:l0')
    expect(sources).toContain('supply:b → run:l1')
    expect(wiring.capacitors.map(({ text }) => text)).toEqual(['1000 µF 10 V', '1000 µF 25 V'])
    const without = {
      ...plan,
      supplies: plan.supplies.map((slot) => ({ ...slot, capacitorV: null })),
    }
    expect(worked(without).wiring.capacitors).toEqual([])
  })

  it('are bared by what they meet, and sleeved where they are soldered', () => {
    const [plus] = wiresOf(planOf([shelf]))
    expect(plus).toMatchObject({ bareMm: [7, 3], sleeveMm: 4.8 })
    const data = wiresOf(planOf([shelf])).find(({ role }) => role === 'data')
    expect(data).toMatchObject({ bareMm: [5, 3], sleeveMm: 2.4 })
    const feeds = [{ id: 'f', pad: 0, fuse: 'auto' as const, wire: 'mm2-2_5' }]
    expect(wiresOf(planOf([{ ...shelf, feeds }]))[0]).toMatchObject({ sleeveMm: 6.4 })
    // From screw to screw there is nothing to sleeve.
    const screwed = wiresOf(planOf([shelf], {}, { junctions: [junction('outer')] }))[0]
    expect(screwed).toMatchObject({ bareMm: [7, 7], sleeveMm: null })
  })
})

describe('pieces', () => {
  it('are joined by three wires at a corner, pad on pad at a split', () => {
    const framed = worked(planOf([{ text: 'f frame 500 x 300' }])).wiring
    const jumpers = framed.wires.filter(({ from, to }) => from.block === to.block)
    expect(jumpers.map(({ role }) => role)).toEqual(Array(3).fill(['plus', 'minus', 'data']).flat())
    const cutting = [{ part: 0, more: 0, offMm: 0, splits: [10, 20] }]
    const split = worked(planOf([{ ...shelf, cutting }])).wiring
    expect(split.padJoints.map(({ from, to }) => `${from} ${to}`)).toHaveLength(2)
    expect(split.wires.filter(({ from, to }) => from.block === to.block)).toEqual([])
  })

  it('outdoors, and in a sleeve: gland and end cap go on before the joint', () => {
    const mount = { damp: 'outdoors' as const, hasSleeve: true }
    const plan = planOf([{ ...shelf, mount }])
    const start = worked(plan).joints.find(({ id }) => id === 'run:l0/start')
    expect(start?.threadFirst).toContain('gland')
    expect(start?.threadFirst).toContain('end cap')
  })
})

describe('sensors', () => {
  it('get plus where they take it, minus, and a wire for each of their pins', () => {
    const inputs: Signal['inputs'] = [
      { id: 'b', kind: 'button', name: 'button' },
      { id: 'd', kind: 'distance', name: 'distance', at: [100, 100] },
    ]
    const wires = wiresOf(planOf([shelf], { inputs }))
    const of = (id: string): string[] =>
      wires.filter(({ from }) => from.block === `input:${id}`).map(({ role }) => role)
    expect(of('b')).toEqual(['minus', 'signal'])
    expect(of('d')).toEqual(['plus', 'minus', 'signal', 'signal'])
    const [notPlaced] = wires.filter(({ from }) => from.block === 'input:b')
    expect(notPlaced).toMatchObject({
      lengthMm: 1000,
      rule: 'a metre until it stands on the drawing',
    })
  })
})
