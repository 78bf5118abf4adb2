import type { Box, Point } from '../../core/measure/geometry'

/** How millimetres come to the screen: px = mm × scale + shift. */
export interface View {
  readonly scale: number
  readonly x: number
  readonly y: number
}

/** The view that shows all of a box, in the middle, with a border of `padding` px; at the top of `top` px, below what lies over it there. */
export function fit(box: Box, width: number, height: number, padding: number, top = padding): View {
  const scale = Math.max(
    1e-6,
    Math.min(
      (width - 2 * padding) / Math.max(box.width, 1),
      (height - padding - top) / Math.max(box.height, 1),
    ),
  )
  return {
    scale,
    x: (width - box.width * scale) / 2 - box.x * scale,
    y: (height + top - padding - box.height * scale) / 2 - box.y * scale,
  }
}

/** The view drawn `factor` × as large, with what is at a place of the screen staying there. */
export function zoomed({ scale, x, y }: View, factor: number, [atX, atY]: Point): View {
  const next = Math.min(20, Math.max(0.002, scale * factor))
  const by = next / scale
  return { scale: next, x: atX - (atX - x) * by, y: atY - (atY - y) * by }
}

/** Where a pointer is on the drawing, px from its corner. */
export const pointerAt = (
  bounds: DOMRect | undefined,
  { clientX, clientY }: Pick<MouseEvent, 'clientX' | 'clientY'>,
): Point => [clientX - (bounds?.left ?? 0), clientY - (bounds?.top ?? 0)]

/** Where a place of the drawing is on the screen. */
export const toScreen = ({ scale, x, y }: View, [mmX, mmY]: Point): Point => [
  mmX * scale + x,
  mmY * scale + y,
]

/** What is drawn at a place of the screen. */
export const toBench = ({ scale, x, y }: View, [pxX, pxY]: Point): Point => [
  (pxX - x) / scale,
  (pxY - y) / scale,
]

/** An SVG path through points, mm. */
export const pathOf = (points: readonly Point[]): string =>
  points
    .map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`)
    .join('')

/** An SVG path with a round dot at each point, mm. */
export const dotsPath = (points: readonly Point[]): string =>
  points.map((point) => `${pathOf([point])}h0.001`).join('')

const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 50_000, 100_000]

/** A round length, mm, that is drawn no longer than `mostPx`. */
export const rulerStep = (scale: number, mostPx: number): number =>
  steps.findLast((mm) => mm * scale <= mostPx) ?? 1
