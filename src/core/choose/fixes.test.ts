import fc from 'fast-check'
import { expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { tryRemedies } from '../../testing/remedies'
import { runs } from '../../testing/runs'
import { Engine } from '../engine'
import { allStages } from '../late-stages'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { fixedVerdicts } from './fixes'

it('every remedy that is offered on any plan removes its cause, makes no new stop, and can be undone', () => {
  let tried = 0
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const result = tryRemedies(plan)
      tried += result.tried
      expect(result.broken).toEqual([])
    }),
    { numRuns: runs(16, 10_000) },
  )
  expect(tried).toBeGreaterThan(runs(100, 75_000))
  if (process.env.PROVE !== undefined) process.stdout.write(`${String(tried)} remedies tried\n`)
})

const fixesOf = (plan: Plan, code: string): string[] =>
  fixedVerdicts(new Engine(plan, allStages), 1000)
    .filter((verdict) => verdict.code === code)
    .flatMap(({ remedies }) => remedies.map(({ label }) => label))

const plan: Plan = {
  ...emptyPlan('t', 'a'),
  defaults: { stripId: 'pixels-5v-60', wire: 'mm2-1' },
}

it('takes what clears a new stop into the remedy that causes it', () => {
  // The 5 V version draws more than its supply gives.
  const long: Plan = {
    ...plan,
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-5v-4' }],
    lines: [
      { id: 'a', text: 'sill 9 m', stripId: 'white-24v-19' },
      { id: 'b', text: 'shelf 500' },
    ],
  }
  expect(fixesOf(long, 'volts-differ').join()).toMatch(
    /take the 5 V version, take the next size up/,
  )
})

it('tells once what has to go with a remedy in several places', () => {
  expect(fixesOf(demoPlan('bay-window-nook'), 'low-level')).toContain(
    'lower the strip’s supply to 4.5 V: 0.23 V, feed both ends (in 3 places)',
  )
})

it('finds the highest limit that helps, whatever the limit is now', () => {
  const bright: Plan = {
    ...plan,
    lines: [{ id: 'a', text: 'shelf 3 m' }],
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-5v-3' }],
  }
  const limitOf = (own: Plan): number =>
    Number(/limit brightness to (\d+) %/.exec(fixesOf(own, 'supply-short').join())?.[1])
  const percent = limitOf(bright)
  expect(percent).toBeGreaterThan(10)
  expect(limitOf({ ...bright, limit: 0.5 })).toBe(percent)
  // One more per cent is tight or short again.
  const codes = (limit: number): string[] =>
    new Engine({ ...bright, limit }, allStages).worked.verdicts.map(({ code }) => code)
  expect(codes(percent / 100)).not.toContain('supply-tight')
  expect(codes((percent + 1) / 100)).toContain('supply-tight')
})

it('does not offer what changes nothing', () => {
  // Nothing dims a plain strip: a limit would leave its current as it is.
  const plain: Plan = {
    ...plan,
    lines: [{ id: 'a', text: 'cove 5 m', stripId: 'white-12v-14' }],
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-12v-3' }],
  }
  expect(fixesOf(plain, 'supply-short')).toEqual([
    'take the next size up, 8 A',
    'take the 24 V version',
  ])
  expect(fixesOf({ ...plain, limit: 0.4 }, 'supply-short')).toEqual(fixesOf(plain, 'supply-short'))
})
