import { describe, expect, it } from 'vitest'
import { readPlanFile, writePlanFile } from '../formats/plan-file'
import { demoNames, demoPlan } from '../testing/demo-plan'
import { change } from './plan/commands'
import type { Engine } from './engine'
import { tally } from './tally'
import { engineOf } from './worked'
import type { VerdictCode } from './verdict/kinds'

describe('the demo plans', () => {
  it.each<[string, VerdictCode[]]>([
    ['bay-window-nook', ['fade', 'lead-hot', 'supply-tight', 'wrong-end', 'glare', 'splice-shows']],
    ['pegboard-moon', ['fade', 'copper-hot', 'over-100-watt']],
    ['wardrobe-rails', ['wrong-end']],
    ['paper-lanterns', ['battery-short']],
    ['firefly-jar', ['matrix-flicker']],
    ['toy-harbour', []],
    ['wall-of-jars', []],
  ])('%s shows %j', (name, codes) => {
    const shown = tally(demoPlan(name)).verdicts.map(({ code }) => code)
    for (const code of codes) expect(shown).toContain(code)
  })

  it.each(demoNames)('%s is written as it is read, and understood in every line', (name) => {
    const plan = demoPlan(name)
    expect(readPlanFile(writePlanFile(plan))).toEqual({ ok: true, plan, adjusted: [] })
    const { unread, runs, feed } = tally(plan)
    expect(unread).toEqual([])
    expect(feed.problem).toBeNull()
    expect(runs.every(({ groups, minV }) => groups > 0 === (minV !== null))).toBe(true)
  })

  it.each(demoNames)('%s: every remedy can be taken, and undone, and leaves a plan', (name) => {
    const plan = demoPlan(name)
    const engine = engineOf(plan)
    for (const { code, remedies, grade } of engine.get('verdicts'))
      for (const { commands, label } of remedies) {
        const { plan: after, backward } = change(plan, commands)
        expect(after, `${code}: ${label}`).not.toEqual(plan)
        expect(readPlanFile(writePlanFile(after)).ok, `${code}: ${label}`).toBe(true)
        expect(backward.length).toBeGreaterThan(0)
        const count = (of: Engine): number =>
          of.get('verdicts').filter((verdict) => verdict.code === code && verdict.grade === grade)
            .length
        expect(count(engine.fork(after)), `${code}: ${label}`).toBeLessThanOrEqual(count(engine))
      }
  })

  it('the nook’s ring is the one place that is fed badly, and one remedy mends it', () => {
    const plan = demoPlan('bay-window-nook')
    const stops = tally(plan).verdicts.filter(({ grade }) => grade === 'stop')
    expect(new Set(stops.flatMap(({ about }) => about))).toEqual(new Set(['porthole']))
    const wire = stops.find(({ code }) => code === 'lead-hot')!.remedies[0]!
    const mended = tally(change(plan, wire.commands).plan)
    expect(mended.verdicts.filter(({ grade }) => grade === 'stop')).toEqual([])
  })

  it('the wardrobe hangs on its track, within what that takes', () => {
    const { feed } = tally(demoPlan('wardrobe-rails'))
    const [track, ...others] = feed.leads
    expect(track!.to).toEqual({ kind: 'junction', junction: 'track' })
    expect(others.every(({ from }) => from === 'track')).toBe(true)
    expect(others.reduce((sum, { currentA }) => sum + currentA, 0)).toBeCloseTo(track!.currentA, 6)
    expect(track!.currentA).toBeLessThan(5)
  })
})
