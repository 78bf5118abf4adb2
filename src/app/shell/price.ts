import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { currencies, type Currency } from '../../core/plan/choices'
import { usualBuy } from '../../core/plan/usual'
import { usePlanStore } from '../stores/plan'

const kept = useLocalStorage<string>('glow-tally currency', usualBuy.currency, {
  onError: () => undefined,
})

/** The currency that was chosen on this device: new plans begin with it. */
export const deviceCurrency = computed<Currency>({
  get: () => currencies.find((code) => code === kept.value) ?? usualBuy.currency,
  set: (code) => {
    kept.value = code
  },
})

const formats = new Map<string, Intl.NumberFormat>()

/** An amount of money with its sign: `€12.30`. */
function money(value: number, currency: Currency): string {
  const format =
    formats.get(currency) ??
    new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
  formats.set(currency, format)
  return format.format(value)
}

/** Writes prices in the currency of the open plan, or of this device where none is open. */
export function usePrice(): (value: number | null) => string {
  const store = usePlanStore()
  return (value) =>
    value === null ? '–' : money(value, store.plan?.buy.currency ?? deviceCurrency.value)
}
