import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { planNetwork } from '../feed/plan-network'
import { solve } from '../feed/solve'
import { splitRuns } from '../feed/split-runs'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { connectedAfter, jointsUpTo } from './connected'
import { scheduleOf } from './order'
import { judged, readingsAfter, suspiciousOhm, type Expected } from './readings'

function after(plan: Plan, id: string): Expected {
  const results = worked(plan)
  const { steps } = scheduleOf(results)
  const step = steps.find((one) => one.id === id)
  if (step === undefined) throw new RangeError(`no step ${id}`)
  return readingsAfter(results, jointsUpTo(steps, id), step)
}

const ampere = ({ readings }: Expected, loadCase: string): number =>
  readings.find((one) => one.what === 'current' && one.case === loadCase)?.value ?? NaN

/** What all supplies of a network give together, A; `undefined` where it has no answer. */
function givenA(network: Parameters<typeof solve>[0]): number | undefined {
  const result = solve(network)
  return result.ok
    ? [...result.solution.supplyA.values()].reduce((sum, one) => sum + one, 0)
    : undefined
}

describe('what is connected', () => {
  it('grows step by step, and is the whole plan in the end', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const results = worked(plan)
        const { steps } = scheduleOf(results)
        const last = steps.at(-1)
        if (last === undefined) return
        const all = connectedAfter(results, jointsUpTo(steps, last.id), last, 'full-white')
        const planned = planNetwork(results, 'full-white')
        const whole = splitRuns(planned)
        const [own, full] = [givenA(all.network), givenA(whole)]
        if (full !== undefined) expect(own).toBeCloseTo(full, 5)

        const groups = new Map<string, number>()
        const every = Math.max(1, Math.floor(steps.length / 12))
        for (const [index, step] of steps.entries()) {
          if (index % every > 0) continue
          const done = jointsUpTo(steps, step.id)
          const { runs: connected, by, network } = connectedAfter(results, done, step, 'idle')
          for (const { id } of network.runs)
            expect(planned.runs.some((run) => id === run.id || id.startsWith(`${run.id}.`))).toBe(
              true,
            )
          for (const [run, stretches] of connected)
            for (const [from, count] of stretches) {
              const entry = results.cutRuns.find((one) => one.run.id === run)!
              expect(count).toBeGreaterThan(0)
              expect(from + count).toBeLessThanOrEqual(entry.groups + entry.run.lights.length)
            }
          if (by === 'clips') continue
          for (const [run, before] of groups) {
            const now = (connected.get(run) ?? []).reduce((sum, [, count]) => sum + count, 0)
            expect(now, `${run} after ${step.id}`).toBeGreaterThanOrEqual(before)
          }
          for (const [run, stretches] of connected)
            groups.set(
              run,
              stretches.reduce((sum, [, count]) => sum + count, 0),
            )
        }
      }),
      { numRuns: runs(25, 2000) },
    )
  })

  it('is one piece on clip leads, then the run through its own wires, then with the next piece', () => {
    const nook = demoPlan('bay-window-nook')
    const piece = after(nook, 'test:alcove/B2')
    expect(piece.by).toBe('clips')
    expect([...piece.connected]).toEqual([['alcove', [[18, 77]]]])
    // 77 pixels at 0.7 mA; one colour of 12 mA each at full, as far as a bench supply may give it.
    expect(ampere(piece, 'idle')).toBeCloseTo(0.0539, 4)
    const red = piece.readings.find((one) => one.case === 'red')!
    expect(red.value).toBeCloseTo(0.0539 + 77 * 0.012 * red.level!, 3)
    expect(piece.benchLimitA).toBeGreaterThan(ampere(piece, 'level'))
    expect(piece.benchLimitA).toBeLessThan(2.7)

    const start = after(nook, 'test:alcove/start')
    expect(start.by).toBe('wires')
    expect(start.connected.get('alcove')).toEqual([[0, 18]])
    expect(after(nook, 'test:alcove.B1').connected.get('alcove')).toEqual([[0, 95]])
    expect(after(nook, 'test:alcove.B2').connected.get('alcove')).toEqual([[0, 113]])
    // What was lit before stays lit.
    expect(start.connected.get('seat')).toEqual([[0, 128]])
  })

  it('may differ less once the strip is measured', () => {
    const nook = demoPlan('bay-window-nook')
    const strip = worked(nook).parts.strips.find(({ id }) => id === nook.defaults.stripId)!
    const own = { ...strip, id: 'own', isMeasured: true }
    const measured: Plan = {
      ...nook,
      own: { ...nook.own, strips: [own] },
      defaults: { ...nook.defaults, stripId: 'own' },
    }
    const tolerance = (plan: Plan): number => after(plan, 'test:alcove/B2').readings[0]!.tolerance
    expect(tolerance(nook)).toBe(0.5)
    expect(tolerance(measured)).toBe(0.15)
  })

  it('expects what the plan’s own supply gives once it is joined', () => {
    const nook = demoPlan('bay-window-nook')
    const { full } = worked(nook)
    const soak = after(nook, 'soak')
    expect(ampere(soak, 'full-white')).toBeCloseTo(full.supplyA.get('supply:supply-a')!, 6)
  })

  it('counts single lights once they are wired, and what a switch works', () => {
    const lanterns = demoPlan('paper-lanterns')
    expect(after(lanterns, 'joint:garland/start').connected.size).toBe(0)
    const lit = after(lanterns, 'test:garland/lights')
    expect(lit.connected.get('garland')).toEqual([[0, 14]])
    expect(ampere(lit, 'full-white')).toBeGreaterThan(0.05)
  })
})

describe('a reading', () => {
  it('is judged by its tolerance and by what a meter can tell', () => {
    const idle = { value: 0.1, unit: 'A', tolerance: 0.5 } as const
    expect(judged(idle, 0.1)).toBe('right')
    expect(judged(idle, 0.159)).toBe('right')
    expect(judged(idle, 0.161)).toBe('high')
    expect(judged(idle, 0.041)).toBe('right')
    expect(judged(idle, 0.039)).toBe('low')
    const ohms = { value: 1000, unit: 'Ω', tolerance: 0, isLeast: true } as const
    expect(judged(ohms, 1e6)).toBe('right')
    expect(judged(ohms, 999)).toBe('low')
  })

  it('of resistance is suspicious by the number of pixels', () => {
    expect(suspiciousOhm(30)).toBe(1000)
    expect(suspiciousOhm(300)).toBe(1000)
    expect(suspiciousOhm(600)).toBe(500)
  })
})
