/**
 * Solves a dense system in place by elimination with row pivoting.
 *
 * @param matrix n × n, row by row; overwritten
 * @param right n values; holds the answer afterwards
 * @returns whether every pivot stood clear of rounding, measured against the largest value of the matrix
 */
export function solveDense(matrix: Float64Array, right: Float64Array): boolean {
  const n = right.length
  const at = (row: number, column: number): number => matrix[row * n + column] ?? 0
  const largest = matrix.reduce((most, value) => Math.max(most, Math.abs(value)), 0)
  for (let column = 0; column < n; column += 1) {
    let pivotRow = column
    for (let row = column + 1; row < n; row += 1)
      if (Math.abs(at(row, column)) > Math.abs(at(pivotRow, column))) pivotRow = row
    const pivot = at(pivotRow, column)
    if (!(Math.abs(pivot) > largest * n * Number.EPSILON)) return false
    if (pivotRow !== column) {
      for (let k = column; k < n; k += 1) {
        const kept = at(column, k)
        matrix[column * n + k] = at(pivotRow, k)
        matrix[pivotRow * n + k] = kept
      }
      const kept = right[column] ?? 0
      right[column] = right[pivotRow] ?? 0
      right[pivotRow] = kept
    }
    for (let row = column + 1; row < n; row += 1) {
      const factor = at(row, column) / pivot
      if (factor === 0) continue
      for (let k = column + 1; k < n; k += 1)
        matrix[row * n + k] = at(row, k) - factor * at(column, k)
      right[row] = (right[row] ?? 0) - factor * (right[column] ?? 0)
    }
  }
  for (let row = n - 1; row >= 0; row -= 1) {
    let sum = right[row] ?? 0
    for (let k = row + 1; k < n; k += 1) sum -= at(row, k) * (right[k] ?? 0)
    right[row] = sum / at(row, row)
  }
  return true
}
