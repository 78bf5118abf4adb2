import type { Receipt } from '../core/buy/receipt'
import { billGroups } from '../core/parts/sold'
import type { LengthUnits } from '../core/quantity/format'
import { buysText, needText } from './csv-bill'
import { oneLine } from './safe-text'

/** What is still to buy as plain text, to send to whoever goes to the shop: a line a thing, group by group. */
export function billText(
  title: string,
  { lines }: Pick<Receipt, 'lines'>,
  price: (cost: number | null) => string,
  units?: LengthUnits,
): string {
  const groups = billGroups.flatMap((group) => {
    const own = lines.filter((line) => line.group === group)
    return own.length === 0
      ? []
      : [
          '',
          group.toUpperCase(),
          ...own.map((line) => {
            const buys = buysText(line, units)
            const what = buys === '' ? needText(line.need, line.unit, units) : buys
            return `- ${line.name}: ${what}${line.cost === null ? '' : ` (${price(line.cost)})`}`
          }),
        ]
  })
  const total = lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0)
  return [oneLine(title), ...groups.map(oneLine), '', `About ${price(total)}`, ''].join('\n')
}
