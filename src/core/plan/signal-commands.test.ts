import { describe, expect, it } from 'vitest'
import { shippedBoards } from '../parts/boards'
import { change, patched, type Command } from './commands'
import { emptyPlan } from './empty'
import { planSchema, type Plan } from './plan'

const start: Plan = {
  ...emptyPlan('Hall', 'a'),
  lines: [
    { id: 'a', text: 'shelf 300' },
    { id: 'b', text: 'rail 400' },
  ],
  signal: {
    ...emptyPlan('Hall', 'a').signal,
    lanes: [
      { id: 'one', name: 'One', lines: ['b', 'a'] },
      { id: 'two', name: 'Two', lines: [] },
    ],
    pins: [{ need: 'lane.one.data', pin: 'D7' }],
  },
}
const own = { ...shippedBoards[0]!, id: 'own-3', name: 'green' }

/** Each command with what it makes of the plan. */
const commands: [string, Command[], (plan: Plan) => unknown, unknown][] = [
  [
    'a line that goes leaves its lane',
    [{ do: 'remove-line', line: 'a' }],
    ({ signal }) => signal.lanes.map(({ lines }) => lines),
    [['b'], []],
  ],
  [
    'a trimmer is set, and set back',
    [{ do: 'trim-supply', supply: 'supply-a', volts: 4.6 }],
    ({ supplies }) => supplies[0]?.trimV,
    4.6,
  ],
  [
    'a trimmer that is set back leaves nothing behind',
    [
      { do: 'trim-supply', supply: 'supply-a', volts: 4.6 },
      { do: 'trim-supply', supply: 'supply-a', volts: undefined },
    ],
    ({ supplies }) => Object.keys(supplies[0] ?? {}),
    ['id', 'name', 'part'],
  ],
  [
    'what is said of the signal leaves the rest',
    [{ do: 'set-signal', signal: { fix: 'buffer', resistorOhm: null } }],
    ({ signal }) => [signal.fix, signal.resistorOhm, signal.board, signal.lanes.length],
    ['buffer', null, 'auto', 2],
  ],
  [
    'a pin is pinned once',
    [
      { do: 'set-pin', need: 'lane.one.data', pin: 'D8' },
      { do: 'set-pin', need: 'lane.two.data', pin: 'D9' },
    ],
    ({ signal }) => signal.pins,
    [
      { need: 'lane.one.data', pin: 'D8' },
      { need: 'lane.two.data', pin: 'D9' },
    ],
  ],
  [
    'a pin is let go',
    [{ do: 'set-pin', need: 'lane.one.data', pin: undefined }],
    ({ signal }) => signal.pins,
    [],
  ],
  [
    'wires get another gauge and keep their colours',
    [{ do: 'set-wiring', wiring: { dataWire: 'mm2-0_5' } }],
    ({ wiring }) => [wiring.dataWire, wiring.colours.plus],
    ['mm2-0_5', 'red'],
  ],
  [
    'a joint is ticked once, however often',
    [
      { do: 'tick', joint: 'x', isDone: true },
      { do: 'tick', joint: 'x', isDone: true },
      { do: 'tick', joint: 'y', isDone: true },
      { do: 'tick', joint: 'y', isDone: false },
    ],
    ({ wiring }) => wiring.ticks,
    ['x'],
  ],
  [
    'a board of one’s own takes the place of its older self',
    [
      { do: 'own-board', board: own },
      { do: 'own-board', board: { ...own, quirk: 'slow' } },
    ],
    ({ own: { boards } }) => boards.map(({ id, quirk }) => [id, quirk]),
    [['own-3', 'slow']],
  ],
  [
    'lines say which pixels are skipped, where the wire is, and on which dimmer they hang',
    [
      {
        do: 'set-lines',
        lines: ['a'],
        set: { skip: [{ from: 2, count: 1, why: 'dark' }], isDataAtEnd: true, dimmer: 'rails' },
      },
    ],
    ({ lines }) => [lines[0]?.skip?.length, lines[0]?.isDataAtEnd, lines[0]?.dimmer],
    [1, true, 'rails'],
  ],
]

describe('edits of signal and wiring', () => {
  it.each(commands)('%s', (_, list, of, expected) => {
    const { plan, backward, forward } = change(start, list)
    expect(of(plan)).toEqual(expected)
    // Any of them leaves a plan that its own checker takes, and is undone and done again whole.
    expect(planSchema.safeParse(plan).error).toBeUndefined()
    expect(patched(plan, backward)).toEqual(start)
    expect(patched(start, forward)).toEqual(plan)
  })

  it.each<[string, (plan: Plan) => Plan, RegExp]>([
    [
      'a lane without a name',
      (plan) => ({
        ...plan,
        signal: { ...plan.signal, lanes: [{ id: 'x', name: ' ', lines: [] }] },
      }),
      /signal/,
    ],
    [
      'a resistor of nothing',
      (plan) => ({ ...plan, signal: { ...plan.signal, resistorOhm: 0 } }),
      /resistorOhm/,
    ],
    [
      'a colour that no wire has',
      (plan) => ({
        ...plan,
        wiring: { ...plan.wiring, colours: { ...plan.wiring.colours, plus: 'gold' as 'red' } },
      }),
      /plus/,
    ],
    [
      'more volts than are planned',
      (plan) => ({ ...plan, supplies: [{ ...plan.supplies[0]!, trimV: 230 }] }),
      /trimV/,
    ],
    [
      'a board without pins',
      (plan) => ({ ...plan, own: { ...plan.own, boards: [{ ...own, pins: [] }] } }),
      /pins/,
    ],
  ])('%s is no plan', (_, broken, path) => {
    const read = planSchema.safeParse(broken(start))
    expect(read.error?.issues[0]?.path.join('.')).toMatch(path)
  })
})
