import fc from 'fast-check'
import { expect, it } from 'vitest'
import { worked } from '../core/worked'
import { demoPlan } from '../testing/demo-plan'
import { csv, type CsvStyle } from './csv'
import { readDrawer, writeDrawerFile } from './drawer-file'
import { numberOf } from './csv-read'
import { priceTable, readPriceList } from './price-list'

it('a price list that was saved is read back, however its cells are separated', () => {
  const { lines } = worked(demoPlan('bay-window-nook')).receipt
  for (const separator of [',', ';', '\t'] satisfies CsvStyle['separator'][]) {
    const read = readPriceList(csv(priceTable(lines), { separator, hasMark: true }))
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    for (const { id, packs } of lines)
      expect(read.prices.find(({ line }) => line === id)?.packs ?? []).toEqual(
        packs.filter(({ price }) => price !== null),
      )
  }
})

it.each<[string, string, object]>([
  ['another table', 'name,cost\na,1', { row: 1, column: 'id' }],
  ['a price below nothing', 'id,pack,price\nwire,1,-2', { row: 2, column: 'price' }],
  ['an absurd one', 'id,pack,price\nok,1,2\nwire,1,9999999', { row: 3, column: 'price' }],
  ['a word', 'id;pack;price\nwire;1;cheap', { row: 2, column: 'price' }],
  ['a pack of nothing', 'id,pack,price\nwire,0,2', { row: 2, column: 'pack' }],
  ['what could be two numbers', 'id,pack,price\nwire,1,"1,234"', { row: 2, column: 'price' }],
])('%s is refused with its row and column, and nothing is taken', (_, text, where) => {
  const read = readPriceList(text)
  expect(read.ok).toBe(false)
  expect(read.ok ? [] : read.issues).toMatchObject([
    where,
    ...(text.startsWith('name') ? [{}, {}] : []),
  ])
})

it('any price is read as it was written, with a point or a comma', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 99_999_999 }), (cents) => {
      const price = cents / 100
      expect(numberOf(price.toFixed(2))).toBe(price)
      expect(numberOf(price.toFixed(2).replace('.', ','))).toBe(price)
      expect(numberOf(price.toLocaleString('en-GB', { minimumFractionDigits: 2 }))).toBe(price)
      expect(numberOf(price.toLocaleString('de-DE', { minimumFractionDigits: 2 }), ',')).toBe(price)
    }),
  )
})

it('a drawer that was written is read back; another file is refused by path', () => {
  const items = [
    { part: 'pixels-5v-60-low', name: 'rest', unit: 'mm', amount: 1240 },
    { name: 'wire 1 mm², red', unit: 'm', amount: 3.5 },
  ] as const
  expect(readDrawer(JSON.parse(writeDrawerFile(items)))).toEqual({ ok: true, items })
  const refused = readDrawer({
    format: 'glow-tally drawer',
    version: 1,
    items: [{ name: 'x', unit: 'miles', amount: -1 }],
  })
  expect(refused.ok ? [] : refused.issues.map(({ path }) => path)).toEqual([
    'items[0].unit',
    'items[0].amount',
  ])
})
