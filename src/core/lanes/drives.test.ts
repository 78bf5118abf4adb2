import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Lights, Plan } from '../plan/plan'
import { tally } from '../tally'
import { worked } from '../worked'
import { sinkBoards } from './drives'
import { circleOrder, pinCircle, swapped } from './pin-circle'

describe('pins around a matrix part', () => {
  it('three rows and five columns: rows first, the bottom mirrored', () => {
    const pins = pinCircle(3, 5, undefined)
    expect(pins.map(({ label }) => label)).toEqual(['R1', 'R2', 'R3', 'C1', 'C2', 'C3', 'C4', 'C5'])
    expect(pins[0]).toMatchObject({ number: 1, topDegrees: 22.5, bottomDegrees: 337.5 })
    expect(pins[7]).toMatchObject({ number: 8, topDegrees: 337.5, bottomDegrees: 22.5 })
  })

  it('counted from below: the same pins, the two views changed over', () => {
    const top = pinCircle(3, 5, undefined)
    const below = pinCircle(3, 5, undefined, 'below')
    expect(below.map(({ label, number }) => [label, number])).toEqual(
      top.map(({ label, number }) => [label, number]),
    )
    expect(below.map(({ topDegrees }) => topDegrees)).toEqual(
      top.map(({ bottomDegrees }) => bottomDegrees),
    )
    expect(below[0]).toMatchObject({ topDegrees: 337.5, bottomDegrees: 22.5 })
  })

  it('any order has each row and column once; one that does not fit is left aside', () => {
    const sizes = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
    fc.assert(
      fc.property(
        sizes,
        fc.nat(),
        fc.nat(),
        fc.array(fc.nat({ max: 20 })),
        ([rows, columns], a, b, set) => {
          const all = rows + columns
          const order = swapped(circleOrder(rows, columns, set), a % all, b % all)
          const labels = pinCircle(rows, columns, order).map(({ label }) => label)
          expect(new Set(labels).size).toBe(all)
          expect(pinCircle(rows, columns, order)[a % all]!.label).toBe(
            pinCircle(rows, columns, circleOrder(rows, columns, set))[b % all]!.label,
          )
        },
      ),
    )
  })
})

describe('PWM sink boards', () => {
  const planOf = (lights: Partial<Lights>, part: string, text = 'm grid 4 x 10 @ 30'): Plan => ({
    ...emptyPlan('t', 'x'),
    lines: [{ id: 'l', text, lights: { part: 'led-red', drive: 'sink', ...lights } }],
    supplies: [{ id: 'supply-a', name: 'Supply A', part }],
  })

  it('set the current themselves: 40 red LEDs on 5 V burn 16 × 3 V × 20 mA of a board', () => {
    const [lit] = worked(planOf({}, 'brick-5v-2')).lit
    expect(lit).toMatchObject({ resistors: 0, stringA: 0.02, peakA: 0.8 })
    const { boards, outputsLeft, leastV, heatW } = sinkBoards(lit!)
    expect([boards, outputsLeft, leastV]).toEqual([3, 8, 2.6])
    expect(heatW).toBeCloseTo(16 * 3 * 0.02, 9)
  })

  it('on 12 V they burn too much, and a resistor for each group takes it', () => {
    const plan = planOf({}, 'brick-12v-1')
    const found = tally(plan).verdicts.find(({ code }) => code === 'sink-over')
    expect(found?.text).toMatch(
      /a full sink board dissipates 3\.20 W of 12 V, it can dissipate 1\.00 W/,
    )
    const mended = change(plan, found!.remedies[0]!.commands).plan
    expect(tally(mended).verdicts.map(({ code }) => code)).not.toContain('sink-over')
    // It leaves the output what it needs to hold its current.
    const { colours, part, stringA } = worked(mended).lit[0]!
    // The sum says what the output keeps of the volts.
    const figure = tally(mended)
      .roll.flatMap(({ figures }) => figures)
      .find(({ id }) => id.startsWith('resistor.'))!
    expect(figure.operands[0]).toMatchObject({ name: 'supply', value: 12 - 0.6 })
    expect(12 - part.volts - stringA * colours[0]!.resistor!.pickOhm).toBeGreaterThanOrEqual(
      0.6 - 1e-9,
    )
  })

  it('need more than the LEDs alone', () => {
    const plan = planOf({ part: 'led-white', inSeries: 1 }, 'brick-5v-2')
    expect(tally(plan).verdicts.map(({ code }) => code)).not.toContain('sink-over')
    const two = tally(planOf({ part: 'led-amber', inSeries: 2, resistor: 'none' }, 'brick-5v-2'))
    expect(two.verdicts.map(({ code }) => code)).not.toContain('sink-over')
    const tight = planOf({ part: 'led-white' }, 'brick-5v-2')
    const trimmed = { ...tight, supplies: [{ ...tight.supplies[0]!, trimV: 3.4 }] }
    expect(tally(trimmed).verdicts.find(({ code }) => code === 'sink-over')?.text).toMatch(
      /need 3\.7 V of 3\.4 V/,
    )
  })
})
