import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Plan, StatusColour } from '../plan/plan'
import { tally } from '../tally'
import { alikeBelow, alikePairs, apart, safeColours, seenAs, madeDistinct, visions } from './status'

const anyColour = fc
  .integer({ min: 0, max: 0xff_ff_ff })
  .map((value) => `#${value.toString(16).padStart(6, '0')}`)
const colours = (...list: string[]): StatusColour[] =>
  list.map((colour, index) => ({
    id: `s${String(index)}`,
    meaning: `state ${String(index)}`,
    colour,
  }))
const planOf = (status: StatusColour[]): Plan => {
  const empty = emptyPlan('t', 'x')
  return {
    ...empty,
    lines: [{ id: 'l', text: 'shelf 900' }],
    signal: { ...empty.signal, board: 'small-5v', status },
  }
}

describe('colours as eyes see them', () => {
  it('most see them as they are; black, white and greys are the same to all', () => {
    fc.assert(
      fc.property(anyColour, (colour) => {
        expect(seenAs(colour, 'normal')).toBe(colour)
      }),
    )
    for (const vision of visions)
      for (const grey of ['#000000', '#808080', '#ffffff'])
        expect(apart(seenAs(grey, vision), grey, 'normal')).toBeLessThan(1.5)
  })

  it('the way from one colour to another is as long as the way back, and none to itself', () => {
    fc.assert(
      fc.property(anyColour, anyColour, fc.constantFrom(...visions), (one, other, vision) => {
        expect(apart(one, other, vision)).toBeCloseTo(apart(other, one, vision), 9)
        expect(apart(one, one, vision)).toBe(0)
      }),
    )
  })

  it('black and white are a hundred apart', () => {
    expect(apart('#000000', '#ffffff', 'normal')).toBeCloseTo(100, 0)
  })

  it('a yellowish green and an orange are alike without green cones, and to nobody else', () => {
    const [pair] = alikePairs(colours('#7fae00', '#d08000'))
    expect(pair?.vision).toBe('deutan')
    expect(apart('#7fae00', '#d08000', 'normal')).toBeGreaterThan(alikeBelow)
  })
})

describe('a status light', () => {
  it('of the safe colours is told apart by all eyes', () => {
    expect(alikePairs(colours(...safeColours))).toEqual([])
  })

  it.each([
    ['#ff0000', '#ff00ff'],
    ['#ffffff', '#ffff00'],
    ['#f5f5e8', '#ffd000'],
  ])('mixes up %s and %s for eyes that see all colours', (one, other) => {
    expect(apart(one, other, 'normal')).toBeGreaterThan(alikeBelow)
    expect(alikePairs(colours(one, other))).toMatchObject([{ vision: 'normal', deltaE: 0 }])
    expect(alikePairs(madeDistinct(colours(one, other)))).toEqual([])
  })

  it.each([
    ['#ffff00', '#0000ff'],
    ['#ffffff', '#ff0000'],
    ['#0000ff', '#ff00ff'],
  ])('does not mix up %s and %s', (one, other) => {
    expect(alikePairs(colours(one, other)).filter(({ deltaE }) => deltaE === 0)).toEqual([])
  })

  it('whose colours are alike takes others, as far as there are, and keeps its meanings', () => {
    fc.assert(
      fc.property(fc.array(anyColour, { minLength: 2, maxLength: 3 }), (list) => {
        const before = colours(...list)
        const after = madeDistinct(before)
        expect(after.map(({ meaning }) => meaning)).toEqual(before.map(({ meaning }) => meaning))
        expect(alikePairs(after)).toEqual([])
        // What was told apart already stays.
        if (alikePairs(before).length === 0) expect(after).toEqual(before)
      }),
    )
  })

  it('is judged, mended by its remedy, and needs three pins that dim', () => {
    const plan = planOf(colours('#00b050', '#00a858', '#ff0000'))
    const { verdicts, signal, wiring } = tally(plan)
    const verdict = verdicts.find(({ code }) => code === 'status-colours-alike')!
    expect(verdict.text).toMatch(/“state 0” and “state 1” look alike/)
    expect(signal.pins.filter(({ need }) => need.of.kind === 'status')).toHaveLength(3)
    expect(wiring.wires.filter(({ from }) => from.block === 'input:status')).toHaveLength(4)
    const after = tally(change(plan, verdict.remedies[0]!.commands).plan)
    expect(after.verdicts.map(({ code }) => code)).not.toContain('status-colours-alike')
    expect(tally(planOf([])).signal.pins.some(({ need }) => need.of.kind === 'status')).toBe(false)
  })
})

it('wires home come in cables of eight: seven lights and their common minus', () => {
  const plan = { ...emptyPlan('t', 'x'), lines: [{ id: 'l', text: 'sparks scatter 15 drop 200' }] }
  const figures = tally(plan).roll.flatMap((section) => section.figures)
  expect(figures.find(({ id }) => id === 'cables.l')?.operands[0]?.value).toBe(3)
})
