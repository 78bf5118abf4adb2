import { plural } from '../quantity/format'
import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { usualWire } from '../plan/usual'
import { shippedStrips } from '../parts/strips'
import { demoPlan } from '../../testing/demo-plan'
import { change } from '../plan/commands'
import { tally } from '../tally'
import { worked } from '../worked'
import { nextSupply } from './next-supply'
import type { Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

type Line = Plan['lines'][number]
const line = (text: string, extra: Partial<Line> = {}): Line => ({
  id: text.replaceAll(/\W/g, '-'),
  text,
  ...extra,
})
function planOf(lines: readonly Line[], part = 'auto', extra: Partial<Plan> = {}): Plan {
  return {
    ...emptyPlan('test', 'x'),
    lines: [...lines],
    supplies: [{ id: 'supply-a', name: 'Supply A', part }],
    ...extra,
  }
}
/** Those of length and supply; the feed's have tests of their own. */
const ofLength: readonly string[] = [
  'volts-differ',
  'supply-short',
  'supply-tight',
  'gap-shows',
  'nameplate',
]
const found = (plan: Plan): readonly Verdict[] =>
  tally(plan).verdicts.filter(({ code }) => ofLength.includes(code))
const said = (plan: Plan): string[] =>
  found(plan).map(({ grade, code, text }) => `${grade} ${code} ${text}`)
const remedies = (plan: Plan): string[] =>
  found(plan).flatMap((verdict) => verdict.remedies.map(({ label }) => label))

describe('verdicts name what, by how much, and the way out', () => {
  it('supply-tight', () => {
    // 3000 mm: 180 px × 36.7 mA + 30 mA of the board = 6.636 A of 8 A; ÷ 0.8 = 8.30 A.
    const plan = planOf([line('shelf 3000')], 'brick-5v-8')
    expect(said(plan)).toEqual([
      'warning supply-tight Supply A: 6.64 A is 83 % of 8 A; 8.29 A is required with headroom',
    ])
    expect(remedies(plan)).toEqual(['take the next size up, 10 A', 'limit brightness to 96 %'])
  })

  it('supply-short', () => {
    // 6000 mm: 360 px × 36.7 mA + 30 mA of the board = 13.24 A.
    const plan = planOf([line('shelf 6000')], 'brick-5v-10')
    expect(said(plan)).toEqual([
      'stop supply-short Supply A: 13.2 A drawn, 10 A given, 3.24 A short',
    ])
    expect(remedies(plan)).toEqual([
      'take the next size up, 20 A',
      'limit brightness to 59 %',
      'take the 12 V version, which has 120 pixels in place of 360',
    ])
  })

  it('supply-short where none is large enough: shared out, as few as it takes', () => {
    const plan = planOf([line('wall 20 m'), line('beam 18 m'), line('sill 5 m')])
    expect(said(plan)).toEqual([
      'stop supply-short Supply A: no 5 V supply in the list gives 118 A',
    ])
    expect(remedies(plan)).toContain('share it over 3 supplies')
  })

  it('volts-differ, with the danger on each side', () => {
    const high = planOf(
      [line('shelf 900'), line('rail 900', { stripId: 'white-12v-10' })],
      'brick-5v-6',
    )
    expect(said(high)).toContain('stop volts-differ rail: 12 V strip on 5 V from Supply A')
    expect(remedies(high)).toEqual([
      'take the 5 V version',
      'feed it from a 12 V supply of its own',
    ])
    const low = planOf([line('shelf 900')], 'brick-12v-5')
    const [verdict] = tally(low).verdicts
    expect(verdict?.why).toBe('On more than its volts a strip burns out at once.')
    expect(verdict?.remedies.map(({ label }) => label)).toEqual([
      'take the 12 V version',
      'take a 5 V supply',
    ])
  })

  it('volts-differ says each voltage once, whatever the number of runs', () => {
    const plan = planOf(
      [
        line('a 900', { stripId: 'white-12v-10' }),
        line('b 900', { stripId: 'white-12v-5' }),
        line('c 900', { stripId: 'white-12v-14' }),
        line('d 900', { stripId: 'white-24v-10' }),
        line('e 900'),
      ],
      'brick-5v-6',
    )
    expect(said(plan)).toEqual([
      'stop volts-differ a, b and 1 more: 12 V strip on 5 V from Supply A',
      'stop volts-differ d: 24 V strip on 5 V from Supply A',
    ])
  })

  it.each<[string, string, string[]]>([
    ['drawer 455', 'white-12v-10', []],
    ['drawer 465', 'white-12v-10', ['note gap-shows drawer: the last 15 mm stay dark']],
    ['drawer 490', 'white-12v-5', ['warning gap-shows drawer: the last 40 mm stay dark']],
    [
      'drawer 2 x 465 + 300',
      'white-12v-10',
      ['note gap-shows drawer: the last 15 mm stay dark, at 2 parts of 3'],
    ],
    ['drawer 20', 'white-12v-10', ['note gap-shows drawer: the last 20 mm stay dark']],
  ])('gap-shows for %s of %s', (text, stripId, expected) => {
    expect(said(planOf([line(text, { stripId })]))).toEqual(expected)
  })

  it('gap-shows offers the rounding that shows less, and none where none does', () => {
    const plan = planOf([line('drawer 490', { stripId: 'white-12v-5' })])
    expect(remedies(plan)).toEqual(['round to the nearest mark (over by 10 mm)'])
    const covering = { ...plan, rules: { ...plan.rules, rounding: 'cover' as const } }
    expect(said(covering)).toEqual(['note gap-shows drawer: hangs over by 10 mm'])
    expect(remedies(covering)).toEqual([])
  })

  it('nameplate only when a quarter apart', () => {
    const own = (nameplateWPerM: number): Plan =>
      planOf([line('shelf 900')], 'auto', {
        defaults: { stripId: 'own', wire: usualWire },
        own: {
          strips: [{ ...shippedStrips[1]!, id: 'own', name: 'own', nameplateWPerM }],
          supplies: [],
          boards: [],
          lights: [],
          profiles: [],
        },
      })
    expect(said(own(18))).toEqual([])
    expect(said(own(14.5))).toEqual([])
    expect(said(own(14))).toEqual(['note nameplate own: counts to 18 W/m, 14 W/m is printed'])
    expect(said(own(25))).toEqual(['note nameplate own: counts to 18 W/m, 25 W/m is printed'])
  })

  it('stock-short for a piece that no reel holds whole', () => {
    const plan = planOf([line('wall 12 m'), line('shelf 900')])
    expect(tally(plan).verdicts.map(({ text }) => text)).toContain(
      'A1: longer than the longest reel, 5000 mm; 2 joins pad to pad',
    )
    expect(tally(planOf([line('wall 5 m')])).verdicts.map(({ code }) => code)).not.toContain(
      'stock-short',
    )
  })

  it('come gravest first', () => {
    const plan = planOf(
      [line('drawer 490', { stripId: 'white-12v-5' }), line('shelf 3000')],
      'brick-5v-8',
    )
    expect(found(plan).map(({ grade }) => grade)).toEqual(['stop', 'warning', 'warning'])
    const all = tally(plan).verdicts.map(({ grade }) => ['stop', 'warning', 'note'].indexOf(grade))
    expect(all).toEqual(all.toSorted())
  })
})

describe('words', () => {
  it.each<[string[], string]>([
    [[], ''],
    [['a'], 'a'],
    [['a', 'b'], 'a and b'],
    [['a', 'b', 'c', 'd'], 'a, b and 2 more'],
  ])('%j is listed as %s', (names, text) => {
    expect(fewNames(names)).toBe(text)
  })
  it('count', () => {
    expect([plural(1, 'part'), plural(3, 'part')]).toEqual(['1 part', '3 parts'])
  })
  it('further supplies take the next free letter', () => {
    const taken = (ids: string[]) =>
      nextSupply({ supplies: ids.map((id) => ({ id, name: id, part: 'auto' })) }).id
    expect(taken(['supply-a'])).toBe('supply-b')
    expect(taken(['supply-a', 'supply-b', 'supply-d'])).toBe('supply-c')
  })
})

describe('a profile that a strip does not go into', () => {
  const of = (run: Line): readonly Verdict[] =>
    tally(planOf([run])).verdicts.filter(({ code }) => code === 'profile-fit')

  it.each<[string, string, Line['mount'], RegExp | undefined, string[]]>([
    ['a strip of 10 mm in 11 mm', 'ledge 600', { profile: 'corner' }, undefined, []],
    [
      'in its sleeve, 1 mm too wide',
      'ledge 600',
      { profile: 'corner', hasSleeve: true },
      /in its sleeve is 12 mm wide, corner profile .* takes 11 mm/,
      ['take the small U profile 17 × 8, 12 mm inside', 'no profile'],
    ],
    [
      'in its sleeve, just wide enough',
      'ledge 600',
      { profile: 'flat', hasSleeve: true },
      undefined,
      [],
    ],
    ['a ring', 'porthole ring 400', { profile: 'wide' }, /bends, and wide profile/, ['no profile']],
  ])('%s', (_, text, mount, expected, fixes) => {
    const [verdict] = of(line(text, { mount }))
    if (expected === undefined) expect(verdict).toBeUndefined()
    else {
      expect(verdict).toMatchObject({ grade: 'stop' })
      expect(verdict!.text).toMatch(expected)
      expect(verdict!.remedies.map(({ label }) => label)).toEqual(fixes)
    }
  })
})

describe('figures that were brought within bounds', () => {
  const strip = { ...shippedStrips[0]!, id: 'own', name: 'Attic strip', cutPitchMm: 1 }
  const other = { ...strip, id: 'other', name: 'Cellar strip', cutPitchMm: 50 }
  const nook = demoPlan('bay-window-nook')
  const plan: Plan = {
    ...nook,
    lines: nook.lines.map((one) => (one.id === 'crown' ? { ...one, stripId: 'own' } : one)),
    own: { strips: [other, strip], supplies: [], boards: [], lights: [], profiles: [] },
    use: { ...nook.use, batteryHours: 0.01 },
    adjusted: [
      { path: ['own', 'strips', 'own', 'cutPitchMm'], was: 1e-6, now: 1, why: 'at least 1' },
      { path: ['use', 'batteryHours'], was: 1e-9, now: 0.01, why: 'at least 0.01' },
    ],
  }
  const marks = (of: Plan): Verdict[] =>
    worked(of).verdicts.filter(({ code }) => code === 'figures-adjusted')
  const texts = (of: Plan): string[] => marks(of).map(({ text }) => text)
  const hours = 'How it is used: battery hours was 0.000000001, is 0.01'

  it('stay marked until they are changed, or somebody says that they are right', () => {
    const own = '“Attic strip”: cut pitch was 0.000001 mm, is 1 mm'
    expect(texts(plan)).toEqual([own, hours])
    expect(marks(plan)[0]?.about).toEqual(['crown'])
    const mended = change(plan, [{ do: 'own-strip', strip: { ...strip, cutPitchMm: 50 } }]).plan
    expect(texts(mended)).toEqual([hours])
    const settled = change(plan, marks(plan)[0]!.remedies[0]!.commands).plan
    expect(texts(settled)).toEqual([hours])
    expect(settled.adjusted).toEqual(plan.adjusted.slice(1))
  })
})
