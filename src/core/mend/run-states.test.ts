import { describe, expect, it } from 'vitest'
import { partsOf } from '../parts/find'
import { stripOf } from '../parts/find-strips'
import { emptyPlan } from '../plan/empty'
import { worked } from '../worked'
import { Diagnosis } from './diagnose'
import { lightStates } from './fault'
import type { FaultedFeed } from './fault-feed'
import { powered, shared, stretchesOf, together, whenOf } from './run-states'

const parts = partsOf({})
const feed = (...volts: number[]): FaultedFeed => ({
  runs: new Map([['run', Float64Array.from(volts)]]),
  rails: new Map(),
  places: new Map(),
  supplyA: new Map(),
  leadA: new Map(),
})
const statesOf = (strip: string, now: number[], was: number[]): readonly string[] | undefined => {
  const own = { id: 'run', name: 'run', count: now.length, strip: stripOf(parts, strip) }
  const states = powered(own, feed(...now), feed(...was))
  return states && [...states].map((state) => lightStates[state] ?? '?')
}

describe('how volts look', () => {
  it('pixels lose blue and green first, work on badly below their least volts, and then go dark', () => {
    // Chips of 5 V are sure to work at 3.5 V, and give up at three quarters of that.
    expect(statesOf('pixels-5v-60', [5, 4.99, 3.2, 2.7, 2.6, NaN], [5, 5, 5, 5, 5, 5])).toEqual([
      'right',
      'right',
      'tinted',
      'tinted',
      'dark',
      'dark',
    ])
    // What is no worse than in the plan is right.
    expect(statesOf('pixels-5v-60', [3.2, 2.4], [3.2, 2.4])).toBeUndefined()
  })

  it('plain strip gets dimmer as its volts fall, and is out below its forward volts', () => {
    expect(statesOf('white-12v-10', [12, 11.7, 11, 8], [12, 12, 12, 12])).toEqual([
      'right',
      'right',
      'dim',
      'dark',
    ])
  })

  it('is told with when: in bright light alone, or in dim light too', () => {
    const [dark, dim] = [lightStates.indexOf('dark'), lightStates.indexOf('dim')]
    const codes = together(
      Uint8Array.of(0, dim, dark, dark),
      Uint8Array.of(0, 0, 0, dark),
      4,
      undefined,
    )
    expect(stretchesOf(codes, 4)).toEqual([
      [0, 1, 'right', 'always'],
      [1, 1, 'dim', 'bright'],
      [2, 1, 'dark', 'bright'],
      [3, 1, 'dark', 'always'],
    ])
    // What comes and goes is seen as flickering.
    const loose = together(Uint8Array.of(dark, dim), undefined, 2, 'random')
    expect(stretchesOf(loose, 2)).toEqual([
      [0, 1, 'flicker', 'random'],
      [1, 1, 'dim', 'random'],
    ])
  })

  it('a run between two without power gets no data either', () => {
    const plan = {
      ...emptyPlan('Three', 'a'),
      lines: ['a', 'b', 'c'].map((id) => ({ id, text: `${id} 500` })),
    }
    const { stage, candidates } = new Diagnosis(worked(plan))
    const of = (run: string) =>
      candidates.find(({ fault }) => fault.kind === 'open-plus' && fault.about.includes(run))!.fault
        .does
    const { runs } = stage.look([of('a'), of('c')])
    expect(stretchesOf(runs.get('b'), 30)).toEqual([[0, 30, 'dark', 'always']])
  })
})

describe('looks that stand in many faults', () => {
  it('are joined once for each when, and each as if it were alone', () => {
    const dim = lightStates.indexOf('dim')
    const many = Uint8Array.of(0, dim, dim, 0)
    shared.add(many)
    for (let round = 0; round < 2; round += 1)
      for (const when of [undefined, 'random', 'warm'] as const) {
        const codes = together(many, undefined, 4, when)
        expect(codes).toEqual(together(many.slice(), undefined, 4, when))
        expect(codes?.[1] === undefined ? undefined : whenOf(codes[1])).toBe(when ?? 'bright')
      }
  })
})
