import type { BoughtPack } from '../core/buy/bill-lines'
import type { Receipt, ReceiptLine } from '../core/buy/receipt'
import { formatQuantity, formatSold, type LengthUnits, rounded } from '../core/quantity/format'
import { workingText } from '../core/quantity/figure'
import { toCents } from '../core/quantity/round'
import { table, type Table } from './csv'

/** A pack in words: `5 m`, `pack of 10`, `one`. */
export const packText = (
  { size }: Pick<BoughtPack, 'size'>,
  unit: ReceiptLine['unit'],
  units?: LengthUnits,
): string =>
  unit === 'm' ? formatSold(size, units) : size === 1 ? 'one' : `pack of ${String(size)}`

/** What is bought of a line in words: `2 × 5 m + 1 × 1 m`, `3`, `1 + pack of 5`. */
export const buysText = (
  { buys, unit }: Pick<ReceiptLine, 'buys' | 'unit'>,
  units?: LengthUnits,
): string =>
  buys
    .map((pack) => {
      const count = String(pack.count)
      if (unit !== 'm' && pack.size === 1) return count
      return pack.count === 1 && unit !== 'm'
        ? packText(pack, unit, units)
        : `${count} × ${packText(pack, unit, units)}`
    })
    .join(' + ')

/** A need in words: `27`, `2.39 m`. */
export const needText = (need: number, unit: ReceiptLine['unit'], units?: LengthUnits): string =>
  unit === 'm' ? formatQuantity(need, 'm', units) : rounded(need, 3)

/** The bill as CSV: a row a line, its cost empty where a price is missing. */
export const billTable = ({ lines }: Pick<Receipt, 'lines'>, currency: string): Table =>
  table(
    ['group', 'what', 'need', 'unit', 'sum', 'from the drawer', 'buy', `cost ${currency}`, 'note'],
    lines.map((line) => [
      line.group,
      line.name,
      Number(line.need.toFixed(3)),
      line.unit,
      `${workingText(line)}; ${line.rule}`,
      line.have > 0 ? Number(line.have.toFixed(3)) : '',
      buysText(line),
      line.cost === null ? '' : toCents(line.cost),
      line.note ?? '',
    ]),
  )
