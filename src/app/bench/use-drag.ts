import { useEventListener } from '@vueuse/core'

export interface Drag {
  /** Called with the way since the start, px. */
  readonly move: (dx: number, dy: number, event: PointerEvent) => void
  /** `isClick` where the pointer hardly moved. */
  readonly end?: (isClick: boolean, event: PointerEvent) => void
}

/** A click becomes a drag when it goes farther than this, px. */
const clickPx = 3

/**
 * Follows a pointer from where it went down until it is let go, wherever it goes.
 *
 * @returns a function that begins a drag from a `pointerdown`
 */
export function useDrag(): (event: PointerEvent, drag: Drag) => void {
  let current: { drag: Drag; x: number; y: number; id: number; isClick: boolean } | undefined

  useEventListener(window, 'pointermove', (event) => {
    if (current?.id !== event.pointerId) return
    const [dx, dy] = [event.clientX - current.x, event.clientY - current.y]
    if (current.isClick && Math.hypot(dx, dy) <= clickPx) return
    current.isClick = false
    current.drag.move(dx, dy, event)
  })
  useEventListener(window, ['pointerup', 'pointercancel'], (event: PointerEvent) => {
    if (current?.id !== event.pointerId) return
    const { drag, isClick } = current
    current = undefined
    drag.end?.(isClick, event)
  })
  // A second finger makes it a pinch: what the first one took stays where it is.
  useEventListener(
    window,
    'pointerdown',
    (event: PointerEvent) => {
      if (current === undefined || event.pointerType !== 'touch') return
      const { drag } = current
      current = undefined
      drag.end?.(false, event)
    },
    { capture: true },
  )
  return (event, drag) => {
    // A second finger takes nothing.
    if (event.button !== 0 || !event.isPrimary) return
    current = { drag, x: event.clientX, y: event.clientY, id: event.pointerId, isClick: true }
  }
}
