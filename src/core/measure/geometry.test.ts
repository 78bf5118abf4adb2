import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  arcPoints,
  boxAround,
  courseMm,
  distance,
  partOf,
  pointAlong,
  squareWay,
  tightestRadiusMm,
  turned,
  type Point,
} from './geometry'
import { measure } from './measure'

const coordinate = fc.integer({ min: -3000, max: 3000 })
const point = fc.tuple(coordinate, coordinate)
const course = fc
  .array(point, { minLength: 2, maxLength: 12 })
  .filter((points) => courseMm(points) > 1)

describe('courses', () => {
  it('a part is as long as its share, and begins and ends on the course', () => {
    fc.assert(
      fc.property(
        course,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (points, a, b) => {
          const [from, to] = a < b ? [a, b] : [b, a]
          const part = partOf(points, from, to)
          expect(courseMm(part)).toBeCloseTo(courseMm(points) * (to - from), 4)
          expect(distance(part[0]!, pointAlong(points, from))).toBeCloseTo(0, 4)
          expect(distance(part.at(-1)!, pointAlong(points, to))).toBeCloseTo(0, 4)
        },
      ),
    )
  })

  it.each<[number, Point]>([
    [0, [0, 0]],
    [0.25, [10, 0]],
    [0.5, [20, 0]],
    [0.75, [20, 10]],
    [1, [20, 20]],
  ])('at %d of a corner stands %j', (share, expected) => {
    const corner: Point[] = [
      [0, 0],
      [20, 0],
      [20, 20],
    ]
    expect(pointAlong(corner, share)[0]).toBeCloseTo(expected[0], 9)
    expect(pointAlong(corner, share)[1]).toBeCloseTo(expected[1], 9)
  })
})

describe('turning', () => {
  it('keeps lengths, and four quarters lead back', () => {
    fc.assert(
      fc.property(point, point, fc.integer({ min: -360, max: 360 }), (a, centre, degrees) => {
        expect(distance(turned(a, centre, degrees), centre)).toBeCloseTo(distance(a, centre), 6)
        let back: Point = a
        for (let quarter = 0; quarter < 4; quarter += 1) back = turned(back, centre, 90)
        expect(distance(back, a)).toBeCloseTo(0, 6)
      }),
    )
    // A quarter clockwise, y downwards: right becomes down.
    expect(turned([1, 0], [0, 0], 90)[1]).toBeCloseTo(1, 12)
  })

  it('the way at right angles is never shorter than the straight one', () => {
    fc.assert(
      fc.property(point, point, (a, b) => {
        expect(squareWay(a, b)).toBeGreaterThanOrEqual(distance(a, b) - 1e-9)
        expect(squareWay(a, b)).toBe(squareWay(b, a))
      }),
    )
  })
})

describe('the tightest bend', () => {
  it.each([20, 150, 4000])(
    'of an arc of radius %d is its radius, however much of it there is',
    (radius) => {
      for (const degrees of [30, 180, 360])
        expect(tightestRadiusMm(arcPoints([5, 7], radius, 11, degrees))).toBeCloseTo(radius, 6)
    },
  )

  it('of straight lines and of corners is none', () => {
    expect(tightestRadiusMm([])).toBe(Infinity)
    const corner: Point[] = [
      [0, 0],
      [100, 0],
      [100, 100],
    ]
    expect(tightestRadiusMm(corner)).toBe(Infinity)
    expect(tightestRadiusMm(corner.slice(0, 2))).toBe(Infinity)
  })

  it('of two arcs is that of the smaller', () => {
    const wave = [...arcPoints([0, 0], 300, 180, 90), ...arcPoints([0, -350], 50, 90, 90).slice(1)]
    expect(tightestRadiusMm(wave)).toBeCloseTo(50, 3)
  })
})

describe('runs as they lie', () => {
  const runOf = (text: string, line = {}) =>
    measure({ lines: [{ id: 'a', text, ...line }] }).runs[0]!

  it('a run that is turned round has the same box and length, and begins where it ended', () => {
    for (const text of ['seat 900', 'alcove arch r410 120 legs 300', 'crown frame 700 x 300']) {
      const [there, back] = [runOf(text), runOf(text, { isTurned: true })]
      expect(back.wantedMm).toBe(there.wantedMm)
      expect(back.box).toEqual(there.box)
      const last = there.segments.at(-1)!.points.at(-1)!
      expect(back.segments[0]!.points[0]).toEqual(last)
      expect(back.segments.map(({ lengthMm }) => lengthMm)).toEqual(
        there.segments.map(({ lengthMm }) => lengthMm).toReversed(),
      )
    }
  })

  it('lights placed by hand stand where they were put; the others as they are set out', () => {
    const set = runOf('fireflies scatter 5')
    const placed = runOf('fireflies scatter 5', { spots: [null, [900, -40]] })
    expect(placed.lights[1]).toEqual([900, -40])
    expect(placed.lights.filter((_, index) => index !== 1)).toEqual(
      set.lights.filter((_, index) => index !== 1),
    )
    expect(placed.box).toEqual(boxAround(placed.lights))
    expect(runOf('fireflies scatter 5 drop 300').dropMm).toBe(300)
  })
})
