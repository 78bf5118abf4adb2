import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layOut, placer } from '../../core/measure/layout'
import { measure, type MeasuredRun } from '../../core/measure/measure'
import { withDimension } from '../../core/measure/rewrite'
import { change } from '../../core/plan/commands'
import { emptyPlan } from '../../core/plan/empty'
import { colourAt, loadPlaces, padAt, padX, ribbonPath } from '../feed/feed-tape'
import { tally } from '../../core/tally'
import { partsOf } from '../../core/parts/find'
import { stripOf } from '../../core/parts/find-strips'
import { drawnPieces } from '../tape/tape'
import { scaledTo } from './photo'
import { draggedTo, handlesOf } from './handles'
import { snapLength, snapMove } from './snap'
import { fit, toBench, toScreen, zoomed } from './view'

const runOf = (text: string): MeasuredRun => measure({ lines: [{ id: 'a', text }] }).runs[0]!

describe('handles', () => {
  it.each([
    'seat 2140',
    'sill 3 x 450 + 120',
    'crown frame 900 x 400',
    'mirror ring 382',
    'alcove arch r410 120 legs 300',
    'skirting corners 400, 1200, 380 outside 120',
    'cells panels 3 x 6 sides 168',
    'stand steps 6 x 640 risers 180',
    'moon rows 320, 400, 460 @ 40',
    'stars grid 5 x 8 @ 60 x 45',
    'lanterns string 12 @ 900',
    'post wrap d60 pitch 44 turns 9',
  ])('of “%s”: dragging one by what it moves with a measure gives that measure', (text) => {
    const run = runOf(text)
    const handles = handlesOf(run)
    expect(handles.length).toBe(
      run.dimensions.filter(({ kind }) => kind !== 'count' && kind !== 'degrees').length,
    )
    for (const handle of handles) {
      const before = run.dimensions[handle.dimension]!.value
      const [ax, ay] = handle.along
      const to = draggedTo(handle, before, [ax * 30, ay * 30])
      expect(to).toBeCloseTo(before + 30, 6)
      // The run of the new measure has a place where the handle was dragged to.
      const after = runOf(withDimension(text, run.dimensions, handle.dimension, to))
      const target = [handle.point[0] + ax * 30, handle.point[1] + ay * 30]
      const points = [...after.segments.flatMap(({ points: own }) => own), ...after.lights]
      const nearest = Math.min(
        ...points.map(([x, y]) => Math.hypot(x - target[0]!, y - target[1]!)),
      )
      expect(nearest).toBeLessThan(2)
    }
  })
})

describe('snapping', () => {
  const box = { x: 100, y: 100, width: 200, height: 50 }
  it('takes the nearest edge or middle that is near, and round measures otherwise', () => {
    const other = { x: 500, y: 400, width: 80, height: 80 }
    expect(snapMove(box, [396, 3], [other], { near: 6, step: 10 })).toEqual({
      dx: 400,
      dy: 0,
      guides: [{ axis: 'x', at: 500 }],
    })
    expect(snapMove(box, [52, 17], [other], { near: 6, step: 10 })).toEqual({
      dx: 50,
      dy: 20,
      guides: [],
    })
    expect([snapLength(1234, 50), snapLength(3, 10)]).toEqual([1250, 10])
  })
})

describe('the view', () => {
  it('zooms about the pointer, and comes back', () => {
    const view = fit({ x: 0, y: 0, width: 1000, height: 500 }, 800, 600, 20)
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.nat(800),
        fc.nat(600),
        (by, x, y) => {
          const next = zoomed(view, by, [x, y])
          const [before, after] = [toBench(view, [x, y]), toBench(next, [x, y])]
          expect(after[0]).toBeCloseTo(before[0], 6)
          expect(after[1]).toBeCloseTo(before[1], 6)
          expect(toScreen(next, after)[0]).toBeCloseTo(x, 6)
        },
      ),
    )
  })
})

it('a run that a hand has placed stays; the others go on being set out', () => {
  const plan = {
    ...emptyPlan('t', 'a'),
    lines: [
      { id: 'a', text: 'shelf 900' },
      { id: 'b', text: 'ring 300' },
    ],
  }
  const place = { x: 400, y: -200, degrees: 90 }
  const { plan: placed } = change(plan, [{ do: 'place-lines', places: new Map([['a', place]]) }])
  const { runs } = measure(placed)
  const layout = layOut(runs, placed.bench)
  expect(layout.placed[0]!.place).toEqual(place)
  const upright = placer(runs[0]!, place)([0, 0])
  expect(upright[0]).toBeCloseTo(450 + 400, 6)
  expect(upright[1]).toBeCloseTo(-450 - 200, 6)
  expect(layout.placed[1]!.place.y).toBeGreaterThan(upright[1])
})

it('a photo is scaled by two of its places and stays at the first', () => {
  const photo = {
    data: 'data:image/png;base64,',
    widthPx: 100,
    heightPx: 50,
    at: [10, 20] as [number, number],
    mmPerPx: 2,
    opacity: 1,
  }
  const scaled = scaledTo(photo, [30, 20], [130, 20], 400)
  expect(scaled.mmPerPx).toBe(8)
  // The place 10 px into it was at 30 mm and is there still.
  expect(scaled.at[0] + 10 * scaled.mmPerPx).toBe(30)
})

describe('the feed tape', () => {
  const plan = { ...emptyPlan('t', 'a'), lines: [{ id: 'a', text: 'frame 500 x 300' }] }
  const { runs, feed } = tally(plan)
  const strip = stripOf(partsOf(plan.own), runs[0]!.stripId)
  const pieces = drawnPieces(runs[0]!.pieces, 0.4)

  it('has a place for every load and pad, from left to right', () => {
    const places = loadPlaces(pieces, strip)
    expect(places).toHaveLength(feed.runs[0]!.volts.length)
    expect([...places].every((x, at) => at === 0 || x > places[at - 1]!)).toBe(true)
    for (let pad = 0; pad <= runs[0]!.groups; pad += 7)
      expect(padX(pieces, padAt(pieces, padX(pieces, pad)))).toBeCloseTo(padX(pieces, pad), 6)
  })

  it('shows white turning red as volts fall, and dark as nearly black', () => {
    const at = (volts: number) => colourAt(strip, [1, 1, 1], volts).match(/\d+/g)!.map(Number)
    const [full, low] = [at(5), at(3)]
    expect(Math.max(...full) - Math.min(...full)).toBeLessThan(25)
    expect(low[0]).toBe(full[0])
    expect(low[2]!).toBeLessThan(full[2]! * 0.8)
    expect(Math.max(...colourAt(strip, [0, 0, 0], 5).match(/\d+/g)!.map(Number))).toBeLessThan(40)
  })

  it('draws a ribbon of at most a few hundred points that ends where the run ends', () => {
    const places = Float64Array.from({ length: 5000 }, (_, index) => index)
    const { line } = ribbonPath(places, places, (volts) => volts / 100)
    expect(line.split('L').length).toBeLessThan(405)
    expect(line.endsWith('L4999.0 49.99')).toBe(true)
  })
})
