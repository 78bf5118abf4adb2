import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPlanFile, writePlanFile } from '../../formats/plan-file'
import { shippedBoards } from '../../core/parts/boards'
import { shippedLights } from '../../core/parts/lights'
import { change, type Command } from '../../core/plan/commands'
import { emptyPlan } from '../../core/plan/empty'
import { boardFrom, ownBoardSchema, ownBoardStart } from '../signal/own-board'
import { profileSchema } from '../../core/plan/parts'
import { shippedProfiles } from '../../core/parts/profiles'
import { ownProfileSchema, ownProfileStart, profileFrom } from './own-profile'
import { lightFrom, ownLightSchema, ownLightStart } from './own-light'
import { ownStripSchema, ownStripStart, stripFrom, type OwnStrip } from './own-strip'
import { ownSupplyKinds, ownSupplySchema, ownSupplyStart, supplyFrom } from './own-supply'

/** What a form adds is in a plan that can be written and read again. */
const isKept = (command: Command): boolean =>
  readPlanFile(writePlanFile(change(emptyPlan('t', 'a'), [command]).plan)).ok

const name = 'drawer'
const messages = (result: { error?: { issues: readonly { message: string }[] } | undefined }) =>
  result.error?.issues.map(({ message }) => message) ?? []

describe('the form of an own strip', () => {
  it.each<Partial<OwnStrip>>([
    { kind: 'pixels', colours: 'rgb' },
    { kind: 'pixels', colours: 'rgbw', data: 'clocked', chipV: 5, volts: 12, leastV: 9 },
    { kind: 'plain', plainColours: 'white', volts: 24, perM: 120, cutPitchMm: 50 },
    { kind: 'plain', plainColours: 'two-white', volts: 24, forwardV: 18 },
    { kind: 'plain', plainColours: 'rgb', volts: 12 },
    { kind: 'plain', plainColours: 'colour', isSealed: 'yes', lumensPerM: 300 },
  ])('takes %j as it starts', (set) => {
    const checked = ownStripSchema.parse({ ...ownStripStart, name, ...set })
    expect(isKept({ do: 'own-strip', strip: stripFrom(checked, 'own-x') })).toBe(true)
  })

  it('takes nothing that a plan does not', () => {
    const number = fc.oneof(
      fc.double({ min: 0.01, max: 3000, noNaN: true }),
      fc.integer({ min: 1, max: 6000 }),
    )
    const anyOwn = fc.record({
      kind: fc.constantFrom('pixels' as const, 'plain' as const),
      volts: number,
      perM: number,
      cutPitchMm: number,
      wattsPerM: number,
      channelMa: number,
      reelMm: number,
    })
    fc.assert(
      fc.property(anyOwn, (set) => {
        const checked = ownStripSchema.safeParse({ ...ownStripStart, name, ...set })
        if (checked.success)
          expect(isKept({ do: 'own-strip', strip: stripFrom(checked.data, 'own-x') })).toBe(true)
        else expect(messages(checked).every((message) => message.length > 3)).toBe(true)
      }),
    )
  })

  it('says what is wrong at the field that it comes from', () => {
    const far = ownStripSchema.safeParse({ ...ownStripStart, name, perM: 144, cutPitchMm: 1000 })
    expect(far.error?.issues.map(({ path }) => path[0])).toContain('cutPitchMm')
    const short = ownStripSchema.safeParse({ ...ownStripStart, name, reelMm: 10 })
    expect(messages(short)).toContain('Reel: at least from one cut mark to the next')
  })
})

it.each(ownSupplyKinds)('the form of an own supply takes a %s as it starts', (kind) => {
  const checked = ownSupplySchema.parse({ ...ownSupplyStart, name, kind, cellMah: 2000 })
  const supply = supplyFrom(checked, 'own-x')
  expect(isKept({ do: 'own-supply', supply })).toBe(true)
  expect(supply.battery?.ah).toBe(kind === 'battery' || kind === 'boosted-cell' ? 2 : undefined)
  expect(supply.bank !== undefined).toBe(kind === 'power-bank')
})

it.each(shippedLights)('the form of an own light takes $id, as any kind', (like) => {
  for (const kind of ['led', 'legs', 'fixed'] as const) {
    const checked = ownLightSchema.parse({ ...ownLightStart(like), name, kind })
    expect(isKept({ do: 'own-light', light: lightFrom(checked, 'own-x', 1) })).toBe(true)
  }
})

it.each(shippedBoards)('the form of an own board takes $id', (like) => {
  const checked = ownBoardSchema.parse({ ...ownBoardStart(like), name })
  expect(isKept({ do: 'own-board', board: boardFrom(checked, 'own-x', like) })).toBe(true)
})

describe('the form of an own profile', () => {
  it.each(shippedProfiles)('takes $id, and each shape', (like) => {
    for (const shape of ['bar', 'u', 'deep', 'corner', 'round'] as const) {
      const start = { ...ownProfileStart(like), name, shape, depthMm: 9, beam: 'angled' as const }
      const profile = profileFrom(ownProfileSchema.parse(start), 'own-x')
      expect(profileSchema.safeParse(profile).success).toBe(true)
      expect(isKept({ do: 'own-profile', profile })).toBe(true)
      expect(profile.depthMm).toBe(shape === 'bar' ? 0 : 9)
    }
  })

  it('says at its field what does not go together', () => {
    const start = { ...ownProfileStart(shippedProfiles[0]!), name }
    const at = (set: object) =>
      ownProfileSchema.safeParse({ ...start, ...set }).error?.issues.map(({ path }) => path[0])
    expect(at({ depthMm: 0 })).toContain('depthMm')
    expect(at({ freeMm: 10 })).toContain('freeMm')
    expect(at({ barMm: 5 })).toContain('barMm')
  })
})
