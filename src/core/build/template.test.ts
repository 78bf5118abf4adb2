import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { distance } from '../measure/geometry'
import { change } from '../plan/commands'
import { worked } from '../worked'
import { fixingPlaces } from './clips'
import { footMm, templatePapers, templatesOf, tilesOf, type Template } from './template'

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
    const strip = worked(clipped).cuts.find(({ run }) => run.id === 'seat')!.strip
    const places = fixingPlaces(strip, (128 * 1000) / 60)
    expect(seat.clips).toHaveLength(places.length)
    for (const [index, clip] of seat.clips.entries()) {
      expect(distance(from, clip)).toBeCloseTo(places[index]!, 6)
      const pixels = (distance(from, clip) * 60) / 1000
      expect(Math.abs(pixels - Math.round(pixels))).toBeLessThan(1e-6)
    }
    expect(seat.holes).toEqual([{ at: seat.pieces[0]!.to, mm: 9, name: 'wires' }])
    const jars = templateOf(demoPlan('wall-of-jars'), 'jars')
    expect(jars.holes).toHaveLength(28)
    expect(jars.holes[0]?.mm).toBeGreaterThan(0)
  })

  it('is covered by its sheets without a gap, each lying over the next', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 31, max: 4000, noNaN: true }),
        fc.double({ min: 31, max: 3000, noNaN: true }),
        fc.constantFrom('A4' as const, 'Letter' as const),
        (width, height, paper) => {
          const box = { x: -7, y: 12, width, height }
          const tiles = tilesOf(box, paper)
          const { widthMm, heightMm } = templatePapers[paper]
          for (const tile of tiles) {
            expect([tile.width, tile.height]).toEqual([widthMm, heightMm - footMm])
            const right = tiles.find((o) => o.row === tile.row && o.column === tile.column + 1)
            const below = tiles.find((o) => o.column === tile.column && o.row === tile.row + 1)
            if (right === undefined)
              expect(tile.x + tile.width).toBeGreaterThanOrEqual(box.x + width - 1e-6)
            else expect(tile.x + tile.width - right.x).toBeCloseTo(10, 6)
            if (below === undefined)
              expect(tile.y + tile.height).toBeGreaterThanOrEqual(box.y + height - 1e-6)
            else expect(tile.y + tile.height - below.y).toBeCloseTo(10, 6)
          }
          // No sheet too many: the last of a row begins before the end.
          const last = tiles.at(-1)!
          expect(last.x + 10).toBeLessThan(box.x + width + 10)
          expect(tiles[0]).toMatchObject({ row: 1, column: 1, x: box.x, y: box.y })
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('of any plan lies within its box', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const { box, courses, pixels, clips, holes } of templatesOf(worked(plan))) {
          expect(Object.values(box).every(Number.isFinite)).toBe(true)
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
          }
        }
      }),
      { numRuns: runs(20) },
    )
  })
})
