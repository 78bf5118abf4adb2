import fc from 'fast-check'
import { expect, it } from 'vitest'
import { layOut, placer } from './layout'
import { measure } from './measure'

const linesOf = (texts: readonly string[]) =>
  measure({ lines: texts.map((text, index) => ({ id: `l${String(index)}`, text })) })

const lengths = fc.integer({ min: 20, max: 5000 })
const text = fc.oneof(
  lengths.map((mm) => `shelf ${String(mm)}`),
  lengths.map((mm) => `mirror ring ${String(mm)}`),
  fc.tuple(lengths, lengths).map(([w, h]) => `frame ${String(w)} x ${String(h)}`),
  fc.constantFrom('stars grid 5 x 8 @ 60', 'loft steps 6 x 640', 'alcove arch r410 200 legs 300'),
)
const few = fc.array(text, { minLength: 1, maxLength: 25 })
/** So many that they are set out in columns. */
const many = fc.array(text, { minLength: 61, maxLength: 90 })

it('runs lie side by side and one under the other, never on each other, all in the box', () => {
  fc.assert(
    fc.property(
      fc.oneof({ weight: 9, arbitrary: few }, { weight: 1, arbitrary: many }),
      (lines) => {
        const { runs } = linesOf(lines)
        const { placed, box } = layOut(runs)
        const boxes = placed.map(({ id, place: { x: dx, y: dy } }) => {
          const run = runs.find((candidate) => candidate.id === id)!
          return { left: run.box.x + dx, top: run.box.y + dy, ...run.box }
        })
        for (const [index, a] of boxes.entries()) {
          expect(a.left).toBeGreaterThanOrEqual(box.x - 1e-6)
          expect(a.left + a.width).toBeLessThanOrEqual(box.x + box.width + 1e-6)
          expect(a.top).toBeGreaterThanOrEqual(box.y - 1e-6)
          expect(a.top + a.height).toBeLessThanOrEqual(box.y + box.height + 1e-6)
          for (const b of boxes.slice(index + 1)) {
            const isApart =
              a.left + a.width <= b.left + 1e-6 ||
              b.left + b.width <= a.left + 1e-6 ||
              a.top + a.height <= b.top + 1e-6 ||
              b.top + b.height <= a.top + 1e-6
            expect(isApart).toBe(true)
          }
        }
      },
    ),
  )
})

it('of many runs one that changes moves no other, unless it is the widest of its column', () => {
  const others = (one: string) => {
    const { runs } = linesOf(
      Array.from({ length: 200 }, (_, at) => (at === 77 ? one : 'shelf 700')),
    )
    return layOut(runs).placed.flatMap(({ place }, at) => (at === 77 ? [] : [place]))
  }
  const before = others('shelf 700')
  for (const one of ['shelf 6', 'shelf 67', 'shelf 690']) expect(others(one)).toEqual(before)
  expect(others('shelf 6700')).not.toEqual(before)
})

it('equal runs stand in columns with a twentieth of their length between, and their box ends with the last', () => {
  const { runs } = linesOf(Array.from({ length: 200 }, () => 'shelf 700'))
  const { placed, box } = layOut(runs)
  const starts = (of: 'x' | 'y'): number[] => [...new Set(placed.map(({ place }) => place[of]))]
  const [xs, ys] = [starts('x'), starts('y')]
  expect(xs).toEqual(xs.map((_, column) => 735 * column))
  for (const [row, y] of ys.entries()) expect(y).toBeCloseTo(35 + 56 * row, 6)
  expect(xs.length * ys.length).toBeGreaterThanOrEqual(200)
  expect(box.width).toBeCloseTo(735 * xs.length - 35, 6)
  expect(box.height).toBeCloseTo(56 * ys.length, 6)
})

it('a few shelves stand one under the other', () => {
  const { runs } = linesOf(['seat 2140', 'ledge 2 x 555', 'sill 1680'])
  const tops = layOut(runs).placed.map(({ place }) => place.y)
  expect(new Set(tops).size).toBe(3)
})

it('an empty plan has a box of a size', () => {
  expect(layOut([]).box).toMatchObject({ width: 1000, height: 800 })
})

it('a line that did not change keeps its run; its name follows its place', () => {
  const [first, second] = [
    { id: 'a', text: '300' },
    { id: 'b', text: '400' },
  ]
  const before = measure({ lines: [first, second] })
  expect(before.runs.map(({ name }) => name)).toEqual(['Edge 1', 'Edge 2'])
  const after = measure({ lines: [second, first, { id: 'c', text: 'sill 12oo' }] })
  expect(after.runs.map(({ name, id }) => `${id} ${name}`)).toEqual(['b Edge 1', 'a Edge 2'])
  expect(measure({ lines: [first] }).runs[0]).not.toBe(after.runs[1])
  expect(measure({ lines: [first, second] }).lines[1]!.reading).toBe(before.lines[1]!.reading)
})

it('what is set out by itself lies below what a hand has placed, and the box holds all of it', () => {
  fc.assert(
    fc.property(
      few,
      fc.integer({ min: -4000, max: 4000 }),
      fc.integer({ min: -4000, max: 4000 }),
      fc.integer({ min: 0, max: 359 }),
      (lines, x, y, degrees) => {
        const { runs } = measure({
          lines: lines.map((text, index) => ({
            id: `l${String(index)}`,
            text,
            ...(index % 2 === 0 && { place: { x: x + index * 90, y, degrees } }),
          })),
        })
        const thing = {
          id: 'f',
          kind: 'box' as const,
          name: 'bench',
          place: { x, y, degrees: 0 },
          widthMm: 700,
          heightMm: 300,
        }
        const { placed, box } = layOut(runs, { furniture: [thing] })
        const pointsOf = (isPlaced: boolean) =>
          runs.flatMap((run, index) => {
            if ((run.line.place !== undefined) !== isPlaced) return []
            const at = placer(run, placed[index]!.place)
            const { x: left, y: top, width, height } = run.box
            return [at([left, top]), at([left + width, top + height])]
          })
        for (const [px, py] of [...pointsOf(true), ...pointsOf(false)]) {
          expect(px).toBeGreaterThanOrEqual(box.x - 1e-6)
          expect(px).toBeLessThanOrEqual(box.x + box.width + 1e-6)
          expect(py).toBeGreaterThanOrEqual(box.y - 1e-6)
          expect(py).toBeLessThanOrEqual(box.y + box.height + 1e-6)
        }
        const lowest = Math.max(y + 300, ...pointsOf(true).map(([, py]) => py))
        for (const [, py] of pointsOf(false)) expect(py).toBeGreaterThanOrEqual(lowest - 1e-6)
      },
    ),
  )
})
