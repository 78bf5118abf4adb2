import { computed, shallowRef } from 'vue'
import { applyTheme, keptTheme, themeKey } from './kept-theme'

export const themes = [
  { value: 'system', label: 'As the system' },
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
] as const

const chosen = shallowRef(keptTheme())

/** The choice for this device; it takes effect at once. */
export const theme = computed<string>({
  get: () => chosen.value,
  set: (value) => {
    chosen.value = value
    applyTheme(value)
    try {
      localStorage.setItem(themeKey, value)
    } catch {
      // It holds for this visit.
    }
  },
})
