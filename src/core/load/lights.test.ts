import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPlanFile, writePlanFile } from '../../formats/plan-file'
import { squareWay } from '../measure/geometry'
import { placer } from '../measure/layout'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Lights, Plan, Signal } from '../plan/plan'
import { charliePins } from '../lanes/drives'
import { tally } from '../tally'
import type { VerdictCode } from '../verdict/kinds'
import { worked } from '../worked'
import type { LitRun } from './lights'

const planOf = (
  text: string,
  lights: Lights,
  signal: Partial<Signal> = {},
  part = 'brick-5v-2',
): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: [{ id: 'l', text, lights }],
    supplies: [{ id: 'supply-a', name: 'Supply A', part }],
    signal: { ...empty.signal, ...signal },
  }
}
const litOf = (plan: Plan): LitRun => worked(plan).lit[0]!

describe('single lights by hand', () => {
  it('ten red LEDs on 5 V: 3 V on 150 Ω are 20 mA each', () => {
    const lit = litOf(planOf('stars grid 2 x 5 @ 60', { part: 'led-red' }))
    expect(lit).toMatchObject({ lights: 10, strings: 10, resistors: 10, supplyV: 5, peakA: 0.2 })
    expect(lit.colours[0]!.resistor).toMatchObject({ pickOhm: 150, ratingW: 0.125 })
  })

  it('nine white ones in threes on 12 V: 12 − 9.3 V on 150 Ω are 18 mA a group', () => {
    const plan = planOf(
      'stars grid 3 x 3 @ 60',
      { part: 'led-white', inSeries: 3 },
      {},
      'brick-12v-1',
    )
    const lit = litOf(plan)
    expect(lit).toMatchObject({ strings: 3, resistors: 3, supplyV: 12 })
    expect(lit.colours[0]!.resistor?.pickOhm).toBe(150)
    expect(lit.peakA).toBeCloseTo((3 * 2.7) / 150, 9)
    // Their current is in the supply's sum, in the totals and on the lead.
    const { supplies, totals, feed, roll } = tally(plan)
    expect(supplies[0]!.loadA).toBeCloseTo(lit.peakA, 9)
    expect(totals.peakCurrentA).toBeCloseTo(lit.peakA, 9)
    expect(feed.leads[0]!.currentA).toBeCloseTo(lit.peakA, 9)
    const figure = roll
      .flatMap(({ figures }) => figures)
      .find(({ id }) => id === 'current.12.total')
    expect(figure?.value).toBeCloseTo(lit.peakA, 9)
  })

  it('a last group that is not full counts as one', () => {
    expect(litOf(planOf('a string 7 @ 90', { part: 'led-red', inSeries: 2 })).strings).toBe(4)
  })

  it('grains and bulbs take what they are made for, without a resistor', () => {
    const lit = litOf(planOf('a string 20 @ 90', { part: 'grain-12v' }, {}, 'brick-12v-1'))
    expect(lit).toMatchObject({ resistors: 0, peakA: 0.3 })
  })

  it('lines that say nothing of their lights draw nothing, and are told so', () => {
    const plan = { ...emptyPlan('t', 'x'), lines: [{ id: 'l', text: 'stars grid 2 x 5 @ 60' }] }
    const { totals, roll } = tally(plan)
    expect(totals).toMatchObject({ singleLights: 10, peakCurrentA: 0 })
    expect(JSON.stringify(roll)).toContain('choose what hangs there')
  })

  it('a matrix lights a row at a time, through a resistor in each column', () => {
    const lit = litOf(
      planOf('m grid 4 x 6 @ 22', { part: 'led-red', drive: 'matrix' }, { board: 'small-5v' }),
    )
    expect(lit).toMatchObject({ rows: 4, columns: 6, resistors: 6, supplyV: 5 })
    expect(lit.peakA).toBeCloseTo(6 * 0.02, 9)
    const byLed = litOf(
      planOf(
        'm grid 4 x 6 @ 22',
        { part: 'led-red', drive: 'matrix', scan: 'led' },
        { board: 'small-5v' },
      ),
    )
    expect(byLed.peakA).toBeCloseTo(0.02, 9)
  })
})

describe('any single lights', () => {
  const anyLit = fc.record({
    count: fc.integer({ min: 1, max: 60 }),
    inSeries: fc.integer({ min: 1, max: 3 }),
    part: fc.constantFrom('led-red', 'led-white', 'led-amber', 'led-flicker-warm'),
    supply: fc.constantFrom('brick-5v-2', 'brick-12v-1', 'brick-24v-1'),
  })
  it('never get more than they are made for, each with a resistor of its own', () => {
    fc.assert(
      fc.property(anyLit, ({ count, inSeries, part, supply }) => {
        const lit = litOf(planOf(`a string ${String(count)} @ 90`, { part, inSeries }, {}, supply))
        expect(lit.stringA).toBeLessThanOrEqual(lit.part.mA / 1000 + 1e-12)
        expect(lit.strings).toBe(Math.ceil(count / inSeries))
        expect(lit.hasHeadroom).toBe(lit.supplyV > inSeries * lit.part.volts)
        expect(lit.peakA).toBeCloseTo(lit.strings * lit.stringA, 12)
      }),
    )
  })

  it('on one resistor the hottest gets more than its share, never more than all of it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 30 }), (count) => {
        const lit = litOf(
          planOf(`a string ${String(count)} @ 90`, { part: 'led-red', resistor: 'shared' }),
        )
        expect(lit.resistors).toBe(1)
        const { hottestA, resistor } = lit.colours[0]!
        expect(hottestA).toBeGreaterThan(lit.stringA)
        expect(hottestA).toBeLessThan(lit.supplyV / resistor!.pickOhm)
      }),
    )
  })

  it('between pins: as many as n × (n − 1), and not with one pin fewer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (leds) => {
        const pins = charliePins(leds)
        expect(pins * (pins - 1)).toBeGreaterThanOrEqual(leds)
        if (pins > 2) expect((pins - 1) * (pins - 2)).toBeLessThan(leds)
      }),
    )
  })
})

describe('what drives them', () => {
  it.each<[string, Lights, number]>([
    ['always on', { part: 'led-red' }, 0],
    ['a switch on a pin', { part: 'led-red', drive: 'switch' }, 1],
    ['a switch with a button', { part: 'led-red', drive: 'switch', by: 'button' }, 0],
    ['each on a pin', { part: 'led-red', drive: 'pins' }, 12],
    ['sink boards in a chain', { part: 'led-red', drive: 'sink' }, 2],
    ['a matrix of 3 by 4', { part: 'led-red', drive: 'matrix' }, 7],
    // 4 × 3 = 12.
    ['between pins', { part: 'led-red', drive: 'charlie' }, 4],
    ['a driver chip', { part: 'led-red', drive: 'driver' }, 3],
  ])('%s: pins', (_, lights, pins) => {
    const { needs, circuit } = worked(planOf('m grid 3 x 4 @ 22', lights))
    expect(needs).toHaveLength(pins)
    const toLights = circuit.wires.filter(
      ({ role, from }) => role === 'signal' && from.block === 'board',
    )
    expect(toLights).toHaveLength(pins)
  })

  it('sink boards: 40 groups need three, eight outputs are left', () => {
    const { roll } = tally(planOf('m grid 5 x 8 @ 22', { part: 'led-red', drive: 'sink' }))
    const figures = roll.flatMap((section) => section.figures)
    const found = figures.find(({ id }) => id === 'drive.l')
    expect(found).toMatchObject({ value: 3, rule: '8 outputs are left; in a chain on two pins' })
  })

  it('a switch sits in the minus: plus goes to the lights, minus through the switch', () => {
    const { circuit } = worked(planOf('a string 8 @ 90', { part: 'led-red', drive: 'switch' }))
    const [plus, minus] = circuit.wires
    expect(plus).toMatchObject({
      role: 'plus',
      to: { block: 'run:l', spot: { kind: 'pad', pad: 0 } },
    })
    expect(minus?.from.block.startsWith('switch:')).toBe(true)
    expect(circuit.wires.some(({ to }) => to.id === 'switch:a switch/gate light')).toBe(true)
  })
})

describe('verdicts on single lights', () => {
  const red = { part: 'led-red' }
  const cases: [VerdictCode, Plan, RegExp][] = [
    [
      'no-led-resistor',
      planOf('a string 3 @ 90', { ...red, resistor: 'none' }),
      /red LED on 5 V without a resistor/,
    ],
    [
      'no-headroom',
      planOf('a string 6 @ 90', { ...red, inSeries: 3 }),
      /3 × 2 V in series leave nothing of 5 V/,
    ],
    [
      'shared-resistor',
      planOf('a string 6 @ 90', { ...red, resistor: 'shared' }),
      /hottest gets [\d.]+ mA instead of 18\.5 mA/,
    ],
    [
      'light-volts',
      planOf('a string 6 @ 90', { part: 'bulb-5v' }, {}, 'brick-12v-1'),
      /5 V bulb of four LEDs on 12 V/,
    ],
    [
      'pin-over',
      planOf('m grid 3 x 4 @ 22', { ...red, drive: 'matrix' }, { board: 'small-5v' }),
      /80 mA on a pin of the small 5 V 8-bit board, which gives 20 mA/,
    ],
    [
      'pins-over',
      planOf('a string 12 @ 90', { ...red, drive: 'pins' }, { board: 'small-5v' }),
      /small 5 V 8-bit board: 240 mA from its pins, which give 200 mA in all: a 240 mA/,
    ],
    [
      'no-headroom',
      planOf('a string 6 @ 90', { part: 'led-white', inSeries: 3 }, {}, 'usb-c-9v-3'),
      /3 × 3\.\d V in series leave/,
    ],
    [
      'base-over',
      planOf('a string 40 @ 90', { ...red, drive: 'switch' }, { board: 'small-5v' }),
      /its transistor needs 40 mA of base current, a pin gives 20 mA/,
    ],
    [
      'switch-in-plus',
      planOf(
        'a string 4 @ 90',
        { ...red, drive: 'switch', switchIn: 'plus' },
        { board: 'small-5v' },
      ),
      /the transistor sits in the plus/,
    ],
    [
      'matrix-flicker',
      planOf(
        'm grid 8 x 8 @ 22',
        { ...red, drive: 'matrix', dwellUs: 4000 },
        { board: 'large-5v' },
      ),
      /scanned 31\.3\/s, it flickers/,
    ],
  ]
  it.each(cases)('%s: its first remedy mends it', (code, plan, text) => {
    const verdict = tally(plan).verdicts.find((one) => one.code === code)
    expect(verdict?.text).toMatch(text)
    const [first] = verdict!.remedies
    if (first === undefined) return
    const after = tally(change(plan, first.commands).plan).verdicts
    expect(after.filter(({ id }) => id === verdict!.id)).toEqual([])
  })
})

describe('wires home', () => {
  const homeOf = (plan: Plan): [wires: number, metres: number | null, cables: number | null] => {
    const figures = tally(plan).roll.flatMap((section) => section.figures)
    const [home, cables] = ['home.l', 'cables.l'].map((id) => figures.find((one) => one.id === id))
    const [wires, count] = [home, cables].map((one) => one?.operands[0]?.value)
    return [wires ?? 0, home?.value ?? null, count ?? null]
  }
  /** Lights 100 apart on a line, the controller at the first of them. */
  const placed = (lights: Lights, text = 'a string 20 @ 100'): Plan => {
    const plan = planOf(text, lights)
    return {
      ...plan,
      lines: plan.lines.map((line) => ({ ...line, place: { x: 0, y: 0, degrees: 0 } })),
      bench: { furniture: [], controllerAt: [0, 0] },
      rules: { ...plan.rules, slack: 0, slackEndMm: 0 },
    }
  }
  const y = (plan: Plan): number => worked(plan).measured.runs[0]!.lights[0]![1]

  it('of twenty on outputs of their own: each its way, in cables of eight with one in common', () => {
    const plan = placed({ part: 'led-red', drive: 'sink' })
    expect(y(plan)).toBe(0)
    // 20 wires and what the 7 of each cable have in common, as long as the longest of them.
    const [wires, metres, cables] = homeOf(plan)
    expect([wires, cables]).toEqual([23, 3])
    const { layout, sources, measured } = worked(plan)
    const at = placer(measured.runs[0]!, layout.placed[0]!.place)
    const ways = measured.runs[0]!.lights.map((light) => squareWay(at(light), sources.controller))
    const mm = ways.map((way) => Math.max(60, way))
    const common = [0, 7, 14].map((from) => Math.max(...mm.slice(from, from + 7)))
    expect(metres).toBeCloseTo([...mm, ...common].reduce((a, b) => a + b, 0) / 1000, 9)
  })

  it('of groups in series: one each', () => {
    expect(homeOf(placed({ part: 'led-red', drive: 'sink', inSeries: 2 }))[0]).toBe(12)
  })

  it('in thinner cables there are more of them', () => {
    const plan = placed({ part: 'led-red', drive: 'pins' })
    const four = { ...plan, rules: { ...plan.rules, cableWires: 4 } }
    expect(homeOf(four)[2]).toBe(7)
  })

  it('hang with their drops, whatever drives them, unless they are plugged together', () => {
    const drop = (lights: Lights): number | null =>
      homeOf(placed(lights, 'a scatter 5 drop 300'))[1]
    const without = homeOf(placed({ part: 'led-red' }, 'a scatter 5'))[1]!
    expect(drop({ part: 'led-red' })).toBeCloseTo(without + 6 * 0.3, 9)
    expect(drop({ part: 'grain-12v' })).toBeNull()
    expect(drop({ part: 'grain-12v', joining: 'solder' })).not.toBeNull()
    expect(homeOf(placed({ part: 'led-red' }))[1]).toBeNull()
  })
})

it('too few pins: a matrix between pins takes the fewest, and is offered', () => {
  const plan = planOf(
    'm grid 6 x 9 @ 22',
    { part: 'led-red', drive: 'matrix' },
    { board: 'tiny-5v' },
  )
  const found = tally(plan).verdicts.find(({ code }) => code === 'pins-short')
  const remedy = found!.remedies.find(({ label }) => label === 'lights between pins, on 8')
  const after = change(plan, remedy!.commands).plan
  // 8 × 7 = 56 of 54, in place of 6 + 9.
  expect(worked(plan).needs).toHaveLength(15)
  expect(worked(after).needs).toHaveLength(8)
})

it('a resistor’s tolerance is told as what it lets through', () => {
  const plan = planOf('a string 3 @ 90', { part: 'led-red' })
  const figure = tally(plan)
    .roll.flatMap(({ figures }) => figures)
    .find(({ id }) => id === 'resistor.l')
  // 3 V on 150 Ω ± 5 %: 157.5 and 142.5 Ω.
  expect(figure?.rule).toContain('19 mA to 21.1 mA each with ±5 %')
})

it('lights of one’s own are worked with like those that ship', () => {
  const own = {
    id: 'own-globe',
    name: 'frosted globe',
    kind: 'fixed' as const,
    volts: 24,
    mA: 40,
    leds: 6,
    tint: '#ffe0b0',
    holeMm: 20,
    price: 2,
  }
  const plan = change(planOf('hall string 5 @ 400', { part: 'led-red' }, {}, 'brick-24v-1'), [
    { do: 'own-light', light: own },
    { do: 'set-lines', lines: ['l'], set: { lights: { part: 'own-globe' } } },
  ]).plan
  expect(readPlanFile(writePlanFile(plan))).toEqual({ ok: true, plan, adjusted: [] })
  expect(litOf(plan)).toMatchObject({ peakA: 0.2, supplyV: 24, part: own })
  const without = readPlanFile(writePlanFile({ ...plan, own: { ...plan.own, lights: [] } }))
  expect(!without.ok && without.issues[0]).toMatchObject({ path: 'lines[0].lights.part' })
})
