import { headroomOf, type FedSupply } from '../feed/supplies'
import type { Plan } from '../plan/plan'
import { operand, working, type Figure } from '../quantity/figure'

const sizingRule = {
  'full-white': 'full white, with headroom',
  'next-size': 'full white, next size up',
  scenes: 'what the scene draws',
} as const

/** What a supply has to give, and what it is. */
export function supplyFigures(plan: Plan, supply: FedSupply): Figure[] {
  const { slot, part, loadA, needA, fits } = supply
  if (fits.length === 0) return []
  const about = [slot.id, ...fits.map((load) => load.id)]
  const headroom = headroomOf(plan)
  const drawn = operand('load', loadA, 'A')
  return [
    {
      id: `need.${slot.id}`,
      label: 'to be given',
      value: needA,
      unit: 'A',
      ...(headroom > 0
        ? working`${drawn} ÷ ${operand('1 − headroom', 1 - headroom)}`
        : working`${drawn}`),
      rule: sizingRule[plan.rules.sizing],
      about,
    },
    {
      id: `supply.${slot.id}`,
      label: part?.name ?? 'none is large enough',
      value: part?.ratedA ?? null,
      unit: 'A',
      operation: '',
      operands: [],
      rule: slot.part === 'auto' ? 'next size up' : 'chosen',
      about,
      isTotal: true,
    },
  ]
}
