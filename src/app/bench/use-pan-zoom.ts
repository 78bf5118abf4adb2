import { computed, shallowRef, type ComputedRef } from 'vue'
import type { Box, Point } from '../../core/measure/geometry'
import { fit, zoomed, type View } from './view'

/** The part of the bench that is seen: all of it, until a hand pans or zooms. */
export function usePanZoom(options: {
  readonly box: () => Box
  readonly width: () => number
  readonly height: () => number
  readonly padding: number
  /** … at the top, where that is another. */
  readonly top?: () => number | undefined
}): {
  view: ComputedRef<View>
  isFitted: ComputedRef<boolean>
  fitAll: () => void
  pan: (from: View, dx: number, dy: number) => void
  zoom: (factor: number, at?: Point) => void
} {
  const own = shallowRef<View>()
  const view = computed(
    () =>
      own.value ??
      fit(options.box(), options.width(), options.height(), options.padding, options.top?.()),
  )
  return {
    view,
    isFitted: computed(() => own.value === undefined),
    fitAll: () => {
      own.value = undefined
    },
    pan: (from, dx, dy) => {
      own.value = { ...from, x: from.x + dx, y: from.y + dy }
    },
    zoom: (factor, at = [options.width() / 2, options.height() / 2]) => {
      own.value = zoomed(view.value, factor, at)
    },
  }
}
