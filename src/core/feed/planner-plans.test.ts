import { describe, expect, it } from 'vitest'
import { worked } from '../worked'
import { wireOf } from '../parts/wires'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { tally } from '../tally'
import { planFeeds, type FeedAnswer } from './planner'

const base: Plan = {
  ...emptyPlan('t', 'a'),
  lines: [
    { id: 'a', text: 'seat 2400' },
    { id: 'b', text: 'shelf 300' },
  ],
  defaults: { stripId: 'pixels-5v-60', wire: 'mm2-0_5' },
}
const goal = { kind: 'brightness', atLeast: 1 } as const
const answersOf = (plan: Plan): readonly FeedAnswer[] => planFeeds(worked(plan), goal).answers

describe('what the planner changes', () => {
  it('touches the runs that miss the goal alone, as one edit', () => {
    const answers = answersOf(base)
    expect(answers.length).toBeGreaterThan(0)
    for (const { feeds, commands } of answers) {
      expect([...feeds.keys()]).toEqual(['a'])
      const { plan, backward } = change(base, commands)
      expect(plan.lines[1]).toBe(base.lines[1])
      expect(backward.length).toBeGreaterThan(0)
    }
  })

  it('keeps the source, the names and the measured lengths of feeds that stay', () => {
    const plan: Plan = {
      ...base,
      junctions: [
        { id: 'j', name: 'J', kind: 'terminals', limitA: 20, fuse: 'auto', wire: 'mm2-4' },
      ],
      lines: [
        {
          id: 'a',
          text: 'seat 2400',
          feeds: [{ id: 'mine', pad: 0, fuse: 'auto', from: 'j', lengthMm: 700 }],
        },
      ],
    }
    const answers = answersOf(plan)
    expect(answers.length).toBeGreaterThan(0)
    for (const { feeds } of answers) {
      const own = feeds.get('a')!
      expect(own.every(({ from }) => from === 'j')).toBe(true)
      const kept = own.find(({ pad }) => pad === 0)
      if (kept !== undefined) expect(kept).toMatchObject({ id: 'mine', lengthMm: 700 })
      expect(new Set(own.map(({ id }) => id)).size).toBe(own.length)
    }
  })

  it('chooses among gauges of the kind that the plan is wired with', () => {
    const awg = { ...base, defaults: { ...base.defaults, wire: 'awg-20' } }
    for (const { feeds } of answersOf(awg))
      for (const { wire } of feeds.get('a')!)
        expect(wireOf(wire ?? awg.defaults.wire).id).toMatch(/^awg-/)
  })

  it('brings every stop of the feed to an end, each in its way', () => {
    const answers = answersOf(base)
    for (const { commands } of answers) {
      const { verdicts } = tally(change(base, commands).plan)
      const left = verdicts.filter(
        ({ code, about }) => ['fade', 'lead-hot', 'not-fed'].includes(code) && about.includes('a'),
      )
      expect(left.map(({ code }) => code)).toEqual([])
    }
    const by = (wish: FeedAnswer['wish']) => answers.find(({ wishes }) => wishes.includes(wish))!
    const area = ({ feeds }: FeedAnswer): number =>
      wireOf(feeds.get('a')![0]!.wire ?? base.defaults.wire).areaMm2
    expect(by('fewest-joints').addedFeeds).toBeLessThanOrEqual(by('thinnest-wire').addedFeeds)
    expect(area(by('thinnest-wire'))).toBeLessThanOrEqual(area(by('fewest-joints')))
    expect(by('cheapest').addedCost).toBeLessThanOrEqual(by('fewest-joints').addedCost + 1e-9)
  })

  it('proposes nothing that only holds for each run by itself: on one junction they feel each other', () => {
    const from = 'block'
    const shared: Plan = {
      ...base,
      lines: ['a', 'b', 'c'].map((id) => ({
        id,
        text: `${id}x 1200`,
        feeds: [{ id: 'f', pad: 0, fuse: 'auto' as const, from, lengthMm: 200 }],
      })),
      junctions: [
        {
          id: from,
          name: 'Block',
          kind: 'terminals',
          limitA: 30,
          fuse: 'auto',
          wire: 'mm2-1_5',
          lengthMm: 3000,
        },
      ],
    }
    for (const { commands } of answersOf(shared)) {
      const { runs } = worked(change(shared, commands).plan).full
      for (const { weakest } of runs.values()) expect(weakest).toBeGreaterThanOrEqual(1 - 1e-9)
    }
    // One of the runs alone is fed well as it is.
    const alone = { ...shared, lines: shared.lines.slice(0, 1) }
    expect(worked(alone).full.runs.get('a')!.weakest).toBe(1)
  })

  it('tells how far it is, and never past the end', () => {
    const told: number[] = []
    planFeeds(
      worked({ ...base, lines: [...base.lines, { id: 'c', text: 'wall 2000' }] }),
      goal,
      (done) => {
        told.push(done)
        return false
      },
    )
    expect(told[0]).toBe(0)
    expect(told.at(-1)).toBe(1)
    expect(told.toSorted((a, b) => a - b)).toEqual(told)
  })
})
