import { messageOf } from '../../core/quantity/message-of'
import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import { openDatabase, type StoredItem, type StoredPart, type StoredPrice } from '../storage/db'
import { isInMemory } from '../storage/memory'
import { PlanShelf } from '../storage/plans'
import { useLiveQuery } from '../storage/use-live-query'

/** Why nothing can be kept, for people. */
export interface StorageProblem {
  readonly kind: 'refused' | 'blocked' | 'outdated'
  readonly detail: string
}

/** Whether a first visit finds the examples, as it is said by whoever serves the page; else an empty plan. */
const opensWithExamples = (): boolean =>
  document.querySelector('meta[name="first-visit"]')?.getAttribute('content') === 'examples'

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
    .prepare(async () => {
      if (opensWithExamples()) {
        const { firstVisit } = await import('./demos')
        return firstVisit
      }
      const { firstVisit } = await import('./first-plan')
      return firstVisit
    })
    .then(() => {
      // The older tab has been closed after all.
      if (problem.value?.kind === 'blocked') problem.value = undefined
    })
    .catch(fail)
  const parts = useLiveQuery(async (): Promise<readonly StoredPart[]> => db.parts.toArray(), fail)

  const drawer = useLiveQuery(async (): Promise<readonly StoredItem[]> => db.drawer.toArray(), fail)

  const takes = useLiveQuery(async () => db.takes.toArray(), fail)
  const prices = useLiveQuery(async () => db.prices.toArray(), fail)

  return {
    db,
    shelf,
    ready,
    parts,
    drawer,
    takes,
    prices,
    problem,
    fail,
    /** Plans live as long as this page: the browser keeps nothing, and the user has gone on without. */
    isInMemory: isInMemory(),
    /** Keeps a part of the user's own for every plan. */
    keepPart: async (part: StoredPart): Promise<void> => {
      await db.parts.put(part)
    },
    /** Puts things into the drawer, or sets how much there is of them. */
    putInDrawer: async (items: readonly StoredItem[]): Promise<void> => {
      await db.drawer.bulkPut([...items])
    },
    takeOutOfDrawer: async (ids: readonly string[]): Promise<void> => {
      await db.drawer.bulkDelete([...ids])
    },
    /** Keeps what things cost, for every plan. */
    keepPrices: async (own: readonly StoredPrice[]): Promise<void> => {
      await db.prices.bulkPut([...own])
    },
    /** The typical price counts again. */
    forgetPrice: async (line: string): Promise<void> => {
      await db.prices.delete(line)
    },
  }
})
