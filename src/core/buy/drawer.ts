import type { Offcut, Plan, Taken } from '../plan/plan'
import type { BillLine } from './bill-lines'

/** Something in the drawer: loose parts with their count, wire by metres, or one offcut of strip with its length. */
export interface DrawerItem {
  /** The part that it is, or the thing that the bill calls so; without one it is known by its name. */
  readonly part?: string | undefined
  readonly name: string
  readonly unit: 'piece' | 'm' | 'sheet' | 'mm'
  readonly amount: number
}

/** Whether something in the drawer is what a line of the bill asks for: by its part, or by its name where that is all there is. */
const isSame = (item: DrawerItem, line: Pick<BillLine, 'id' | 'part' | 'name'>): boolean =>
  item.part === undefined
    ? item.name.trim().toLowerCase() === line.name.toLowerCase()
    : item.part === line.id || item.part === line.part

/** What an item holds in the unit of a line; `undefined` where the two cannot be compared. */
function amountIn({ unit, amount }: DrawerItem, line: Pick<BillLine, 'unit'>): number | undefined {
  if (unit === line.unit) return amount
  if (unit === 'mm' && line.unit === 'm') return amount / 1000
  return undefined
}

/** An offcut of strip, mm; `undefined` where the item is something else. */
export function offcutMm(item: DrawerItem, strips: ReadonlySet<string>): number | undefined {
  if (item.part === undefined || !strips.has(item.part)) return undefined
  if (item.unit === 'mm') return item.amount
  return item.unit === 'm' ? item.amount * 1000 : undefined
}

/** The offcuts of strip in a drawer, as a plan takes them to cut from. */
export const offcutsIn = (
  items: readonly (DrawerItem & { readonly id: string })[],
  strips: ReadonlySet<string>,
): Offcut[] =>
  items.flatMap((item) => {
    const lengthMm = offcutMm(item, strips)
    return lengthMm === undefined || item.part === undefined
      ? []
      : [{ id: item.id, stripId: item.part, lengthMm }]
  })

/** A plan that takes from a drawer whatever it can use: offcuts of strip to cut from first, then what its bill asks for. */
export function withDrawer(
  plan: Plan,
  items: readonly (DrawerItem & { readonly id: string })[],
  strips: ReadonlySet<string>,
  billFor: (plan: Plan) => readonly BillLine[],
): Plan {
  const known = new Set(plan.offcuts.map(({ id }) => id))
  const offcuts = offcutsIn(items, strips).filter(({ id }) => !known.has(id))
  const cut = offcuts.length === 0 ? plan : { ...plan, offcuts: [...plan.offcuts, ...offcuts] }
  return { ...cut, buy: { ...cut.buy, taken: takenFor(billFor(cut), items) } }
}

/** What a drawer gives to the lines of a bill: each thing in it is taken once. Strip is cut from offcuts instead. */
export function takenFor(
  bill: readonly BillLine[],
  items: readonly (DrawerItem & { readonly id: string })[],
): Taken[] {
  /** The share of each item that nothing has taken yet. */
  const left = items.map(() => 1)
  return bill
    .filter(({ settled, isCutFromTaken }) => settled === undefined || isCutFromTaken === true)
    .flatMap((line) => {
      let need = line.need - line.have
      return items.flatMap((item, index): Taken[] => {
        const holds = isSame(item, line) ? amountIn(item, line) : undefined
        const share = left[index] ?? 0
        if (holds === undefined || need <= 0 || share <= 0) return []
        const amount = Math.min(need, holds * share)
        need -= amount
        left[index] = share - amount / holds
        return [{ item: item.id, line: line.id, amount }]
      })
    })
}
