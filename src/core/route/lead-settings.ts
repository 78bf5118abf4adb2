import type { Command } from '../plan/commands'
import { feedsOf } from '../plan/feeds'
import type { Feed, Junction, Plan } from '../plan/plan'
import type { Settable } from '../plan/with-set'
import { feedLeadId } from './leads'

/** What is set of a lead, whether it goes to a run or to a junction. */
export type LeadSettings = Pick<Feed | Junction, 'from' | 'wire' | 'lengthMm' | 'fuse' | 'apart'>

/** A lead as it stands in the plan. */
export interface SettableLead {
  readonly settings: LeadSettings
  readonly set: (set: Settable<LeadSettings>) => Command
}

/** The lead with an id; `undefined` where the plan has none of its own, such as a share of another. */
export function leadWithId(plan: Plan, id: string): SettableLead | undefined {
  const junction = plan.junctions.find((one) => one.id === id)
  if (junction !== undefined)
    return {
      settings: junction,
      set: (set) => ({ do: 'set-junction', junction: id, set }),
    }
  for (const line of plan.lines) {
    const feed = feedsOf(line).find((one) => feedLeadId(line.id, one.id) === id)
    if (feed === undefined) continue
    return {
      settings: feed,
      set: (set) => ({ do: 'set-feeds', line: line.id, feeds: [feed.id], set }),
    }
  }
  return undefined
}
