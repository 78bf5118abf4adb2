import type { CutStripRun } from '../cut/cut'
import type { Joints } from '../cut/joints'
import type { Prewired } from '../cut/prewired'
import type { StripReels } from '../cut/reels'
import type { BatteryUse } from '../feed/batteries'
import type { Hidden, Lead } from '../feed/leads'
import type { PlugTree } from '../feed/plugs'
import type { FedScene } from '../feed/solved'
import type { FedSupply } from '../feed/supplies'
import type { LitRun } from '../load/lights'
import type { RunLoad } from '../load/load'
import type { NodeRun } from '../load/nodes'
import type { Layout } from '../measure/layout'
import type { Plan } from '../plan/plan'
import type { Signal } from '../signal/signal'
import type { Verdict } from '../verdict/verdict'
import type { Circuit } from '../wire/circuit'
import type { PlanJoint } from '../wire/lists'

/** Results of all stages, from which the roll is printed. */
export interface Results {
  readonly plan: Plan
  readonly layout: Layout
  readonly hidden: Hidden
  readonly cuts: readonly CutStripRun[]
  readonly reels: readonly StripReels[]
  readonly joints: readonly Joints[]
  readonly prewired: readonly Prewired[]
  readonly lit: readonly LitRun[]
  readonly plugs: readonly PlugTree[]
  readonly nodes: readonly NodeRun[]
  readonly loads: readonly RunLoad[]
  readonly supplies: readonly FedSupply[]
  readonly leads: readonly Lead[]
  readonly full: FedScene
  readonly shown: FedScene
  readonly batteries: ReadonlyMap<string, BatteryUse>
  readonly signal: Signal
  readonly circuit: Circuit
  readonly wireJoints: readonly PlanJoint[]
  readonly verdicts: readonly Verdict[]
}
