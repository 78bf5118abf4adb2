import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import { openDatabase, type StoredOffcut, type StoredPart } from '../storage/db'
import { PlanShelf } from '../storage/plans'
import { useLiveQuery } from '../storage/use-live-query'

/** The browser's database: the shelf of plans, and the user's own parts, which every plan offers. */
export const useShelf = defineStore('shelf', () => {
  const db = markRaw(openDatabase())
  // Raw: seen through a reactive proxy the database loses track of its own transactions.
  const shelf = markRaw(new PlanShelf(db))
  const problem = shallowRef<string | undefined>()

  const fail = (error: unknown): void => {
    problem.value = error instanceof Error ? error.message : String(error)
  }
  const ready = shelf.prepare(async () => (await import('./demos')).demos).catch(fail)
  const parts = useLiveQuery(async (): Promise<readonly StoredPart[]> => db.parts.toArray(), fail)

  const drawer = useLiveQuery(
    async (): Promise<readonly StoredOffcut[]> => db.drawer.toArray(),
    fail,
  )

  return {
    db,
    shelf,
    ready,
    parts,
    drawer,
    problem,
    fail,
    /** Keeps a part of the user's own for every plan. */
    keepPart: async (part: StoredPart): Promise<void> => {
      await db.parts.put(part)
    },
    /** Puts rests of strip into the drawer. */
    keepOffcuts: async (offcuts: readonly StoredOffcut[]): Promise<void> => {
      await db.drawer.bulkPut([...offcuts])
    },
  }
})
