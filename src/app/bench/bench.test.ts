import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../../core/plan/empty'
import { readLine } from '../../core/measure/jot'
import { layOut } from '../../core/measure/layout'
import { measure } from '../../core/measure/measure'
import { apart, chipsOf } from './chips'
import { meet, nameRoom, sourceBoxes } from './labels'
import { entryAt, hueLayers } from './many-runs'
import type { Dimension } from '../../core/measure/shape'
import { withDimension } from '../../core/measure/rewrite'
import { drawnRuns, type DrawnRun } from './run-drawing'
import { fit, pathOf, rulerStep } from './view'

const runOf = (text: string): DrawnRun => {
  const { runs } = measure({ lines: [{ id: 'a', text }] })
  return drawnRuns(runs, layOut(runs), new Map())[0]!
}

describe('the view', () => {
  it('shows all of a box with its border, in the middle', () => {
    const box = fc.record({
      x: fc.integer({ min: -5000, max: 5000 }),
      y: fc.integer({ min: -5000, max: 5000 }),
      width: fc.integer({ min: 1, max: 20_000 }),
      height: fc.integer({ min: 1, max: 20_000 }),
    })
    fc.assert(
      fc.property(
        box,
        fc.integer({ min: 200, max: 2000 }),
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 30, max: 90 }),
        (b, w, h, above) => {
          const { scale, x, y } = fit(b, w, h, 30, above)
          const left = b.x * scale + x
          const top = b.y * scale + y
          expect(left).toBeGreaterThanOrEqual(29.99)
          expect(top).toBeGreaterThanOrEqual(above - 0.01)
          expect(left + b.width * scale + left).toBeCloseTo(w, 3)
          // What is left over is shared out evenly above and below.
          expect(top - above).toBeCloseTo(h - 30 - (top + b.height * scale), 3)
        },
      ),
    )
  })

  it('draws lines through their points', () => {
    expect(
      pathOf([
        [0, 0],
        [100, 50],
      ]),
    ).toBe('M0.00 0.00L100.00 50.00')
  })

  it.each<[number, number]>([
    [0.25, 500],
    [1, 100],
    [0.01, 10_000],
    [0.000_001, 100_000],
    [500, 1],
  ])('at %f px/mm the ruler shows %i mm', (scale, mm) => {
    expect(rulerStep(scale, scale < 0.0001 ? 1 : 160)).toBe(scale < 0.0001 ? mm : mm)
  })
})

describe('dimensions on the drawing', () => {
  it.each<[string, number, [dimension: number, times: number][]]>([
    ['seat 2140', 0.25, [[0, 1]]],
    [
      'ledge 2 x 560',
      0.25,
      [
        [0, 1],
        [0, 1],
      ],
    ],
    ['ledge 9 x 560', 0.25, [[0, 9]]],
    [
      'sill 3 x 520 + 120',
      0.25,
      [
        [0, 1],
        [0, 1],
        [0, 1],
        [1, 1],
      ],
    ],
    [
      'sill 3 x 520 + 120',
      0.01,
      [
        [0, 3],
        [1, 1],
      ],
    ],
    [
      'crown frame 900 x 400',
      0.25,
      [
        [0, 2],
        [1, 2],
      ],
    ],
    ['mirror ring 382', 0.5, [[0, 1]]],
    ['stars grid 5 x 8 @ 60', 0.5, [[0, 1]]],
    ['honeycomb panels 5 x 6 sides 180', 0.5, [[0, 30]]],
  ])('%s at %f px/mm', (line, scale, expected) => {
    const chips = chipsOf(runOf(line), scale)
    const shown = chips.map(({ dimension, times }) => [dimension, times])
    // A last part that is too short for its own chip still says its length.
    expect(shown).toEqual(expected)
  })

  it('leaves out those that would cover another, and no more', () => {
    const point = fc.record({
      x: fc.integer({ min: -400, max: 400 }),
      y: fc.integer({ min: -200, max: 200 }),
      label: fc.constantFrom('5', '1200'),
    })
    fc.assert(
      fc.property(fc.array(point, { maxLength: 40 }), (chips) => {
        const covers = (a: (typeof chips)[0], b: (typeof chips)[0]): boolean =>
          Math.abs(a.x - b.x) < 70 && Math.abs(a.y - b.y) < 28
        const kept = apart(chips)
        for (const [index, chip] of chips.entries()) {
          const before = kept.filter((one) => chips.indexOf(one) < index)
          expect(kept.includes(chip)).toBe(!before.some((one) => covers(one, chip)))
        }
      }),
    )
  })

  it('stands on no name, unless its run is chosen', () => {
    const name = nameRoom(runOf('shelf 900'), 0.2)
    const on = { x: name.left + 10, y: name.bottom + 5, label: '900' }
    const below = { ...on, y: name.bottom + 13 }
    const beside = { ...on, x: name.right + 19 }
    const wide = { ...beside, label: '2 × 900' }
    expect(apart([on], [name])).toEqual([])
    expect(apart([below], [name])).toEqual([below])
    expect(apart([beside], [name])).toEqual([beside])
    expect(apart([wide], [name])).toEqual([])
    expect(apart([{ ...on, isChosen: true }], [name])).toHaveLength(1)
  })

  it.each<[string, number, string, string]>([
    ['seat front 2140', 0, '2200', 'seat front 2200'],
    ['seat front 2140', 0, '2200 - 30', 'seat front (2200 - 30)'],
    ['seat front 2140', 0, '(2200 - 30)', 'seat front (2200 - 30)'],
    ['ledge 2 x 560', 0, '57 cm', 'ledge 2 x 57 cm'],
    ['sill 3 x 450 + 120', 1, '150', 'sill 3 x 450 + 150'],
    ['sill 3 x 450 + 120', 1, '15 cm', 'sill 3 x 450 mm + 15 cm'],
    ['sign frame 40 x 60 cm', 0, '45', 'sign frame 45 cm x 60 cm'],
    ['sign frame 40 x 60 cm', 1, '640', 'sign frame 40 cm x 640 mm'],
    ['porthole ring r191', 0, 'r200', 'porthole ring r200'],
    ['porthole ring 382', 0, '⌀ 400', 'porthole ring 400'],
    ['crown frame 3\' 2" x 1\' 6"', 1, '18 in', 'crown frame 3\' 2" x 18 in'],
  ])('%s with dimension %i as %s is %s', (line, index, typed, expected) => {
    const text = withDimension(line, runOf(line).run.dimensions, index, typed)
    expect(text).toBe(expected)
    expect(readLine(text).kind).toBe('run')
  })

  it('changing a dimension to any length gives that length back', () => {
    const lines = [
      'a 300',
      'b 2 x 40 + 90',
      'c ring 400',
      'd arch r410 120 legs 300',
      'e frame 30 x 40',
      'f frame 40 x 60 cm',
      'g corners 40, 30 outside 120, 30 cm',
      'h 3 x 45 + 12 cm',
      'i grid 3 x 4 @ 6 x 4 cm drop 700',
      'j frame 3 x 2 ft',
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...lines),
        fc.nat(5),
        fc.integer({ min: 50, max: 9000 }),
        fc.constantFrom('', ' mm', ' cm'),
        (line, n, size, unit) => {
          const { dimensions } = runOf(line).run
          const index = n % dimensions.length
          if (['degrees', 'count'].includes(dimensions[index]!.kind)) return
          // Dragged, as a number of mm; or typed with a unit.
          const put = unit === '' ? size : `${String(size)}${unit}`
          const mm = unit === ' cm' ? size * 10 : size
          const after = readLine(withDimension(line, dimensions, index, put))
          if (after.kind !== 'run') throw new Error(JSON.stringify(after))
          expect(after.dimensions[index]!.value).toBeCloseTo(mm, 6)
          const others = (all: readonly Dimension[]) =>
            all.filter((_, at) => at !== index).map(({ value }) => Math.round(value * 1e6) / 1e6)
          expect(others(after.dimensions)).toEqual(others(dimensions))
        },
      ),
    )
  })
})

describe('boxes of supplies, junctions and the board', () => {
  it('stand where they are, or beside those that they would lie on', () => {
    const at = fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -60, max: 60 }))
    fc.assert(
      fc.property(fc.array(at, { maxLength: 9 }), at, (supplies, controller) => {
        const [supply] = emptyPlan('t', 'x').supplies
        const plan = {
          supplies: supplies.map((_, index) => ({ ...supply!, id: `s${String(index)}` })),
          junctions: [],
        }
        const places = {
          supplies: new Map(supplies.map((place, index) => [`s${String(index)}`, place])),
          junctions: new Map(),
          controller,
        }
        const boxes = sourceBoxes(plan, places, [], 0.5)
        for (const [index, { at: place, room }] of boxes.entries()) {
          const before = boxes.slice(0, index)
          expect(before.filter((other) => meet(other.room, room))).toEqual([])
          const movedPx = (room.left + room.right) / 2 - place[0] * 0.5
          const width = room.right - room.left
          const own = { ...room, left: room.left - movedPx, right: room.right - movedPx }
          // Nothing moves without a reason, nor up or down, and never farther than past those that are in its way.
          expect(Math.abs(movedPx) > 0.01).toBe(before.some((other) => meet(other.room, own)))
          expect((room.top + room.bottom) / 2).toBeCloseTo(place[1] * 0.5)
          expect(Math.abs(movedPx)).toBeLessThan((before.length + 1) * (width + 90))
        }
      }),
    )
  })
})

describe('many runs', () => {
  const { runs } = measure({
    lines: Array.from({ length: 20 }, (_, n) => ({
      id: `l${String(n)}`,
      text: n % 7 === 3 ? 'sky scatter 4' : n % 7 === 5 ? 'eaves string 6 @ 50' : 'rung 900',
    })),
  })
  const drawn = drawnRuns(runs, layOut(runs), new Map())

  it('are drawn hue by hue, each of them once', () => {
    const layers = hueLayers(drawn)
    expect(layers.flatMap(({ entries }) => entries)).toHaveLength(drawn.length)
    expect(new Set(layers.map(({ hue }) => hue)).size).toBe(layers.length)
    for (const { hue, entries, course, litCourse, lights, scattered } of layers) {
      expect(new Set(entries.map((entry) => entry.hue))).toEqual(new Set([hue]))
      expect(course).toBe(entries.map((entry) => entry.course).join(''))
      expect(litCourse).toBe(entries.map((entry) => entry.litCourse).join(''))
      const count = (of: (entry: DrawnRun) => boolean): number =>
        entries.filter(of).reduce((sum, entry) => sum + entry.lights.length, 0)
      expect(scattered.split('M')).toHaveLength(1 + count(({ run }) => run.shape === 'scatter'))
      expect(lights.split('M')).toHaveLength(1 + count(({ run }) => run.shape !== 'scatter'))
    }
  })

  it('are drawn anew only where something changed', () => {
    const layers = hueLayers(drawn)
    const layout = layOut(runs)
    expect(drawnRuns(runs, layout, new Map(), drawn)).toEqual(drawn)
    const lit = new Map([['l8', [[0, 450]] as const]])
    const after = drawnRuns(runs, layout, lit, drawn)
    expect(after.map((entry, index) => entry === drawn[index])).toEqual(
      drawn.map((_, index) => index !== 8),
    )
    expect(after[8]?.litCourse).not.toBe(drawn[8]?.litCourse)
    const [moved, ...others] = layout.placed
    const place = { ...moved!.place, x: 70 }
    const elsewhere = { ...layout, placed: [{ ...moved!, place }, ...others] }
    expect(drawnRuns(runs, elsewhere, new Map(), drawn)[0]?.place.x).toBe(70)
    for (const [index, layer] of hueLayers(after, layers).entries()) {
      const isSame = layer.hue !== drawn[8]?.hue
      expect(layer === layers[index]).toBe(isSame)
      expect(layer).toEqual(hueLayers(after)[index])
    }
  })

  it('are found under a pointer: by their course, by their lights, the topmost first', () => {
    const none = (): boolean => false
    const onAll = (): boolean => true
    const rung = drawn[0]!
    const { x, y } = rung.box
    const onRung = (course: string, [, atY]: readonly [number, number], mm: number): boolean =>
      course === rung.course && Math.abs(atY - y) <= mm / 2
    // At 2 mm a pixel a pointer reaches 22 mm.
    expect(entryAt(drawn, [x + 450, y - 21], 2, onRung)).toBe(rung)
    expect(entryAt(drawn, [x + 450, y - 23], 2, onAll)).not.toBe(rung)
    expect(entryAt([rung], [x + 450, y + 23], 2, onAll)).toBeUndefined()
    expect(entryAt(drawn, [x + 450, y], 2, none)).toBeUndefined()
    const sky = drawn[3]!
    const [lx, ly] = sky.lights[2]!
    expect(entryAt([sky], [lx + 11, ly], 2, none)).toBe(sky)
    expect(entryAt([sky], [lx + 13, ly], 2, none)).toBeUndefined()
    const above = { ...rung }
    expect(entryAt([rung, above], [x, y], 2, onAll)).toBe(above)
  })
})
