import { expect, it } from 'vitest'
import { tapeRows } from './tape-rows'

const tapes = [
  { name: 'long', lengthMm: 2_000, from: 0, count: 120 },
  { name: 'short', lengthMm: 500, from: 120, count: 30 },
]

it('tapes lie at one scale, their lights inside them', () => {
  const { rows, height } = tapeRows(tapes, 'tapes', 800)
  expect(rows.map(({ name, from, count, lengthPx }) => [name, from, count, lengthPx])).toEqual([
    ['long', 0, 120, 800],
    ['short', 120, 30, 200],
  ])
  for (const { count, lengthPx, lightPx } of rows) expect(count * lightPx).toBeLessThan(lengthPx)
  expect(rows[1]!.top).toBeGreaterThan(rows[0]!.top)
  expect(height).toBeGreaterThan(rows[1]!.top)
})

it('the grid has whole tens in a row, every light once, as wide as there is room', () => {
  for (const width of [150, 390, 900]) {
    const { rows, lightPx, stepPx, tenPx } = tapeRows(tapes, 'grid', width)
    expect(
      rows.flatMap(({ from, count }) => Array.from({ length: count }, (_, at) => from + at)),
    ).toEqual(Array.from({ length: 150 }, (_, at) => at))
    expect(
      rows.filter(({ name }) => name !== undefined).map(({ name, number }) => [name, number]),
    ).toEqual([
      ['long', 0],
      ['short', 0],
    ])
    const most = Math.max(...rows.map(({ count }) => count))
    const wide = (most - 1) * stepPx + Math.floor((most - 1) / 10) * tenPx + lightPx
    expect(wide).toBeLessThanOrEqual(width)
    // Only the last row of a run is not full.
    for (const row of rows)
      if (rows[rows.indexOf(row) + 1]?.name === undefined && row !== rows.at(-1))
        expect(row.count % 10).toBe(0)
  }
})
