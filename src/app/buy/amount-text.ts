import type { DrawerItem } from '../../core/buy/drawer'
import { formatLength, formatQuantity, plural, type LengthUnits } from '../../core/quantity/format'

/** How much of something is in the drawer, in words. */
export function amountText({ unit, amount }: DrawerItem, units: LengthUnits): string {
  switch (unit) {
    case 'mm':
      return formatLength(amount, units)
    case 'm':
      return formatQuantity(amount, 'm', units)
    case 'piece':
      return plural(Number(amount.toFixed(2)), 'piece')
    case 'sheet':
      return plural(Number(amount.toFixed(2)), 'sheet')
  }
}
