import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { worked } from '../worked'
import { dutiesIn, eachCase, type CaseAmperes } from '../load/load'
import { partsOf } from '../parts/find'
import { stripOf } from '../parts/find-strips'
import { shippedStrips } from '../parts/strips'
import { shippedSupplies } from '../parts/supplies'
import { wireOf, wires } from '../parts/wires'
import { emptyPlan } from '../plan/empty'
import type { Into, Plan } from '../plan/plan'
import { tally } from '../tally'
import { batteryUse, meanOf, packUse } from './batteries'
import { sharesAt, voltsFor, weakestAt } from './brightness'
import { loadsPerGroup } from '../load/group-draw'
import { planNetwork } from './plan-network'
import { capacitorFor } from './capacitor'
import { fuseFor, fusesA } from './fuse'
import { warmthOf } from './run-warmth'
import { runs } from '../../testing/runs'

type Line = Plan['lines'][number]
const planOf = (lines: readonly Partial<Line>[], extra: Partial<Plan> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: lines.map((line, index) => ({ id: `l${String(index)}`, text: '', ...line })),
  ...extra,
})
const full = (plan: Plan) => worked(plan).full
const feed = (pad: number | 'end', more = {}) => ({
  id: `p${String(pad)}`,
  pad,
  fuse: 'auto' as const,
  ...more,
})

const stripIds = shippedStrips.filter(({ volts }) => volts === 5).map(({ id }) => id)
const anyPlan = fc
  .record({
    lines: fc.array(
      fc.record({
        text: fc.oneof(
          fc.integer({ min: 40, max: 2500 }).map((mm) => `shelf ${String(mm)}`),
          fc.constantFrom(
            'ring 382',
            'crown frame 500 x 300',
            'ledge 3 x 410 + 90',
            'cells panels 2 x 6 sides 168',
          ),
        ),
        stripId: fc.constantFrom(...stripIds),
        isTurned: fc.boolean(),
        pads: fc.uniqueArray(
          fc.oneof(fc.integer({ min: 0, max: 60 }), fc.constant('end' as const)),
          {
            minLength: 1,
            maxLength: 3,
          },
        ),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    wire: fc.constantFrom('mm2-0_34', 'mm2-1', 'awg-18', 'mm2-4'),
    fromTrack: fc.boolean(),
  })
  .map(({ lines, wire, fromTrack }) =>
    planOf(
      lines.map(({ text, stripId, isTurned, pads }) => ({
        text,
        stripId,
        isTurned,
        feeds: pads.map((pad) => feed(pad, fromTrack ? { from: 'track' } : {})),
      })),
      {
        defaults: { stripId: 'pixels-5v-60', wire },
        junctions: [{ id: 'track', name: 'Track', kind: 'track', limitA: 30, fuse: 'auto' }],
      },
    ),
  )

describe('the feed of any plan', () => {
  it('what the supplies give is what the runs draw, and every watt is used or lost', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const scene = full(plan)
        expect(scene.problem).toBeUndefined()
        const drawn = [...scene.runs.values()].reduce((sum, { currentA }) => sum + currentA, 0)
        const given = [...scene.supplyA.values()].reduce((sum, amperes) => sum + amperes, 0)
        const { boardA } = worked(plan).supplies[0]!
        expect(given).toBeCloseTo(drawn + boardA, 5)
        expect(scene.lostW).toBeGreaterThanOrEqual(0)
        expect(scene.lostW).toBeLessThan(given * 5 + 1e-9)
        for (const run of scene.runs.values()) {
          expect(run.minV).toBeLessThanOrEqual(run.maxV)
          expect(run.maxV).toBeLessThanOrEqual(5 + 1e-9)
          expect(run.copperA).toBeLessThanOrEqual(run.currentA + 1e-6)
          expect(run.volts[run.minAt]).toBe(run.minV)
        }
      }),
      { numRuns: runs(60) },
    )
  })

  it('loads count as the cuts do, and leads end on pads that there are', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const results = worked(plan)
        const { cutRuns, leads } = results
        const network = planNetwork(results, 'level')
        for (const { run, strip, groups } of cutRuns) {
          const own = network.runs.find(({ id }) => id === run.id)
          expect(own?.loads ?? 0).toBe(groups * loadsPerGroup(strip))
        }
        for (const { to } of leads)
          if (to.kind === 'run')
            expect(to.pad).toBeLessThanOrEqual(cutRuns.find(({ run }) => run.id === to.run)!.groups)
      }),
      { numRuns: runs(60) },
    )
  })

  it('one more feed never makes the dimmest light dimmer, while no lead is shared', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 3000 }),
        fc.integer({ min: 1, max: 180 }),
        (mm, pad) => {
          const one = full(planOf([{ text: String(mm), feeds: [feed(0)] }]))
          const two = full(planOf([{ text: String(mm), feeds: [feed(0), feed(pad)] }]))
          expect(two.runs.get('l0')!.minV).toBeGreaterThanOrEqual(one.runs.get('l0')!.minV - 1e-6)
        },
      ),
      { numRuns: runs(40) },
    )
  })
})

describe('how a plan is fed', () => {
  it('a jumper between pieces costs volts behind it, and a longer one more', () => {
    const lastV = (gap: number): number =>
      full(
        planOf([{ text: 'ledge 2 x 500' }], {
          defaults: { stripId: 'pixels-5v-60', wire: 'mm2-0_34' },
          rules: { ...emptyPlan('t', 'x').rules, slack: gap },
        }),
      ).runs.get('l0')!.minV
    // The slack lengthens lead and jumper alike.
    expect(lastV(1)).toBeLessThan(lastV(0))
    const network = planNetwork(worked(planOf([{ text: 'ledge 2 x 500' }])), 'full-white')
    expect(network.runs[0]!.jumpers).toHaveLength(1)
    expect(network.runs[0]!.jumpers![0]!.pad).toBe(30)
  })

  it('fuses by the nominal current where a starved strip draws less, shared as the leads carry it', () => {
    const starved = planOf([
      {
        text: 'wall 8 m',
        stripId: 'pixels-5v-60',
        feeds: [
          { id: 'a', pad: 0, fuse: 'auto', lengthMm: 300 },
          { id: 'b', pad: 'end', fuse: 'auto', lengthMm: 4000 },
        ],
      },
    ])
    const { full, loads } = worked(starved)
    const nominalA = loads[0]!.currentA['full-white']
    const [near, far] = full.leads as [(typeof full.leads)[0], (typeof full.leads)[0]]
    expect(near.currentA + far.currentA).toBeLessThan(nominalA - 0.2)
    expect(near.fuseLoadA + far.fuseLoadA).toBeCloseTo(nominalA, 9)
    expect(near.fuseLoadA / far.fuseLoadA).toBeCloseTo(near.currentA / far.currentA, 9)
    expect(near.fuseLoadA).toBeGreaterThan(far.fuseLoadA)
  })

  it('a measured length stands in for the drawn one', () => {
    const [drawn] = worked(planOf([{ text: 'shelf 900', feeds: [feed(0)] }])).leads
    const [measured] = worked(
      planOf([{ text: 'shelf 900', feeds: [feed(0, { lengthMm: 4321 })] }]),
    ).leads
    expect(measured).toMatchObject({ lengthMm: 4321, isMeasured: true, drawnMm: drawn!.drawnMm })
  })

  it('leads follow supply and run: right angles and slack', () => {
    const plan = planOf([{ text: 'shelf 1000', place: { x: 300, y: 100, degrees: 0 } }], {
      supplies: [{ id: 'supply-a', name: 'A', part: 'auto', at: [0, 700] }],
      rules: { ...emptyPlan('t', 'x').rules, slack: 0.2, slackEndMm: 25 },
    })
    expect(worked(plan).leads[0]).toMatchObject({ start: [0, 700], end: [300, 100] })
    expect(worked(plan).leads[0]!.lengthMm).toBeCloseTo((300 + 600) * 1.2 + 50, 9)
    const end = { ...plan, lines: [{ ...plan.lines[0]!, feeds: [feed('end')] }] }
    expect(worked(end).leads[0]!.lengthMm).toBeCloseTo((1300 + 600) * 1.2 + 50, 6)
    // Extra wire where it goes through a hole: at that end alone.
    const into: Into = { what: 'shelf', holes: [{ at: 'end', mm: 8 }], spareMm: 80 }
    const withHole = (of: Plan): Plan => ({ ...of, lines: [{ ...of.lines[0]!, into }] })
    expect(worked(withHole(plan)).leads[0]!.lengthMm).toBeCloseTo((300 + 600) * 1.2 + 50, 9)
    expect(worked(withHole(end)).leads[0]!.lengthMm).toBeCloseTo((1300 + 600) * 1.2 + 130, 6)
    // A lead that meets it half way goes through none of them.
    const both: Into = { ...into, holes: [...into.holes, { at: 'start', mm: 8 }] }
    const middle = {
      ...plan,
      lines: [{ ...plan.lines[0]!, feeds: [feed(30)], into: both }],
    }
    expect(worked(middle).leads[0]!.lengthMm).toBeCloseTo((800 + 600) * 1.2 + 50, 6)
    // The data wire leaves a run by its far end and enters the next by its start.
    const chain = (holes: Into['holes']): number => {
      const next = { id: 'n', text: 'next 900', place: { x: 300, y: 400, degrees: 0 } }
      const first = { ...plan.lines[0]!, into: { ...into, holes } }
      const { lanes } = worked({ ...plan, lines: [first, next] })
      return lanes[0]!.runs[1]!.leadMm
    }
    expect(chain([{ at: 'end', mm: 8 }]) - chain([])).toBeCloseTo(80, 9)
    expect(chain([{ at: 'start', mm: 8 }])).toBeCloseTo(chain([]), 9)
  })

  it('scenes light channels alone; a line may have a level of its own', () => {
    const plan = planOf([{ text: 'shelf 900', level: 0.25 }, { text: 'shelf 900' }], {
      scene: { shown: 'level', level: 0.5 },
      limit: 0.4,
    })
    const strip = stripOf(partsOf(plan.own), 'pixels-5v-60')
    const duties = (scene: 'red' | 'level' | 'idle' | 'full-white', line: number) =>
      dutiesIn(plan, scene, plan.lines[line]!, strip)
    expect(duties('red', 0)).toEqual([0.4, 0, 0])
    expect(duties('level', 0)).toEqual([0.25, 0.25, 0.25])
    expect(duties('level', 1)).toEqual([0.4, 0.4, 0.4])
    expect(duties('idle', 1)).toEqual([0, 0, 0])
    expect(duties('full-white', 1)).toEqual([0.4, 0.4, 0.4])
    const white = stripOf(partsOf(plan.own), 'white-usb')
    // What nothing dims is at full in every case; on a dimmer it follows.
    expect(dutiesIn(plan, 'red', plan.lines[0]!, white)).toEqual([1])
    expect(dutiesIn(plan, 'red', { dimmer: 'all' }, white)).toEqual([0])
    expect(dutiesIn(plan, 'level', { dimmer: 'all' }, white)).toEqual([0.4])
    const { runs } = tally(plan)
    expect(runs[0]!.currentA).toBe(runs[1]!.currentA)
  })

  it('is told by the tally: each run its volts, each lead its current, drop and fuse', () => {
    const {
      feed: fed,
      runs,
      supplies,
    } = tally(planOf([{ text: 'shelf 1500' }, { text: 'rail 900' }]))
    expect(fed.runs.map(({ id }) => id)).toEqual(runs.map(({ id }) => id))
    for (const [index, { minV, maxV }] of runs.entries())
      expect([minV, maxV]).toEqual([fed.runs[index]!.minV, fed.runs[index]!.maxV])
    for (const { currentA, fuseA, wire, dropV, lossW, lengthMm } of fed.leads) {
      expect(fuseA).toBe(fuseFor(currentA, wireOf(wire).limitA))
      expect(dropV).toBeCloseTo(2 * (lengthMm / 1000) * wireOf(wire).ohmPerM * currentA, 9)
      expect(lossW).toBeCloseTo(dropV * currentA, 9)
    }
    expect(supplies[0]!.loadA).toBeGreaterThan(
      fed.leads.reduce((sum, { currentA }) => sum + currentA, 0) - 1e-6,
    )
  })
})

describe('what is left of a light', () => {
  it.each<[string, number, number[]]>([
    ['pixels-5v-60', 5, [1, 1, 1]],
    ['pixels-5v-60', 3.15, [1, 0.6111, 0.5]],
    ['pixels-5v-60', 1.7, [0, 0, 0]],
    ['white-12v-10', 12, [1]],
    ['white-12v-10', 10.35, [0.5]],
    ['white-12v-10', 8, [0]],
  ])('%s at %d V', (id, volts, expected) => {
    const strip = stripOf(partsOf({ strips: [], supplies: [] }), id)
    const shares = sharesAt(strip, volts)
    expect(shares).toHaveLength(expected.length)
    for (const [index, share] of shares.entries()) expect(share).toBeCloseTo(expected[index]!, 3)
    expect(weakestAt(strip, volts)).toBeCloseTo(Math.min(...expected), 3)
  })

  it('volts for a share have just that share left', () => {
    for (const strip of shippedStrips)
      for (const share of [0.3, 0.8, 1])
        expect(weakestAt(strip, voltsFor(strip, share))).toBeCloseTo(share, 9)
  })
})

describe('small parts of the feed', () => {
  it('thicker wire has less resistance and takes no less', () => {
    for (const kind of ['mm2', 'awg']) {
      const own = wires.filter(({ id }) => id.startsWith(kind))
      for (const [index, wire] of own.entries()) {
        const before = own[index - 1]
        if (before === undefined) continue
        expect(wire.areaMm2).toBeGreaterThan(before.areaMm2)
        expect(wire.ohmPerM).toBeLessThan(before.ohmPerM)
        expect(wire.limitA).toBeGreaterThanOrEqual(before.limitA)
      }
    }
    expect(() => wireOf('rope')).toThrow('rope')
  })

  it('a fuse carries its load and guards its wire, and no smaller one would do', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.constantFrom(...wires.map(({ limitA }) => limitA)),
        (loadA, limitA) => {
          const fuse = fuseFor(loadA, limitA)
          const all = fusesA.filter((one) => one >= 1.25 * loadA && one <= limitA)
          expect(fuse).toBe(all[0] ?? null)
        },
      ),
    )
  })

  it.each([
    [5, 10],
    [12, 25],
    [14.4, 25],
    [24, 50],
    [48, null],
  ])('a capacitor for %d V stands %j V', (volts, rating) => {
    expect(capacitorFor(volts)).toBe(rating)
  })

  it('warmth grows with light and shrinks with width', () => {
    const rise = (line: Partial<Line>, limit = 1): number => {
      const plan = planOf([{ text: 'shelf 900', ...line }], { limit })
      return warmthOf(worked(plan), worked(plan).cutRuns[0]!).riseK
    }
    // 10.8 W/m at 5 of 60 min full and 55 at 40 %: 4.86 W/m × 0.85 ÷ (18 W/m²K × 0.01 m + 0.16 into the wood).
    const onWood = (4.86 * 0.85) / (0.18 + 0.16)
    expect(rise({})).toBeCloseTo(onWood, 6)
    expect(rise({ mount: { surface: 'metal' } })).toBeCloseTo((4.86 * 0.85) / 1.18, 6)
    // Hung free both faces meet the air, and nothing else takes heat.
    expect(rise({ mount: { surface: 'air' } })).toBeCloseTo(
      (4.86 * 0.85) / ((6 + 12 * 0.5 ** 0.25) * 0.02),
      6,
    )
    expect(rise({ mount: { cover: 'opal' } })).toBeCloseTo(onWood * 1.15, 6)
    expect(rise({ mount: { hasSleeve: true } })).toBeCloseTo(onWood * 1.3, 6)
    expect(rise({}, 0.4)).toBeCloseTo((10.8 * 0.4 * 0.85) / 0.34, 6)
  })
})

describe('on cells', () => {
  const use = { ...emptyPlan('t', 'x').use, mix: { fullWhite: 15, level: 15 } }
  const drain: CaseAmperes = {
    idle: 0.02,
    level: 0.2,
    'full-white': 0.5,
    red: 0.2,
    green: 0.2,
    blue: 0.2,
  }
  const part = (id: string) => shippedSupplies.find((supply) => supply.id === id)!

  it('the mean is over an hour, idle where nothing is said', () => {
    expect(meanOf(drain, use)).toBeCloseTo((0.5 * 15 + 0.2 * 15 + 0.02 * 30) / 60, 12)
    expect(meanOf(drain, { mix: { fullWhite: 60, level: 0 } })).toBe(0.5)
  })

  it('a power bank gives its watt-hours through its converter, and may fall asleep', () => {
    const bank = batteryUse(part('bank-37wh'), drain, use)!
    expect(bank.hours).toBeCloseTo((37 * 0.85) / (meanOf(drain, use) * 5), 9)
    expect(bank.sleeps).toBe(true)
    expect(batteryUse(part('bank-37wh'), { ...drain, idle: 0.1 }, use)!.sleeps).toBe(false)
  })

  it('cells sag more at the peak than at the mean, and the course ends at the end', () => {
    const cells = batteryUse(part('battery-4-nimh'), drain, use)!
    for (const { meanV, peakV } of cells.course) expect(peakV).toBeLessThanOrEqual(meanV + 1e-12)
    expect(cells.course.at(-1)!.hours).toBeCloseTo(cells.hours!, 9)
    expect(cells.course.length).toBeLessThanOrEqual(102)
    const harder = batteryUse(part('battery-4-nimh'), { ...drain, 'full-white': 1.5 }, use)!
    expect(harder.hours!).toBeLessThan(cells.hours!)
  })

  it('a brick is no battery, and a battery with nothing on it lasts for ever', () => {
    const cells = batteryUse(part('battery-4-nimh'), drain, use)!
    // Half an ampere from cells that give 2 A, and from a block that gives 0.4 A.
    expect(cells.isOver).toBe(false)
    expect(batteryUse(part('battery-9v'), drain, use)!.isOver).toBe(true)
    // All the time at its level, and at full: as long as by that current alone.
    const [dim, bright] = [cells.hoursAt.level!, cells.hoursAt['full-white']!]
    expect(dim).toBeLessThan(cells.hours!)
    expect(bright).toBeLessThan(dim * 0.5)
    // A pack of other volts gives the same watts: at 12 V well under half the amperes.
    const at12 = packUse(part('battery-8-aa'), { volts: 5, currentA: drain }, use)!
    expect(at12.meanA).toBeCloseTo((cells.meanA * 5) / 12, 9)
    expect(batteryUse(part('brick-5v-2'), drain, use)).toBeUndefined()
    const nothing = eachCase(() => 0)
    expect(batteryUse(part('battery-9v'), nothing, use)!.hours).toBeNull()
    expect(batteryUse(part('bank-18wh'), nothing, use)!.hours).toBeNull()
  })
})
