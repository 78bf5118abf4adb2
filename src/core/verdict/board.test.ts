import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan, Signal } from '../plan/plan'
import { tally } from '../tally'
import type { VerdictCode } from './kinds'
import type { Verdict } from './verdict'

const planOf = (text: string, signal: Partial<Signal>, extra: Partial<Plan> = {}): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: [{ id: 'l', text }],
    signal: { ...empty.signal, ...signal },
    ...extra,
  }
}
const told = (plan: Plan, code: VerdictCode): Verdict | undefined =>
  tally(plan).verdicts.find((verdict) => verdict.code === code)
const on12V = (signal: Partial<Signal>): Plan =>
  planOf('shelf 900', signal, { defaults: { stripId: 'pixels-12v-20', wire: 'mm2-1' } })

describe('a board on another supply than its own', () => {
  it('passes its current through its regulator while that stands it', () => {
    // (12 − 5) V leave 1 W ÷ 7 V = 143 mA: enough for 30 mA.
    expect(told(on12V({ board: 'small-5v' }), 'board-regulator-hot')).toBeUndefined()
    const sensors = Array.from({ length: 6 }, (_, index) => ({
      id: `s${String(index)}`,
      kind: 'proximity' as const,
      name: `pair ${String(index)}`,
    }))
    const verdict = told(on12V({ board: 'small-5v', inputs: sensors }), 'board-regulator-hot')
    expect(verdict?.text).toMatch(/0\.15 A through its regulator, which passes 0\.14 A from 12 V/)
  })

  it('without a raw input is told, and a plug of its own is the way out', () => {
    const plan = on12V({ board: 'wifi-3v3' })
    const verdict = told(plan, 'board-volts')!
    expect(verdict.text).toContain('takes 5 V; its supply gives 12 V')
    expect(told(change(plan, verdict.remedies[0]!.commands).plan, 'board-volts')).toBeUndefined()
  })
})

describe('a board on the volts of a strip', () => {
  it('of 3.3 V without another input takes no 5 V', () => {
    expect(told(planOf('shelf 500', { board: 'classroom-3v3' }), 'board-volts')?.text).toMatch(
      /takes 3\.3 V; its supply gives 5 V/,
    )
    expect(told(planOf('shelf 500', { board: 'wifi-3v3' }), 'board-volts')).toBeUndefined()
  })

  it('and on USB at once feeds back, until one of the two is gone', () => {
    expect(told(planOf('shelf 500', {}), 'back-feed')).toBeUndefined()
    const plan = planOf('shelf 500', { usbToo: true })
    const verdict = told(plan, 'back-feed')!
    expect(verdict.remedies).toHaveLength(2)
    for (const { commands } of verdict.remedies)
      expect(told(change(plan, commands).plan, 'back-feed')).toBeUndefined()
  })
})

describe('lights on pins', () => {
  it('are counted for the whole board, not line by line', () => {
    const ten = (id: string) => ({
      id,
      text: `${id} string 10 @ 50`,
      lights: { part: 'led-red', drive: 'pins' as const },
    })
    const plan = {
      ...planOf('x 30', { board: 'large-5v' }),
      lines: [ten('a'), ten('b'), ten('c')],
    }
    const verdict = told(plan, 'pins-over')!
    expect(verdict.text).toMatch(/large 5 V 8-bit board: 600 mA from its pins, which give 200 mA/)
    expect(told(change(plan, verdict.remedies[0]!.commands).plan, 'pins-over')).toBeUndefined()
  })
})

describe('frames and memory', () => {
  it('one long run is divided in two, several are dealt out', () => {
    const long = planOf('shelf 24000', { board: 'wifi-3v3' })
    const [divide] = told(long, 'slow-frames')!.remedies
    expect(divide!.label).toBe('divide shelf in two, on two lanes')
    const divided = tally(change(long, divide!.commands).plan)
    expect(divided.runs.map(({ name, pixels }) => [name, pixels])).toEqual([
      ['shelf 1', 720],
      ['shelf 2', 720],
    ])
    expect(divided.signal.lanes.map(({ pixels }) => pixels)).toEqual([720, 720])
    expect(divided.verdicts.map(({ code }) => code)).not.toContain('slow-frames')
    // What no two halves make fast enough is not offered them.
    expect(told(planOf('shelf 90000', { board: 'wifi-3v3' }), 'slow-frames')?.remedies).toEqual([])
    const two = { ...planOf('a 12000', { board: 'wifi-3v3' }) }
    const plan = { ...two, lines: [...two.lines, { id: 'm', text: 'b 12000' }] }
    const verdict = told(plan, 'slow-frames')!
    expect(verdict.remedies[0]!.label).toBe('split into 2 lanes: 46 a second')
    const after = tally(change(plan, verdict.remedies[0]!.commands).plan)
    expect(after.signal.lanes.map(({ pixels }) => pixels)).toEqual([720, 720])
    expect(after.verdicts.map(({ code }) => code)).not.toContain('slow-frames')
  })

  it('memory that is nearly full is a warning, too little a stop with a larger board', () => {
    // 1434 B are left by the program; 420 px take 1260 B, 500 px 1500 B.
    expect(told(planOf('shelf 7010', { board: 'small-5v' }), 'memory')?.grade).toBe('warning')
    const plan = planOf('shelf 8340', { board: 'small-5v' })
    const verdict = told(plan, 'memory')!
    expect(verdict.grade).toBe('stop')
    expect(told(change(plan, verdict.remedies[0]!.commands).plan, 'memory')).toBeUndefined()
  })
})

describe('data wires', () => {
  const away = (mm: number, signal: Partial<Signal>): Plan => {
    const plan = planOf('shelf 900', signal, { bench: { furniture: [], controllerAt: [0, 0] } })
    return { ...plan, lines: [{ id: 'l', text: 'shelf 900', place: { x: mm, y: 0, degrees: 0 } }] }
  }
  it.each<[string, number, Partial<Signal>, boolean]>([
    ['3.3 V reaches a metre', 800, { board: 'wifi-3v3' }, false],
    ['and no farther', 1200, { board: 'wifi-3v3' }, true],
    ['5 V reaches three', 2500, { board: 'small-5v' }, false],
    ['and no farther', 3200, { board: 'small-5v' }, true],
    ['a buffer reaches five', 4300, { board: 'wifi-3v3', fix: 'buffer' }, false],
    ['and no farther', 5200, { board: 'wifi-3v3', fix: 'buffer' }, true],
  ])('%s: %i mm', (_, mm, signal, isLong) => {
    expect(told(away(mm, signal), 'long-data') !== undefined).toBe(isLong)
  })

  it('a relay pixel half way mends a long way from 5 V', () => {
    const plan = away(4000, { board: 'small-5v' })
    const relay = told(plan, 'long-data')!.remedies.find(({ label }) => label.includes('relay'))!
    const after = tally(change(plan, relay.commands).plan)
    expect(after.verdicts.map(({ code }) => code)).not.toContain('long-data')
    expect(after.signal.lanes[0]!.runs[0]).toMatchObject({ extra: 1, first: 1 })
  })
})
