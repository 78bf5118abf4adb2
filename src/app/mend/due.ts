import type { UpkeepTask } from '../../core/mend/upkeep'
import { plural } from '../../core/quantity/format'

const dayMs = 24 * 3_600_000

/** Midnight of the day in which a moment lies, ms. */
const dayOf = (time: number): number => new Date(time).setHours(0, 0, 0, 0)

/** Whole days from today to the day of a date: 0 today, −1 yesterday. */
export const daysUntil = (at: string, nowMs = Date.now()): number =>
  Math.round((dayOf(Date.parse(at)) - dayOf(nowMs)) / dayMs)

export const dayText = (at: string): string =>
  new Date(at).toLocaleDateString([], { day: 'numeric', month: 'short', year: 'numeric' })

/** When a task is due, for people: "due 3 Dec 2026", "due today", "5 days late". */
export function dueText(
  { dueAt, doneAt }: Pick<UpkeepTask, 'dueAt' | 'doneAt'>,
  isInUse: boolean,
  nowMs = Date.now(),
): string {
  if (dueAt === undefined) return isInUse && doneAt !== undefined ? 'done' : ''
  const days = daysUntil(dueAt, nowMs)
  if (days === 0) return 'due today'
  return days < 0 ? `${plural(-days, 'day')} late` : `due ${dayText(dueAt)}`
}
