import type { Point } from '../core/measure/geometry'

/** Millimetres of a drawing as they stand in an SVG: to thousandths. */
export const mm = (value: number): string => String(Math.round(value * 1000) / 1000)

/** A course from point to point as the data of a path. */
export const pathOf = (points: readonly Point[]): string =>
  points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${mm(x)} ${mm(y)}`).join('')
