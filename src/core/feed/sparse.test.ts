import fc from 'fast-check'
import { expect, it } from 'vitest'
import { solveDense } from './dense'
import { solveSparse, sparseRows } from './sparse'

/** Resistors between n nodes, some of which are held. */
const grids = fc
  .record({
    n: fc.integer({ min: 2, max: 24 }),
    wires: fc.array(
      fc.tuple(fc.nat(99), fc.nat(99), fc.double({ min: 0.01, max: 100, noNaN: true })),
      { minLength: 1, maxLength: 60 },
    ),
    held: fc.array(fc.tuple(fc.nat(99), fc.double({ min: -5, max: 24, noNaN: true })), {
      maxLength: 5,
    }),
    sources: fc.array(fc.double({ min: -3, max: 3, noNaN: true }), {
      minLength: 24,
      maxLength: 24,
    }),
  })
  .map(({ n, wires, held, sources }) => {
    const rows = sparseRows(n)
    const add = (row: number, column: number, value: number): void => {
      rows[row]!.set(column, (rows[row]!.get(column) ?? 0) + value)
    }
    for (let node = 0; node < n; node += 1) add(node, node, 0.5)
    for (const [from, to, siemens] of wires) {
      const [a, b] = [from % n, to % n]
      if (a === b) continue
      add(a, a, siemens)
      add(b, b, siemens)
      add(a, b, -siemens)
      add(b, a, -siemens)
    }
    const volts = new Float64Array(n).fill(NaN)
    for (const [node, v] of held) volts[node % n] = v
    return { rows, volts, right: Float64Array.from(sources.slice(0, n)) }
  })

it('gives what the dense solver gives, with nodes held or not', () => {
  fc.assert(
    fc.property(grids, ({ rows, volts, right }) => {
      const n = rows.length
      const matrix = new Float64Array(n * n)
      const plain = right.slice()
      for (const [row, entries] of rows.entries()) {
        const own = volts[row]!
        if (Number.isNaN(own))
          for (const [column, value] of entries) matrix[row * n + column] = value
        else {
          matrix[row * n + row] = 1
          plain[row] = own
        }
      }
      expect(solveDense(matrix, plain)).toBe(true)
      expect(solveSparse(rows, right, volts)).toBe(true)
      for (const [index, value] of plain.entries()) expect(right[index]).toBeCloseTo(value, 8)
    }),
  )
})

it('says where nothing holds a node', () => {
  const rows = sparseRows(3)
  rows[0]!.set(0, 1)
  expect(solveSparse(rows, new Float64Array(3), new Float64Array(3).fill(NaN))).toBe(false)
})

it('fills nothing in along a chain or a star, whatever their order', () => {
  const n = 400
  const star = sparseRows(n)
  const tie = (a: number, b: number): void => {
    for (const [row, column] of [
      [a, b],
      [b, a],
    ] as const) {
      star[row]!.set(row, (star[row]!.get(row) ?? 0.1) + 1)
      star[row]!.set(column, -1)
    }
  }
  for (let node = 1; node < n; node += 1) tie(0, node)
  const right = new Float64Array(n).fill(1)
  expect(solveSparse(star, right, new Float64Array(n).fill(NaN))).toBe(true)
  // Each row still has only itself and the hub, or the hub what was last.
  expect(star.reduce((sum, row) => sum + row.size, 0)).toBeLessThanOrEqual(2 * n)
})
