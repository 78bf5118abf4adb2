import { formatQuantity } from '../quantity/format'
import type { Plan } from './plan'

/** How much of what a sum is about something can dim; the rest is at full whenever it is on. */
export type Dims = 'all' | 'some' | 'none'

/**
 * How bright it is over the hours in which it is used, as sums count it, for people: `5 min full and 55 min at 40 % of each hour`.
 */
export function mixText(
  { use: { mix }, scene, limit }: Pick<Plan, 'use' | 'scene' | 'limit'>,
  dims: Dims,
): string {
  if (dims === 'none') return 'full'
  const { fullWhite, level } = mix
  const at = (share: number): string => {
    const bright = Math.min(share, limit)
    return bright < 1 ? `at ${formatQuantity(bright, '%')}` : 'full'
  }
  const parts = [
    ...(fullWhite > 0 ? [`${String(fullWhite)} min ${at(1)}`] : []),
    ...(level > 0 ? [`${String(level)} min ${at(scene.level)}`] : []),
  ]
  const isAll = fullWhite + level >= 60
  const lit =
    parts.length === 0
      ? 'dark'
      : `${parts.join(' and ')} of each hour${isAll ? '' : ', dark the rest'}`
  return dims === 'some' ? `${lit}; what nothing dims at full` : lit
}
