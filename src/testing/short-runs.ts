import { emptyPlan } from '../core/plan/empty'
import type { Plan } from '../core/plan/plan'

/** Many short runs, as in a wall of small shelves. */
export const shortRuns = (count: number): Plan => ({
  ...emptyPlan('Many', 'x'),
  lines: Array.from({ length: count }, (_, n) => ({
    id: `l${String(n)}`,
    text: `niche-${String(n)} ${String(300 + ((n * 37) % 240))}`,
  })),
})
