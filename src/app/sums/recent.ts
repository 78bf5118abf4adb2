import type { Database } from '../storage/db'
import type { Given } from './fields'

/** A sum that was done, to be opened again. */
export interface RecentSum {
  readonly name: string
  readonly given: Given
  /** Its answer in short. */
  readonly answer: string
}

const key = 'recent-sums'
const most = 8

/** The sums done last, newest first; what cannot be read is as good as none. */
export async function recentSums({ settings }: Pick<Database, 'settings'>): Promise<RecentSum[]> {
  const stored = await settings.get(key)
  if (stored === undefined) return []
  try {
    const list: unknown = JSON.parse(stored.value)
    return Array.isArray(list) ? list.filter(isRecent) : []
  } catch {
    return []
  }
}

const isRecent = (value: unknown): value is RecentSum =>
  typeof value === 'object' &&
  value !== null &&
  'name' in value &&
  typeof value.name === 'string' &&
  'given' in value &&
  typeof value.given === 'object' &&
  'answer' in value &&
  typeof value.answer === 'string'

/** The list with a sum at its head; an older one of the same name goes. */
export const withRecent = (list: readonly RecentSum[], sum: RecentSum): RecentSum[] =>
  [sum, ...list.filter(({ name }) => name !== sum.name)].slice(0, most)

export async function keepRecent(
  { settings }: Pick<Database, 'settings'>,
  list: readonly RecentSum[],
): Promise<void> {
  await settings.put({ key, value: JSON.stringify(list) })
}
