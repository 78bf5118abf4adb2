/** What the field that an event comes from holds. */
export const fieldText = ({ target }: Event): string =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLSelectElement ||
  target instanceof HTMLTextAreaElement
    ? target.value
    : ''

/** The file that was chosen in a field, which is emptied so that the same one can be chosen again. */
export function fileOf({ target }: Event): File | undefined {
  if (!(target instanceof HTMLInputElement)) return undefined
  const file = target.files?.[0]
  target.value = ''
  return file
}
