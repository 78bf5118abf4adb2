import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planNetwork } from '../feed/plan-network'
import { pixelMap } from '../lanes/pixel-map'
import { wireOf } from '../parts/wires'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Line, LightNode, Plan } from '../plan/plan'
import { tally } from '../tally'
import { worked } from '../worked'

/** Pixel nodes with 100 mm of wire from one to the next. */
const planOf = (text: string, line: Partial<Line> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  rules: { ...emptyPlan('t', 'x').rules, spare: 0 },
  lines: [{ id: 'l', text, stripId: 'nodes-12v', ...line }],
  supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-12v-3' }],
})
const codes = (plan: Plan): string[] => tally(plan).verdicts.map(({ code }) => code)

describe('lamps along a path, farther apart than the wire of a string', () => {
  const path = 'border string 6 @ 1500'

  it('are told, and get wire soldered in between by the way out that is offered', () => {
    const plan = planOf(path)
    const found = tally(plan).verdicts.find(({ code }) => code === 'nodes-apart')
    expect(found?.remedies.map(({ label }) => label)).toEqual(['solder wire in at 5 places'])
    const mended = change(plan, found!.remedies[0]!.commands).plan
    expect(codes(mended)).not.toContain('nodes-apart')
    expect(worked(mended).cutRuns[0]).toMatchObject({ groups: 6, pixels: 6 })
  })

  const long = planOf(path, { isLengthened: true, mount: { fixing: 'clips' } })
  const given = worked(long)

  it('have each wire in the list, as long as the way less what the nodes bring', () => {
    expect(given.cutRuns[0]!.pieces.map(({ name, groups }) => [name, groups])).toEqual(
      ['A1', 'A2', 'A3', 'A4', 'A5', 'A6'].map((name) => [name, 1]),
    )
    const between = given.wiring.wires.filter(({ from }) => from.spot.kind === 'piece')
    expect(between.map(({ role }) => role).toSorted()).toEqual(
      ['data', 'minus', 'plus'].flatMap((role) => Array<string>(5).fill(role)),
    )
    // 1.4 m, with 10 % and 20 mm at either end.
    for (const { lengthMm } of between) expect(lengthMm).toBeCloseTo(1400 * 1.1 + 40, 9)
    // Both ends of each are soldered to nodes, three wires at a time.
    const joints = given.joints.filter(({ at }) => at.kind === 'piece')
    expect(joints).toHaveLength(10)
    expect(joints.every(({ soldered }) => soldered === 3)).toBe(true)
    expect(given.bill.find(({ name }) => /clip/i.test(name))?.need).toBe(6)
  })

  it('lose volts in that wire', () => {
    const { leads, runs } = planNetwork(given, 'full-white')
    expect(leads).toBeDefined()
    const ohm = ((1400 * 1.1 + 40) / 1000) * wireOf(long.defaults.wire).ohmPerM
    expect(runs[0]!.jumpers).toHaveLength(5)
    for (const [index, jumper] of runs[0]!.jumpers!.entries()) {
      expect(jumper.pad).toBe(index + 1)
      expect(jumper.plusOhm).toBeCloseTo(ohm, 12)
    }
    const near = worked(planOf('border string 6 @ 100'))
    expect(given.full.runs.get('l')!.minV).toBeLessThan(near.full.runs.get('l')!.minV)
  })

  it('are told where a pixel does not drive the data so far', () => {
    const far = tally(planOf('border string 3 @ 4000', { isLengthened: true }))
    expect(far.verdicts.find(({ id }) => id.endsWith('.hops'))?.text).toMatch(
      /from A1 to A2: 4\.33 m of data wire.*2 places in all/,
    )
    expect(tally(long).verdicts.some(({ id }) => id.endsWith('.hops'))).toBe(false)
  })

  it('begin a new string behind each wire, and are plugged where one is full', () => {
    // Two rows of sixty, the second farther away than the wire reaches.
    const rows = worked(planOf('curtain grid 2 x 60 @ 60 x 400 zigzag', { isLengthened: true }))
    expect(rows.cutRuns[0]!.pieces.map(({ groups, part }) => [groups, part])).toEqual([
      [50, 0],
      [10, 0],
      [50, 1],
      [10, 1],
    ])
  })

  it('stay whole where the wire reaches', () => {
    const mixed = worked(planOf('border string 6 @ 100', { isLengthened: true }))
    expect(mixed.cutRuns[0]!.pieces.map(({ groups }) => groups)).toEqual([6])
  })
})

describe('nodes on wire', () => {
  it('have their pixels where they hang', () => {
    const { lanes, layout } = worked(planOf('border string 4 @ 100'))
    const places = pixelMap(lanes, layout).map(({ at }) => at)
    expect(places.map(([x]) => x - places[0]![0])).toEqual([0, 100, 200, 300])
  })

  it('may hold several pixels each', () => {
    const node: LightNode = { parts: [], pixels: 3 }
    const plan = planOf('border string 4 @ 700', { node, isLengthened: true })
    const { cutRuns, lanes, layout, loads } = worked(plan)
    expect(cutRuns[0]).toMatchObject({ groups: 12, pixels: 12 })
    expect(cutRuns[0]!.pieces.map((piece) => piece.groups)).toEqual([3, 3, 3, 3])
    const places = pixelMap(lanes, layout).map(({ at }) => at[0])
    expect(places.map((x) => x - places[0]!)).toEqual(
      [0, 700, 1400, 2100].flatMap((x) => [x, x, x]),
    )
    const one = worked(planOf('border string 4 @ 700', { isLengthened: true }))
    expect(loads[0]!.currentA['full-white']).toBeCloseTo(
      3 * one.loads[0]!.currentA['full-white'],
      9,
    )
  })

  it('draw for one node at a time where their emitters are scanned', () => {
    const part = {
      id: 'p',
      name: 'emitter',
      count: 2,
      holes: 1,
      holeMm: 5,
      wires: 2,
      minutes: 4,
      mA: 20,
      channels: 0,
      reads: 'digital' as const,
    }
    const idleA = (isScanned: boolean): number =>
      worked(
        planOf('border string 10 @ 100', { node: { parts: [{ ...part, isScanned }], pixels: 2 } }),
      ).loads[0]!.currentA.idle
    const bare = worked(planOf('border string 10 @ 100', { node: { parts: [], pixels: 2 } }))
    expect(idleA(false) - bare.loads[0]!.currentA.idle).toBeCloseTo(10 * 2 * 0.02, 9)
    expect(idleA(true) - bare.loads[0]!.currentA.idle).toBeCloseTo(2 * 0.02, 9)
  })

  it('are cut so that every pixel is in one length, none longer than a string', () => {
    const any = fc.record({
      count: fc.integer({ min: 1, max: 120 }),
      pitch: fc.constantFrom(60, 100, 101, 900),
      pixels: fc.integer({ min: 1, max: 4 }),
      isLengthened: fc.boolean(),
    })
    fc.assert(
      fc.property(any, ({ count, pitch, pixels, isLengthened }) => {
        const text = `border string ${String(count)} @ ${String(pitch)}`
        const [entry] = worked(planOf(text, { isLengthened, node: { parts: [], pixels } })).cutRuns
        const { pieces } = entry!
        expect(pieces.reduce((sum, { groups }) => sum + groups, 0)).toBe(count * pixels)
        let next = 0
        for (const { fromGroup, groups } of pieces) {
          expect(fromGroup).toBe(next)
          expect(groups).toBeLessThanOrEqual(50)
          next += groups
        }
        const wired = pieces.filter(({ part }, at) => at > 0 && part !== pieces[at - 1]!.part)
        expect(wired).toHaveLength(isLengthened && pitch > 100 ? count - 1 : 0)
      }),
    )
  })
})
