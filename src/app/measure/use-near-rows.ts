import { useEventListener } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef, type Ref } from 'vue'

/** Rows up to this many are all treated as near. */
const fewRows = 80
/** Rows beyond the edge of the view that still count as near. */
const margin = 25

/**
 * Which rows of a long list are in view or nearly so. A field in every row is what makes a long list slow: the browser keeps
 * a scrolling box for each. Rows that are far away can be plain text.
 *
 * @param scroller the element that scrolls
 * @param rowsOf its rows, in their order
 */
export function useNearRows(
  scroller: Ref<HTMLElement | null>,
  rowsOf: (scroller: HTMLElement) => HTMLCollection | undefined,
  count: () => number,
): { isNear: ComputedRef<(index: number) => boolean>; bringNear: (index: number) => void } {
  const first = shallowRef(0)
  const last = shallowRef(fewRows)

  function look(): void {
    const element = scroller.value
    const rows = element === null ? undefined : rowsOf(element)
    if (element === null || rows === undefined) return
    const box = element.getBoundingClientRect()
    first.value = firstBelow(rows, box.top) - margin
    last.value = firstBelow(rows, box.bottom) + margin
  }
  useEventListener(scroller, 'scroll', look, { passive: true })

  return {
    isNear: computed(() => {
      const [from, to, all] = [first.value, last.value, count() <= fewRows]
      return (index) => all || (index >= from && index <= to)
    }),
    bringNear: (index) => {
      if (index >= first.value && index <= last.value) return
      first.value = index - margin
      last.value = index + margin
    },
  }
}

/** Index of the first row whose lower edge lies below `y`; rows stand one under the other. */
function firstBelow(rows: HTMLCollection, y: number): number {
  let [low, high] = [0, rows.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((rows[middle]?.getBoundingClientRect().bottom ?? 0) <= y) low = middle + 1
    else high = middle
  }
  return low
}
