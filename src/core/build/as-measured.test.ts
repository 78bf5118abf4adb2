import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { change } from '../plan/commands'
import { stripSchema, type Strip } from '../plan/parts'
import type { LoggedReading, Plan } from '../plan/plan'
import { worked } from '../worked'
import { asMeasured, measuredStrip, type MeasuredStrip } from './as-measured'
import { meterAt } from './meter-at'
import { scheduleOf } from './order'

const nook: Plan = (() => {
  const plan = demoPlan('bay-window-nook')
  return { ...plan, build: { ...plan.build, log: [] }, wiring: { ...plan.wiring, ticks: [] } }
})()
const stripId = nook.defaults.stripId
const tested = ['test:seat/A1', 'test:seat/start', 'test:alcove/B2', 'test:alcove.B2']

/** The plan with the strip that is really there. */
function withReal(plan: Plan, made: (strip: Strip) => Strip): Plan {
  const strip = worked(plan).parts.strips.find(({ id }) => id === stripId)!
  const own = { ...made(strip), id: 'real' }
  return {
    ...plan,
    own: { ...plan.own, strips: [own] },
    defaults: { ...plan.defaults, stripId: 'real' },
    lines: plan.lines.map(({ stripId: id, ...line }) => ({
      ...line,
      ...(id !== undefined && { stripId: id === stripId ? 'real' : id }),
    })),
  }
}

/** What a meter reads on the real strip at some steps, noted in the plan that knows only the typical one. */
function measuredPlan(real: Plan, cases: readonly string[], noise: (n: number) => number): Plan {
  const [truth, typical] = [worked(real), worked(nook)]
  const [own, steps] = [scheduleOf(truth).steps, scheduleOf(typical).steps]
  let plan = nook
  let count = 0
  for (const id of tested) {
    const there = meterAt(
      truth,
      own,
      own.find((step) => step.id === id)!,
    )
    const here = meterAt(
      typical,
      steps,
      steps.find((step) => step.id === id)!,
    )
    const readings = here.readings.flatMap((one): LoggedReading[] => {
      if (!cases.includes(one.what === 'volts' ? 'volts' : one.case)) return []
      // At the level that the plan asks for.
      const right = there.readings.find(
        (other) => other.what === one.what && other.where === one.where && other.case === one.case,
      )
      if (right === undefined || right.level !== one.level) return []
      const { what, where, case: of } = one
      return [{ what, where, case: of, value: right.value * (1 + noise((count += 1))) }]
    })
    const step = steps.find((one) => one.id === id)!
    plan = change(plan, [
      {
        do: 'log-step',
        joints: [],
        entry: {
          step: id,
          kind: step.kind,
          title: step.title,
          state: 'done',
          minutes: 1,
          trouble: [],
          photos: [],
          readings,
        },
      },
    ]).plan
  }
  return plan
}
const fitOf = (plan: Plan): MeasuredStrip =>
  asMeasured(worked(plan), scheduleOf(worked(plan)).steps)[0]!
const valueOf = ({ values }: MeasuredStrip, what: string) =>
  values.find((one) => one.what === what)!

const scaled =
  (idle: number, red: number, green: number, blue: number, rail: number) =>
  (strip: Strip): Strip => {
    if (strip.light.kind !== 'pixels') throw new RangeError('pixels')
    const by: Readonly<Record<string, number>> = { red, green, blue }
    return {
      ...strip,
      railOhmPerM: strip.railOhmPerM * rail,
      light: {
        ...strip.light,
        idleMa: strip.light.idleMa * idle,
        channels: strip.light.channels.map((channel) => ({
          ...channel,
          fullMa: channel.fullMa * (by[channel.name] ?? 1),
        })),
      },
    }
  }

describe('as measured', () => {
  it('finds the strip that is really there, and how sure that is', () => {
    fc.assert(
      fc.property(
        fc.tuple(...[0, 1, 2, 3].map(() => fc.integer({ min: 80, max: 118 }).map((n) => n / 100))),
        fc.infiniteStream(fc.integer({ min: -10, max: 10 })),
        ([idle = 1, red = 1, green = 1, blue = 1], stream) => {
          const noise = [...stream.take(60)].map((n) => n / 1000)
          const real = withReal(nook, scaled(idle, red, green, blue, 1))
          const plan = measuredPlan(real, ['idle', 'red', 'green', 'blue'], (n) => noise[n] ?? 0)
          const fit = fitOf(plan)
          for (const [what, ratio] of [
            ['idle', idle],
            ['red', red],
            ['green', green],
            ['blue', blue],
          ] as const) {
            const { value, typical, error, count } = valueOf(fit, what)
            expect(Math.abs(value / typical - ratio), what).toBeLessThan(0.06)
            expect(count).toBeGreaterThan(1)
            expect(error).not.toBeNull()
            expect(error!).toBeLessThan(typical * 0.06)
          }
          const strip = measuredStrip(fit, 'own-1')
          expect(stripSchema.safeParse(strip).success).toBe(true)
          expect(strip.name).toMatch(/, as measured$/)
          expect(strip.isMeasured).toBe(true)
        },
      ),
      { numRuns: runs(6, 400) },
    )
  })

  it('is exact without noise, and tells the rail from volts', () => {
    const real = withReal(nook, scaled(1.15, 0.9, 1.1, 0.95, 1.4))
    const fit = fitOf(
      measuredPlan(real, ['idle', 'red', 'green', 'blue', 'level', 'full-white', 'volts'], () => 0),
    )
    expect(valueOf(fit, 'idle').value).toBeCloseTo(0.7 * 1.15, 2)
    expect(valueOf(fit, 'red').value / 12).toBeCloseTo(0.9, 1)
    const { value, typical } = valueOf(fit, 'rail')
    expect(value / typical).toBeGreaterThan(1.2)
    expect(value / typical).toBeLessThan(1.6)
    expect(measuredStrip(fit, 'x').railOhmPerM).toBeCloseTo(value, 3)
  })

  it('leaves out what is a fault, and says nothing where nothing was read', () => {
    expect(asMeasured(worked(nook), scheduleOf(worked(nook)).steps)).toEqual([])
    const real = withReal(nook, scaled(2.2, 1, 1, 1, 1))
    // Idle at more than twice the typical is outside its tolerance.
    expect(
      asMeasured(worked(measuredPlan(real, ['idle'], () => 0)), scheduleOf(worked(nook)).steps),
    ).toEqual([])
  })
})
