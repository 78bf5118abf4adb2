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
  const { slot, part, loadA, needA, fits, boardA } = supply
  if (loadA === 0) return []
  const about = [slot.id, ...fits.map(({ load }) => load.id)]
  const headroom = headroomOf(plan)
  const lights = operand(boardA > 0 ? 'lights' : 'load', loadA - boardA, 'A')
  const board = operand('board and sensors', boardA, 'A')
  const kept = operand('1 − headroom', 1 - headroom)
  return [
    {
      id: `need.${slot.id}`,
      label: 'required',
      value: needA,
      unit: 'A',
      ...(boardA > 0
        ? headroom > 0
          ? working`(${lights} + ${board}) ÷ ${kept}`
          : working`${lights} + ${board}`
        : headroom > 0
          ? working`${lights} ÷ ${kept}`
          : working`${lights}`),
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
