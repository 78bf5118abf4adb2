/**
 * Gives every row a column of its own so that the costs add up to least (shortest augmenting paths, after Kuhn, Munkres and Jonker). Every
 * row may also go without, at the cost `without`.
 *
 * @param costs rows of as many costs as there are columns; `Infinity` where a row cannot have a column
 * @returns the column of each row, -1 for none
 */
export function leastCost(costs: readonly (readonly number[])[], without: number): number[] {
  const rows = costs.length
  const real = costs[0]?.length ?? 0
  const columns = real + rows
  const costAt = (row: number, column: number): number =>
    column < real ? Math.min(costs[row]?.[column] ?? Infinity, 2 * without) : without
  // One more than there are: index 0 stands for "not yet".
  const rowPrice = new Float64Array(rows + 1)
  const columnPrice = new Float64Array(columns + 1)
  const rowOf = new Int32Array(columns + 1)
  const before = new Int32Array(columns + 1)
  for (let row = 1; row <= rows; row += 1) {
    rowOf[0] = row
    const least = new Float64Array(columns + 1).fill(Infinity)
    const isUsed = new Uint8Array(columns + 1)
    let column = 0
    do {
      isUsed[column] = 1
      const from = rowOf[column] ?? 0
      let [step, next] = [Infinity, 0]
      for (let other = 1; other <= columns; other += 1) {
        if (isUsed[other] === 1) continue
        const reduced =
          costAt(from - 1, other - 1) - (rowPrice[from] ?? 0) - (columnPrice[other] ?? 0)
        if (reduced < (least[other] ?? Infinity)) {
          least[other] = reduced
          before[other] = column
        }
        if ((least[other] ?? Infinity) < step) [step, next] = [least[other] ?? Infinity, other]
      }
      for (let other = 0; other <= columns; other += 1)
        if (isUsed[other] === 1) {
          const at = rowOf[other] ?? 0
          rowPrice[at] = (rowPrice[at] ?? 0) + step
          columnPrice[other] = (columnPrice[other] ?? 0) - step
        } else least[other] = (least[other] ?? Infinity) - step
      column = next
    } while (rowOf[column] !== 0)
    while (column !== 0) {
      const previous = before[column] ?? 0
      rowOf[column] = rowOf[previous] ?? 0
      column = previous
    }
  }
  const given = new Array<number>(rows).fill(-1)
  for (let column = 1; column <= real; column += 1) {
    const row = (rowOf[column] ?? 0) - 1
    if (row >= 0 && Number.isFinite(costs[row]?.[column - 1] ?? Infinity)) given[row] = column - 1
  }
  return given
}
