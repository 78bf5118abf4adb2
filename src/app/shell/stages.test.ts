import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan } from '../../core/plan/plan'
import { tally, type Tally } from '../../core/tally'
import { demoNames, demoPlan } from '../../testing/demo-plan'
import { Engine } from '../../core/engine'
import type { PlanAnswers } from '../engine/follow-plan'
import { allStages, planParts } from '../engine/late-parts'
import { sectionsBeside, stages, stageState } from './stages'

/** All that the engine tells of a plan. */
const toldOf = (plan: Plan): PlanAnswers => {
  const parts: Omit<Tally, 'roll'> = tally(plan)
  return {
    ...parts,
    roll: {},
    facts: new Engine(plan, allStages).work(planParts.facts),
    // Asked for once something of the build is noted.
    ...(plan.build.log.length > 0 && {
      howFar: new Engine(plan, allStages).work(planParts.howFar),
    }),
  }
}
const demo = (name: string): PlanAnswers => toldOf(demoPlan(name))
const of = (plan: Partial<Plan>): PlanAnswers => toldOf({ ...emptyPlan('t', 'a'), ...plan })
const states = (result: PlanAnswers | undefined): string =>
  stages.map(({ name }) => stageState(name, result).text).join(' · ')

describe('the state of each stage in a word', () => {
  it.each<[string, PlanAnswers | undefined, string]>([
    ['before there is a tally', undefined, '… · … · … · … · … · … · … · … · …'],
    [
      'of an empty pad',
      of({}),
      'empty · empty · empty · empty · empty · empty · empty · empty · empty',
    ],
    [
      'of a line that is not understood',
      of({ lines: [{ id: 'a', text: 'sill 12oo' }] }),
      '1 unread · 0 reels · nothing fed · no data · 0 joints · nothing yet · not begun · no show yet · quiet',
    ],
    [
      'of a shelf with nothing the matter',
      of({ lines: [{ id: 'a', text: 'shelf 1000' }] }),
      '1 place · 1 reel · fits · 1 lane · 12 joints · 18 to buy · not begun · no show yet · quiet',
    ],
    [
      'of the nook',
      demo('bay-window-nook'),
      '2 warnings · 2 reels · 2 stops · 3 warnings · 58 joints · 30 to buy · step 96 of 231 · no show yet · quiet',
    ],
    [
      'of the lanterns',
      demo('paper-lanterns'),
      '1 place · 0 reels · 1 warning · 1 pin · 17 joints · 20 to buy · not begun · no show yet · quiet',
    ],
  ])('%s', (_name, result, expected) => {
    expect(states(result)).toBe(expected)
  })

  it('counts the shows that a plan has', () => {
    const told = demo('firefly-jar')
    expect(stageState('glow', told, 1).text).toBe('1 show')
    expect(stageState('glow', told, 3).text).toBe('3 shows')
    expect(stageState('mend', told, 3, 2).text).toBe('2 mended')
  })

  it('says how many pins are used where there is no data', () => {
    expect(stageState('signal', demo('firefly-jar')).text).toBe('10 pins')
  })

  it('counts a missing resistor where it is missing: before single lights, or in the data lines', () => {
    const bare = of({
      lines: [{ id: 'a', text: 'a string 3 @ 90', lights: { part: 'led-red', resistor: 'none' } }],
      supplies: [{ id: 'supply-a', name: 'A', part: 'brick-5v-2' }],
    })
    expect(stageState('measure', bare).text).toBe('1 stop')
    expect(stageState('signal', bare).text).toBe('no data')
    const { signal } = emptyPlan('t', 'a')
    const data = of({
      lines: [{ id: 'a', text: 'shelf 1000' }],
      signal: { ...signal, resistorOhm: null },
    })
    expect(stageState('measure', data).text).toBe('1 place')
    expect(stageState('signal', data).text).toBe('1 warning')
  })

  it('counts every verdict that is no note at one stage', () => {
    for (const name of demoNames) {
      const result = demo(name)
      const graded = result.verdicts!.filter(({ grade }) => grade !== 'note')
      const worst = stages.map(({ name: stage }) => stageState(stage, result))
      if (graded.some(({ grade }) => grade === 'stop'))
        expect(worst.map(({ grade }) => grade)).toContain('stop')
    }
  })
})

describe('the roll beside a page', () => {
  it('shows every section beside one page at least, and each verdict in one section at least', () => {
    for (const name of demoNames) {
      const { roll, verdicts } = tally(demoPlan(name))
      for (const { kind } of roll)
        expect(
          stages.some(({ name: stage }) => sectionsBeside(stage).includes(kind)),
          kind,
        ).toBe(true)
      const shown = new Set(roll.flatMap(({ verdicts: own }) => own.map(({ id }) => id)))
      expect(verdicts.filter(({ id }) => !shown.has(id)).map(({ code }) => code)).toEqual([])
    }
  })

  it('keeps to what the page is about', () => {
    expect(sectionsBeside('cut').includes('reels')).toBe(true)
    expect(sectionsBeside('measure').includes('reels')).toBe(false)
    expect(sectionsBeside('feed').includes('supply')).toBe(true)
    expect(sectionsBeside('measure').includes('drops')).toBe(false)
  })
})
