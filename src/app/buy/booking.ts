import { nanoid } from 'nanoid'
import type { ReceiptLine } from '../../core/buy/receipt'
import type { StripReels } from '../../core/cut/reels'
import type { WireGroup } from '../../core/wire/spools'
import { offcutItem, type StoredItem } from '../storage/db'
import type { DrawerEntry } from '../stores/use-drawer'

/** Shorter ones are thrown away, mm. */
const keptOffcutMm = 100
const keptWireMm = 300

/** What happens to the drawer once a plan is built. */
export interface Booking {
  /** Items that are used up, or have less in them now. */
  readonly out: readonly { readonly entry: DrawerEntry; readonly left: number }[]
  /** What is left over of what was cut and bought. */
  readonly into: readonly StoredItem[]
}

/** What a built plan took out of the drawer, and what goes into it: offcuts of strip and wire, and the rest of packs that were bought. */
export function bookingOf(
  entries: readonly DrawerEntry[],
  lines: readonly ReceiptLine[],
  bought: ReadonlySet<string>,
  reels: readonly StripReels[],
  wires: readonly WireGroup[],
): Booking {
  const out = entries
    .filter(({ takenHere }) => takenHere > 0)
    .map((entry) => ({
      entry,
      left: entry.offcutMm === undefined ? Math.max(0, entry.amount - entry.takenHere) : 0,
    }))
  const offcuts = reels.flatMap(({ strip, reels: bins }) =>
    bins
      .filter(({ leftoverMm }) => leftoverMm >= keptOffcutMm)
      .map(({ leftoverMm }) => offcutItem(nanoid(8), strip, Math.floor(leftoverMm))),
  )
  const wireOffcuts = wires.flatMap(({ sold, spools }) =>
    spools
      .filter(({ kind, leftMm }) => kind === 'spool' && leftMm >= keptWireMm)
      .map(({ leftMm }): StoredItem => ({
        id: nanoid(8),
        part: sold.id,
        name: sold.name,
        unit: 'm',
        amount: Math.floor(leftMm / 10) / 100,
      })),
  )
  const packs = lines
    .filter(({ id, settled, over }) => settled === undefined && over > 1e-6 && bought.has(id))
    .map(({ id, name, unit, over }): StoredItem => ({
      id: nanoid(8),
      part: id,
      name,
      unit,
      amount: Math.floor(over * 100 + 1e-6) / 100,
    }))
  return { out, into: [...offcuts, ...wireOffcuts, ...packs].filter(({ amount }) => amount > 0) }
}
