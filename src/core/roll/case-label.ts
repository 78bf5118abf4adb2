import type { LoadCase } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { formatQuantity } from '../quantity/format'

const caseLabels: Readonly<Record<LoadCase, string>> = {
  idle: 'idle',
  'full-white': 'full white',
  red: 'full red',
  green: 'full green',
  blue: 'full blue',
  level: 'at',
}

/** The load case that the plan shows, in words. */
export const caseLabel = (plan: Pick<Plan, 'scene'>): string =>
  plan.scene.shown === 'level'
    ? `at ${formatQuantity(plan.scene.level, '%')}`
    : caseLabels[plan.scene.shown]
