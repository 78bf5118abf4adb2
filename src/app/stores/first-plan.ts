import { nanoid } from 'nanoid'
import { emptyPlan } from '../../core/plan/empty'
import type { FirstVisit } from '../storage/plans'
import { deviceCurrency } from './device-currency'

const empty = emptyPlan('New plan', nanoid(8))

/** What a first visit finds: one plan with nothing in it, to write on at once. */
export const firstVisit: FirstVisit = {
  plans: [{ ...empty, buy: { ...empty.buy, currency: deviceCurrency.value } }],
  areExamples: false,
  drawer: [],
}
