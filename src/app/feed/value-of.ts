/** What a field of a form holds, as text. */
export const valueOf = (event: Event): string =>
  event.target instanceof HTMLSelectElement || event.target instanceof HTMLInputElement
    ? event.target.value
    : ''

/** … as a number that is not below nothing. */
export const numberOf = (event: Event): number => Math.max(0, Number(valueOf(event)) || 0)
