import { expose } from 'comlink'
import type { Plan } from '../../core/plan/plan'
import { tally, type Tally } from '../../core/tally'

export type TallyAnswer =
  { readonly ok: true; readonly tally: Tally } | { readonly ok: false; readonly message: string }

const service = {
  /** Errors lose their class on the way out of a worker, so they leave as a result. */
  tally(plan: Plan): TallyAnswer {
    try {
      return { ok: true, tally: tally(plan) }
    } catch (error) {
      return { ok: false, message: error instanceof Error ? error.message : String(error) }
    }
  },
}

export type TallyService = typeof service

expose(service)
