import { expose } from 'comlink'
import { cut } from '../../core/cut/cut'
import { cutFromReels, type StripReels } from '../../core/cut/reels'
import { measure } from '../../core/measure/measure'
import { partsOf } from '../../core/parts/find'
import type { Plan } from '../../core/plan/plan'

const service = {
  /** Searches on for long; `tell` hears how many sets of reels were tried. */
  pack(plan: Plan, tell: (tried: number) => void): StripReels[] {
    const cuts = cut(plan, measure(plan).runs, partsOf(plan.own))
    return cutFromReels(cuts, plan.offcuts, plan.rules, {
      mostNodes: 2_000_000,
      mostSets: 20_000,
      onSet: (tried) => {
        if (tried % 5 === 0) tell(tried)
        return false
      },
    })
  },
}

export type PackingService = typeof service

expose(service)
