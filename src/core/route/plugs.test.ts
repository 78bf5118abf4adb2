import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { csv } from '../../formats/csv'
import { plugsTable } from '../../formats/csv-plugs'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Junction, Lights, Plan } from '../plan/plan'
import { tally } from '../tally'
import type { VerdictCode } from '../verdict/kinds'
import { worked } from '../worked'
import { portsLeft, type Branch } from '../feed/branches'
import { extensionsFor, extensionsOf, type PlugTree } from './plugs'

const grains = (text: string, lights: Partial<Lights> = {}, more: Partial<Plan> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: [
    {
      id: 'l',
      text,
      place: { x: 0, y: 0, degrees: 0 },
      lights: { part: 'grain-12v', ...lights },
    },
  ],
  supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-12v-1' }],
  ...more,
})
const treeOf = (plan: Plan): PlugTree => worked(plan).plugs[0]!
const codes = (plan: Plan): VerdictCode[] => tally(plan).verdicts.map(({ code }) => code)
const flat = (branch: Branch): Branch[] => [branch, ...branch.branches.flatMap(flat)]

describe('grains that are plugged together, by hand', () => {
  it('ten, 80 apart, on splitters of six: five and the next, then five', () => {
    const { leads, short } = treeOf(grains('g string 10 @ 80'))
    expect(leads).toHaveLength(1)
    const [first, second] = leads[0]!.splitters
    expect(first).toMatchObject({ name: 'S1', portsLeft: 0, at: [160, 0] })
    expect(second).toMatchObject({ name: 'S2', portsLeft: 1, at: [560, 0] })
    // 15 mA each: all ten through the first, five through the second.
    expect(first!.currentA).toBeCloseTo(0.15, 9)
    expect(second!.currentA).toBeCloseTo(0.075, 9)
    // 400 mm and a tenth of slack from splitter to splitter, whose own lead is 150: 290 are missing.
    expect(second!.needMm).toBeCloseTo(440, 9)
    expect(second!.extensionsMm).toEqual([500])
    expect(short).toHaveLength(1)
  })

  it('on two leads from the source each carries half, with a fuse of its own', () => {
    const { feed, wiring } = tally(grains('g string 10 @ 80', { leads: 2 }))
    expect(feed.leads.map(({ id }) => id)).toEqual(['l.first', 'l.first@2'])
    for (const lead of feed.leads) expect(lead.currentA).toBeCloseTo(0.075, 9)
    expect(wiring.wires.map(({ to }) => to.id)).toEqual([
      'run:l/S1 +',
      'run:l/S1 −',
      'run:l/S2 +',
      'run:l/S2 −',
    ])
    const plugged = wiring.joints.filter(({ kind }) => kind === 'plug')
    expect(plugged.map(({ where }) => where)).toEqual(['g, S1', 'g, S2', 'g, every light'])
    expect(wiring.joints.some(({ kind }) => kind === 'solder')).toBe(false)
  })

  it('are listed one by one, with what is put between', () => {
    const rows = csv(plugsTable(tally(grains('g string 4 @ 700'))))
      .trimEnd()
      .split('\r\n')
    // From the middle of 2100: 1050 and 350, a tenth more, less 300.
    expect(rows.slice(1)).toEqual([
      'g,1,S1,splitter of 6,0,150,',
      'g,1,S1,light 1,1155,300,1000',
      'g,1,S1,light 2,385,300,200',
      'g,1,S1,light 3,385,300,200',
      'g,1,S1,light 4,1155,300,1000',
    ])
  })

  it('one alone needs no splitter', () => {
    expect(treeOf(grains('g string 1 @ 80')).leads[0]).toMatchObject({ splitters: [], lights: 1 })
  })

  it('with their plugs cut off they are soldered, and no splitter is there', () => {
    const plan = grains('g string 10 @ 80', { joining: 'solder' })
    expect(worked(plan).plugs).toEqual([])
    expect(tally(plan).wiring.joints.some(({ kind }) => kind === 'solder')).toBe(true)
  })
})

describe('any lights that are plugged together', () => {
  const any = fc.record({
    count: fc.integer({ min: 1, max: 70 }),
    pitch: fc.integer({ min: 20, max: 900 }),
    ways: fc.integer({ min: 2, max: 6 }),
    leads: fc.integer({ min: 1, max: 5 }),
  })
  it('each has one plug, no splitter more than it takes, and currents add up', () => {
    fc.assert(
      fc.property(any, ({ count, pitch, ways, leads }) => {
        const plan = grains(`g string ${String(count)} @ ${String(pitch)}`, { ways, leads })
        const tree = treeOf(plan)
        const splitters = tree.leads.flatMap((lead) => lead.splitters)
        const ends = splitters.flatMap(({ lights }) => lights.map(({ light }) => light))
        // Those without a splitter hang on their lead directly.
        const alone = tree.leads.filter((lead) => lead.splitters.length === 0).length
        expect(new Set(ends).size).toBe(ends.length)
        expect(ends.length + alone).toBe(count)
        for (const one of [...splitters, ...splitters.flatMap(({ lights }) => lights)])
          expect(one.ownMm + one.extensionsMm.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(
            one.needMm,
          )
        // As few as can be: one less would leave a light without a plug.
        for (const { lights, splitters: own } of tree.leads) {
          const plugs = (splittersUsed: number): number => splittersUsed * (ways - 1) + 1
          expect(plugs(own.length)).toBeGreaterThanOrEqual(lights)
          if (own.length > 0) expect(plugs(own.length - 1)).toBeLessThan(lights)
        }
        const [supply] = tally(plan).feed.branches
        expect(supply!.currentA).toBeCloseTo(count * 0.015, 9)
        for (const branch of flat(supply!)) {
          expect(portsLeft(branch) ?? 0).toBeGreaterThanOrEqual(0)
          const below = branch.branches.reduce((sum, { currentA }) => sum + currentA, 0)
          if (branch.branches.length > 0) expect(below).toBeCloseTo(branch.currentA, 9)
        }
      }),
    )
  })

  it('extension leads are long enough, and the last could not be shorter', () => {
    fc.assert(
      fc.property(fc.integer({ min: -500, max: 9000 }), (missing) => {
        const found = extensionsFor(missing)
        const all = found.reduce((a, b) => a + b, 0)
        expect(all).toBeGreaterThanOrEqual(missing)
        if (missing <= 0) expect(found).toEqual([])
        else if (found.at(-1) === 200) expect(all - missing).toBeLessThan(200)
      }),
    )
  })
})

describe('verdicts on plugs', () => {
  const splitter: Junction = {
    id: 'j',
    name: 'Middle',
    kind: 'splitter',
    ways: 2,
    limitA: 3,
    fuse: 'auto',
  }
  const fromSplitter = (count: number): Plan =>
    grains(
      '',
      {},
      {
        junctions: [splitter],
        lines: Array.from({ length: count }, (_, index) => ({
          id: `g${String(index)}`,
          text: 'g string 4 @ 40',
          lights: { part: 'grain-12v' },
          feeds: [{ id: 'first', pad: 0, from: 'j', fuse: 'auto' as const }],
        })),
      },
    )

  it.each<[VerdictCode, Plan, RegExp]>([
    [
      'lead-short',
      grains('g string 6 @ 400'),
      /g: 4 leads too short, the worst has 300 of 1100|has 300 mm of 1100 mm/,
    ],
    ['lead-over', grains('g string 30 @ 60'), /30 lights on one lead, which takes 24/],
    ['plug-hole', grains('g string 4 @ 60'), /plug of 6\.5 mm does not go through a hole of 4 mm/],
    ['ports-short', fromSplitter(3), /Middle: 3 leads on a splitter of 2/],
    ['ports-short', fromSplitter(7), /Middle: 7 leads on a splitter of 2/],
    [
      'nodes-apart',
      { ...grains(''), lines: [{ id: 'l', text: 'g string 3 @ 140', stripId: 'nodes-5v' }] },
      /100 mm of wire from node to node, 140 mm from light 1 to 2, 2 places in all/,
    ],
  ])('%s', (code, plan, text) => {
    const { verdicts } = tally(plan)
    const found = verdicts.find((verdict) => verdict.code === code)
    expect(found?.text).toMatch(text)
    // Each remedy settles it.
    for (const { commands } of found!.remedies)
      expect(codes(change(plan, commands).plan)).not.toContain(code)
  })

  it('what hangs on a splitter of the plan goes through its lead too', () => {
    const { feed } = tally(fromSplitter(2))
    expect(feed.leads.find(({ id }) => id === 'j')!.currentA).toBeCloseTo(8 * 0.015, 9)
    expect(feed.branches[0]!.branches[0]).toMatchObject({ name: 'Middle', ways: 2 })
    expect(portsLeft(feed.branches[0]!.branches[0]!)).toBe(0)
  })

  it('fixes taken in one go, each from before the others, leave what the others set', () => {
    const plan = grains('g string 30 @ 200')
    const firstOf = (code: VerdictCode) =>
      tally(plan).verdicts.find((verdict) => verdict.code === code)?.remedies[0]?.commands ?? []
    const fixed = change(plan, [
      ...firstOf('lead-over'),
      ...firstOf('lead-short'),
      ...firstOf('plug-hole'),
    ]).plan
    expect(fixed.lines[0]?.lights).toMatchObject({ leads: 2, hasExtensions: true, holeMm: 7 })
    expect(codes(fixed)).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/^(lead-over|lead-short|plug-hole)$/)]),
    )
  })

  it('extension leads that are needed are listed', () => {
    const tree = treeOf(grains('g string 6 @ 400', { ways: 6 }))
    // A splitter in the middle: 1000, 600 and 200 to each side, a tenth more, less 300 of their own.
    expect(extensionsOf(tree)).toEqual([
      [1000, 2],
      [500, 2],
    ])
  })
})
