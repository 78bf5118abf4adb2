import { useEventListener } from '@vueuse/core'
import { computed, shallowRef, type ComputedRef, type Ref } from 'vue'

/** Rows up to this many are all treated as near. */
const fewRows = 80
/** Rows beyond the edge of the view that still count as near. */
const margin = 25

export interface NearRows {
  /** Whether any of the rows from one index up to, not including, another is in view or nearly so. */
  readonly isNear: ComputedRef<(from: number, upTo: number) => boolean>
  readonly bringNear: (index: number) => void
  /** From now on rows that were near stay so, until this is called with `false`: one of them is in somebody's hand. */
  readonly keep: (keeps: boolean) => void
}

/**
 * Which rows of a long list are in view or nearly so. A field in every row is what makes a long list slow: the browser keeps
 * a scrolling box for each. Rows that are far away can be plain text.
 *
 * @param scroller the element that scrolls
 * @param partsOf its rows, and what stands for several of them, in their order: each has the index of its first row as `data-at`
 */
export function useNearRows(
  scroller: Ref<HTMLElement | null>,
  partsOf: (scroller: HTMLElement) => HTMLCollection | undefined,
  count: () => number,
): NearRows {
  const first = shallowRef(0)
  const last = shallowRef(fewRows)
  let keeps = false

  function near(from: number, to: number): void {
    first.value = keeps ? Math.min(first.value, from) : from
    last.value = keeps ? Math.max(last.value, to) : to
  }
  function look(): void {
    const element = scroller.value
    const parts = element === null ? undefined : partsOf(element)
    if (element === null || parts === undefined) return
    const box = element.getBoundingClientRect()
    const [top, bottom] = [firstBelow(parts, box.top), firstBelow(parts, box.bottom)]
    near(firstRow(parts[top]) - margin, firstRow(parts[bottom], count()) + margin)
  }
  useEventListener(scroller, 'scroll', look, { passive: true })

  return {
    isNear: computed(() => {
      const [start, end, all] = [first.value, last.value, count() <= fewRows]
      return (from, upTo) => all || (upTo > start && from <= end)
    }),
    bringNear: (index) => {
      if (index < first.value || index > last.value) near(index - margin, index + margin)
    },
    keep: (now) => {
      keeps = now
    },
  }
}

const firstRow = (part: Element | undefined, none = 0): number =>
  part instanceof HTMLElement ? Number(part.dataset.at) : none

/** Index of the first part whose lower edge lies below `y`; they stand one under the other. */
function firstBelow(parts: HTMLCollection, y: number): number {
  let [low, high] = [0, parts.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((parts[middle]?.getBoundingClientRect().bottom ?? 0) <= y) low = middle + 1
    else high = middle
  }
  return low
}
