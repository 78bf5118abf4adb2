import type { BuiltPlan } from '../build/built-plan'
import type { ProfileBars } from './bars'
import type { BillLine } from './bill-lines'
import type { Receipt } from './receipt'
import type { MaterialSheets } from './sheets'

/** What is known of a plan once everything that has to be bought is counted. */
export interface BoughtPlan extends BuiltPlan {
  readonly bars: readonly ProfileBars[]
  readonly sheets: readonly MaterialSheets[]
  readonly bill: readonly BillLine[]
  readonly receipt: Receipt
}
