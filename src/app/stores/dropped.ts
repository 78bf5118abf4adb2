import { shallowRef, watch } from 'vue'

/** A file that was dropped on the window for the open plan, until the part of the page that reads it has taken it. */
export const dropped = shallowRef<{ readonly kind: 'outline' | 'photo'; readonly file: File }>()

/** Takes what is dropped of a kind, once, also what was dropped before this part of the page was there. */
export function onDropped(kind: 'outline' | 'photo', take: (file: File) => void): void {
  watch(
    dropped,
    (value) => {
      if (value?.kind !== kind) return
      dropped.value = undefined
      take(value.file)
    },
    { immediate: true },
  )
}
