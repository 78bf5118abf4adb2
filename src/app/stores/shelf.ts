import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import nook from '../../../demo/bay-window-nook.json'
import { readPlan } from '../../formats/plan-file'
import { openDatabase, type StoredPart, type StoredPlan } from '../storage/db'
import { PlanShelf } from '../storage/plans'

const demos = [nook].flatMap((document) => {
  const read = readPlan(document)
  return read.ok ? [read.plan] : []
})

/** The browser's database and what lies in it, kept current across tabs. */
export const useShelf = defineStore('shelf', () => {
  const db = openDatabase()
  // Raw: seen through a reactive proxy the database loses track of its own transactions.
  const shelf = markRaw(new PlanShelf(db))
  const plans = shallowRef<readonly StoredPlan[] | undefined>()
  const deleted = shallowRef<readonly StoredPlan[]>([])
  const parts = shallowRef<readonly StoredPart[]>([])
  const problem = shallowRef<string | undefined>()

  const fail = (error: unknown): void => {
    problem.value = error instanceof Error ? error.message : String(error)
  }
  const ready = shelf.prepare(demos).catch(fail)
  const follow = <Value>(query: () => Promise<Value>, into: { value: Value | undefined }): void => {
    liveQuery(query).subscribe({
      next: (value) => {
        into.value = value
      },
      error: fail,
    })
  }
  void ready.then(() => {
    follow(() => shelf.list(), plans)
    follow(() => shelf.listDeleted(), deleted)
    follow(() => db.parts.toArray(), parts)
  })

  return {
    shelf,
    ready,
    plans,
    deleted,
    parts,
    problem,
    /** Keeps a part of the user's own for every plan. */
    keepPart: async (part: StoredPart): Promise<void> => {
      await db.parts.put(part)
    },
  }
})
