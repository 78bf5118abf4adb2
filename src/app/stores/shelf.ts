import { messageOf } from '../../core/quantity/message-of'
import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import { openDatabase, type StoredOffcut, type StoredPart } from '../storage/db'
import { isInMemory } from '../storage/memory'
import { PlanShelf } from '../storage/plans'
import { useLiveQuery } from '../storage/use-live-query'

/** Why nothing can be kept, for people. */
export interface StorageProblem {
  readonly kind: 'refused' | 'blocked' | 'outdated'
  readonly detail: string
}

/** The browser's database: the shelf of plans, and the user's own parts, which every plan offers. */
export const useShelf = defineStore('shelf', () => {
  const problem = shallowRef<StorageProblem | undefined>()
  const db = markRaw(
    openDatabase('glow-tally', {
      onBlocked: () => {
        problem.value = { kind: 'blocked', detail: '' }
      },
      onOutdated: () => {
        problem.value = { kind: 'outdated', detail: '' }
      },
    }),
  )
  // Raw: seen through a reactive proxy the database loses track of its own transactions.
  const shelf = markRaw(new PlanShelf(db))

  const fail = (error: unknown): void => {
    problem.value ??= {
      kind: 'refused',
      detail: messageOf(error),
    }
  }
  const ready = shelf
    .prepare(async () => (await import('./demos')).demos)
    .then(() => {
      // The older tab has been closed after all.
      if (problem.value?.kind === 'blocked') problem.value = undefined
    })
    .catch(fail)
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
    /** Plans live as long as this page: the browser keeps nothing, and the user has gone on without. */
    isInMemory: isInMemory(),
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
