import type { RoutedPlan } from '../route/routed-plan'
import type { BatteryUse } from './batteries'
import type { SolvedFeed } from './solved-feed'
import type { FedSupply } from './supplies'

/** What is known of a plan once its feed is solved. */
export interface FedPlan extends RoutedPlan {
  /** At full white, as far as the plan's limit lets it. */
  readonly full: SolvedFeed
  /** At full white without the plan's limit: what a program that has crashed, or a glitch on the data, may light. */
  readonly unlimited: SolvedFeed
  /** In the load case that the plan shows. */
  readonly shown: SolvedFeed
  readonly supplies: readonly FedSupply[]
  /** Of supplies that live on cells, by the ids of their places in the plan. */
  readonly batteries: ReadonlyMap<string, BatteryUse>
}
