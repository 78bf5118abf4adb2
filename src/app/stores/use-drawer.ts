import { computed, type ComputedRef } from 'vue'
import { offcutMm, offcutsIn } from '../../core/buy/drawer'
import type { Offcut, Plan } from '../../core/plan/plan'
import type { StoredItem } from '../storage/db'
import { usePlanStore } from './plan'
import { useShelf } from './shelf'

/** Something in the drawer, and who has it. */
export interface DrawerEntry extends StoredItem {
  /** What no other plan takes, in the item's unit. */
  readonly free: number
  /** What this plan takes. */
  readonly takenHere: number
  /** An offcut of strip, mm. */
  readonly offcutMm: number | undefined
}

/** Offcuts of some strips that nobody takes yet, as a plan takes them. */
export const freeOffcuts = (
  entries: readonly DrawerEntry[],
  strips: ReadonlySet<string>,
): Offcut[] =>
  offcutsIn(
    entries.filter(({ free, takenHere }) => free > 0 && takenHere === 0),
    strips,
  )

/** Something in the drawer as it is kept, with so much of it. */
export const itemWith = ({ id, part, name, unit }: StoredItem, amount: number): StoredItem => ({
  id,
  name,
  unit,
  amount,
  ...(part !== undefined && { part }),
})

/** What is in the drawer, as the open plan sees it: other plans' things are not free. */
export function useDrawer(plan: () => Plan): ComputedRef<readonly DrawerEntry[]> {
  const [shelf, store] = [useShelf(), usePlanStore()]
  return computed(() => {
    const strips = new Set(store.parts.strips.map(({ id }) => id))
    const elsewhere = new Map<string, number>()
    for (const { planId, takes } of shelf.takes ?? [])
      if (planId !== store.id)
        for (const { item, amount } of takes)
          elsewhere.set(item, (elsewhere.get(item) ?? 0) + amount)
    const { buy, offcuts } = plan()
    const here = new Map(offcuts.map(({ id, lengthMm }) => [id, lengthMm]))
    for (const { item, amount } of buy.taken) here.set(item, (here.get(item) ?? 0) + amount)
    return (shelf.drawer ?? []).map((item) => {
      const mm = offcutMm(item, strips)
      const taken = elsewhere.get(item.id) ?? 0
      return {
        ...item,
        // An offcut is taken whole.
        free: mm !== undefined && taken > 0 ? 0 : Math.max(0, item.amount - taken),
        takenHere: here.get(item.id) ?? 0,
        offcutMm: mm,
      }
    })
  })
}
