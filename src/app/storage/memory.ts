import { Dexie } from 'dexie'

const key = 'memory'

/** Whether the address asks to go on without a store: plans then live as long as the page. */
export const isInMemory = (): boolean => new URLSearchParams(location.search).has(key)

/** Opens the page again without a store. */
export function goOnInMemory(): void {
  const address = new URL('/plans', location.href)
  address.searchParams.set(key, '')
  location.assign(address)
}

/** Puts a database that lives in this page in the place of the browser's, which does not let the app keep anything. */
export async function keepInMemory(): Promise<void> {
  const { indexedDB, IDBKeyRange } = await import('fake-indexeddb')
  Dexie.dependencies.indexedDB = indexedDB
  Dexie.dependencies.IDBKeyRange = IDBKeyRange
}
