import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { currencies, type Currency } from '../../core/plan/choices'
import { usualBuy } from '../../core/plan/usual'

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
