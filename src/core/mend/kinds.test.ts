import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../plan/empty'
import { shippedSupplies } from '../parts/supplies'
import type { SupplyPart } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { demoPlan } from '../../testing/demo-plan'
import { Diagnosis, type Candidate } from './diagnose'
import type { FaultKindName } from './kind-names'
import { stretchesOf } from './run-states'

const nook = demoPlan('bay-window-nook')
const fedBy = (plan: Plan, isMeant: (part: SupplyPart) => boolean): Plan => ({
  ...plan,
  supplies: plan.supplies.map((slot) => ({ ...slot, part: shippedSupplies.find(isMeant)!.id })),
})
const two: Plan = {
  ...emptyPlan('Two', 'a'),
  lines: [
    { id: 'a', text: 'a 1000' },
    { id: 'b', text: 'b 500' },
  ],
}
const diagnoses = new Map<Plan, Diagnosis>()
const of = (plan: Plan): Diagnosis => {
  const known = diagnoses.get(plan) ?? new Diagnosis(worked(plan))
  diagnoses.set(plan, known)
  return known
}
const first = (plan: Plan, kind: FaultKindName, about?: string): Candidate => {
  const found = of(plan).candidates.find(
    ({ fault }) =>
      fault.kind === kind && (about === undefined || fault.about.some((one) => one === about)),
  )
  if (found === undefined) throw new Error(`no ${kind}`)
  return found
}
/** What does not look right of a run: `[from, count, state, when]`. */
const odd = (plan: Plan, candidate: Candidate, run: string): readonly unknown[] => {
  const count = of(plan).stage.runs.find(({ id }) => id === run)!.count
  return stretchesOf(candidate.look.runs.get(run), count).filter(([, , state]) => state !== 'right')
}

describe('what each kind of fault looks like', () => {
  it.each<[FaultKindName, string, readonly unknown[], readonly unknown[]]>([
    ['against-arrow', 'a', [[0, 60, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    ['against-arrow', 'b', [], [[0, 30, 'dark', 'always']]],
    ['damaged-strip', 'b', [], [[0, 30, 'wrong', 'always']]],
    ['bridge-in-out', 'a', [[1, 1, 'follows', 'always']], []],
    ['off-mark', 'a', [[59, 1, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    ['off-mark', 'b', [], [[29, 1, 'dark', 'always']]],
    ['colour-order', 'a', [[0, 60, 'wrong', 'always']], [[0, 30, 'wrong', 'always']]],
    ['pixel-kind', 'a', [[0, 60, 'wrong', 'always']], [[0, 30, 'wrong', 'always']]],
    ['wrong-pin', 'a', [[0, 60, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    // Of two runs the second was forgotten.
    ['pixel-count', 'a', [], [[0, 30, 'dark', 'always']]],
    ['input-burnt', 'a', [[0, 60, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    ['low-level', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['no-common', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['long-data', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['no-resistor', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['interference', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['timing', 'a', [[0, 60, 'flicker', 'random']], [[0, 30, 'flicker', 'random']]],
    ['moisture', 'b', [], [[0, 30, 'flicker', 'random']]],
    ['brown-out', 'a', [[0, 60, 'frozen', 'bright']], [[0, 30, 'frozen', 'bright']]],
    ['program-stopped', 'a', [[0, 60, 'frozen', 'always']], [[0, 30, 'frozen', 'always']]],
    ['no-capacitor', 'supply-a', [[0, 60, 'flicker', 'start']], [[0, 30, 'flicker', 'start']]],
    ['supply-trips', 'supply-a', [[0, 60, 'flicker', 'bright']], [[0, 30, 'flicker', 'bright']]],
    // Backwards a strip is a short: where no fuse blows first the supply stops, and all on it is dark.
    ['swapped-power', 'a', [[0, 60, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    ['swapped-power', 'b', [[0, 60, 'dark', 'always']], [[0, 30, 'dark', 'always']]],
    ['fuse-open', 'b', [], [[0, 30, 'dark', 'always']]],
  ])('%s, %s', (kind, about, onA, onB) => {
    const candidate = first(two, kind, about)
    expect(odd(two, candidate, 'a')).toEqual(onA)
    expect(odd(two, candidate, 'b')).toEqual(onB)
  })

  it('sources: a bank goes to sleep, a regulator gets hot, cells sag, a thin cable drops volts', () => {
    const bank = fedBy(nook, (part) => part.bank !== undefined)
    expect([...first(bank, 'bank-asleep').facts.whens]).toEqual(['warm'])
    expect(first(bank, 'bank-asleep').facts.share.dark).toBeCloseTo(1, 6)
    const regulator = fedBy(two, (part) => part.regulator !== undefined)
    expect([...first(regulator, 'regulator-hot').facts.whens]).toEqual(['warm'])
    const cells = fedBy(nook, (part) => part.battery !== undefined && part.volts >= 5)
    expect([...first(cells, 'battery-sag').facts.whens]).toEqual(['bright'])
    const port = fedBy(two, (part) => part.kind === 'usb-port')
    const thin = first(port, 'thin-usb')
    const { points } = of(port).stage
    const start = points.findIndex(({ where, what }) => what === 'volts' && where === 'a@0')
    // 0.35 Ω a wire, both ways, under all that is drawn.
    const supply = points.findIndex(({ what, case: own }) => what === 'current' && own === 'bright')
    const amperes = thin.look.values.get(supply) ?? points[supply]!.value
    const lost = points[start]!.value - thin.look.values.get(start)!
    expect(lost / amperes).toBeGreaterThan(0.6)
    expect(lost / amperes).toBeLessThan(0.8)
  })

  it('a wrong supply gives the next lower volts, and there is none below 5 V', () => {
    const wardrobe = demoPlan('wardrobe-rails')
    const wrong = first(wardrobe, 'wrong-supply')
    const [change] = wrong.fault.does.feed!
    expect(change).toMatchObject({ kind: 'volts' })
    expect([5, 12]).toContain(change!.kind === 'volts' ? change!.volts : 0)
    expect(of(two).candidates.some(({ fault }) => fault.kind === 'wrong-supply')).toBe(false)
  })

  it('single lights: a leg leaves one group dark, a reversed plug all of its splitter', () => {
    const harbour = demoPlan('toy-harbour')
    const leg = first(harbour, 'open-signal')
    expect(leg.look.runs.size).toBe(1)
    const plug = first(harbour, 'plug-reversed', 'lighthouse')
    const stretches = odd(harbour, plug, 'lighthouse')
    expect(stretches).toMatchObject([[0, expect.any(Number), 'dark', 'always']])
  })

  it('a back-up data input is only on pixels that make their own volts', () => {
    const wide: Plan = {
      ...two,
      defaults: { ...two.defaults, stripId: 'pixels-12v-20' },
    }
    const { fault, look } = first(wide, 'backup-open')
    // It comes and goes, on all that its data goes through.
    expect([...look.runs.keys()].toSorted()).toEqual(['a', 'b'])
    expect(odd(wide, { fault, look } as Candidate, 'a')).toEqual([[0, 20, 'flicker', 'random']])
    expect(of(two).candidates.some(({ fault: { kind } }) => kind === 'backup-open')).toBe(false)
  })

  it('weights follow the plan: damp runs, cuts beyond their mark, a board that is noted for it', () => {
    const weight = (plan: Plan, kind: FaultKindName, about?: string): number =>
      first(plan, kind, about).fault.chance / first(plan, 'bridge-in-out').fault.chance
    const damp: Plan = {
      ...two,
      lines: two.lines.map((line) => ({
        ...line,
        mount: { damp: 'outdoors' as const },
      })),
    }
    expect(weight(damp, 'moisture', 'a') / weight(two, 'moisture', 'a')).toBeCloseTo(60, 1)
    expect(first(damp, 'moisture', 'a').fault.reasons).toEqual(['it is mounted outdoors'])
    const usb: Plan = {
      ...two,
      signal: { ...two.signal, boardFrom: 'usb' },
      rules: { ...two.rules, joinsMinus: false },
    }
    expect(weight(usb, 'no-common') / weight(two, 'no-common')).toBeCloseTo(200, 0)
    const bare: Plan = { ...two, signal: { ...two.signal, resistorOhm: null } }
    expect(weight(bare, 'no-resistor') / weight(two, 'no-resistor')).toBeCloseTo(5, 1)
    expect(first(bare, 'no-resistor').fault.reasons).toEqual(['the plan has none'])
  })

  it('a joint is looked at where it is, whatever its run is called', () => {
    const plan: Plan = {
      ...emptyPlan('Door', 'd'),
      lines: [{ id: 'd', text: '"shelf at the door" 1000' }],
    }
    const whereOf = new Map(worked(plan).joints.map(({ id, where }) => [id, where]))
    const looked = of(plan).candidates.flatMap(({ fault: { joint, shownBy } }) =>
      shownBy.flatMap(({ kind, at, where }) =>
        kind === 'look' && at === joint ? [{ at, where }] : [],
      ),
    )
    expect(looked.length).toBeGreaterThan(10)
    for (const { at, where } of looked) expect(where).toBe(whereOf.get(at))
  })
})
