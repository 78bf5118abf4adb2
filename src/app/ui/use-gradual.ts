import { useRafFn } from '@vueuse/core'
import { computed, ref, watch, type ComputedRef } from 'vue'

/**
 * A list that appears row by row, those in view first, so that a page of hundreds of rows does not stand still.
 *
 * @param aFrame rows that are made within a frame
 */
export function useGradual<Item>(
  items: () => readonly Item[],
  aFrame = 10,
): ComputedRef<readonly Item[]> {
  const shown = ref(aFrame)
  const { pause, resume } = useRafFn(
    () => {
      shown.value += aFrame
      if (shown.value >= items().length) pause()
    },
    { immediate: false },
  )
  watch(
    () => items().length > shown.value,
    (isMore) => {
      if (isMore) resume()
    },
    { immediate: true },
  )
  return computed(() => (items().length <= shown.value ? items() : items().slice(0, shown.value)))
}
