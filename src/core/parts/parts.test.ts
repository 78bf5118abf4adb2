import { describe, expect, it } from 'vitest'
import { groupDraw } from '../load/group-draw'
import { partsOf, siblingAt, supplyPartOf } from './find'
import { stripOf } from './find-strips'
import { shippedStrips } from './strips'
import { boardSchema } from '../plan/parts'
import { wireRoles } from '../plan/choices'
import { boardOf, shippedBoards } from './boards'
import { diodeOf, diodes } from './diodes'
import { inputParts } from './inputs'
import { shippedSupplies } from './supplies'

const shipped = partsOf({ strips: [], supplies: [] })

describe('strips that ship', () => {
  it.each(shippedStrips.map((strip) => [strip.id, strip] as const))(
    '%s counts to its printed power and is cut between its groups',
    (_, strip) => {
      const { light, cutPitchMm, volts, nameplateWPerM, reels } = strip
      const mA = groupDraw(strip).channelMa.reduce((sum, channel) => sum + channel, 0)
      const perM = light.kind === 'pixels' ? light.perM : 1000 / cutPitchMm
      expect((perM * mA * volts) / 1000 / nameplateWPerM).toBeCloseTo(1, 1)
      if (light.kind === 'pixels') {
        expect(cutPitchMm * light.perM).toBeCloseTo(1000 * light.perCut, 6)
        for (const { kneeV, offV } of light.channels) {
          expect(offV).toBeLessThan(kneeV)
          expect(kneeV).toBeLessThan(volts)
        }
      } else for (const { forwardV } of light.channels) expect(forwardV).toBeLessThan(volts)
      // A longer reel is never dearer by the metre.
      const prices = reels.map(({ lengthMm, price }) => price / lengthMm)
      expect(prices).toEqual(prices.toSorted((a, b) => b - a))
    },
  )

  it('are at least eight, of the kinds that people buy', () => {
    const kinds = shippedStrips.map(
      ({ light, volts }) =>
        `${light.kind} ${String(volts)} ${light.kind === 'pixels' ? String(light.perM) : ''}`,
    )
    for (const kind of [
      'pixels 5 30',
      'pixels 5 60',
      'pixels 5 144',
      'pixels 12 20',
      'plain 5 ',
      'plain 12 ',
      'plain 24 ',
    ])
      expect(kinds).toContain(kind)
  })
})

describe('supplies that ship', () => {
  it('stay within extra-low voltage and lose some of what they take', () => {
    for (const { volts, efficiency, ratedA } of shippedSupplies) {
      expect(volts).toBeLessThanOrEqual(24)
      expect(efficiency).toBeLessThanOrEqual(1)
      expect(ratedA).toBeGreaterThan(0)
    }
  })
})

describe('finding a part', () => {
  it.each<[string, number, string | undefined]>([
    ['pixels-12v-20', 5, 'pixels-5v-60-clocked'],
    ['pixels-5v-60', 12, 'pixels-12v-20'],
    ['white-12v-10', 24, 'white-24v-10'],
    ['white-24v-19', 12, 'white-12v-14'],
    ['white-usb', 12, 'white-12v-5'],
    ['rgb-12v-14', 24, undefined],
    ['two-white-24v-14', 12, undefined],
    ['pixels-5v-60-rgbw', 12, undefined],
  ])('%s at %i V is nearest to %s', (id, volts, expected) => {
    const strip = stripOf(shipped, id)
    const sibling = siblingAt(shipped, strip, volts)
    if (expected === undefined) expect(sibling).toBeUndefined()
    else {
      expect(sibling?.light.kind).toBe(strip.light.kind)
      const wanted = stripOf(shipped, expected)
      const far = (watts: number): number => Math.abs(Math.log(watts / strip.nameplateWPerM))
      expect(far(sibling!.nameplateWPerM)).toBeLessThanOrEqual(far(wanted.nameplateWPerM) + 1e-9)
    }
  })

  it('takes an own part before a shipped one of the same id', () => {
    const own = { ...shippedStrips[0]!, name: 'measured' }
    const parts = partsOf({ strips: [own], supplies: [] })
    expect(stripOf(parts, own.id).name).toBe('measured')
    expect(parts.strips).toHaveLength(shippedStrips.length)
  })

  it('says which strip is missing; a missing supply is none', () => {
    expect(() => stripOf(shipped, 'rope')).toThrow('rope')
    expect(supplyPartOf(shipped, 'rope')).toBeUndefined()
  })
})

describe('boards that ship', () => {
  it.each(shippedBoards.map((board) => [board.name, board] as const))('%s is whole', (_, board) => {
    expect(boardSchema.safeParse(board).error).toBeUndefined()
    const names = board.pins.map(({ name }) => name)
    expect(new Set(names).size).toBe(names.length)
    for (const { can } of board.pins) {
      // What only listens does no PWM, what only sends measures nothing.
      expect(can.includes('input-only') && can.includes('pwm')).toBe(false)
      expect(can.includes('output-only') && can.includes('analogue')).toBe(false)
    }
    expect(board.pinA).toBeLessThan(board.allA)
    expect(board.burstA ?? Infinity).toBeGreaterThan(board.drawA)
    if (board.raw !== undefined) expect(board.raw.fromV).toBeGreaterThan(board.supplyV)
    expect(boardOf(shippedBoards, board.id)).toBe(board)
  })

  it('are those of the handbook', () => {
    const count = (id: string, ability: string): number =>
      boardOf(shippedBoards, id).pins.filter(({ can }) => can.some((one) => one === ability)).length
    // Small 5 V: 14 digital of which 2 serial, 6 PWM, 6 analogue; large: 54 digital, 15 PWM; tiny: 5 pins.
    const small = boardOf(shippedBoards, 'small-5v')
    expect(small.pins.filter(({ name }) => name.startsWith('D'))).toHaveLength(14)
    expect([
      count('small-5v', 'serial'),
      count('small-5v', 'pwm'),
      count('small-5v', 'analogue'),
    ]).toEqual([2, 6, 6])
    expect([
      small.memoryBytes,
      small.raw?.limitA,
      small.raw?.limitW,
      small.pinA,
      small.allA,
    ]).toEqual([2048, 0.8, 1, 0.02, 0.2])
    expect(count('large-5v', 'pwm')).toBe(15)
    expect(boardOf(shippedBoards, 'tiny-5v').pins).toHaveLength(5)
    expect(boardOf(shippedBoards, 'button-3v3').pins).toHaveLength(3)
    // Wi-Fi: 18 usable besides those that load programs.
    const wifi = boardOf(shippedBoards, 'wifi-3v3')
    expect(wifi.pins.filter(({ can }) => !can.includes('serial'))).toHaveLength(18)
    expect([wifi.drawA, wifi.burstA]).toEqual([0.08, 0.4])
    expect(
      boardOf(shippedBoards, 'pixel-box').pins.every(
        ({ highV, name }) => (highV === 5) === name.startsWith('OUT'),
      ),
    ).toBe(true)
    expect(() => boardOf(shippedBoards, 'slab')).toThrow(RangeError)
  })

  it('sensors need pins that some board has, diodes drop less than a volt', () => {
    for (const { pins, mA } of Object.values(inputParts)) {
      expect(mA).toBeGreaterThan(0)
      for (const { must } of pins)
        expect(
          shippedBoards.some((board) => board.pins.some(({ can }) => can.includes(must))),
        ).toBe(true)
    }
    for (const diode of diodes) {
      expect(diode.dropV).toBeLessThan(1)
      expect(diodeOf(diode.id)).toBe(diode)
    }
    expect(() => diodeOf('none')).toThrow(RangeError)
    expect(wireRoles).toContain('clock')
  })
})
