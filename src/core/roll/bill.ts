import { toBuy } from '../buy/receipt'
import { billGroups } from '../parts/sold'
import { operand, working, type Figure, type Operand, type Working } from '../quantity/figure'
import { plural } from '../quantity/format'
import type { JudgedPlan } from '../verdict/judged-plan'
import { sumOf } from './total'

/** Costs that are printed one by one; a longer group prints how many it has. */
const mostPrinted = 5

/** A group's costs added up, or how many they are. */
function workingOf(costs: readonly Operand[]): Working {
  if (costs.length === 0) return { operation: 'from the drawer', operands: [] }
  return costs.length === 1 || costs.length > mostPrinted
    ? { operation: plural(costs.length, 'line'), operands: [] }
    : { operation: costs.map((_, index) => `{${String(index)}}`).join(' + '), operands: costs }
}

/** What the bill comes to, group by group, and by the metre of light. */
export function billFigures({
  plan,
  receipt,
  cutRuns,
}: Pick<JudgedPlan, 'plan' | 'receipt' | 'cutRuns'>): Figure[] {
  const groups = billGroups.flatMap((group): Figure[] => {
    const priced = receipt.lines.filter((line) => line.group === group && line.cost !== null)
    if (priced.length === 0) return []
    const costs = priced.filter(({ cost }) => cost !== 0)
    const operands = costs.map(({ name, cost }): Operand => operand(name, cost ?? 0, 'price'))
    return [
      {
        id: `bill.${group}`,
        label: group === 'own' ? 'your own lines' : group,
        value: operands.reduce((sum, { value }) => sum + value, 0),
        unit: 'price',
        ...workingOf(operands),
        about: [],
      },
    ]
  })
  if (groups.length === 0) return []
  const total = sumOf('bill.total', 'the whole bill', 'price', groups)
  const metres = cutRuns.reduce((sum, { placedMm }) => sum + placedMm, 0) / 1000
  const open = toBuy(receipt, plan.buy)
  const paid = plan.buy.bought.reduce((sum, one) => sum + (one.paid ?? 0), 0)
  return [
    ...groups,
    {
      ...total,
      rule:
        receipt.unpriced > 0
          ? `without ${plural(receipt.unpriced, 'line')} that ${receipt.unpriced === 1 ? 'has' : 'have'} no price`
          : 'typical prices, and your own where you gave them',
    },
    ...(metres > 0
      ? [
          {
            id: 'bill.metre',
            label: 'a metre of light',
            value: receipt.total / metres,
            unit: 'price',
            ...working`${operand('bill', receipt.total, 'price')} / ${operand('light', metres, 'm')}`,
            about: [],
          } satisfies Figure,
        ]
      : []),
    ...(plan.buy.bought.length > 0
      ? [
          {
            id: 'bill.open',
            label: 'still to buy',
            value: open.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
            unit: 'price',
            operation: plural(open.length, 'line'),
            operands: [],
            about: [],
          } satisfies Figure,
        ]
      : []),
    ...(paid > 0
      ? [
          {
            id: 'bill.paid',
            label: 'paid so far',
            value: paid,
            unit: 'price',
            operation: plural(
              plan.buy.bought.filter((one) => one.paid !== undefined).length,
              'line',
            ),
            operands: [],
            about: [],
          } satisfies Figure,
        ]
      : []),
  ]
}
