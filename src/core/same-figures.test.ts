import fc from 'fast-check'
import { expect, it } from 'vitest'
import { csv, type Table } from '../formats/csv'
import { feedsTable } from '../formats/csv-feeds'
import { jointsTable, pixelsTable, wiresTable } from '../formats/csv-wires'
import { anyPlan } from '../testing/any-plan'
import { demoPlan } from '../testing/demo-plan'
import { runs } from '../testing/runs'
import { planNetwork } from './feed/plan-network'
import { pixelMap } from './lanes/pixel-map'
import type { Plan } from './plan/plan'
import { blockId } from './route/harness'
import { programData } from './signal/program'
import { tally } from './tally'
import { worked } from './worked'

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0)
const rows = (of: Table): number => csv(of).trimEnd().split('\r\n').length - 1
/** The number at the start of a label: `8 wires`. */
const countIn = (label: string): number => Number(/^\d+/.exec(label)?.[0] ?? NaN)

/** Every figure that two places show is the same in both. */
function compare(plan: Plan): void {
  const results = worked(plan)
  const told = tally(plan)
  const { totals, feed, wiring, joints, signal, supplies, roll, verdicts } = told
  const figures = roll.flatMap((section) => section.figures)
  const figure = (id: string) => figures.find((one) => one.id === id)
  const values = (start: RegExp): number[] =>
    figures.filter(({ id }) => start.test(id)).map(({ value }) => value ?? 0)
  const same = (what: string, one: number, other: number): void => {
    expect(Math.abs(one - other), what).toBeLessThan(1e-6 * Math.max(1, Math.abs(one)))
  }

  // Lights and currents.
  same('pixels', totals.pixels, sum(told.runs.map(({ pixels }) => pixels)))
  same('strip', totals.lightLengthMm, sum(told.runs.map(({ placedMm }) => placedMm)))
  same('current by volts', sum(values(/^current\.[\d.]+\.total$/)), totals.shownCurrentA)
  same('power by volts', sum(values(/^power\./)), totals.shownPowerW)

  // Leads: roll, list, wires as they are cut, and fuses.
  if (feed.leads.length > 0) {
    const leadM = sum(feed.leads.map(({ lengthMm }) => lengthMm)) / 1000
    same('leads', figure('lead.total')?.value ?? NaN, leadM)
    expect(countIn(figure('lead.total')?.label ?? '')).toBe(feed.leads.length)
    expect(rows(feedsTable(told))).toBe(feed.leads.length)
  }
  const plus = wiring.wires.filter(({ fusedLead }) => fusedLead !== undefined)
  same(
    'plus wires',
    sum(plus.map(({ lengthMm }) => lengthMm)),
    sum(feed.leads.map(({ lengthMm }) => lengthMm)),
  )
  for (const { fusedLead, inLine, lengthMm } of plus) {
    const lead = feed.leads.find(({ id }) => id === fusedLead)
    same('length of a lead', lengthMm, lead?.lengthMm ?? NaN)
    expect(
      inLine.filter(({ kind }) => kind === 'fuse').map(({ text }) => parseFloat(text)),
    ).toEqual(typeof lead?.fuseA === 'number' ? [lead.fuseA] : [])
    const shown = figure(`fuse.${fusedLead ?? ''}`)
    if (shown !== undefined)
      expect(shown.value).toBe(typeof lead?.fuseA === 'number' ? lead.fuseA : null)
  }
  for (const { id, currentA, branches } of feed.branches)
    same(`branches of ${id}`, currentA, sum(branches.map((branch) => branch.currentA)))

  // Wires and joints.
  if (wiring.wires.length > 0) {
    same(
      'wire',
      figure('wires.total')?.value ?? NaN,
      sum(wiring.wires.map(({ lengthMm }) => lengthMm)) / 1000,
    )
    expect(countIn(figure('wires.total')?.label ?? '')).toBe(wiring.wires.length)
  }
  // What the solver takes for a wire between pieces, and the signal page for data, is the wire that is cut.
  same(
    'jumpers',
    sum(
      planNetwork(results, 'full-white').runs.flatMap(({ jumpers = [] }) =>
        jumpers.map(({ plusOhm }) => plusOhm),
      ),
    ),
    sum(
      wiring.wires.flatMap(({ role, from, gauge, lengthMm }) =>
        role === 'plus' && from.spot.kind === 'piece' ? [(lengthMm / 1000) * gauge.ohmPerM] : [],
      ),
    ),
  )
  for (const { runs: own } of signal.lanes)
    for (const { id, leadMm } of own) {
      const wire = wiring.wires.find(
        ({ role, to }) =>
          role === 'data' && to.block === blockId.run(id) && to.spot.kind === 'data',
      )
      same('data wire', wire?.lengthMm ?? NaN, leadMm)
    }
  expect(rows(wiresTable(wiring))).toBe(wiring.wires.length)
  same('joints', sum(joints.map(({ count }) => count)), wiring.joints.length)
  expect(rows(jointsTable(wiring.joints, []))).toBe(wiring.joints.length)
  const minutes = sum(joints.map((one) => one.minutes))
  same('minutes', wiring.joints.at(-1)?.soFarMin ?? 0, minutes)
  if (wiring.joints.length > 0) {
    same('minutes on the roll', figure('joints.total')?.value ?? NaN, minutes)
    expect(countIn(figure('joints.total')?.label ?? '')).toBe(wiring.joints.length)
  }

  // Data: lanes, header and pixel map count alike.
  const data = programData(results)
  expect(data.lanes.map(({ pixels }) => pixels)).toEqual(signal.lanes.map(({ pixels }) => pixels))
  const lanePixels = sum(signal.lanes.map(({ pixels }) => pixels))
  expect(rows(pixelsTable(pixelMap(results.lanes, results.layout)))).toBe(lanePixels)

  // Supplies: list, roll and header.
  for (const { id, needA, limitMa, name } of supplies) {
    const need = figure(`need.${id}`)
    if (need !== undefined) same(`need of ${name}`, need.value ?? NaN, needA)
    const given = data.supplies.find((supply) => supply.name === name)
    if (given !== undefined) expect(given.limitMa).toBe(limitMa ?? 0)
  }

  // Every verdict stands on the roll, once.
  const printed = roll.flatMap((section) => section.verdicts.map(({ id }) => id))
  expect(printed.toSorted()).toEqual(verdicts.map(({ id }) => id).toSorted())
}

it.each([
  'bay-window-nook',
  'firefly-jar',
  'paper-lanterns',
  'pegboard-moon',
  'toy-harbour',
  'wall-of-jars',
  'wardrobe-rails',
])('%s shows each figure alike wherever it stands', (name) => {
  compare(demoPlan(name))
})

it('any plan shows each figure alike wherever it stands', () => {
  fc.assert(fc.property(anyPlan, compare), { numRuns: runs(40) })
})
