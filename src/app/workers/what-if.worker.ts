import { expose } from 'comlink'
import type { Plan } from '../../core/plan/plan'
import { valuesAround, whatIf, type WhatIf } from '../../core/choose/what-if'

const service = {
  /** The plan at many values of one measure. */
  around: (plan: Plan, lineId: string, dimension: number): WhatIf[] =>
    whatIf(plan, lineId, dimension, valuesAround(plan, lineId, dimension)),
}

export type WhatIfService = typeof service

expose(service)
