import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jointsCsv, pixelsCsv, wiresCsv } from '../formats/csv-wires'
import { readPlanFile, writePlanFile } from '../formats/plan-file'
import { programHeader } from '../formats/program'
import { diagramSvg } from '../formats/svg-diagram'
import { shippedBoards } from './parts/boards'
import { diodes } from './parts/diodes'
import { shippedLights } from './parts/lights'
import { shippedStrips } from './parts/strips'
import {
  boardFeeds,
  inputKinds,
  levelFixes,
  lightDrives,
  lightJoinings,
  lightResistors,
  lowLogics,
  nodeReads,
  readerKinds,
  skipReasons,
} from './plan/choices'
import { change } from './plan/commands'
import { emptyPlan } from './plan/empty'
import type { Line, Plan } from './plan/plan'
import { pixelMap } from './lanes/pixel-map'
import { programData } from './signal/program'
import { tally } from './tally'
import { diagramOf } from './wire/diagram'
import { worked } from './worked'

const anyText = fc.oneof(
  fc.integer({ min: 30, max: 2600 }).map((mm) => `shelf ${String(mm)}`),
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
    isTurned: fc.boolean(),
    isDataAtEnd: fc.boolean(),
    dimmer: fc.constantFrom('all', 'some'),
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
          }),
          { maxLength: 2, selector: ({ id }) => id },
        ),
        readers: fc.record({
          by: fc.constantFrom(...readerKinds),
          each: fc.integer({ min: 1, max: 9 }),
        }),
        sampleMin: fc.integer({ min: 1, max: 60 }),
      },
      { requiredKeys: ['parts'] },
    ),
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
const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    lines: fc.array(anyLine, { minLength: 1, maxLength: 6 }),
    board: fc.constantFrom('auto', ...shippedBoards.map(({ id }) => id)),
    boardFrom: fc.constantFrom(...boardFeeds),
    fix: fc.constantFrom(...levelFixes),
    diode: fc.constantFrom(...diodes.map(({ id }) => id)),
    resistorOhm: fc.constantFrom(null, 330),
    inputs: fc.array(fc.constantFrom(...inputKinds), { maxLength: 4 }),
    laneOf: fc.array(fc.nat({ max: 2 }), { minLength: 6, maxLength: 6 }),
    lowLogic: fc.constantFrom(...lowLogics),
    joinsMinus: fc.boolean(),
  })
  .map(({ lines, inputs, laneOf, lowLogic, joinsMinus, ...signal }) => {
    const empty = emptyPlan('any', 'x')
    const own = lines.map((line, index) => ({ ...line, id: `l${String(index)}` }))
    return {
      ...empty,
      lines: own,
      rules: { ...empty.rules, lowLogic, joinsMinus },
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
  })

const numbersIn = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(numbersIn)
      : []

describe('any plan', () => {
  it('has a signal and a wiring without holes, and every remedy leaves a plan', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { signal, wiring, verdicts, roll, feed, nodes } = tally(plan)
        for (const number of [
          ...numbersIn(signal.lanes),
          ...numbersIn(wiring.wires),
          ...numbersIn(wiring.joints),
          ...numbersIn(feed.branches),
          ...numbersIn(nodes),
        ])
          expect(Number.isFinite(number)).toBe(true)
        for (const { figures } of roll) for (const { value } of figures) expect(value).not.toBeNaN()
        // A pin serves one thing; every lane that has pixels has its own.
        const pins = signal.pins.flatMap(({ pin }) => pin?.name ?? [])
        expect(new Set(pins).size).toBe(pins.length)
        for (const { runs, pixels } of signal.lanes) {
          let next = 0
          for (const run of runs) {
            expect(run.first - run.extra).toBe(next)
            next = run.first + run.pixels
          }
          expect(next).toBe(pixels)
        }
        for (const { remedies, code } of verdicts)
          for (const { commands, label } of remedies) {
            const read = readPlanFile(writePlanFile(change(plan, commands).plan))
            expect(read.ok, `${code}: ${label}`).toBe(true)
          }
      }),
      { numRuns: 60 },
    )
  })

  it('is written as lists, header and diagram, each with all of it', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const results = worked(plan)
        const { wiring, lanes, layout } = results
        const rows = (text: string): number => text.trimEnd().split('\r\n').length - 1
        expect(rows(wiresCsv(wiring))).toBe(wiring.wires.length)
        expect(rows(jointsCsv(tally(plan).wiring.joints, []))).toBe(
          tally(plan).wiring.joints.length,
        )
        const pixels = lanes.reduce((sum, lane) => sum + lane.pixels, 0)
        expect(rows(pixelsCsv(pixelMap(lanes, layout)))).toBe(pixels)
        expect(programHeader(programData(results))).toContain(
          `#define LANE_COUNT ${String(lanes.length)}`,
        )
        const svg = diagramSvg(diagramOf(wiring, results, plan.units), plan)
        expect(svg).not.toMatch(/NaN|undefined|Infinity/)
      }),
      { numRuns: 40 },
    )
  })
})
