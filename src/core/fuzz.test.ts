import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { csv, type Table } from '../formats/csv'
import { jointsTable, pixelsTable, wiresTable } from '../formats/csv-wires'
import { readPlanFile, writePlanFile } from '../formats/plan-file'
import { programHeader } from '../formats/program'
import { diagramSvg } from '../formats/svg-diagram'
import { anyPlan } from '../testing/any-plan'
import { change } from './plan/commands'
import { pixelMap } from './lanes/pixel-map'
import { programData } from './signal/program'
import { tally } from './tally'
import { diagramOf } from './wire/diagram'
import { worked } from './worked'
import { runs } from '../testing/runs'

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
      { numRuns: runs(24, 15_000) },
    )
  })

  it('is written as lists, header and diagram, each with all of it', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const results = worked(plan)
        const { wiring, lanes, layout } = results
        const rows = (of: Table): number => csv(of).trimEnd().split('\r\n').length - 1
        expect(rows(wiresTable(wiring))).toBe(wiring.wires.length)
        expect(rows(jointsTable(tally(plan).wiring.joints, []))).toBe(
          tally(plan).wiring.joints.length,
        )
        const pixels = lanes.reduce((sum, lane) => sum + lane.pixels, 0)
        expect(rows(pixelsTable(pixelMap(lanes, layout)))).toBe(pixels)
        expect(programHeader(programData(results))).toContain(
          `#define LANE_COUNT ${String(lanes.length)}`,
        )
        const svg = diagramSvg(diagramOf(wiring, results, plan.units), plan)
        expect(svg).not.toMatch(/NaN|undefined|Infinity/)
      }),
      { numRuns: runs(24, 10_000) },
    )
  })
})
