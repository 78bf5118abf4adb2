import type { LogEntry, MendEntry } from '../../core/plan/plan'
import type { StoredPlan } from './db'

/** Something that happened in another build. */
export interface FoundEntry {
  readonly planId: string
  readonly plan: string
  readonly entry: LogEntry
}

const isEntry = (value: unknown): value is LogEntry =>
  typeof value === 'object' &&
  value !== null &&
  'title' in value &&
  typeof value.title === 'string' &&
  'trouble' in value &&
  Array.isArray(value.trouble)

/** The logs of all plans on the shelf, as far as they can be read; stored plans are not checked before they are opened. */
export const allLogs = (plans: readonly StoredPlan[]): FoundEntry[] =>
  plans.flatMap(({ id, name, document }) => {
    const { build } = (document ?? {}) as { build?: { log?: unknown } }
    const log: unknown = build?.log
    return Array.isArray(log)
      ? log.filter(isEntry).map((entry) => ({ planId: id, plan: name, entry }))
      : []
  })

/** Something that was mended in some plan. */
export interface FoundMend {
  readonly planId: string
  readonly planName: string
  readonly entry: MendEntry
}

const isMend = (value: unknown): value is MendEntry =>
  typeof value === 'object' &&
  value !== null &&
  'cause' in value &&
  typeof value.cause === 'string' &&
  'tests' in value &&
  Array.isArray(value.tests)

/** What was mended in all plans on the shelf, as far as it can be read. */
export const allMends = (plans: readonly StoredPlan[]): FoundMend[] =>
  plans.flatMap(({ id, name, document }) => {
    const { mends } = (document ?? {}) as { mends?: unknown }
    return Array.isArray(mends)
      ? mends.filter(isMend).map((entry) => ({ planId: id, planName: name, entry }))
      : []
  })
