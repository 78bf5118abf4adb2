import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { shippedBoards } from '../parts/boards'
import { shippedStrips as strips } from '../parts/strips'
import type { Board } from '../plan/parts'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Line, Plan, Signal } from '../plan/plan'
import { tally } from '../tally'
import type { VerdictCode } from '../verdict/kinds'
import type { Verdict } from '../verdict/verdict'
import { worked } from '../worked'
import { splitLanes } from '../lanes/lanes'
import { leastCost } from '../lanes/least-cost'
import { pixelMap } from '../lanes/pixel-map'
import { assignPins, type PinNeed } from '../lanes/pins'
import { programData } from './program'
import { runs } from '../../testing/runs'

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
const ofCode = (plan: Plan, code: VerdictCode): Verdict | undefined =>
  tally(plan).verdicts.find((verdict) => verdict.code === code)
const nook = demoPlan('bay-window-nook')

describe('pins', () => {
  it('are given at least cost, as trying all ways shows', () => {
    const costs = fc.oneof(fc.integer({ min: 0, max: 30 }), fc.constant(Infinity))
    const best = (rows: readonly (readonly number[])[], used: readonly number[] = []): number => {
      const [row, ...rest] = rows
      if (row === undefined) return 0
      return Math.min(
        100 + best(rest, used),
        ...row.map((cost, at) => (used.includes(at) ? Infinity : cost + best(rest, [...used, at]))),
      )
    }
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }).chain((columns) =>
          fc.array(fc.array(costs, { minLength: columns, maxLength: columns }), {
            minLength: 1,
            maxLength: 4,
          }),
        ),
        (rows) => {
          const given = leastCost(rows, 100)
          const taken = given.filter((column) => column >= 0)
          expect(new Set(taken).size).toBe(taken.length)
          const cost = given.reduce(
            (sum, column, row) => sum + (column < 0 ? 100 : rows[row]![column]!),
            0,
          )
          expect(cost).toBe(best(rows))
        },
      ),
    )
  })

  const anyNeed = fc
    .record({
      must: fc.constantFrom('digital' as const, 'pwm' as const, 'analogue' as const),
      isOutput: fc.boolean(),
    })
    .map(({ must, isOutput }) => ({
      must,
      isOutput: must === 'pwm' || (must === 'digital' && isOutput),
    }))
  it('can do what is needed, stand alone, and are serial or boot only when nothing else is left', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedBoards),
        fc.array(anyNeed, { minLength: 1, maxLength: 12 }),
        (board, needs) => {
          const uses = assignPins(
            board,
            needs.map((need, index): PinNeed => ({
              ...need,
              id: `n${String(index)}`,
              of: { kind: 'status', channel: 'red' },
              name: '',
              line: '',
            })),
          )
          const pins = uses.flatMap(({ pin }) => pin ?? [])
          expect(new Set(pins).size).toBe(pins.length)
          const isClean = (pin: Board['pins'][number]): boolean =>
            !pin.can.includes('serial') && !pin.can.includes('boot')
          const free = board.pins.filter((pin) => !pins.includes(pin))
          for (const { pin, need, isWrongKind, isDisturbed } of uses) {
            const fits = (one: Board['pins'][number]): boolean =>
              one.can.includes(need.must) &&
              !one.can.includes(need.isOutput ? 'input-only' : 'output-only')
            expect(isWrongKind).toBe(false)
            if (pin === undefined) expect(free.some(fits)).toBe(false)
            else expect(fits(pin)).toBe(true)
            if (isDisturbed) expect(free.some((one) => fits(one) && isClean(one))).toBe(false)
          }
        },
      ),
    )
  })

  it('of the nook: three lanes, a sensor that interrupts and a knob that is measured', () => {
    const { pins, board } = tally(nook).signal
    expect(board?.id).toBe('wifi-3v3')
    expect(pins.map(({ need, pin }) => `${need.name} ${pin?.name ?? ''}`)).toEqual([
      'Seat, data G4',
      'Niche, data G13',
      'High, data G14',
      'motion at the seat G16',
      'brightness knob G34',
    ])
    expect(pins.at(-1)?.reason).toContain('analogue')
  })

  it('are the user’s where the user says so, whether they fit or not', () => {
    const plan = planOf([{ text: 'shelf 900' }], {
      board: 'small-5v',
      inputs: [{ id: 'k', kind: 'knob', name: 'knob' }],
      pins: [
        { need: 'input.k.OUT', pin: 'D7' },
        { need: 'lane.of-one-wire-24.data', pin: 'D1' },
      ],
    })
    expect(ofCode(plan, 'pin-kind')?.text).toBe('knob on D7: the pin is digital')
    const serial = ofCode(plan, 'serial-pin')!
    expect(serial.text).toContain('D1')
    const freed = change(plan, serial.remedies[0]!.commands).plan
    expect(ofCode(freed, 'serial-pin')).toBeUndefined()
  })
})

describe('boards', () => {
  it('by itself: the cheapest that has the pins and the memory; its volts are judged, not a reason', () => {
    const boardOf = (text: string, inputs: Signal['inputs'] = []): string | undefined =>
      tally(planOf([{ text }], { inputs })).signal.board?.id
    // 60 px: 180 B of 512 B less a third; 300 px: 900 B; 500 px: 1500 B of 2048 B less a third is too much.
    expect(boardOf('shelf 1010')).toBe('tiny-5v')
    expect(boardOf('shelf 5010')).toBe('small-5v')
    expect(boardOf('shelf 8340')).toBe('wifi-3v3')
    const knobs = Array.from({ length: 4 }, (_, index) => ({
      id: `k${String(index)}`,
      kind: 'knob' as const,
      name: `knob ${String(index)}`,
    }))
    expect(boardOf('shelf 1010', knobs)).toBe('small-5v')
    expect(tally(planOf([{ text: 'shelf 900', stripId: 'white-12v-5' }])).signal.board).toBeNull()
  })

  const cases: [VerdictCode, Plan, RegExp][] = [
    [
      'pins-short',
      planOf([{ text: 'shelf 900' }], {
        board: 'button-3v3',
        inputs: ['a', 'b', 'c'].map((id) => ({ id, kind: 'button', name: id })),
      }),
      /4 pins needed, none is left for/,
    ],
    [
      'sensors-over',
      planOf([{ text: 'shelf 900' }], {
        board: 'button-3v3',
        inputs: [
          { id: 'a', kind: 'proximity', name: 'a' },
          { id: 'b', kind: 'distance', name: 'b' },
          { id: 'c', kind: 'proximity', name: 'c' },
        ],
      }),
      /sensors draw 55 mA, its pads give 50 mA/,
    ],
    ['memory', planOf([{ text: 'shelf 9000' }], { board: 'small-5v' }), /1620 B.*about 1434 B/],
    [
      'slow-frames',
      planOf([{ text: 'a 12000' }, { text: 'b 12000' }], { board: 'wifi-3v3' }),
      /1\u202f440 px take 43\.3 ms to send, 23 frames a second/,
    ],
    [
      'no-data-resistor',
      planOf([{ text: 'shelf 900' }], { resistorOhm: null }),
      /220 to 470 Ω is usual/,
    ],
    [
      'diode-small',
      planOf(
        [{ text: 'shelf 900', stripId: 'big' }],
        { fix: 'diode', diode: 'small-signal' },
        {
          own: {
            strips: [
              {
                ...stripNamed('pixels-5v-60'),
                id: 'big',
                light: {
                  ...stripNamed('pixels-5v-60').light,
                  kind: 'pixels',
                  perM: 60,
                  perCut: 1,
                  channels: ['red', 'green', 'blue'].map((name) => ({
                    name,
                    fullMa: 80,
                    kneeV: 3,
                    offV: 2,
                  })),
                  idleMa: 1,
                  bitsPerPixel: 24,
                  data: 'one-wire',
                },
              },
            ],
            supplies: [],
            boards: [],
            lights: [],
            profiles: [],
          },
        },
      ),
      /draws 240 mA, a small signal diode carries 150 mA/,
    ],
    [
      'against-arrow',
      planOf([{ text: 'shelf 900', isDataAtEnd: true }]),
      /data enters where the arrow points to/,
    ],
    [
      'long-data',
      planOf(
        [{ text: 'shelf 900', place: { x: 6000, y: 0, degrees: 0 } }],
        { board: 'wifi-3v3' },
        {
          bench: { furniture: [], controllerAt: [0, 0] },
        },
      ),
      /about 1 m is what 3\.3 V logic drives/,
    ],
    [
      'board-volts',
      planOf([{ text: 'shelf 900', stripId: 'white-24v-10', dimmer: 'shelf' }]),
      /takes 5 V, or 7 to 12 V at its raw input; its supply gives 24 V/,
    ],
  ]
  it.each(cases)('%s is told, and what it offers mends it', (code, plan, text) => {
    const verdict = ofCode(plan, code)
    expect(verdict?.text).toMatch(text)
    for (const { commands, label } of verdict!.remedies.slice(0, 1)) {
      const left = tally(change(plan, commands).plan).verdicts.filter(
        ({ id }) => id === verdict!.id,
      )
      expect(left, label).toEqual([])
    }
  })

  it('that disturb the timing say so in every plan that takes them', () => {
    const noted = { ...shippedBoards[1]!, quirk: 'its clock stops the data' }
    const plan = planOf(
      [{ text: 'shelf 900' }],
      { board: 'small-5v' },
      {
        own: { strips: [], supplies: [], boards: [noted], lights: [], profiles: [] },
      },
    )
    expect(ofCode(plan, 'board-quirk')?.text).toContain('its clock stops the data')
  })

  it('with a plug of their own need the minuses joined', () => {
    const plan = planOf([{ text: 'shelf 900' }], { boardFrom: 'usb' })
    const apart = { ...plan, rules: { ...plan.rules, joinsMinus: false } }
    expect(ofCode(plan, 'no-common')).toBeUndefined()
    const verdict = ofCode(apart, 'no-common')!
    expect(verdict.text).toContain('plug of its own')
    expect(ofCode(change(apart, verdict.remedies[0]!.commands).plan, 'no-common')).toBeUndefined()
  })
})

describe('levels', () => {
  it('of the nook are what the solved feed makes of 3.3 V', () => {
    const { full, signal, lanes } = worked(nook)
    for (const lane of lanes) {
      const fed = full.runs.get(lane.runs[0]!.entry.run.id)!
      const level = signal.levels.get(lane.id)!
      expect(level.marginV).toBeCloseTo(3.3 - fed.firstGroundV - 0.7 * fed.firstV, 9)
      expect(level.darkMarginV).toBeCloseTo(3.3 - 3.5, 9)
      expect(level.grade).toBe('fail')
    }
    expect(ofCode(nook, 'low-level')?.grade).toBe('warning')
  })

  it('each way, once taken, gives the margin that it promised, and can be undone', () => {
    const before = tally(nook)
    expect(before.signal.ways.map(({ id }) => id)).toEqual([
      'buffer',
      'diode',
      'lower-supply',
      '5v-board',
      'shorter-lead',
    ])
    for (const way of before.signal.ways) {
      const changed = change(nook, way.commands)
      const after = tally(changed.plan)
      const margins = after.signal.lanes.map(({ level }) => level!.marginV)
      // A lowered supply is promised run by run, and the other runs' share of its leads is their own.
      expect(Math.min(...margins), way.id).toBeCloseTo(way.marginV!, 2)
      const now = after.signal.ways.find(({ id }) => id === way.id)
      if (now !== undefined) expect(now.isBuilt, way.id).toBe(true)
    }
  })

  it('a buffer mends low level and long data at once', () => {
    const after = tally(change(nook, ofCode(nook, 'low-level')!.remedies[0]!.commands).plan)
    const codes = after.verdicts.map(({ code }) => code)
    for (const code of ['low-level', 'thin-level', 'long-data'] as const)
      expect(codes).not.toContain(code)
  })

  it('of a pixel that makes its own 5 V are measured against those', () => {
    const plan = planOf([{ text: 'shelf 900', stripId: 'pixels-12v-20' }], {
      board: 'small-5v',
      boardFrom: 'usb',
    })
    const { lanes } = tally(plan).signal
    expect(lanes[0]!.level!.hops[0]!.chipV).toBe(5)
    expect(lanes[0]!.level!.grade).toBe('good')
  })

  it('that are good only at full white are thin: most of the time less is lit', () => {
    const plan = planOf(
      [
        {
          text: 'shelf 5000',
          stripId: 'pixels-5v-60',
          feeds: [{ id: 'f', pad: 0, fuse: 'auto', wire: 'mm2-0_5', lengthMm: 2500 }],
        },
      ],
      { board: 'wifi-3v3', boardFrom: 'strip' },
    )
    const level = tally(plan).signal.lanes[0]!.level!
    expect(level.marginV).toBeGreaterThan(0.3)
    expect(level.grade).toBe('marginal')
    expect(ofCode(plan, 'thin-level')?.text).toContain('−0.20 V while dark')
  })
})

describe('lanes', () => {
  const anyLanes = fc.array(fc.integer({ min: 200, max: 3000 }), { minLength: 1, maxLength: 9 })
  it('number every pixel once, along the data, and split evenly', () => {
    fc.assert(
      fc.property(anyLanes, fc.integer({ min: 1, max: 5 }), (lengths, count) => {
        const plan = planOf(lengths.map((mm) => ({ text: `shelf ${String(mm)}` })))
        const lanes = splitLanes(worked(plan).lanes, count)
        expect(lanes.flatMap(({ lines }) => lines)).toEqual(plan.lines.map(({ id }) => id))
        const split = worked({ ...plan, signal: { ...plan.signal, lanes } })
        const pixels = split.lanes.map((lane) => lane.pixels)
        const longest = Math.max(...split.cutRuns.map((entry) => entry.pixels))
        const mean = pixels.reduce((sum, one) => sum + one, 0) / count
        expect(Math.max(...pixels)).toBeLessThanOrEqual(mean + longest + 1)
        for (const lane of split.lanes) {
          const numbers = pixelMap([lane], split.layout).map(({ number }) => number)
          expect(numbers).toEqual(Array.from({ length: lane.pixels }, (_, index) => index))
        }
      }),
      { numRuns: runs(40) },
    )
  })

  it('count extra pixels, skip dark ones, and tell the program so', () => {
    const plan = planOf([
      { text: 'a 500' },
      {
        text: 'b 500',
        skip: [
          { from: 0, count: 1, why: 'relay' },
          { from: 10, count: 5, why: 'dark' },
        ],
      },
    ])
    const results = worked(plan)
    const { lanes, layout } = results
    // 500 mm at 60/m: 30 px (30 × 16.67 = 500). One relay: b starts at 31.
    expect(lanes[0]!.runs.map(({ first }) => first)).toEqual([0, 31])
    const map = pixelMap(lanes, layout)
    expect(map.filter(({ isLit }) => !isLit).map(({ number }) => number)).toEqual([
      30, 41, 42, 43, 44, 45,
    ])
    const [a, b] = map.filter(({ run }) => run === 'a').map(({ at }) => at)
    expect(Math.hypot(b![0] - a![0], b![1] - a![1])).toBeCloseTo(1000 / 60, 6)
    expect(programData(results).lanes[0]).toMatchObject({
      pixels: 61,
      order: 'GRB',
      runs: [
        { first: 0, count: 30, dark: [] },
        {
          first: 31,
          count: 30,
          dark: [
            { from: 30, count: 1 },
            { from: 41, count: 5 },
          ],
        },
      ],
    })
  })

  it('of another kind of data are lanes of their own', () => {
    const plan = planOf(
      [
        { text: 'a 500' },
        { text: 'b 500', stripId: 'pixels-5v-60-rgbw' },
        { text: 'c 500', stripId: 'pixels-5v-60-clocked' },
      ],
      { lanes: [{ id: 'one', name: 'One', lines: ['l0', 'l1', 'l2'] }] },
    )
    expect(
      tally(plan).signal.lanes.map(({ bitsPerPixel, data, pins, runs }) => [
        bitsPerPixel,
        data,
        pins.length,
        runs.map(({ id }) => id),
      ]),
    ).toEqual([
      [24, 'one-wire', 1, ['l0']],
      [32, 'one-wire', 1, ['l1']],
      [24, 'clocked', 2, ['l2']],
    ])
  })
})

function stripNamed(id: string): (typeof strips)[number] {
  return strips.find((strip) => strip.id === id)!
}
