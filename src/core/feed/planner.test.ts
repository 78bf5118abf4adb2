import { expect, it } from 'vitest'
import { worked } from '../worked'
import { wires } from '../parts/wires'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { fuseFor } from './fuse'
import { feedsOf } from '../plan/feeds'
import { runLeads } from '../route/leads'
import { stripNetwork } from './plan-network'
import { planFeeds, type FeedGoal } from './planner'
import { solve } from './solve'
import type { SolvedFeed } from './solved-feed'

const planOf = (text: string, stripId = 'pixels-5v-60'): Plan => ({
  ...emptyPlan('t', 'a'),
  lines: [{ id: 'a', text }],
  defaults: { stripId, wire: 'mm2-0_5' },
})
const solvedWith = (plan: Plan): SolvedFeed => worked(plan).full

it.each<[string, string, FeedGoal]>([
  ['seat 2400', 'pixels-5v-60', { kind: 'volts', atLeast: 4.2 }],
  ['wall 3 m', 'pixels-5v-60', { kind: 'brightness', atLeast: 1 }],
  ['frame frame 1800 x 900', 'pixels-5v-60-low', { kind: 'volts', atLeast: 4.4 }],
  ['cornice 8 m', 'white-24v-19', { kind: 'brightness', atLeast: 0.85 }],
])('%s of %s: every answer reaches %j when it is applied', (text, stripId, goal) => {
  const plan = planOf(text, stripId)
  const { answers, hopeless } = planFeeds(worked(plan), goal)
  expect(hopeless).toEqual([])
  expect(answers.length).toBeGreaterThan(0)
  for (const { commands, worstV } of answers) {
    const after = solvedWith(change(plan, commands).plan)
    const run = after.runs.get('a')!
    expect(run.minV).toBeCloseTo(worstV, 6)
    expect(goal.kind === 'volts' ? run.minV : run.weakest).toBeGreaterThanOrEqual(
      goal.atLeast - 1e-9,
    )
    for (const { lead, currentA } of after.leads)
      expect(fuseFor(currentA, lead.wire.limitA)).not.toBeNull()
  }
  const [fewest] = answers
  expect(fewest!.addedFeeds).toBe(Math.min(...answers.map(({ addedFeeds }) => addedFeeds)))
})

it('what is good already is left alone', () => {
  expect(planFeeds(worked(planOf('shelf 300')), { kind: 'volts', atLeast: 3.6 })).toEqual({
    answers: [],
    hopeless: [],
  })
})

it('a goal above what the supply gives is said to be out of reach', () => {
  const { answers, hopeless } = planFeeds(worked(planOf('seat 900')), {
    kind: 'volts',
    atLeast: 5.2,
  })
  expect(answers).toEqual([])
  expect(hopeless).toEqual(['a'])
})

it('a search that is stopped gives what was found', () => {
  const plan = {
    ...planOf('a 2400'),
    lines: [
      { id: 'a', text: '2400' },
      { id: 'b', text: '2400' },
    ],
  }
  let told = 0
  const { answers } = planFeeds(
    worked(plan),
    { kind: 'volts', atLeast: 4.2 },
    () => (told += 1) > 1,
  )
  expect(answers.every(({ feeds }) => feeds.has('a') && !feeds.has('b'))).toBe(true)
})

it.each([
  ['7 groups of 12 V white', 'rail 350', 'white-12v-14', 11.9],
  ['9 pixels far from their supply', 'rail 160', 'pixels-5v-60', 4.9],
])('%s: no worse than trying every choice', (_name, text, stripId, atLeast) => {
  const plan: Plan = {
    ...planOf(text, stripId),
    supplies: [{ id: 'supply-a', name: 'A', part: 'auto', at: [-4000, 2500] }],
  }
  const given = worked(plan)
  const { layout, sources, volts } = given
  const [entry] = given.cutRuns
  const goal: FeedGoal = { kind: 'volts', atLeast }
  // The slow reference: every set of pads with every gauge.
  const good: { feeds: number; cost: number; mm2: number }[] = []
  const pads = entry!.groups + 1
  for (let mask = 1; mask < 2 ** pads; mask += 1)
    for (const wire of wires.filter(({ id }) => id.startsWith('mm2'))) {
      const feeds = Array.from({ length: pads }, (_, pad) => pad)
        .filter((pad) => (mask >> pad) & 1)
        .map((pad) => ({ id: `f${String(pad)}`, pad, wire: wire.id, fuse: 'auto' as const }))
      const leads = runLeads(plan, entry!, layout.placed[0]!.place, sources, feeds)
      const result = solve(stripNetwork({ plan, cutRuns: [entry!], leads, volts }, 'full-white'))
      if (!result.ok) continue
      const run = result.solution.runs.get('a')!
      const isFused = result.solution.leads.every(
        ({ plusA }) => fuseFor(Math.abs(plusA), wire.limitA) !== null,
      )
      if ('floating' in run || run.minV < atLeast || !isFused) continue
      const cost = leads.reduce((sum, l) => sum + 1.6 + (l.lengthMm / 1000) * wire.pricePerM, 0)
      good.push({ feeds: feeds.length, cost, mm2: wire.areaMm2 })
    }
  const fewest = Math.min(...good.map(({ feeds }) => feeds))
  // More than two feeds beyond the fewest are not proposed: thin wire to each pixel is no plan.
  const near = good.filter(({ feeds }) => feeds <= fewest + 2)
  const cheapest = Math.min(...near.map(({ cost }) => cost))
  const thinnest = Math.min(...near.map(({ mm2 }) => mm2))
  const { answers } = planFeeds(given, goal)
  const by = (wish: string) => answers.find(({ wishes }) => wishes.includes(wish as never))!
  const leadsWith = (wish: string) =>
    runLeads(plan, entry!, layout.placed[0]!.place, sources, by(wish).feeds.get('a')!)
  expect(fewest).toBeLessThan(Infinity)
  expect(by('fewest-joints').feeds.get('a')).toHaveLength(fewest)
  expect(
    leadsWith('cheapest').reduce((sum, l) => sum + 1.6 + (l.lengthMm / 1000) * l.wire.pricePerM, 0),
  ).toBeCloseTo(cheapest, 9)
  expect(leadsWith('thinnest-wire')[0]!.wire.areaMm2).toBeCloseTo(thinnest, 9)
  expect(feedsOf(entry!.run.line)).toHaveLength(1)
})
