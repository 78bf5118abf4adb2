/** A symmetric matrix by its rows, each with the columns that are not 0. */
export type SparseRows = readonly Map<number, number>[]

export const sparseRows = (n: number): SparseRows =>
  Array.from({ length: n }, () => new Map<number, number>())

/**
 * Solves a sparse, symmetric, positive definite system in place by elimination, always of the unknown that is tied to the fewest others
 * (minimum degree: Tinney and Walker 1967). Wires that meet like a tree or lie along a chain are solved in time that grows with their number.
 *
 * @param rows overwritten
 * @param right n values; holds the answer afterwards
 * @param held values that are known, NaN where they are not
 * @returns whether every pivot stood clear of rounding, measured against the largest value of the matrix
 */
export function solveSparse(rows: SparseRows, right: Float64Array, held: Float64Array): boolean {
  const n = rows.length
  let largest = 0
  for (const [index, row] of rows.entries()) {
    const own = held[index] ?? NaN
    for (const [column, value] of row) {
      largest = Math.max(largest, Math.abs(value))
      // What is known goes to the right side.
      if (Number.isNaN(own) || column === index) continue
      rows[column]?.delete(index)
      right[column] = (right[column] ?? 0) - value * own
    }
    if (Number.isNaN(own)) continue
    row.clear()
    row.set(index, 1)
    right[index] = own
  }

  const waiting = byDegree(rows)
  const order: number[] = []
  for (let pivotRow = waiting.next(); pivotRow !== undefined; pivotRow = waiting.next()) {
    const row = rows[pivotRow] ?? new Map<number, number>()
    const pivot = row.get(pivotRow) ?? 0
    if (!(Math.abs(pivot) > largest * n * Number.EPSILON)) return false
    order.push(pivotRow)
    for (const [other, value] of row) {
      const target = rows[other]
      if (other === pivotRow || target === undefined) continue
      const factor = value / pivot
      target.delete(pivotRow)
      for (const [column, entry] of row)
        if (column !== pivotRow) target.set(column, (target.get(column) ?? 0) - factor * entry)
      right[other] = (right[other] ?? 0) - factor * (right[pivotRow] ?? 0)
      waiting.moved(other)
    }
  }
  for (const index of order.toReversed()) {
    const row = rows[index] ?? new Map<number, number>()
    let sum = right[index] ?? 0
    for (const [column, value] of row) if (column !== index) sum -= value * (right[column] ?? 0)
    right[index] = sum / (row.get(index) ?? NaN)
  }
  return true
}

/** Unknowns by how many others each is tied to, fewest first. */
function byDegree(rows: SparseRows): { next(): number | undefined; moved(index: number): void } {
  const degreeOf = rows.map((row) => row.size)
  const buckets: Set<number>[] = []
  const put = (index: number): void => {
    const degree = degreeOf[index] ?? 0
    while (buckets.length <= degree) buckets.push(new Set())
    buckets[degree]?.add(index)
  }
  for (const index of rows.keys()) put(index)
  let lowest = 0
  return {
    next() {
      while (lowest < buckets.length && buckets[lowest]?.size === 0) lowest += 1
      const [first] = buckets[lowest] ?? []
      if (first !== undefined) buckets[lowest]?.delete(first)
      return first
    },
    moved(index) {
      buckets[degreeOf[index] ?? 0]?.delete(index)
      degreeOf[index] = rows[index]?.size ?? 0
      put(index)
      lowest = Math.min(lowest, degreeOf[index])
    },
  }
}
