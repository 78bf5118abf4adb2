import type { WiredPlan } from '../wire/wired-plan'
import type { ProfileBars } from './bars'
import type { BillLine } from './bill-lines'
import type { Receipt } from './receipt'
import type { MaterialSheets } from './sheets'

/** What is known of a plan once everything that has to be bought is counted. */
export interface BoughtPlan extends WiredPlan {
  readonly bars: readonly ProfileBars[]
  readonly sheets: readonly MaterialSheets[]
  readonly bill: readonly BillLine[]
  readonly receipt: Receipt
}
