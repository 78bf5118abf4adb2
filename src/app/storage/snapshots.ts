import { nanoid } from 'nanoid'
import type { Plan } from '../../core/plan/plan'
import { readPlan, type PlanFileResult } from '../../formats/plan-file'
import type { Database, StoredSnapshot } from './db'

/** Keeps a plan as it is now, under a name. */
export async function takeSnapshot(
  db: Database,
  planId: string,
  { name, plan }: { readonly name: string; readonly plan: Plan },
): Promise<void> {
  await db.snapshots.add({ id: nanoid(10), planId, name, at: Date.now(), document: plan })
}

/** Snapshots of a plan, newest first. */
export const snapshotsOf = async (db: Database, planId: string): Promise<StoredSnapshot[]> =>
  (await db.snapshots.where('planId').equals(planId).toArray()).toSorted((a, b) => b.at - a.at)

/** A snapshot's plan, brought up to the present version. */
export const readSnapshot = ({ document }: StoredSnapshot): PlanFileResult => readPlan(document)

export const forgetSnapshot = (db: Database, id: string): Promise<void> => db.snapshots.delete(id)
