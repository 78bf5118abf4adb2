import { withDrawer, type DrawerItem } from '../core/buy/drawer'
import { partsOf } from '../core/parts/find'
import type { OwnPrice, Plan } from '../core/plan/plan'
import { workingText } from '../core/quantity/figure'
import { toCents } from '../core/quantity/round'
import { worked } from '../core/worked'
import { json } from './output'

/** The bill with its packs and prices. What a drawer holds is taken first; prices of a list beat those of the plan. */
export function buyJson(
  given: Plan,
  items: readonly DrawerItem[],
  prices: readonly OwnPrice[],
): string {
  const strips = new Set(partsOf(given.own).strips.map(({ id }) => id))
  const known = new Set(prices.map(({ line }) => line))
  const own = [...given.buy.prices.filter(({ line }) => !known.has(line)), ...prices]
  const priced = { ...given, buy: { ...given.buy, prices: own } }
  const drawer = items.map((item, index) => ({ ...item, id: `drawer-${String(index)}` }))
  const plan =
    drawer.length === 0 ? priced : withDrawer(priced, drawer, strips, (one) => worked(one).bill)
  const { lines, total, unpriced } = worked(plan).receipt
  return json({
    currency: plan.buy.currency,
    lines: lines.map((line) => ({
      id: line.id,
      group: line.group,
      name: line.name,
      need: line.need,
      unit: line.unit,
      have: line.have,
      packs: line.buys,
      cost: line.cost === null ? null : toCents(line.cost),
      for: line.for,
      sum: `${workingText(line)}; ${line.rule}`,
      page: line.page,
      ...(line.part !== undefined && { part: line.part }),
      ...(line.note !== undefined && { note: line.note }),
    })),
    total: toCents(total),
    unpriced,
  })
}
