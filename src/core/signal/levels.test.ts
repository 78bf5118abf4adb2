import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan, Signal } from '../plan/plan'
import { tally } from '../tally'
import type { LevelWay } from './levels'

const planOf = (part: string, signal: Partial<Signal>, stripId = 'pixels-5v-60-low'): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: [{ id: 'l', text: 'shelf 900', stripId }],
    supplies: [{ id: 'supply-a', name: 'Supply A', part }],
    signal: { ...empty.signal, board: 'wifi-3v3', ...signal },
  }
}
const wayOf = (plan: Plan, id: LevelWay['id']): LevelWay =>
  tally(plan).signal.ways.find((way) => way.id === id)!

describe('ways of getting the level right say why they cannot be gone', () => {
  it.each<[string, Plan, LevelWay['id'], RegExp]>([
    ['a brick', planOf('brick-5v-3', {}), 'lower-supply', /5 V brick, 3 A has no trimmer/],
    [
      'a pixel with its own 5 V, behind a diode',
      planOf('brick-12v-2', { boardFrom: 'usb' }, 'pixels-12v-20'),
      'diode',
      /makes its own 5 V/,
    ],
    [
      'a pixel with its own 5 V, on a lower supply',
      planOf('enclosed-12v-60w', { boardFrom: 'usb' }, 'pixels-12v-20'),
      'lower-supply',
      /does not notice/,
    ],
  ])('%s', (_, plan, id, drawback) => {
    const way = wayOf(plan, id)
    expect(way.drawback).toMatch(drawback)
    expect([way.marginV, way.commands, way.isBuilt]).toEqual([null, [], false])
  })

  it('a trimmer goes no lower than a tenth, and says what the light loses', () => {
    const plan = planOf('enclosed-5v-40w', {})
    const way = wayOf(plan, 'lower-supply')
    expect(way.name).toBe('lower the strip’s supply to 4.5 V')
    expect(way.drawback).toMatch(/weakest colour is then at \d+ %/)
    const { plan: trimmed } = change(plan, way.commands)
    const { supplies, signal } = tally(trimmed)
    expect(supplies[0]!.volts).toBe(4.5)
    expect(signal.lanes[0]!.level!.darkMarginV).toBeCloseTo(3.3 - 0.7 * 4.5, 9)
    expect(wayOf(trimmed, 'lower-supply').isBuilt).toBe(true)
  })

  it('what is built is said to be, and is offered no more', () => {
    const buffered = planOf('brick-5v-3', { fix: 'buffer' })
    expect(wayOf(buffered, 'buffer')).toMatchObject({ isBuilt: true, commands: [] })
    expect(tally(buffered).signal.lanes[0]!.level!.grade).toBe('good')
    const loud = planOf('brick-5v-3', { board: 'small-5v', fix: 'buffer' })
    expect(wayOf(loud, '5v-board').isBuilt).toBe(true)
  })

  it('an output that is buffered in the board needs nothing more', () => {
    const { signal } = tally(planOf('brick-5v-3', { board: 'buffered-pin-3v3' }))
    expect(signal.pins[0]).toMatchObject({
      pin: { name: 'D5', highV: 5 },
      reason: 'its high is 5 V',
    })
    expect(signal.ways).toEqual([])
  })
})
