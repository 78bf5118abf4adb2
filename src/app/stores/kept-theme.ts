export const themeKey = 'glow-tally theme'

/** Light or dark as it was chosen on this device; what is not known goes by the system. */
export function keptTheme(): string {
  try {
    return localStorage.getItem(themeKey) ?? 'system'
  } catch {
    return 'system'
  }
}

export function applyTheme(theme: string): void {
  document.documentElement.dataset.theme = theme
}
