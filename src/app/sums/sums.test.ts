import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../../core/plan/empty'
import { change } from '../../core/plan/commands'
import { sums } from '../../core/sums'
import type { SumCard } from '../../core/sums/sum'
import { tally } from '../../core/tally'
import { readPlanFile, writePlanFile } from '../../formats/plan-file'
import { openDatabase } from '../storage/db'
import { bandsOf } from './bands'
import {
  fieldsOf,
  fits,
  ofKind,
  ofVariant,
  readField,
  textOf,
  valueAt,
  withValue,
  type Given,
} from './fields'
import { keepRecent, recentSums, withRecent } from './recent'

const sumOf = (name: string): (typeof sums)[number] => sums.find((sum) => sum.name === name)!
const cardOf = (name: string): SumCard => sumOf(name).card
const startOf = (name: string): Given => cardOf(name).start as Given

describe('every card', () => {
  it.each(sums.map((sum) => [sum.card.title, sum] as const))(
    '%s begins with values that have an answer, and shows it in numbers',
    (_, sum) => {
      const worked = sum.workOut(sum.card.start)
      if (!worked.ok) throw new Error(JSON.stringify(worked.issues))
      expect(worked.lines.length).toBeGreaterThan(0)
      for (const { value, label, working, word } of worked.lines) {
        expect(label).not.toBe('')
        expect(value === null || Number.isFinite(value)).toBe(true)
        if (value === null) expect(word ?? worked.answer).toBeDefined()
        for (const { value: operand } of working?.operands ?? [])
          expect(Number.isFinite(operand)).toBe(true)
      }
      // The command line's answer is the same.
      expect(sum.work(sum.card.start)).toEqual({ ok: true, answer: worked.answer })
    },
  )

  it.each(sums.map(({ card }) => [card.title, card] as const))(
    '%s has a label for every field, and reads what it shows',
    (_, card) => {
      const given = card.start as Given
      const fields = fieldsOf(card, given)
      expect(fields.length).toBeGreaterThan(0)
      for (const field of fields) {
        expect(field.label, field.path).not.toBe(field.path)
        const value = valueAt(given, field.path)
        if (field.kind === 'variant' || value === undefined) continue
        const read = readField(field, textOf(field, value))
        expect(read, field.path).toMatchObject({ ok: true })
        if (typeof value === 'number') expect(read.ok && read.value).toBeCloseTo(value, 6)
        else expect(read.ok && read.value).toEqual(value)
      }
    },
  )

  it('shapes of every kind begin with values that have an answer, and go onto a pad that understands them', () => {
    const card = cardOf('shape')
    const [kinds] = fieldsOf(card, startOf('shape'))
    expect(kinds?.options.map(({ value }) => value)).toContain('helix')
    for (const { value: kind } of kinds?.options ?? []) {
      const given = ofKind(card, startOf('shape'), kind)
      const worked = sumOf('shape').workOut(given)
      if (!worked.ok) throw new Error(`${kind}: ${JSON.stringify(worked.issues)}`)
      if (worked.into === undefined) continue
      const plan = emptyPlan('t', 'x')
      const after = change(plan, worked.into.commands(plan, 'new')).plan
      const { unread, runs } = tally(after)
      expect(unread, kind).toEqual([])
      const { totalMm } = worked.answer as { totalMm: number }
      expect(runs[0]?.wantedMm, kind).toBeCloseTo(totalMm, 3)
    }
  })

  it('what goes into a plan leaves a plan', () => {
    const into = sums.flatMap((sum) => {
      const worked = sum.workOut(sum.card.start)
      return worked.ok && worked.into !== undefined ? [[sum.name, worked.into] as const] : []
    })
    expect(into.map(([name]) => name)).toEqual([
      'shape',
      'cut-run',
      'supply-size',
      'wire',
      'battery',
      'energy',
      'visits',
      'resistor',
      'matrix',
    ])
    for (const [, { commands }] of into) {
      const empty = emptyPlan('t', 'x')
      const plan = {
        ...empty,
        rules: { ...empty.rules, headroom: 0.4, tolerance: 0.1 },
        use: { ...empty.use, hoursADay: 9 },
      }
      const after = change(plan, commands(plan, 'new')).plan
      expect(after).not.toEqual(plan)
      expect(readPlanFile(writePlanFile(after)).ok).toBe(true)
    }
  })
})

describe('fields', () => {
  it('of one kind among several are those of that kind', () => {
    const card = cardOf('shape')
    expect(fieldsOf(card, { kind: 'ring', diameterMm: 300 }).map(({ path }) => path)).toEqual([
      'kind',
      'diameterMm',
      'count',
    ])
    // What kinds have in common stays.
    expect(ofKind(card, { kind: 'ring', diameterMm: 300, count: 4 }, 'helix')).toMatchObject({
      kind: 'helix',
      diameterMm: 300,
    })
  })

  it('of a part that is told in two ways are those of the chosen way', () => {
    const card = cardOf('battery')
    const paths = (given: Given): string[] => fieldsOf(card, given).map(({ path }) => path)
    expect(paths(startOf('battery'))).toContain('load.currentA')
    const byPower = ofVariant(startOf('battery'), 'load', 'powerW')
    expect(paths(byPower)).toContain('load.efficiency')
    expect(paths(byPower)).not.toContain('load.currentA')
    expect(sumOf('battery').workOut(byPower).ok).toBe(true)
  })

  it('that may be left out are taken away when they are emptied', () => {
    const awg = fieldsOf(cardOf('wire'), startOf('wire')).find(({ path }) => path === 'awg')!
    expect(awg.isOptional).toBe(true)
    expect(readField(awg, ' ')).toEqual({ ok: true, value: undefined })
    expect(withValue({ mm2: 1, awg: 18 }, 'awg', undefined)).toEqual({ mm2: 1 })
    expect(withValue({ load: { currentA: 1 } }, 'load.currentA', 2)).toEqual({
      load: { currentA: 2 },
    })
  })

  it.each<[string, string, string, unknown]>([
    ['reels', 'piecesMm', '2133, 1650; 90 cm', [2133, 1650, 900]],
    [
      'reels',
      'stock',
      '5 m @ 29, 2000 @ 15.5',
      [
        { lengthMm: 5000, price: 29 },
        { lengthMm: 2000, price: 15.5 },
      ],
    ],
    ['reels', 'offcutsMm', '', []],
    ['load', 'channelMa', '12, 12, 12', [12, 12, 12]],
    ['supply-size', 'sizesA', '3, 500 mA', [3, 0.5]],
  ])('%s: %s of “%s”', (name, path, text, value) => {
    const field = fieldsOf(cardOf(name), startOf(name)).find((one) => one.path === path)!
    expect(readField(field, text)).toEqual({ ok: true, value })
  })

  it.each<[string, string, string, RegExp]>([
    ['reels', 'stock', '5000', /a length and its price, 5000 @ 29|a number/],
    ['reels', 'piecesMm', '900, blue', /blue/],
    ['resistor', 'supplyV', '5 bananas', /“bananas”/],
  ])('%s: %s of “%s” is told what is wrong', (name, path, text, message) => {
    const field = fieldsOf(cardOf(name), startOf(name)).find((one) => one.path === path)!
    const read = readField(field, text)
    expect(read.ok ? '' : read.message).toMatch(message)
  })
})

describe('found by what is meant', () => {
  it.each([
    ['how long will it last', 'battery'],
    ['which resistor', 'resistor'],
    ['which power supply', 'supply-size'],
    ['does it get hot', 'warmth'],
    ['voltage drop', 'wire'],
    ['flicker', 'logic-level'],
    ['lux', 'bench-light'],
    ['do the dots show?', 'blend'],
    ['electricity bill', 'energy'],
    ['base resistor', 'npn-switch'],
    ['fps', 'frame-time'],
    ['circumference', 'shape'],
  ])('%s → %s', (search, name) => {
    const [best] = sums
      .map(({ card }) => ({ card, score: fits(card, search) }))
      .toSorted((a, b) => b.score - a.score)
    expect(best?.card.name).toBe(name)
  })

  it('nothing is found for nonsense, all for nothing typed', () => {
    const count = (search: string): number =>
      sums.filter(({ card }) => fits(card, search) > 0).length
    expect(count('zzz qqq')).toBe(0)
    expect(count(' ')).toBe(sums.length)
  })
})

describe('bands of a resistor', () => {
  it.each([
    [200, 0.05, 'red black brown gold'],
    [4700, 0.05, 'yellow violet red gold'],
    [330, 0.01, 'orange orange brown brown'],
    [2.2, 0.1, 'red red gold silver'],
    [0.47, 0.02, 'yellow violet silver red'],
    [1_000_000, 0.05, 'brown black green gold'],
  ])('%d Ω at %d', (ohm, tolerance, names) => {
    expect(
      bandsOf(ohm, tolerance)
        .map(({ name }) => name)
        .join(' '),
    ).toBe(names)
  })
})

describe('sums done last', () => {
  it('are kept, newest first, one of each, and survive what cannot be read', async () => {
    const db = openDatabase('sums-test')
    expect(await recentSums(db)).toEqual([])
    const of = (name: string) => ({ name, given: { a: 1 }, answer: name })
    const list = ['a', 'b', 'a'].reduce<ReturnType<typeof withRecent>>(
      (all, name) => withRecent(all, of(name)),
      [],
    )
    expect(list.map(({ name }) => name)).toEqual(['a', 'b'])
    await keepRecent(db, list)
    expect(await recentSums(db)).toEqual(list)
    await db.settings.put({ key: 'recent-sums', value: '{broken' })
    expect(await recentSums(db)).toEqual([])
    await db.settings.put({ key: 'recent-sums', value: '[3, {"name": "x"}]' })
    expect(await recentSums(db)).toEqual([])
    const many = Array.from({ length: 12 }, (_, index) => of(String(index))).reduce<
      ReturnType<typeof withRecent>
    >((all, one) => withRecent(all, one), [])
    expect(many).toHaveLength(8)
  })
})
