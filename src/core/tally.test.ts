import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { change } from './plan/commands'
import { emptyPlan } from './plan/empty'
import type { Plan } from './plan/plan'
import { usualWire } from './plan/usual'
import { shippedStrips } from './parts/strips'
import { shippedSupplies } from './parts/supplies'
import { workingText } from './quantity/figure'
import { tally } from './tally'
import type { VerdictCode } from './verdict/kinds'
import { runs } from '../testing/runs'

function planOf(texts: readonly string[], extra: Partial<Plan> = {}): Plan {
  return {
    ...emptyPlan('test', 'x'),
    lines: texts.map((text, index) => ({ id: `l${String(index)}`, text })),
    ...extra,
  }
}
const supplied = (part: string): Pick<Plan, 'supplies'> => ({
  supplies: [{ id: 'supply-a', name: 'Supply A', part }],
})
const verdictsOf = (plan: Plan, code: VerdictCode) =>
  tally(plan).verdicts.filter((verdict) => verdict.code === code)

describe('a plan by hand', () => {
  // 2140 mm at 60/m: 128 groups, 2133.3 mm; 2 × 560: 33 groups each, 1100 mm; 194 px.
  const plan = planOf(['seat front 2140', 'ledge 2 x 560', 'sill 12oo', '# later'])
  const result = tally(plan)

  it('adds up', () => {
    expect(result.totals.pixels).toBe(194)
    expect(result.totals.lightLengthMm).toBeCloseTo(3233.333, 3)
    expect(result.totals.peakCurrentA).toBeCloseTo((194 * 36.7) / 1000, 9)
    expect(result.totals.idleCurrentA).toBeCloseTo((194 * 0.7) / 1000, 9)
    expect(result.totals.peakPowerW).toBeCloseTo((194 * 36.7 * 5) / 1000, 9)
  })

  it('shows each run and the supply picked for (7.12 A + 30 mA of its board) ÷ 0.8 = 8.94 A', () => {
    expect(result.runs).toMatchObject([
      { id: 'l0', name: 'seat front', wantedMm: 2140, pixels: 128 },
      { id: 'l1', name: 'ledge', wantedMm: 1120, pixels: 66, gapMm: 20 },
    ])
    expect(result.supplies).toMatchObject([{ volts: 5, ratedA: 10, partId: 'brick-5v-10' }])
    expect(result.supplies[0]?.needA).toBeCloseTo((194 * 36.7 + 30) / 800, 9)
  })

  it('keeps the line that it cannot read', () => {
    expect(result.unread).toEqual([{ id: 'l2', text: 'sill 12oo', message: '“12oo”: a number?' }])
  })

  it('prints sums whose totals are those of their lines', () => {
    const figures = result.roll.flatMap((section) => section.figures)
    const current = figures.find((figure) => figure.id === 'current.5.total')
    expect(current?.value).toBeCloseTo(result.totals.shownCurrentA, 9)
    expect(figures.map((figure) => workingText(figure))).toContain('194 px × 3 × 12 mA')
    for (const { operation, operands } of figures) {
      // Every placeholder has its operand and the other way round.
      expect(new Set(operation.match(/\{\d+\}/g))).toHaveProperty('size', operands.length)
    }
  })

  it('is not touched by being worked out, and gives the same again', () => {
    const before = JSON.stringify(plan)
    expect(tally(plan)).toEqual(result)
    expect(JSON.stringify(plan)).toBe(before)
  })
})

describe('remedies', () => {
  const cases: [VerdictCode, Plan][] = [
    ['supply-tight', planOf(['shelf 3000'], supplied('brick-5v-8'))],
    ['supply-short', planOf(['shelf 6000'], supplied('brick-5v-10'))],
    ['supply-short', planOf(['wall 20 m', 'beam 18 m'])],
    ['supply-short', planOf(['wall 2 x 30 m', 'beam 20 m'])],
    [
      'volts-differ',
      planOf(['shelf 3000'], {
        ...supplied('brick-12v-5'),
        defaults: { stripId: 'white-24v-10', wire: usualWire },
      }),
    ],
    [
      'volts-differ',
      {
        ...planOf([], supplied('brick-5v-10')),
        lines: [
          { id: 'a', text: 'shelf 900' },
          { id: 'b', text: 'rail 900', stripId: 'white-12v-10' },
        ],
      },
    ],
    [
      'gap-shows',
      planOf(['drawer 445'], { defaults: { stripId: 'white-12v-5', wire: usualWire } }),
    ],
    [
      'nameplate',
      planOf(['shelf 900'], {
        defaults: { stripId: 'own', wire: usualWire },
        own: {
          strips: [{ ...shippedStrips[0]!, id: 'own', nameplateWPerM: 20 }],
          supplies: [],
          boards: [],
          lights: [],
          profiles: [],
        },
      }),
    ],
  ]
  it.each(cases)('of %s each answer it, and can be undone', (code, plan) => {
    const found = verdictsOf(plan, code)
    expect(found).toHaveLength(1)
    const [verdict] = found
    expect(verdict?.remedies.length).toBeGreaterThan(0)
    for (const remedy of verdict?.remedies ?? []) {
      const after = change(plan, remedy.commands).plan
      expect(
        verdictsOf(after, code).filter(({ about }) =>
          about.some((id) => verdict?.about.includes(id)),
        ),
        remedy.label,
      ).toEqual([])
    }
  })

  it('limit brightness to the highest whole per cent that fits', () => {
    // 180 px: idle 0.126 A, full 6.48 A, board 0.03 A; 8 A × 0.8 = 6.4 A leaves 96.3 %.
    const [verdict] = verdictsOf(planOf(['shelf 3000'], supplied('brick-5v-8')), 'supply-tight')
    expect(verdict?.remedies.map(({ label }) => label)).toContain('limit brightness to 96 %')
  })

  it('are silent where all is well', () => {
    expect(tally(planOf(['shelf 1000'])).verdicts).toEqual([])
    expect(tally(planOf([])).verdicts).toEqual([])
  })
})

describe('any plan', () => {
  const texts = fc.array(
    fc.oneof(
      fc.integer({ min: 1, max: 9000 }).map((mm) => `shelf ${String(mm)}`),
      fc.constantFrom('ring 382', 'stars grid 5 x 8 @ 60', 'oops 12oo', '', 'ledge 3 x 410 + 90'),
    ),
    { maxLength: 8 },
  )
  const plans = fc
    .record({
      texts,
      strips: fc.array(fc.constantFrom(...shippedStrips.map(({ id }) => id)), {
        minLength: 8,
        maxLength: 8,
      }),
      part: fc.constantFrom('auto', ...shippedSupplies.map(({ id }) => id)),
      rounding: fc.constantFrom('inside' as const, 'nearest' as const, 'cover' as const),
      limit: fc.double({ min: 0.05, max: 1, noNaN: true }),
    })
    .map(({ texts: lines, strips, part, rounding, limit }) => {
      const plan = planOf(lines, { ...supplied(part), limit })
      return {
        ...plan,
        lines: plan.lines.map((line, index) => ({ ...line, stripId: strips[index]! })),
        rules: { ...plan.rules, rounding },
      }
    })

  it('keeps strip within a group of what was wanted, and never reports a number that is none', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const result = tally(plan)
        JSON.stringify(result, (_, value: unknown) => {
          if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
          return value
        })
        for (const { id, wantedMm, placedMm, gapMm, pieces } of result.runs) {
          expect(placedMm + gapMm).toBeCloseTo(wantedMm, 6)
          const strip = shippedStrips.find(
            (part) => part.id === plan.lines.find((line) => line.id === id)?.stripId,
          )!
          const slack = strip.cutPitchMm * pieces.length + 1e-6
          const { rounding } = plan.rules
          if (rounding === 'inside') expect(gapMm).toBeGreaterThan(-1e-6)
          if (rounding === 'cover') expect(gapMm).toBeLessThan(1e-6)
          expect(Math.abs(gapMm)).toBeLessThan(rounding === 'nearest' ? slack / 2 + 1e-6 : slack)
        }
        const fed = result.supplies.reduce((sum, supply) => sum + supply.loadA, 0)
        const boards = result.supplies.reduce((sum, supply) => sum + supply.boardA, 0)
        expect(fed - boards).toBeLessThanOrEqual(result.totals.peakCurrentA + 1e-9)
      }),
      { numRuns: runs(70, 50_000) },
    )
  })
})
