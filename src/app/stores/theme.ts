import { useLocalStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

export const themes = [
  { value: 'system', label: 'As the system' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
] as const
type Theme = (typeof themes)[number]['value']

/** Light or dark as it was chosen on this device. */
export const theme = useLocalStorage<Theme>('glow-tally theme', 'system', {
  onError: () => undefined,
})
watchEffect(() => {
  document.documentElement.dataset['theme'] = theme.value
})
