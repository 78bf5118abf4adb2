import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedBoards } from '../../core/parts/boards'
import { boardSchema } from '../../core/plan/parts'
import type { PlanLane } from '../../core/plan/plan'
import { tally } from '../../core/tally'
import { demoPlan } from '../../testing/demo-plan'
import { litWires, runOfChoice } from '../wire/wire-choice'
import { asPlanned, moveRun, stepRun, withExtra, withLane, withoutLane } from './lanes-edit'
import { pinsText, readPins } from './own-board'

const anyLanes = fc
  .array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 4 })
  .map((sizes): PlanLane[] => {
    let run = 0
    return sizes.map((size, index) => ({
      id: `lane${String(index)}`,
      name: `Lane ${String(index)}`,
      lines: Array.from({ length: size }, () => `run${String((run += 1))}`),
    }))
  })
  .filter((lanes) => lanes.some(({ lines }) => lines.length > 0))
const runsOf = (lanes: readonly PlanLane[]): string[] => lanes.flatMap(({ lines }) => lines)

describe('lanes by hand', () => {
  it('no edit loses a run or hangs it twice', () => {
    fc.assert(
      fc.property(anyLanes, fc.nat(), fc.nat(), fc.nat(), (lanes, which, to, at) => {
        const runs = runsOf(lanes)
        const run = runs[which % runs.length]!
        const target = lanes[to % lanes.length]!
        const after = [
          moveRun(lanes, run, target.id, at % 5),
          stepRun(lanes, run, 1),
          stepRun(lanes, run, -1),
          withLane(lanes, 'new'),
          withoutLane(lanes, target.id),
        ]
        for (const next of after) expect(runsOf(next).toSorted()).toEqual(runs.toSorted())
        expect(moveRun(lanes, run, target.id, 0).find(({ id }) => id === target.id)?.lines[0]).toBe(
          run,
        )
      }),
    )
  })

  it('a step goes on to the next lane, and back again', () => {
    const lanes = asPlanned(tally(demoPlan('bay-window-nook')).signal.lanes)
    const stepped = stepRun(lanes, 'ledge2', 1)
    expect(stepped.map(({ lines }) => lines.length)).toEqual([1, 3, 2])
    expect(stepped[1]?.lines[0]).toBe('ledge2')
    expect(stepRun(stepped, 'ledge2', -1)).toEqual(lanes)
    expect(stepRun(lanes, 'seat', -1)).toEqual(lanes)
  })

  it('a run that no lane names stands where the tally has put it; what the hand did last counts', () => {
    const { lanes } = tally(demoPlan('bay-window-nook')).signal
    const [low, ...rest] = asPlanned(lanes)
    const own = [{ ...low!, lines: ['seat'] }, ...rest]
    expect(asPlanned(lanes, own)[0]?.lines).toEqual(['seat', 'ledge2'])
    const moved = stepRun(asPlanned(lanes), 'ledge2', 1)
    expect(asPlanned(lanes, moved)).toEqual(moved)
  })

  it('extra pixels of a kind take the place of those there were', () => {
    const skips = withExtra([{ from: 3, count: 2, why: 'dark' }], 'relay', 2)
    expect(skips).toHaveLength(2)
    expect(withExtra(skips!, 'relay', 0)).toEqual([{ from: 3, count: 2, why: 'dark' }])
    expect(withExtra([], 'first', 0)).toBeUndefined()
  })
})

describe('pins of a board of one’s own', () => {
  it('are read as they are jotted', () => {
    const read = readPins(
      'D0-D1 serial\nD2 pwm, interrupt\n\n  G34 input analogue\nOUT1 output 5V ',
    )
    expect(read).toEqual({
      ok: true,
      pins: [
        { name: 'D0', can: ['digital', 'serial'] },
        { name: 'D1', can: ['digital', 'serial'] },
        { name: 'D2', can: ['digital', 'pwm', 'interrupt'] },
        { name: 'G34', can: ['input-only', 'analogue'] },
        { name: 'OUT1', can: ['digital', 'output-only'], highV: 5 },
      ],
    })
  })

  it.each<[string, RegExp]>([
    ['D3 dimmable', /“dimmable” of D3: a pin can be digital, pwm/],
    ['D9-D2 pwm', /“D9-D2”: a name such as D3, or a range/],
    ['D1-A4 pwm', /“D1-A4”: a name/],
    ['D1-D4\nD3 pwm', /D3 stands there twice/],
    ['  \n', /without a pin/],
    ['D0-D150\nE0-E99', /At most 200 pins/],
  ])('%j is told what is wrong', (text, message) => {
    const read = readPins(text)
    expect(read.ok ? '' : read.message).toMatch(message)
  })

  it.each(shippedBoards.map((board) => [board.name, board] as const))(
    'those of the %s come back as they were written',
    (_, board) => {
      expect(readPins(pinsText(board.pins))).toEqual({ ok: true, pins: board.pins })
      expect(boardSchema.safeParse(board).success).toBe(true)
    },
  )
})

describe('what is chosen on the diagram', () => {
  const { wiring } = tally(demoPlan('bay-window-nook'))
  const { wires } = wiring
  it('lights a wire, all of a terminal, or all of a block', () => {
    expect(litWires(wires, { kind: 'wire', name: 'W9' })).toEqual(new Set(['W9']))
    expect(litWires(wires, { kind: 'place', id: wires[8]!.to.id })).toEqual(new Set(['W9']))
    const atBoard = litWires(wires, { kind: 'place', id: 'board' })
    expect(atBoard.size).toBe(2 + 3 + 6)
    expect(litWires(wires, undefined).size).toBe(0)
  })
  it('shows the run and the pad that it meets', () => {
    expect(runOfChoice(wiring, { kind: 'wire', name: 'W9' })).toEqual({ run: 'ledge2', pad: 0 })
    const out = wires.find(({ from }) => from.id === 'run:seat/D out')!
    expect(runOfChoice(wiring, { kind: 'place', id: out.from.id })).toEqual({
      run: 'seat',
      pad: 'end',
    })
    const far = wires.find(({ to }) => to.block === 'run:porthole' && to.spot.kind === 'pad')!.to
    expect(runOfChoice(wiring, { kind: 'place', id: far.id })).toMatchObject({
      pad: far.spot.kind === 'pad' && far.spot.pad,
    })
    expect(runOfChoice(wiring, { kind: 'place', id: 'board' })).toBeUndefined()
  })
})
