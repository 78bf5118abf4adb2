import { isSame } from '../../core/quantity/same'
import type { Backup } from '../../formats/backup'
import { photosOf } from '../../formats/plan-zip'
import type { Database } from './db'
import type { PlanShelf } from './plans'
import { readSnapshot, snapshotsOf } from './snapshots'

const lastKey = 'backup'

/** When all was last saved as a file, ms since 1970. */
export async function lastBackupAt(db: Database): Promise<number | undefined> {
  const kept = Number((await db.settings.get(lastKey))?.value)
  return Number.isFinite(kept) && kept > 0 ? kept : undefined
}

export async function noteBackup(db: Database, at: number): Promise<void> {
  await db.settings.put({ key: lastKey, value: String(at) })
}

/** Everything that can be read of what is kept here; the names of plans that cannot. */
export async function gatherBackup(
  db: Database,
  shelf: PlanShelf,
): Promise<{ readonly backup: Backup; readonly unreadable: readonly string[] }> {
  const unreadable: string[] = []
  const plans: Backup['plans'][number][] = []
  for (const { id, name, changedAt, tags = [], isExample = false } of await shelf.list()) {
    const loaded = await shelf.load(id)
    if (!loaded.ok) {
      unreadable.push(name)
      continue
    }
    const photos = await shelf.photos(photosOf(loaded.plan))
    const snapshots = (await snapshotsOf(db, id)).flatMap((kept) => {
      const read = readSnapshot(kept)
      return read.ok ? [{ id: kept.id, name: kept.name, at: kept.at, plan: read.plan }] : []
    })
    plans.push({ id, changedAt, tags, isExample, plan: loaded.plan, photos, snapshots })
  }
  const [parts, drawer, prices] = await Promise.all([
    db.parts.toArray(),
    db.drawer.toArray(),
    db.prices.toArray(),
  ])
  return { backup: { plans, parts, drawer, prices }, unreadable }
}

/** What a backup brought. */
export interface Merged {
  readonly added: readonly string[]
  readonly same: number
  /** Plans that differ from those here: put beside them, under these names. */
  readonly beside: readonly string[]
  readonly parts: number
  readonly drawer: number
  readonly prices: number
}

/** Puts what a backup has beside what is kept here. Nothing here is changed: a plan that differs comes as one more. */
export async function mergeBackup(
  db: Database,
  shelf: PlanShelf,
  { plans, parts, drawer, prices }: Backup,
): Promise<Merged> {
  const added: string[] = []
  const beside: string[] = []
  let same = 0
  /** Snapshots that are not here yet, for a plan under its id here. */
  const keepSnapshots = async (
    planId: string,
    snapshots: Backup['plans'][number]['snapshots'],
  ): Promise<void> => {
    for (const { plan: document, ...about } of snapshots)
      if ((await db.snapshots.get(about.id)) === undefined)
        await db.snapshots.add({ ...about, planId, document })
  }
  for (const { id, plan, photos, snapshots, ...about } of plans) {
    const stored = await db.plans.get(id)
    const isHere = stored !== undefined && stored.deletedAt === undefined
    if (isHere && isSame(stored.document, plan)) {
      same += 1
      await keepSnapshots(id, snapshots)
      continue
    }
    const name = isHere ? `${plan.name} (from the backup)` : plan.name
    const own = await shelf.add(
      { ...plan, name },
      // Under its own id where that is free, so that it is known again.
      { ...about, ...(stored === undefined && { id }) },
    )
    await shelf.addPhotos(own, photos)
    await keepSnapshots(own, snapshots)
    if (isHere) beside.push(name)
    else added.push(name)
  }
  const missing = async <Entry>(
    entries: readonly Entry[],
    isKept: (entry: Entry) => Promise<unknown>,
    keep: (entry: Entry) => Promise<unknown>,
  ): Promise<number> => {
    let count = 0
    for (const entry of entries)
      if ((await isKept(entry)) === undefined) {
        await keep(entry)
        count += 1
      }
    return count
  }
  return {
    added,
    same,
    beside,
    parts: await missing(
      parts,
      ({ id }) => db.parts.get(id),
      (part) => db.parts.add(part),
    ),
    drawer: await missing(
      drawer,
      ({ id }) => db.drawer.get(id),
      (item) => db.drawer.add(item),
    ),
    prices: await missing(
      prices,
      ({ line }) => db.prices.get(line),
      (price) => db.prices.add(price),
    ),
  }
}
