import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layer, scene, showOf } from '../../testing/shows'
import { planNetwork } from '../feed/plan-network'
import { mixedColour } from '../glow/colour'
import { fieldOf } from '../glow/field'
import { play, readyShow, toEnd } from '../glow/play'
import { shippedLights } from '../parts/lights'
import { workingText } from '../quantity/figure'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import { lightPartSchema } from '../plan/parts'
import type { Lights, Plan } from '../plan/plan'
import { tally } from '../tally'
import { worked } from '../worked'

/** Four LEDs of three colours on a 5 V board that lives on a supply of the plan. */
const planOf = (lights: Partial<Lights> = {}): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: [
      {
        id: 'l',
        text: 'drops string 4 @ 90',
        lights: { part: 'led-rgb-minus', drive: 'pins', ...lights },
      },
    ],
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'brick-5v-2' }],
    signal: { ...empty.signal, board: 'large-5v' },
  }
}
/** 5 V less 2, 3 and 3.1 V through 150, 100 and 100 Ω. */
const [redA, greenA, blueA] = [0.02, 0.02, 0.019]

describe('LEDs of several colours', () => {
  it('have a resistor and a pin for each colour', () => {
    const { lit, fit, joints, wiring } = worked(planOf())
    const [own] = lit
    expect(own).toMatchObject({ strings: 12, resistors: 12 })
    expect(own!.colours.map(({ resistor }) => resistor?.pickOhm)).toEqual([150, 100, 100])
    expect(own!.peakA).toBeCloseTo(4 * (redA + greenA + blueA), 12)
    const names = fit!.pins.map(({ need, pin }) => [need.line, pin?.can.includes('pwm')])
    expect(names.slice(0, 4)).toEqual([
      ['light 1 red', true],
      ['light 1 green', true],
      ['light 1 blue', true],
      ['light 2 red', true],
    ])
    expect(joints.find(({ at }) => at.kind === 'lights')?.meets).toEqual([
      '4 lights by four legs each',
      '12 resistors in the leg of each colour',
    ])
    // Three wires home from each, and the leg in common back to the board's minus.
    const home = wiring.wires.filter((wire) => wire.home === 'l')
    expect(home.filter(({ role }) => role === 'signal')).toHaveLength(12)
    expect(home.filter(({ role }) => role === 'minus').length).toBeGreaterThan(0)
    expect(home.every(({ role }) => role !== 'plus')).toBe(true)
  })

  it('are bought with a resistor for each colour and a sleeve for each leg', () => {
    const { bill } = worked(planOf())
    const forColours = bill.flatMap(({ name, operands }) =>
      operands
        .filter((one) => one.name.startsWith('for ') && name.includes('resistor'))
        .map((one) => [one.name, one.value, /\d+ Ω/.exec(name)?.[0]]),
    )
    expect(forColours.toSorted()).toEqual([
      ['for blue', 4, '100 Ω'],
      ['for green', 4, '100 Ω'],
      ['for red', 4, '150 Ω'],
    ])
    // Four legs of four lights and twelve resistors, 15 mm each.
    const legs = bill.flatMap(({ operands }) => operands.filter(({ name }) => name === 'on legs'))
    expect(legs.map(({ value }) => value)).toEqual([420])
  })

  it('with the plus in common come home to the board’s plus', () => {
    const { wiring } = worked(planOf({ part: 'led-rgb-plus' }))
    const home = wiring.wires.filter((wire) => wire.home === 'l')
    expect(new Set(home.map(({ role }) => role))).toEqual(new Set(['signal', 'plus']))
  })

  it('draw colour by colour, and at the level as they are mixed', () => {
    const { loads } = worked({
      ...planOf({ mix: [1, 0.5, 0] }),
      scene: { shown: 'level', level: 0.5 },
    })
    const { currentA } = loads[0]!
    expect(currentA.red).toBeCloseTo(4 * redA, 12)
    expect(currentA.blue).toBeCloseTo(4 * blueA, 12)
    expect(currentA['full-white']).toBeCloseTo(4 * (redA + greenA + blueA), 12)
    expect(currentA.level).toBeCloseTo(0.5 * 4 * (redA + greenA / 2), 12)
    // Nothing lights the colours of what is switched as one by themselves.
    const together = worked(planOf({ drive: 'switch', mix: [1, 0, 0] })).loads[0]!
    expect(together.currentA.red).toBeCloseTo(together.currentA['full-white'], 12)
  })

  it('are loads of the board’s supply in the network, case by case', () => {
    const given = worked(planOf())
    const own = given.supplies[0]!
    for (const [loadCase, lightsA] of [
      ['idle', 0],
      ['red', 4 * redA],
      ['full-white', 4 * (redA + greenA + blueA)],
    ] as const) {
      const board = planNetwork(given, loadCase).runs.find(({ id }) => id === 'board')!
      expect(board.load.idleA).toBeCloseTo(own.boardA + lightsA, 12)
      expect(own.currentA[loadCase]).toBeCloseTo(own.boardA + lightsA, 12)
    }
  })

  it('are stopped where their common leg does not suit what drives them', () => {
    for (const drive of ['matrix', 'charlie', 'driver', 'sink'] as const) {
      const plan = planOf({ drive })
      const found = tally(plan).verdicts.find(({ code }) => code === 'common-leg')
      expect(found?.grade).toBe('stop')
      for (const { commands } of found!.remedies) {
        const mended = tally(change(plan, commands).plan)
        expect(mended.verdicts.map(({ code }) => code)).not.toContain('common-leg')
      }
    }
    expect(
      tally(planOf({ part: 'led-rgb-plus', drive: 'sink' })).verdicts.map(({ code }) => code),
    ).not.toContain('common-leg')
  })

  it('carry their sum, light by light', () => {
    const figure = tally(planOf())
      .roll.flatMap(({ figures }) => figures)
      .find(({ id }) => id === 'lights.l')!
    expect(workingText(figure)).toBe('4 × (20 mA + 20 mA + 19 mA)')
    expect(figure.value).toBeCloseTo(4 * 0.059, 12)
  })

  it('leave the pins with their colours apart where they ask too much', () => {
    const plan = planOf()
    const many = {
      ...plan,
      lines: [{ ...plan.lines[0]!, text: 'drops string 5 @ 90' }],
      signal: { ...plan.signal, board: 'small-5v' },
    }
    const found = tally(many).verdicts.find(({ code }) => code === 'pins-over')!
    const mended = change(many, found.remedies[0]!.commands).plan
    expect(mended.lines[0]!.lights).toMatchObject({ drive: 'sink', part: 'led-rgb-plus' })
    expect(tally(mended).verdicts.filter(({ grade }) => grade === 'stop')).toEqual([])
  })

  it('share a resistor a colour, not one for all colours', () => {
    const [own] = worked(planOf({ resistor: 'shared' })).lit
    expect(own!.colours.map(({ resistors }) => resistors)).toEqual([1, 1, 1])
    const told = tally(planOf({ resistor: 'shared' })).verdicts
    expect(told.find(({ code }) => code === 'shared-resistor')?.text).toMatch(
      /4 (red|green|blue) LEDs on one resistor/,
    )
  })

  it('play in a show colour by colour, and draw what is lit', () => {
    const given = worked(planOf())
    const amperes = (colour: string): number => {
      const ready = readyShow(given, showOf(scene([layer('steady', { colour })])))
      return toEnd(play(given, ready, { seconds: 0.2, framesPerSecond: 10 })).supplies[0]!.peakA
    }
    const dark = amperes('duty 0 0 0')
    expect(amperes('duty 255 0 0') - dark).toBeCloseTo(4 * redA, 6)
    expect(amperes('duty 0 0 255') - dark).toBeCloseTo(4 * blueA, 6)
    expect(amperes('duty 255 255 255') - dark).toBeCloseTo(4 * (redA + greenA + blueA), 6)
  })

  it('on one switch are one element that is on or off, whatever strip the plan has', () => {
    const given = worked(planOf({ drive: 'switch' }))
    expect(fieldOf(given).runs.map(({ channels, count }) => [channels, count])).toEqual([
      [['all'], 1],
    ])
    expect(fieldOf(worked(planOf())).runs[0]).toMatchObject({
      channels: ['red', 'green', 'blue'],
      count: 4,
    })
  })

  it('are one part of the plan only where their figures agree', () => {
    for (const light of shippedLights) expect(lightPartSchema.safeParse(light).success).toBe(true)
    const rgb = shippedLights.find(({ id }) => id === 'led-rgb-minus')!
    expect(lightPartSchema.safeParse({ ...rgb, volts: 2 }).success).toBe(false)
    expect(lightPartSchema.safeParse({ ...rgb, mA: 5 }).success).toBe(false)
    expect(lightPartSchema.safeParse({ ...rgb, kind: 'fixed' }).success).toBe(false)
  })
})

describe('a mix of colours', () => {
  it('adds linear light: red and green make yellow, a fifth of the green orange', () => {
    expect(mixedColour(['#ff0000', '#00ff00'], [1, 1])).toBe('#ffff00')
    // 255 × 0.2^(1/2.2) = 122.7
    expect(mixedColour(['#ff0000', '#00ff00'], [1, 0.2])).toBe('#ff7b00')
    expect(mixedColour(['#ff0000', '#00ff00'], [0, 0])).toBe('#000000')
  })

  it('is as bright as a screen can show it, whatever the levels', () => {
    const level = fc.double({ min: 0.01, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.array(level, { minLength: 3, maxLength: 3 }), (levels) => {
        expect(mixedColour(['#ff0000', '#00ff00', '#0000ff'], levels)).toContain('ff')
      }),
    )
  })
})
