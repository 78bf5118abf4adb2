import type { Line, Plan } from './plan'

/** Id of the supply that a line hangs on: its own, or the plan's first. */
export const supplyIdOf = (
  { supplies }: Pick<Plan, 'supplies'>,
  line?: Pick<Line, 'supplyId'>,
): string => line?.supplyId ?? supplies[0]?.id ?? ''
