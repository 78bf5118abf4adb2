import fc from 'fast-check'
import { shippedBoards } from '../core/parts/boards'
import { diodes } from '../core/parts/diodes'
import { shippedLights } from '../core/parts/lights'
import { powerSwitches } from '../core/parts/power-switches'
import { shippedProfiles } from '../core/parts/profiles'
import { sheetMaterials } from '../core/parts/sheets'
import { shippedStrips } from '../core/parts/strips'
import { shippedSupplies } from '../core/parts/supplies'
import { wires } from '../core/parts/wires'
import { containers } from '../core/plan/build-choices'
import {
  bends,
  boardFeeds,
  caseNames,
  connectorIds,
  corners,
  covers,
  dampnesses,
  facings,
  fixings,
  gapPlaces,
  inputKinds,
  junctionKinds,
  levelFixes,
  lightDrives,
  lightJoinings,
  lightResistors,
  lowLogics,
  nodeReads,
  readerKinds,
  roundings,
  sizings,
  skipReasons,
  surfaces,
  usePlaces,
  type ConnectorId,
} from '../core/plan/choices'
import { emptyPlan } from '../core/plan/empty'
import type { Line, Plan } from '../core/plan/plan'

const anyText = fc.oneof(
  {
    weight: 3,
    arbitrary: fc.integer({ min: 30, max: 2600 }).map((mm) => `shelf ${String(mm)} mm`),
  },
  fc.integer({ min: 2, max: 7 }).map((m) => `cornice ${String(m)} m`),
  fc.constantFrom(
    'ring 382',
    'crown frame 500 x 300',
    'ledge 3 x 410 + 90',
    'cells panels 2 x 6 sides 168',
    'stars grid 4 x 5 @ 60',
    'lanterns string 7 @ 300',
    'sparks scatter 5 drop 200',
    'sill 12oo',
    '# a note',
    '',
  ),
)

const anyLine: fc.Arbitrary<Omit<Line, 'id'>> = fc.record(
  {
    text: anyText,
    stripId: fc.constantFrom(...shippedStrips.map(({ id }) => id)),
    place: fc.record({
      x: fc.integer({ min: -3000, max: 3000 }),
      y: fc.integer({ min: -3000, max: 3000 }),
      degrees: fc.constantFrom(0, 90),
    }),
    isTurned: fc.boolean(),
    isDataAtEnd: fc.boolean(),
    isLengthened: fc.boolean(),
    dataApart: fc.constantFrom(...connectorIds),
    dimmer: fc.constantFrom('all', 'some'),
    level: fc.constantFrom(0, 0.3, 1),
    endMm: fc.constantFrom(0, 12),
    mount: fc.record(
      {
        surface: fc.constantFrom(...surfaces),
        facing: fc.constantFrom(...facings),
        bend: fc.constantFrom(...bends),
        cover: fc.constantFrom(...covers),
        damp: fc.constantFrom(...dampnesses),
        profile: fc.constantFrom(...shippedProfiles.map(({ id }) => id)),
        fixing: fc.constantFrom(...fixings),
        hasSleeve: fc.boolean(),
        hasCaps: fc.boolean(),
      },
      { requiredKeys: [] },
    ),
    cutting: fc
      .record({
        more: fc.integer({ min: -2, max: 1 }),
        offMm: fc.constantFrom(0, 4),
        split: fc.constantFrom(undefined, 2),
      })
      .map(({ more, offMm, split }) => [
        { part: 0, more, offMm, splits: split === undefined ? [] : [split] },
      ]),
    lights: fc.record(
      {
        part: fc.constantFrom(...shippedLights.map(({ id }) => id)),
        inSeries: fc.integer({ min: 1, max: 4 }),
        resistor: fc.constantFrom(...lightResistors),
        drive: fc.constantFrom(...lightDrives),
        by: fc.constantFrom('pin' as const, 'button' as const),
        switchWith: fc.constantFrom('transistor' as const, 'mosfet' as const),
        switchIn: fc.constantFrom('minus' as const, 'plus' as const),
        scan: fc.constantFrom('row' as const, 'led' as const),
        dwellUs: fc.integer({ min: 50, max: 9000 }),
        joining: fc.constantFrom(...lightJoinings),
        ways: fc.integer({ min: 2, max: 6 }),
        leads: fc.integer({ min: 1, max: 4 }),
        hasExtensions: fc.boolean(),
      },
      { requiredKeys: ['part'] },
    ),
    node: fc.record(
      {
        parts: fc.uniqueArray(
          fc.record({
            id: fc.constantFrom('a', 'b'),
            name: fc.constantFrom('button', 'pair'),
            count: fc.integer({ min: 1, max: 3 }),
            holes: fc.nat({ max: 2 }),
            holeMm: fc.constantFrom(5, 12),
            wires: fc.nat({ max: 4 }),
            minutes: fc.nat({ max: 9 }),
            mA: fc.nat({ max: 30 }),
            channels: fc.nat({ max: 2 }),
            reads: fc.constantFrom(...nodeReads),
            isScanned: fc.boolean(),
          }),
          { maxLength: 2, selector: ({ id }) => id },
        ),
        readers: fc.record({
          by: fc.constantFrom(...readerKinds),
          each: fc.integer({ min: 1, max: 9 }),
        }),
        sampleMin: fc.integer({ min: 1, max: 60 }),
        pixels: fc.integer({ min: 1, max: 3 }),
      },
      { requiredKeys: ['parts'] },
    ),
    sheet: fc.record({
      material: fc.constantFrom(...sheetMaterials.map(({ id }) => id)),
      wrapMm: fc.constantFrom(0, 40),
    }),
    into: fc.record({
      what: fc.constantFrom(...containers),
      holes: fc.array(
        fc.record({
          at: fc.constantFrom('start' as const, 'end' as const),
          mm: fc.constantFrom(4, 8.5),
        }),
        { maxLength: 2 },
      ),
    }),
    skip: fc.array(
      fc.record({
        from: fc.nat({ max: 90 }),
        count: fc.integer({ min: 1, max: 9 }),
        why: fc.constantFrom(...skipReasons),
      }),
      { maxLength: 2 },
    ),
  },
  { requiredKeys: ['text'] },
)

const anyFuse = fc.constantFrom('auto' as const, 'auto' as const, 'none' as const, 1, 3, 7.5, 20)
const anyWire = fc.constantFrom(...wires.map(({ id }) => id))

/** A lead of a plan whose sources stand in a list: the one at the given place. */
const anyLead = fc.record({
  source: fc.nat({ max: 9 }),
  wire: fc.option(anyWire, { nil: undefined }),
  lengthMm: fc.option(fc.integer({ min: 50, max: 6000 }), { nil: undefined }),
  fuse: anyFuse,
  apart: fc.option(fc.constantFrom(...connectorIds), { nil: undefined }),
})

const leadFrom = (
  {
    source,
    wire,
    lengthMm,
    fuse,
    apart,
  }: {
    source: number
    wire: string | undefined
    lengthMm: number | undefined
    fuse: 'auto' | 'none' | number
    apart: ConnectorId | undefined
  },
  sources: readonly string[],
): {
  from?: string
  wire?: string
  lengthMm?: number
  fuse: 'auto' | 'none' | number
  apart?: ConnectorId
} => {
  const from = sources[source]
  return {
    fuse,
    ...(from !== undefined && { from }),
    ...(wire !== undefined && { wire }),
    ...(lengthMm !== undefined && { lengthMm }),
    ...(apart !== undefined && { apart }),
  }
}

const anySupply = fc.record(
  {
    part: fc.oneof(
      { weight: 3, arbitrary: fc.constant('auto') },
      { weight: 4, arbitrary: fc.constantFrom(...shippedSupplies.map(({ id }) => id)) },
    ),
    capacitorV: fc.constantFrom(null, 6.3, 16, 35),
    trimV: fc.constantFrom(4.7, 5.2),
    powerSwitch: fc.constantFrom('auto', 'none', ...powerSwitches.map(({ id }) => id)),
  },
  { requiredKeys: ['part'] },
)

/** Any plan that a person could have made, sensible or not. */
export const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    lines: fc.array(anyLine, { minLength: 1, maxLength: 6 }),
    stripId: fc.constantFrom(...shippedStrips.map(({ id }) => id)),
    wire: anyWire,
    supplies: fc.array(anySupply, { minLength: 1, maxLength: 3 }),
    junctions: fc.array(
      fc.record({
        lead: anyLead,
        kind: fc.constantFrom(...junctionKinds),
        limitA: fc.constantFrom(3, 10, 30),
      }),
      { maxLength: 2 },
    ),
    /** For each line: which supply it hangs on by itself, and leads set by hand. */
    fed: fc.array(
      fc.record({
        supply: fc.nat({ max: 9 }),
        feeds: fc.array(fc.record({ lead: anyLead, pad: fc.constantFrom(0, 5, 'end' as const) }), {
          maxLength: 3,
        }),
      }),
      { minLength: 6, maxLength: 6 },
    ),
    scene: fc.record({
      shown: fc.constantFrom(...caseNames),
      level: fc.constantFrom(0, 0.2, 0.4, 1),
    }),
    limit: fc.constantFrom(1, 1, 0.8, 0.3),
    rules: fc.record({
      rounding: fc.constantFrom(...roundings),
      corners: fc.constantFrom(...corners),
      gap: fc.constantFrom(...gapPlaces),
      sizing: fc.constantFrom(...sizings),
      headroom: fc.constantFrom(0, 0.2, 0.5),
      slack: fc.constantFrom(0, 0.1),
      slackEndMm: fc.constantFrom(0, 20),
      keep: fc.constantFrom(0.5, 0.8, 1),
      lowLogic: fc.constantFrom(...lowLogics),
      joinsMinus: fc.boolean(),
      fixing: fc.constantFrom(...fixings),
      spare: fc.constantFrom(0, 0.1),
    }),
    use: fc.record({
      batteryHours: fc.constantFrom(1, 4, 40),
      where: fc.subarray([...usePlaces]),
      mix: fc.constantFrom(
        { fullWhite: 5, level: 55 },
        { fullWhite: 0, level: 0 },
        { fullWhite: 60, level: 0 },
      ),
    }),
    signal: fc.record({
      board: fc.constantFrom('auto', ...shippedBoards.map(({ id }) => id)),
      boardFrom: fc.constantFrom(...boardFeeds),
      fix: fc.constantFrom(...levelFixes),
      diode: fc.constantFrom(...diodes.map(({ id }) => id)),
      resistorOhm: fc.constantFrom(null, 330),
    }),
    inputs: fc.array(fc.constantFrom(...inputKinds), { maxLength: 4 }),
    laneOf: fc.array(fc.nat({ max: 2 }), { minLength: 6, maxLength: 6 }),
    /** Everything hides in a box so wide; 0 for none. */
    boxMm: fc.constantFrom(0, 0, 60, 150, 300),
  })
  .map(
    ({
      lines,
      stripId,
      wire,
      supplies,
      junctions,
      fed,
      inputs,
      laneOf,
      signal,
      boxMm,
      ...plan
    }): Plan => {
      const empty = emptyPlan('any', 'x')
      const slots = supplies.map((slot, index) => ({
        ...slot,
        id: `s${String(index)}`,
        name: `Supply ${String(index)}`,
      }))
      const supplyIds = slots.map(({ id }) => id)
      const junctionIds = junctions.map((_, index) => `j${String(index)}`)
      const own = lines.map((line, index) => {
        const { supply = 0, feeds = [] } = fed[index] ?? {}
        const supplyId = supplyIds[supply]
        const pads = new Map(feeds.map(({ lead, pad }) => [pad, lead]))
        return {
          ...line,
          id: `l${String(index)}`,
          ...(supplyId !== undefined && { supplyId }),
          ...(pads.size > 0 && {
            feeds: [...pads].map(([pad, lead], at) => ({
              id: `f${String(at)}`,
              pad,
              ...leadFrom(lead, [...supplyIds, ...junctionIds]),
            })),
          }),
        }
      })
      return {
        ...empty,
        ...plan,
        lines: own,
        supplies: slots,
        defaults: { stripId, wire },
        // A junction hangs on a supply, or on a junction before it.
        junctions: junctions.map(({ lead, ...junction }, index) => ({
          ...junction,
          ...leadFrom(lead, [...supplyIds, ...junctionIds.slice(0, index)]),
          id: junctionIds[index] ?? '',
          name: `Junction ${String(index)}`,
        })),
        rules: { ...empty.rules, ...plan.rules },
        use: { ...empty.use, ...plan.use },
        buy: {
          ...empty.buy,
          boxes:
            boxMm === 0
              ? []
              : [
                  {
                    id: 'b0',
                    name: 'Box 0',
                    lengthMm: boxMm,
                    widthMm: boxMm,
                    tallMm: boxMm,
                    holds: ['board', ...supplyIds, ...junctionIds],
                  },
                ],
        },
        signal: {
          ...empty.signal,
          ...signal,
          inputs: inputs.map((kind, index) => ({
            id: `i${String(index)}`,
            kind,
            name: `${kind} ${String(index)}`,
          })),
          // Some lines on lanes of their own, the others wherever they go by themselves.
          lanes: [0, 1].map((lane) => ({
            id: `lane${String(lane)}`,
            name: `Lane ${String(lane)}`,
            lines: own.filter((_, index) => laneOf[index] === lane).map(({ id }) => id),
          })),
        },
      }
    },
  )
