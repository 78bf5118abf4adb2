import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { sheetsOf } from '../buy/sheets'
import { distance, squareWay } from '../measure/geometry'
import { placer, placesOf } from '../measure/layout'
import { change } from '../plan/commands'
import { worked } from '../worked'
import { fixingPlaces } from './clips'
import { templatesOf, type Template } from './template'
import {
  footMm,
  isWorthPaper,
  nameMm,
  markedParts,
  mirrored,
  partsOn,
  sheetsFor,
  templatePapers,
} from './template-paper'

const templateOf = (plan: Parameters<typeof worked>[0], run: string): Template => {
  const found = templatesOf(worked(plan)).find((one) => one.run === run)
  if (found === undefined) throw new RangeError(`no template of ${run}`)
  return found
}

describe('a template', () => {
  const nook = demoPlan('bay-window-nook')

  it('is at true size: pieces, pixels by their numbers, and the way in', () => {
    const seat = templateOf(nook, 'seat')
    const [piece] = seat.pieces
    expect(piece?.name).toBe('A1')
    // 128 pixels at 60 to the metre.
    expect(distance(piece!.from, piece!.to)).toBeCloseTo((128 * 1000) / 60, 6)
    expect(seat.entry).toEqual(piece!.from)
    const numbers = seat.pixels.map(({ number }) => number)
    expect(numbers.slice(0, 3)).toEqual([0, 10, 20])
    expect(numbers.at(-1)).toBe(127)
    const [first, second] = seat.pixels
    expect(distance(first!.at, second!.at)).toBeCloseTo(10_000 / 60, 6)
    expect(distance(piece!.from, first!.at)).toBeCloseTo(1000 / 120, 6)
    // The right ledge comes behind the seat on its lane.
    expect(templateOf(nook, 'ledge2').pixels[0]?.number).toBe(128)
    expect(seat.clips).toEqual([])
  })

  it('marks clips half way between pixels, and holes with their diameters', () => {
    const clipped = change(nook, [
      {
        do: 'set-lines',
        lines: ['seat'],
        set: {
          mount: { fixing: 'clips' },
          into: { what: 'shelf', holes: [{ at: 'end', mm: 9 }] },
        },
      },
    ]).plan
    const seat = templateOf(clipped, 'seat')
    const from = seat.pieces[0]!.from
    const strip = worked(clipped).cutRuns.find(({ run }) => run.id === 'seat')!.strip
    const places = fixingPlaces(strip, (128 * 1000) / 60)
    expect(seat.clips).toHaveLength(places.length)
    for (const [index, clip] of seat.clips.entries()) {
      expect(distance(from, clip)).toBeCloseTo(places[index]!, 6)
      const pixels = (distance(from, clip) * 60) / 1000
      expect(Math.abs(pixels - Math.round(pixels))).toBeLessThan(1e-6)
    }
    expect(seat.holes).toEqual([{ at: seat.pieces[0]!.to, mm: 9, name: 'wires', isForWires: true }])
    const jars = templateOf(demoPlan('wall-of-jars'), 'jars')
    expect(jars.holes).toHaveLength(28)
    expect(jars.holes[0]?.mm).toBeGreaterThan(0)
  })

  it('is covered by its parts without a gap, each lying over the next', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 31, max: 4000, noNaN: true }),
        fc.double({ min: 31, max: 3000, noNaN: true }),
        fc.constantFrom('A4' as const, 'Letter' as const),
        (width, height, paper) => {
          const box = { x: -7, y: 12, width, height }
          const parts = partsOn(box, paper)
          const { widthMm, heightMm } = templatePapers[paper]
          for (const part of parts) {
            expect(part.width).toBeLessThanOrEqual(widthMm)
            expect(part.height).toBeLessThanOrEqual(heightMm - footMm - nameMm)
            const right = parts.find((o) => o.row === part.row && o.column === part.column + 1)
            const below = parts.find((o) => o.column === part.column && o.row === part.row + 1)
            if (right === undefined) expect(part.x + part.width).toBeCloseTo(box.x + width, 6)
            else expect(part.x + part.width - right.x).toBeCloseTo(10, 6)
            if (below === undefined) expect(part.y + part.height).toBeCloseTo(box.y + height, 6)
            else expect(part.y + part.height - below.y).toBeCloseTo(10, 6)
          }
          // No part too many: the last of a row shows more than its neighbour does.
          const last = parts.at(-1)!
          expect(Math.min(last.width, last.height)).toBeGreaterThan(10 - 1e-6)
          expect(parts[0]).toMatchObject({ row: 1, column: 1, x: box.x, y: box.y })
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('shares its sheet with other narrow parts, none over another', () => {
    const templates = templatesOf(worked(nook))
    for (const paper of ['A4', 'Letter'] as const) {
      const sheets = sheetsFor(templates, paper)
      const { widthMm, heightMm } = templatePapers[paper]
      const parts = templates.flatMap((one) => markedParts(one, paper))
      expect(sheets.flat()).toHaveLength(parts.length)
      expect(sheets.length).toBeLessThan(parts.length * 0.6)
      for (const sheet of sheets)
        for (const [index, { x, y, part }] of sheet.entries()) {
          expect(x + part.width).toBeLessThanOrEqual(widthMm + 1e-6)
          expect(y + part.height + nameMm).toBeLessThanOrEqual(heightMm - footMm + 1e-6)
          for (const other of sheet.slice(index + 1))
            expect(
              x + part.width <= other.x ||
                other.x + other.part.width <= x ||
                y + part.height + nameMm <= other.y ||
                other.y + other.part.height + nameMm <= y,
            ).toBe(true)
        }
    }
  })

  it('seen from behind has left and right changed over, and nothing else', () => {
    const front = templateOf(nook, 'alcove')
    const back = mirrored(front)
    const middle = front.box.x + front.box.width / 2
    for (const [index, { from, to }] of front.pieces.entries()) {
      expect(back.pieces[index]!.from[0] - middle).toBeCloseTo(middle - from[0], 6)
      expect(back.pieces[index]!.to[1]).toBe(to[1])
    }
    expect(back.box).toEqual(front.box)
    const again = mirrored(back)
    for (const [index, { at }] of front.pixels.entries())
      expect(distance(again.pixels[index]!.at, at)).toBeLessThan(1e-9)
  })

  it('shows the sheet to cut, and its paper reaches around it', () => {
    const covered = change(nook, [
      {
        do: 'set-lines',
        lines: ['porthole'],
        set: { sheet: { material: 'fabric', wrapMm: 40 } },
      },
    ]).plan
    const { sheet, box, courses } = templateOf(covered, 'porthole')
    expect(sheet?.points).toEqual(courses.flat())
    const [left, right] = [
      Math.min(...sheet!.points.map(([x]) => x)),
      Math.max(...sheet!.points.map(([x]) => x)),
    ]
    expect(left - box.x).toBeGreaterThan(40)
    expect(box.x + box.width - right).toBeGreaterThan(40)
    // What is cut along is on paper, also where only that reaches a sheet.
    const wide = change(nook, [
      { do: 'set-lines', lines: ['porthole'], set: { sheet: { material: 'fabric', wrapMm: 300 } } },
    ]).plan
    const around = markedParts(templateOf(wide, 'porthole'), 'A4')
    const corner = templateOf(wide, 'porthole').box
    const hasRow = (row: number): boolean => around.some((part) => part.row === row)
    const hasColumn = (column: number): boolean => around.some((part) => part.column === column)
    const all = partsOn(corner, 'A4')
    for (const { row, column } of all)
      expect([hasRow(row), hasColumn(column)]).toEqual([true, true])
    const parts = markedParts(templateOf(covered, 'porthole'), 'A4')
    for (const [x, y] of sheet!.points)
      for (const [dx, dy] of [
        [40, 0],
        [-40, 0],
        [0, 40],
        [0, -40],
      ] as const) {
        const isPrinted = parts.some(
          (part) =>
            x + dx >= part.x &&
            x + dx <= part.x + part.width &&
            y + dy >= part.y &&
            y + dy <= part.y + part.height,
        )
        expect(isPrinted, `${String(x + dx)} ${String(y + dy)}`).toBe(true)
      }
    // The same size as on the bill.
    const piece = sheetsOf(worked(covered).measured.runs)
      .flatMap(({ sheets }) => sheets.flatMap(({ pieces }) => pieces))
      .find(({ run }) => run === 'porthole')
    expect(piece?.widthMm).toBeCloseTo(right - left + 80, 6)
    // What does not close has the rectangle around it.
    const open = change(nook, [
      { do: 'set-lines', lines: ['seat'], set: { sheet: { material: 'card', wrapMm: 30 } } },
    ]).plan
    expect(templateOf(open, 'seat').sheet?.points).toHaveLength(4)
  })

  it('shows where wires come from, as the drawing has it, also where a run is turned', () => {
    for (const degrees of [0, 90, 30]) {
      const turned = change(nook, [
        { do: 'place-lines', places: new Map([['porthole', { x: 700, y: -300, degrees }]]) },
      ]).plan
      const results = worked(turned)
      const { ways, entry, name } = templateOf(turned, 'porthole')
      const ends = ways.filter(({ points }) => distance(points.at(-1)!, entry!) < 1e-6)
      expect(ends.length, name).toBeGreaterThan(0)
      const lead = results.leads.find(({ to }) => to.kind === 'run' && to.run === 'porthole')!
      const drawn = ways.find(({ points }) => {
        const [from, corner, to] = points
        return (
          Math.abs(
            distance(from!, corner!) + distance(corner!, to!) - squareWay(lead.start, lead.end),
          ) < 1e-6 && distance(to!, entry!) < 1e-6
        )
      })
      expect(drawn).toBeDefined()
      // At the run's own place the drawing's end of the lead lies.
      const run = results.measured.runs.find(({ id }) => id === 'porthole')!
      const put = placer(run, placesOf(results.layout).get('porthole')!)
      expect(distance(put(drawn!.points[0]!), lead.start)).toBeLessThan(1e-6)
      expect(distance(put(drawn!.points[1]!), [lead.end[0], lead.start[1]])).toBeLessThan(1e-6)
      expect(distance(put(drawn!.points[2]!), lead.end)).toBeLessThan(1e-6)
    }
    // What comes out of a run ends there too, and from piece to piece lies a wire.
    for (const { ways, pieces, name } of templatesOf(worked(nook)).filter(
      ({ pieces: own }) => own.length > 0,
    )) {
      const ends = pieces.flatMap(({ from, to }) => [from, to])
      for (const { points } of ways)
        expect(Math.min(...ends.map((end) => distance(end, points.at(-1)!))), name).toBeLessThan(
          1e-6,
        )
      const between = ways.filter((way) => way.name === '')
      expect(between).toHaveLength(pieces.length - 1)
      for (const [index, { points }] of between.entries())
        expect(points).toEqual([pieces[index]!.to, pieces[index + 1]!.from])
    }
    // Wires home of many lights are not named one by one.
    const jars = templateOf(demoPlan('wall-of-jars'), 'jars')
    expect(jars.ways.length).toBeGreaterThan(20)
    expect(new Set(jars.ways.map(({ name }) => name))).toEqual(new Set(['']))
  })

  it('of any plan lies within its box, and every mark on a part that is printed', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const template of templatesOf(worked(plan)).flatMap((one) => [one, mirrored(one)])) {
          const { box, courses, pixels, clips, holes } = template
          expect(Object.values(box).every(Number.isFinite)).toBe(true)
          const printed = isWorthPaper([template], 'A4') ? markedParts(template, 'A4') : undefined
          const points = [
            ...courses.flat(),
            ...pixels.map(({ at }) => at),
            ...clips,
            ...holes.map(({ at }) => at),
          ]
          for (const [x, y] of points) {
            expect(x).toBeGreaterThanOrEqual(box.x)
            expect(y).toBeGreaterThanOrEqual(box.y)
            expect(x).toBeLessThanOrEqual(box.x + box.width)
            expect(y).toBeLessThanOrEqual(box.y + box.height)
            if (printed !== undefined)
              expect(
                printed.some(
                  (part) =>
                    x >= part.x &&
                    x <= part.x + part.width &&
                    y >= part.y &&
                    y <= part.y + part.height,
                ),
              ).toBe(true)
          }
        }
      }),
      { numRuns: runs(20) },
    )
  })
})
