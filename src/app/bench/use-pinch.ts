import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'
import type { Point } from '../../core/measure/geometry'
import type { View } from './view'

/** Two fingers on a drawing move it with them, and bring it nearer as they part. */
export function usePinch(
  frame: Ref<HTMLElement | null>,
  {
    view,
    pan,
    zoom,
  }: {
    readonly view: () => View
    readonly pan: (from: View, dx: number, dy: number) => void
    readonly zoom: (factor: number, at?: Point) => void
  },
): void {
  const fingers = new Map<number, Point>()

  /** Their middle on the drawing and how far they are apart, px. */
  function held(): { readonly middle: Point; readonly apart: number } | undefined {
    const [one, other, third] = fingers.values()
    const bounds = frame.value?.getBoundingClientRect()
    if (one === undefined || other === undefined || third !== undefined) return undefined
    return {
      middle: [
        (one[0] + other[0]) / 2 - (bounds?.left ?? 0),
        (one[1] + other[1]) / 2 - (bounds?.top ?? 0),
      ],
      apart: Math.max(1, Math.hypot(one[0] - other[0], one[1] - other[1])),
    }
  }

  // Before runs and chips below them take it.
  useEventListener(
    frame,
    'pointerdown',
    ({ pointerType, pointerId, clientX, clientY }: PointerEvent) => {
      if (pointerType === 'touch') fingers.set(pointerId, [clientX, clientY])
    },
    { capture: true },
  )
  useEventListener(window, 'pointermove', ({ pointerId, clientX, clientY }) => {
    if (!fingers.has(pointerId)) return
    const before = held()
    fingers.set(pointerId, [clientX, clientY])
    const after = held()
    if (before === undefined || after === undefined) return
    pan(view(), after.middle[0] - before.middle[0], after.middle[1] - before.middle[1])
    zoom(after.apart / before.apart, after.middle)
  })
  useEventListener(window, ['pointerup', 'pointercancel'], ({ pointerId }: PointerEvent) => {
    fingers.delete(pointerId)
  })
}
