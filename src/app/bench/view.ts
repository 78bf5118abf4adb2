import type { Box, Point } from '../../core/measure/geometry'

/** How millimetres come to the screen: px = mm × scale + shift. */
export interface View {
  readonly scale: number
  readonly x: number
  readonly y: number
}

/** The view that shows all of a box, in the middle, with a border of `padding` px. */
export function fit(box: Box, width: number, height: number, padding: number): View {
  const scale = Math.max(
    1e-6,
    Math.min(
      (width - 2 * padding) / Math.max(box.width, 1),
      (height - 2 * padding) / Math.max(box.height, 1),
    ),
  )
  return {
    scale,
    x: (width - box.width * scale) / 2 - box.x * scale,
    y: (height - box.height * scale) / 2 - box.y * scale,
  }
}

/** An SVG path through points given in mm, whose 0,0 lies at `x`, `y` px. */
export function pathOf(points: readonly Point[], scale: number, x: number, y: number): string {
  return points
    .map(
      ([pointX, pointY], index) =>
        `${index === 0 ? 'M' : 'L'}${px(x + pointX * scale)} ${px(y + pointY * scale)}`,
    )
    .join('')
}

/** The point half way along a course. */
export function middleOf(points: readonly Point[]): Point {
  const [first = [0, 0], last = first]: (Point | undefined)[] = [points[0], points.at(-1)]
  if (points.length === 2) return [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2]
  return points[Math.floor(points.length / 2)] ?? first
}

const steps = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 50_000, 100_000]

/** A round length, mm, that is drawn no longer than `mostPx`. */
export const rulerStep = (scale: number, mostPx: number): number =>
  steps.findLast((mm) => mm * scale <= mostPx) ?? 1

const px = (value: number): string => value.toFixed(1)
