import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { layer, scene, showOf } from '../../testing/shows'
import { planNetwork } from '../feed/plan-network'
import { changingFeed } from '../feed/solve'
import { change } from '../plan/commands'
import type { Show } from '../plan/plan'
import { judgeShow } from '../verdict/judge-show'
import { worked } from '../worked'
import { playWhole, readyShow } from './play'
import { troublesOf } from './troubles'

describe('what a supply can give at the most', () => {
  it.each(['bay-window-nook', 'pegboard-moon', 'wardrobe-rails'] as const)(
    'in %s no supply exceeds it, whatever is lit, and it is near where little is lit',
    (name) => {
      const given = worked(demoPlan(name))
      const levels = new Map(
        planNetwork(given, 'full-white').runs.map(({ id, loads, load }) => [
          id,
          new Float64Array(loads * Math.max(1, load.channels?.length ?? 1)),
        ]),
      )
      const feed = changingFeed(planNetwork(given, 'full-white', levels))
      fc.assert(
        fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.nat(7), (level, gap) => {
          for (const duties of levels.values())
            for (const at of duties.keys()) duties[at] = at % (gap + 1) === 0 ? level : 0
          const result = feed.solve()
          if (!result.ok) throw new Error('not solved')
          const most = feed.mostA()
          for (const [id, amperes] of result.solution.supplyA) {
            expect(most.get(id)).toBeGreaterThanOrEqual(amperes - 1e-9)
            if (level < 0.05) expect(most.get(id)).toBeLessThan(1.05 * amperes + 1e-9)
          }
        }),
        { numRuns: runs(20) },
      )
    },
  )

  it('is not known where two supplies feed a run together', () => {
    const lead = { plusOhm: 0.01, minusOhm: 0.01 }
    const feed = changingFeed({
      supplies: [
        { id: 'a', volts: 5 },
        { id: 'b', volts: 5.2 },
        { id: 'c', volts: 5 },
      ],
      runs: ['shared', 'own'].map((id) => ({
        id,
        loads: 10,
        pitchM: 0.01,
        railOhmPerM: { p: 0.1, m: 0.1 },
        load: { idleA: 0.001 },
      })),
      leads: [
        { from: 'a', to: 'shared@0', ...lead },
        { from: 'b', to: 'shared@10', ...lead },
        { from: 'c', to: 'own@0', ...lead },
      ],
    })
    const most = feed.mostA()
    expect([most.get('a'), most.get('b')]).toEqual([Infinity, Infinity])
    expect(most.get('c')).toBeCloseTo(0.01, 9)
  })
})

describe('troubles of a show', () => {
  const run = { seconds: 1, framesPerSecond: 50 }
  const white = layer('steady', { colour: 'duty 255 255 255' })
  const comets = layer(
    'comets',
    { colour: '#ffffff', count: 12, speed: 3_000, tail: 120 },
    { on: { runs: ['crescent'] } },
  )
  // At its brightest after half a second.
  const breath = layer('breathe', { colour: 'duty 255 255 255', period: 1 })
  const started = { id: 'visit', seconds: 1, start: { clock: 60 } }
  /** What is wrong with a show: found in passing, and by playing it. */
  const bothWays = (show: Show, part: string): [passing: Set<string>, played: Set<string>] => {
    const { plan } = change(demoPlan('pegboard-moon'), [
      { do: 'pick-supply', supply: 'supply-a', part },
      { do: 'put-show', show },
    ])
    const given = worked(plan)
    const passing = [...troublesOf(given, show, readyShow(given, show), run)].map((one) =>
      one.kind === 'flashes' ? one.kind : one.supply,
    )
    const played = judgeShow(show, playWhole(given, show, run)).flatMap(({ code, about }) =>
      code === 'flash-rate' ? ['flashes'] : code === 'scene-over-supply' ? about : [],
    )
    return [new Set(passing), new Set(played)]
  }

  it.each([
    ['none', showOf(scene([layer('steady', { colour: 'duty 40 40 40' })])), []],
    ['too much', showOf(scene([white])), ['supply-a']],
    ['too much, once started', showOf(scene([]), scene([breath], started)), ['supply-a']],
    ['flashes', showOf(scene([comets])), ['flashes']],
    ['flashes, once started', showOf(scene([]), scene([comets], started)), ['flashes']],
    ['both', showOf(scene([comets]), scene([white], started)), ['flashes', 'supply-a']],
  ] as const)('%s', (_, show, expected) => {
    const [passing, played] = bothWays(show, 'brick-5v-10')
    expect(passing).toEqual(new Set(expected))
    expect(played).toEqual(passing)
  })

  it('are those of playing it, near the limit too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.55, max: 0.75, noNaN: true }),
        fc.constantFrom('brick-5v-10', 'enclosed-5v-100w', 'auto'),
        fc.boolean(),
        fc.boolean(),
        (opacity, part, isLimited, isStarted) => {
          const lit = scene([{ ...white, opacity }], isStarted ? started : {})
          const [passing, played] = bothWays({ ...showOf(scene([]), lit), isLimited }, part)
          expect(passing).toEqual(played)
        },
      ),
      { numRuns: runs(10) },
    )
  })
})
