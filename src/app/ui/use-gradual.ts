import { useRafFn } from '@vueuse/core'
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { usePrinting } from './use-printing'

/**
 * A list that appears row by row, those in view first, so that a page of hundreds of rows does not stand still.
 *
 * @param aFrame rows that are made within a frame
 * @param isWanted whether more of them are wanted
 */
export function useGradual<Item>(
  items: () => readonly Item[],
  aFrame = 10,
  isWanted: () => boolean = () => true,
): ComputedRef<readonly Item[]> {
  const shown = ref(aFrame)
  const { pause, resume } = useRafFn(
    () => {
      shown.value += aFrame
    },
    { immediate: false },
  )
  watch(
    () => items().length > shown.value && isWanted(),
    (isMore) => {
      if (isMore) resume()
      else pause()
    },
    { immediate: true },
  )
  return computed(() => (items().length <= shown.value ? items() : items().slice(0, shown.value)))
}

/** A list of which as much is there as has been scrolled to, and how much is not: the rows of a `ListRest` that stands in its place. */
export interface ScrolledList<Item> {
  readonly shown: ComputedRef<readonly Item[]>
  readonly rest: ComputedRef<number>
  /** Whether that rest is in view, or nearly so. */
  readonly isNear: Ref<boolean>
}

/** A list that goes on as it is scrolled to: thousands of rows slow down whatever changes on the page. On paper all of them are there. */
export function useScrolled<Item>(
  items: () => readonly Item[],
  aFrame?: number,
): ScrolledList<Item> {
  const isNear = ref(true)
  const isPrinting = usePrinting()
  const some = useGradual(items, aFrame, () => isNear.value)
  const shown = computed(() => (isPrinting.value ? items() : some.value))
  return { shown, rest: computed(() => items().length - shown.value.length), isNear }
}
