import { Dexie, type EntityTable } from 'dexie'
import type { History } from '../../core/plan/history'
import type { DrawerItem } from '../../core/buy/drawer'
import type { OwnPrice } from '../../core/plan/plan'
import { withStripFacts } from '../../core/plan/strip-facts'
import type { PlanFacts } from '../engine/plan-facts'
import type { Board, LightPart, Profile, Strip, SupplyPart } from '../../core/plan/parts'

/** A plan as it is kept in the browser. `document` is checked when it is read, like a file's. */
export interface StoredPlan {
  id: string
  name: string
  /** ms since 1970 */
  changedAt: number
  /** Goes up with every save, so that two tabs cannot overwrite each other unseen. */
  revision: number
  document: unknown
  /** Version of the plan that the document was checked to be when it was saved; others are checked when they are read. */
  checkedVersion?: number
  /** What the shelf tells of it, and the revision that this was worked out for. */
  facts?: PlanFacts & { revision: number }
  /** Which opening of the plan saved it last. */
  session?: string
  /** It came with the app, to be looked at; copies of it are the user's own. */
  isExample?: boolean
  /** Words of the user's own to find it by. */
  tags?: readonly string[]
  /** Set while the plan lies among the deleted ones, ms since 1970. */
  deletedAt?: number
}

export interface StoredHistory extends History {
  planId: string
}

/** A part of the user's own, offered in every plan. */
export type StoredPart =
  | { id: string; kind: 'strip'; part: Strip }
  | { id: string; kind: 'supply'; part: SupplyPart }
  | { id: string; kind: 'board'; part: Board }
  | { id: string; kind: 'light'; part: LightPart }
  | { id: string; kind: 'profile'; part: Profile }

/** Something in the drawer, offered to every plan: loose parts, wire by metres, or one offcut of strip. */
export type StoredItem = DrawerItem & { id: string }

/** What a plan takes from the drawer, kept beside the plan so that no other takes the same. */
export interface StoredTakes {
  planId: string
  takes: readonly { readonly item: string; readonly amount: number }[]
}

/** A photo of a build: its plan's log has its id. */
export interface StoredPhoto {
  id: string
  planId: string
  /** A JPEG. */
  bytes: Uint8Array
}

/** A plan as it once was, under a name. */
export interface StoredSnapshot {
  id: string
  planId: string
  name: string
  /** ms since 1970 */
  at: number
  document: unknown
}

/** What the user pays for something, in every plan. */
export type StoredPrice = OwnPrice

export type Database = Dexie & {
  plans: EntityTable<StoredPlan, 'id'>
  histories: EntityTable<StoredHistory, 'planId'>
  parts: EntityTable<StoredPart, 'id'>
  drawer: EntityTable<StoredItem, 'id'>
  takes: EntityTable<StoredTakes, 'planId'>
  prices: EntityTable<StoredPrice, 'line'>
  photos: EntityTable<StoredPhoto, 'id'>
  snapshots: EntityTable<StoredSnapshot, 'id'>
  settings: EntityTable<{ key: string; value: string }, 'key'>
}

/** What the database meets besides its own work. */
export interface DatabaseEvents {
  /** An older tab keeps it from being brought up to date. */
  readonly onBlocked?: () => void
  /** A newer version of the program, in another tab, has brought it up to date: this one can no longer use it. */
  readonly onOutdated?: () => void
}

export function openDatabase(
  name = 'glow-tally',
  { onBlocked, onOutdated }: DatabaseEvents = {},
): Database {
  const db = new Dexie(name) as Database
  if (onBlocked !== undefined) db.on('blocked', onBlocked)
  db.on('versionchange', ({ newVersion }) => {
    db.close()
    // Without a new version the database is being deleted.
    if (newVersion !== null) onOutdated?.()
  })
  db.version(1).stores({
    plans: 'id, changedAt',
    histories: 'planId',
    parts: 'id',
    drawer: 'id',
    settings: 'key',
  })
  // Strips of the user's own were kept with less to say of them.
  db.version(2).upgrade((change) =>
    change
      .table<StoredPart>('parts')
      .toCollection()
      .modify((stored) => {
        if (stored.kind === 'strip') stored.part = withStripFacts(stored.part) as Strip
      }),
  )
  // The drawer held offcuts of strip alone, and plans their own.
  db.version(3)
    .stores({ takes: 'planId', prices: 'line' })
    .upgrade(async (change) => {
      await change
        .table<Partial<OldOffcut & StoredItem>>('drawer')
        .toCollection()
        .modify((stored, holder) => {
          const { id = '', stripId, lengthMm } = stored
          if (stripId === undefined || lengthMm === undefined) return
          holder.value = offcutItem(id, { id: stripId, name: 'offcut of strip' }, lengthMm)
        })
    })
  db.version(4).stores({ photos: 'id, planId' })
  db.version(5).stores({ snapshots: 'id, planId' })
  return db
}

/** What the drawer held before it held other things. */
interface OldOffcut {
  stripId: string
  lengthMm: number
}

/** An offcut of strip as it lies in the drawer. */
export const offcutItem = (
  id: string,
  strip: { readonly id: string; readonly name: string },
  lengthMm: number,
): StoredItem => ({
  id,
  part: strip.id,
  name: strip.name,
  unit: 'mm',
  amount: lengthMm,
})
