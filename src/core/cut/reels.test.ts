import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measure } from '../measure/measure'
import { partsOf } from '../parts/find'
import type { Rules } from '../plan/plan'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { usualRules, usualWire } from '../plan/usual'
import { tagger, tagsOf } from '../plan/tags'
import { change } from '../plan/commands'
import { cut, litSpansOf } from './cut'
import { countJoints } from './joints'
import { cutFromReels } from './reels'
import { runs } from '../../testing/runs'

function planOf(
  texts: readonly string[],
  extra: Partial<Plan> = {},
  rules: Partial<Rules> = {},
): Plan {
  const plan = emptyPlan('test', 'x')
  return {
    ...plan,
    lines: texts.map((text, index) => ({ id: `l${String(index)}`, text })),
    ...extra,
    rules: { ...plan.rules, ...rules },
  }
}
const cutsOf = (plan: Plan) => cut(plan, measure(plan).runs, partsOf(plan.own))
const reelsOf = (plan: Plan) => cutFromReels(cutsOf(plan), plan.offcuts, plan.rules)

describe('pieces', () => {
  it('are cut at every corner, or folded on as far as the parts follow on', () => {
    const texts = ['crown frame 705 x 305', 'ledge 2 x 555', 'alcove arch r410 legs 300']
    const names = (plan: Plan) => cutsOf(plan).map(({ pieces }) => pieces.map(({ name }) => name))
    expect(names(planOf(texts))).toEqual([
      ['A1', 'A2', 'A3', 'A4'],
      ['B1', 'B2'],
      ['C1', 'C2', 'C3'],
    ])
    expect(names(planOf(texts, {}, { corners: 'fold' }))).toEqual([['A1'], ['B1', 'B2'], ['C1']])
  })

  it('folded on are rounded once: 2020 mm are 121 groups, not 42 + 18 twice', () => {
    const [jumped] = cutsOf(planOf(['crown frame 705 x 305']))
    const [folded] = cutsOf(planOf(['crown frame 705 x 305'], {}, { corners: 'fold' }))
    expect([jumped?.groups, folded?.groups]).toEqual([120, 121])
  })

  it.each<[Rules['gap'], [number, number]]>([
    ['far', [0, 550]],
    ['shared', [5, 555]],
    ['near', [10, 560]],
  ])('leave their gap at the %s end', (gap, expected) => {
    const [entry] = cutsOf(planOf(['shelf 560'], {}, { gap }))
    const [from, to] = litSpansOf(entry!)[0]!
    expect(from).toBeCloseTo(expected[0], 6)
    expect(to).toBeCloseTo(expected[1], 6)
  })

  it('folded on light their segments one after the other, up to the gap', () => {
    const [entry] = cutsOf(planOf(['crown frame 705 x 305'], {}, { corners: 'fold' }))
    const lit = litSpansOf(entry!)
    expect(lit.slice(0, 3)).toEqual([
      [0, 705],
      [0, 305],
      [0, 705],
    ])
    expect(lit[3]![1]).toBeCloseTo(305 - entry!.gapMm, 6)
  })
})

describe('names of pieces', () => {
  it('go on behind Z, and past every letter in use', () => {
    const lines = (...tags: string[]) => tags.map((tag) => ({ tag }))
    const nextTag = (used: { tag: string }[]) => tagger(used)()
    expect(nextTag([])).toBe('A')
    expect(nextTag(lines('A', 'C'))).toBe('D')
    expect(nextTag(lines('Z'))).toBe('AA')
    expect(nextTag(lines('AZ'))).toBe('BA')
    expect(nextTag(lines('ZZ'))).toBe('AAA')
  })

  it('stay when lines are moved, taken away or put in between', () => {
    let plan: Plan = { ...emptyPlan('test', 'a') }
    const run = (...commands: Parameters<typeof change>[1]) => (plan = change(plan, commands).plan)
    run({ do: 'set-text', line: 'a', text: 'seat 900' })
    run({ do: 'add-lines', at: 1, lines: [{ id: 'b', text: '' }] })
    run({ do: 'set-text', line: 'b', text: '# a remark' })
    run({ do: 'add-lines', at: 0, lines: [{ id: 'c', text: 'sill 300' }] })
    run({ do: 'move-line', line: 'a', to: 2 })
    expect(plan.lines.map(({ id, tag }) => `${id}${tag ?? '-'}`)).toEqual(['cB', 'b-', 'aA'])
    run({ do: 'remove-line', line: 'c' }, { do: 'set-text', line: 'b', text: 'rail 400' })
    expect([...tagsOf(plan.lines)]).toEqual([
      ['b', 'C'],
      ['a', 'A'],
    ])
    const pasted = ['x 1', 'y 2', 'z 3'].map((text) => ({ id: text.charAt(0), text }))
    run({ do: 'add-lines', at: 0, lines: pasted })
    expect(plan.lines.map(({ tag }) => tag)).toEqual(['D', 'E', 'F', 'C', 'A'])
  })
})

describe('reels', () => {
  it('hold every group of every piece once, and no more than their length', () => {
    const lengths = fc.integer({ min: 20, max: 12_000 })
    fc.assert(
      fc.property(
        fc.array(lengths, { minLength: 1, maxLength: 9 }),
        fc.array(fc.integer({ min: 50, max: 3000 }), { maxLength: 3 }),
        fc.constantFrom('pixels-5v-60-low', 'white-12v-10', 'white-24v-14'),
        (mm, offcuts, stripId) => {
          const plan = planOf(
            mm.map((length) => `a ${String(length)}`),
            {
              defaults: { stripId, wire: usualWire },
              offcuts: offcuts.map((lengthMm, index) => ({
                id: `o${String(index)}`,
                stripId,
                lengthMm,
              })),
            },
          )
          const cutRuns = cutsOf(plan)
          const placed = new Map<string, number>()
          for (const { reels, price } of cutFromReels(cutRuns, plan.offcuts, plan.rules)) {
            expect(reels.reduce((sum, reel) => sum + reel.price, 0)).toBeCloseTo(price, 6)
            for (const reel of reels) {
              let next = 1
              for (const { piece, fromGroup, toGroup } of reel.cuts) {
                expect(fromGroup).toBe(next)
                next = toGroup + 1
                placed.set(piece, (placed.get(piece) ?? 0) + toGroup - fromGroup + 1)
              }
              expect(reel.leftoverMm).toBeGreaterThanOrEqual(-1e-6)
            }
          }
          for (const { pieces } of cutRuns)
            for (const { name, groups } of pieces) expect(placed.get(name) ?? 0).toBe(groups)
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('use up a rest of the same strip, not of another', () => {
    const rest = { id: 'o', lengthMm: 1000 }
    const same = planOf(['shelf 900'], { offcuts: [{ ...rest, stripId: 'pixels-5v-60-low' }] })
    const other = planOf(['shelf 900'], { offcuts: [{ ...rest, stripId: 'white-12v-10' }] })
    expect(reelsOf(same)[0]).toMatchObject({
      price: 0,
      reels: [{ kind: 'offcut', lengthMm: 1000 }],
    })
    expect(reelsOf(other)[0]).toMatchObject({ price: 9, reels: [{ kind: 'reel', lengthMm: 1000 }] })
  })

  it('are told apart by strip', () => {
    const plan = planOf(['shelf 900', 'rail 900'])
    const mixed: Plan = {
      ...plan,
      lines: [plan.lines[0]!, { ...plan.lines[1]!, stripId: 'white-12v-10' }],
    }
    expect(reelsOf(mixed).map(({ strip }) => strip.id)).toEqual([
      'pixels-5v-60-low',
      'white-12v-10',
    ])
  })
})

describe('joints', () => {
  it('are a lead for each run, two for each jumper, one for each join inside a piece', () => {
    const plan = planOf([
      'wall 12 m',
      'ledge 2 x 555',
      'crown frame 705 x 305',
      'stars grid 2 x 2 @ 60',
    ])
    const cutRuns = cutsOf(plan)
    expect(countJoints(cutRuns, cutFromReels(cutRuns, [], usualRules))).toEqual([
      { kind: 'lead', count: 3, minutes: 18 },
      { kind: 'jumper', count: 8, minutes: 48 },
      { kind: 'pad', count: 2, minutes: 12 },
    ])
  })

  it('of plain strip have fewer wires and take less time; what has no group has no joint', () => {
    const plan = planOf(['rail 900', 'crumb 10'], {
      defaults: { stripId: 'white-12v-10', wire: usualWire },
    })
    expect(countJoints(cutsOf(plan), [])).toEqual([{ kind: 'lead', count: 1, minutes: 4 }])
  })
})
