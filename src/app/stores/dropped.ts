import { shallowRef } from 'vue'

/** A file that was dropped on the window for the open plan, until the part of the page that reads it has taken it. */
export const dropped = shallowRef<{ readonly kind: 'outline' | 'photo'; readonly file: File }>()

/** Takes it, so that it is read once. */
export function takeDropped(kind: 'outline' | 'photo'): File | undefined {
  const { value } = dropped
  if (value?.kind !== kind) return undefined
  dropped.value = undefined
  return value.file
}
