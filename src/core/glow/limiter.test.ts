import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { layer, scene, showOf } from '../../testing/shows'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Feed, Plan, Show } from '../plan/plan'
import { groupDraw } from '../load/group-draw'
import { worked } from '../worked'
import { fieldOf } from './field'
import { limiterOf } from './limiter'
import { play, readyShow, toEnd, type Played } from './play'
import { Player } from './player'
import { hoursByClock } from './by-clock'

const run = { seconds: 0.2, framesPerSecond: 10 }
const playedOn = (plan: Plan, show: Show): Played => {
  const given = worked(plan)
  return toEnd(play(given, readyShow(given, show), run))
}
const steady = (colour: string, more: Partial<Show> = {}): Show => ({
  ...showOf(scene([layer('steady', { colour })])),
  ...more,
})

describe('the limiter of a program', () => {
  it.each([
    ['pegboard-moon', 'brick-5v-10'],
    ['bay-window-nook', 'enclosed-5v-60w'],
    ['firefly-jar', 'usb-port-0_5'],
  ])('holds %s on %s to what it may give, whatever is played', (name, part) => {
    const plan = change(demoPlan(name), [{ do: 'pick-supply', supply: 'supply-a', part }]).plan
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2, 3].map(() => fc.nat(255))), (duties) => {
        const colour = `duty ${duties.join(' ')}`
        const open = playedOn(plan, steady(colour))
        const held = playedOn(plan, steady(colour, { isLimited: true }))
        expect([open.limited, held.unsolved]).toEqual([undefined, 0])
        expect(held.supplies.some(({ mayGiveA }) => mayGiveA !== null)).toBe(true)
        for (const [at, { peakA, mayGiveA }] of held.supplies.entries()) {
          const before = open.supplies[at]!.peakA
          if (mayGiveA === null) continue
          expect(peakA).toBeLessThanOrEqual(Math.max(mayGiveA, 0) + 1e-6)
          // No more is taken away than has to be, but for what a byte rounds.
          if (held.supplies.length === 1)
            expect(peakA).toBeGreaterThan(0.93 * Math.min(before, mayGiveA) - 0.02)
        }
        const isOver = open.supplies.some(
          ({ peakA, mayGiveA }) => mayGiveA !== null && peakA > mayGiveA,
        )
        if (isOver) expect(held.limited).toMatchObject({ share: 1 })
      }),
      { numRuns: runs(12) },
    )
  })

  const base = emptyPlan('t', 'a')
  const lead = (id: string, pad: number | 'end', from: string): Feed => ({
    id,
    pad,
    from,
    fuse: 'none',
  })
  const two: Plan = {
    ...base,
    lines: [
      { id: 'a', text: 'long 3 m', feeds: [lead('1', 0, 'supply-a')] },
      { id: 'b', text: 'short 500', feeds: [lead('2', 0, 'supply-b')] },
    ],
    supplies: [
      { id: 'supply-a', name: 'A', part: 'brick-5v-3' },
      { id: 'supply-b', name: 'B', part: 'brick-5v-3' },
    ],
  }
  it('dims what hangs on the supply that gives too little, and nothing else', () => {
    const given = worked(two)
    const field = fieldOf(given)
    const { draws, supplies } = limiterOf(field, given)
    expect(supplies.map(({ limitMa }) => limitMa)).toEqual(
      given.supplies.map(({ limitA }) => Math.floor(limitA! * 1000)),
    )
    expect(draws.map(({ supply, count }) => [supply, count])).toEqual([
      [0, given.cutRuns[0]!.pixels],
      [1, given.cutRuns[1]!.pixels],
    ])
    const player = new Player(readyShow(given, steady('duty 255 255 255', { isLimited: true })))
    player.paint(0)
    const [long, short] = field.runs
    const perPixel = draws[0]!.microA.reduce((sum, one) => sum + one, 0) / 1000
    const scale = Math.floor((supplies[0]!.limitMa * 65_536) / (perPixel * long!.count)) / 65_536
    expect(scale).toBeLessThan(0.9)
    expect(player.sent('red', false, long!.from)).toBe(Math.floor(255 * scale))
    expect(player.sent('red', false, short!.from)).toBe(255)
    expect(player.limitedTo).toBeCloseTo(scale, 4)
    // Switched on anew nothing is limited until something is painted.
    player.restart()
    expect(player.limitedTo).toBe(1)
  })

  it('reckons with the share of a run that each of its supplies feeds', () => {
    const shared = {
      ...two,
      lines: [
        {
          id: 'a',
          text: 'long 3 m',
          feeds: [lead('1', 0, 'supply-a'), lead('2', 'end', 'supply-b')],
        },
      ],
    }
    const given = worked(shared)
    const { draws } = limiterOf(fieldOf(given), given)
    expect(draws.map(({ supply }) => supply)).toEqual([0, 1])
    for (const channel of [0, 1, 2]) {
      const [one, other] = draws.map(({ microA }) => microA[channel]!)
      const whole = groupDraw(given.cutRuns[0]!.strip).channelMa[channel]!
      expect(one! + other!).toBeCloseTo(1000 * whole, -1)
      // By what each of the leads carries.
      const { leads } = given.full
      expect(one! / other!).toBeCloseTo(leads[0]!.currentA / leads[1]!.currentA, 2)
    }
  })
})

it('a run on two supplies is held to the one that gives less', () => {
  const plan: Plan = {
    ...emptyPlan('t', 'a'),
    lines: [
      {
        id: 'a',
        text: 'long 3 m',
        feeds: [
          { id: '1', pad: 0, from: 'supply-a', fuse: 'none' },
          { id: '2', pad: 'end', from: 'supply-b', fuse: 'none' },
        ],
      },
    ],
    supplies: [
      { id: 'supply-a', name: 'A', part: 'usb-port-0_5' },
      { id: 'supply-b', name: 'B', part: 'brick-5v-3' },
    ],
  }
  const given = worked(plan)
  const player = new Player(readyShow(given, steady('duty 255 255 255', { isLimited: true })))
  player.paint(0)
  const { draws, supplies } = player.show.limiter!
  const scales = draws.map(({ microA, count, supply }) => {
    const fullMa = (microA.reduce((sum, one) => sum + one, 0) * count) / 1000
    return supplies[supply]!.limitMa / fullMa
  })
  expect(scales[0]).toBeLessThan(scales[1]!)
  expect(player.limitedTo).toBeCloseTo(scales[0]!, 3)
})

it('reckons with what dims as one: a plain strip by all of its groups, single lights by what is lit', () => {
  const base = emptyPlan('t', 'a')
  const plan: Plan = {
    ...base,
    lines: [
      { id: 'a', text: 'rail 1 m', stripId: 'white-24v-10', dimmer: 'rails', supplyId: 'supply-b' },
      { id: 'b', text: 'lanterns string 10 @ 200', lights: { part: 'led-warm', drive: 'sink' } },
    ],
    supplies: [
      { id: 'supply-a', name: 'A', part: 'brick-5v-3' },
      { id: 'supply-b', name: 'B', part: 'auto' },
    ],
  }
  const given = worked(plan)
  const { draws } = limiterOf(fieldOf(given), given)
  const fullA = (id: string): number =>
    given.loads.find((load) => load.id === id)!.currentA['full-white']
  const sums = draws.map(
    ({ microA, count }) => (microA.reduce((sum, one) => sum + one, 0) * count) / 1e6,
  )
  expect(sums.toSorted((a, b) => a - b)).toEqual(
    [fullA('a'), fullA('b')]
      .toSorted((a, b) => a - b)
      .map((one) => expect.closeTo(one, 4) as number),
  )
})

it('hours by the clock are those in which a scene plays, the last of several', () => {
  const byClock = (clock: number, seconds: number): Show['scenes'][number] =>
    scene([], { id: String(clock), seconds, start: { clock } })
  expect(hoursByClock(showOf(scene([]), byClock(1380, 7_200), byClock(1410, 900)))).toEqual([
    0, 1.75, 0.25,
  ])
})
