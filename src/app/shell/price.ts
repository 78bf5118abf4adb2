import type { Currency } from '../../core/plan/choices'
import { usualBuy } from '../../core/plan/usual'
import { usePlanStore } from '../stores/plan'

const formats = new Map<string, Intl.NumberFormat>()

/** An amount of money with its sign, as the browser's language writes it: `€12.30`. */
export function money(value: number, currency: Currency): string {
  const format =
    formats.get(currency) ??
    new Intl.NumberFormat(undefined, {
      style: 'currency',
      currency,
      currencyDisplay: 'narrowSymbol',
    })
  formats.set(currency, format)
  return format.format(value)
}

/** Writes prices in the currency of the open plan. */
export function usePrice(): (value: number | null) => string {
  const store = usePlanStore()
  return (value) =>
    value === null ? '–' : money(value, store.plan?.buy.currency ?? usualBuy.currency)
}
