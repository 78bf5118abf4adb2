import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cut } from '../cut/cut'
import { covered, coverRange } from '../measure/cover'
import type { Point } from '../measure/geometry'
import { emptyPlan } from '../plan/empty'
import type { LightNode, Line, NodePart, Plan } from '../plan/plan'
import { tally } from '../tally'
import { worked } from '../worked'
import { runs } from '../../testing/runs'

const pair: NodePart = {
  id: 'pair',
  name: 'proximity pair',
  count: 1,
  holes: 2,
  holeMm: 5,
  wires: 3,
  minutes: 6,
  mA: 20,
  channels: 1,
  reads: 'analogue',
}
const bead: NodePart = {
  ...pair,
  id: 'bead',
  name: 'bead',
  holes: 1,
  holeMm: 12,
  minutes: 4,
  mA: 0,
  channels: 0,
}
const tableOf = (node: LightNode, line: Partial<Line> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: [{ id: 'l', text: 'table grid 4 x 6 @ 90', stripId: 'nodes-5v', node, ...line }],
})

describe('a table of 24 nodes, by hand', () => {
  it('counts parts, holes, wires and minutes, and the boards that read it', () => {
    const [nodes] = worked(
      tableOf({ parts: [pair, bead], readers: { by: 'channels', each: 16 } }),
    ).nodes
    expect(nodes).toMatchObject({
      nodes: 24,
      each: { parts: 2, wires: 6, channels: 1, minutes: 10, mA: 20 },
      holes: [
        { mm: 5, count: 48 },
        { mm: 12, count: 24 },
      ],
      readers: { boards: 2, left: 8 },
      minutes: 240,
    })
  })

  it('one built and timed scales the rest', () => {
    const [nodes] = worked(tableOf({ parts: [pair], sampleMin: 9 })).nodes
    expect(nodes).toMatchObject({ minutes: 216, restMinutes: 207 })
  })

  it('by columns: six of them on boards of four', () => {
    const plan = tableOf({ parts: [pair], readers: { by: 'columns', each: 4 } })
    expect(worked(plan).nodes[0]!.readers).toEqual({ boards: 2, left: 2 })
  })

  it('what they draw is on the lead, in the load and the same in the feed', () => {
    const bare = tally(tableOf({ parts: [] }))
    const plan = tally(tableOf({ parts: [pair] }))
    const more = 24 * 0.02
    expect(plan.totals.peakCurrentA - bare.totals.peakCurrentA).toBeCloseTo(more, 9)
    expect(plan.totals.idleCurrentA - bare.totals.idleCurrentA).toBeCloseTo(more, 9)
    const idle = (t: typeof bare): number => t.feed.leads[0]!.currentA
    expect(idle(plan)).toBeGreaterThan(idle(bare))
    // The roll tells it apart and adds it up.
    const figure = (id: string): number | null | undefined =>
      plan.roll.flatMap(({ figures }) => figures).find((one) => one.id === id)?.value
    expect(figure('current.nodes.l')).toBeCloseTo(more, 9)
    expect(figure('current.5.total')).toBeCloseTo(plan.totals.peakCurrentA, 9)
    // LEDs in place of pixels: beside what their resistors let through.
    const lit = tally(tableOf({ parts: [pair] }, { lights: { part: 'led-red' } }))
    expect(lit.feed.leads[0]!.currentA).toBeCloseTo(lit.runs[0]!.lit!.peakA + more, 9)
  })

  it('without boards of their own each signal needs a pin that measures', () => {
    const { needs } = worked(tableOf({ parts: [pair] }))
    expect(needs.filter(({ must }) => must === 'analogue')).toHaveLength(24)
    expect(tally(tableOf({ parts: [pair] })).verdicts.map(({ code }) => code)).toContain(
      'pins-short',
    )
    const read = worked(tableOf({ parts: [pair], readers: { by: 'channels', each: 16 } }))
    expect(read.needs.filter(({ of }) => of.kind === 'node' && of.run === 'l')).toHaveLength(2)
  })
})

describe('what lies on a grid', () => {
  const grid: Point[] = Array.from({ length: 48 }, (_, at) => [
    (at % 8) * 50,
    Math.floor(at / 8) * 50,
  ])

  it('a cup of 80 mm on nodes 50 apart: four between them, five over one', () => {
    expect(covered(grid, { shape: 'round', mm: 80 }, [75, 75])).toHaveLength(4)
    expect(covered(grid, { shape: 'round', mm: 100 }, [100, 100])).toHaveLength(5)
    expect(covered(grid, { shape: 'square', mm: 100 }, [100, 100])).toHaveLength(9)
  })

  it('never less than at its worst place, never more than at its best', () => {
    const at = fc.tuple(
      fc.double({ min: 0, max: 350, noNaN: true }),
      fc.double({ min: 0, max: 250, noNaN: true }),
    )
    fc.assert(
      fc.property(at, fc.integer({ min: 60, max: 300 }), (place, mm) => {
        const object = { shape: 'square', mm } as const
        const { least, most } = coverRange(grid, object)
        const count = covered(grid, object, place).length
        expect(count).toBeLessThanOrEqual(most)
        expect(count).toBeGreaterThanOrEqual(least)
      }),
      { numRuns: runs(30) },
    )
  })
})

describe('pixel nodes on wire', () => {
  const nodes = (count: number, more: Partial<Plan> = {}): Plan => ({
    ...emptyPlan('t', 'x'),
    lines: [{ id: 'l', text: `stars scatter ${String(count)}`, stripId: 'nodes-5v', tag: 'A' }],
    ...more,
  })

  it('are pixels on a lane, fed along their wire, in strings of fifty', () => {
    const plan = nodes(120)
    const { totals, signal, reels, wiring, feed, joints } = tally(plan)
    expect(totals).toMatchObject({ pixels: 120, singleLights: 120 })
    expect(signal.lanes[0]).toMatchObject({ pixels: 120 })
    expect(reels[0]!.reels).toHaveLength(3)
    const [run] = worked(plan).cutRuns
    expect(run!.pieces.map(({ name, groups }) => [name, groups])).toEqual([
      ['A1', 50],
      ['A2', 50],
      ['A3', 20],
    ])
    // Plugged end to end: nothing is soldered there, and every page counts the same plugs.
    expect(wiring.joints.filter(({ kind }) => kind === 'plug')).toHaveLength(2)
    expect(joints.find(({ kind }) => kind === 'plug')).toEqual({
      kind: 'plug',
      count: 2,
      minutes: 1,
    })
    // Fed from one end they sag along the wire.
    expect(feed.runs[0]!.minV).toBeLessThan(feed.runs[0]!.maxV)
    expect(feed.runs[0]!.minAt).toBe(119)
  })

  it('something else that is said to hang there wins', () => {
    const plan = nodes(9)
    const lines = plan.lines.map((line) => ({ ...line, lights: { part: 'led-red' } }))
    const { parts, measured } = worked({ ...plan, lines })
    expect(cut({ ...plan, lines }, measured.runs, parts)[0]!.groups).toBe(0)
  })
})
