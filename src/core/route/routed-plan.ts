import type { CutStripRun } from '../cut/cut'
import type { Prewired } from '../cut/prewired'
import type { StripReels } from '../cut/reels'
import type { FittedBoard } from '../lanes/boards'
import type { Lane } from '../lanes/lanes'
import type { PinNeed } from '../lanes/pins'
import type { LitRun } from '../load/lights'
import type { RunLoad } from '../load/load'
import type { NodeRun } from '../load/nodes'
import type { SupplyVolts } from '../load/supply-volts'
import type { Layout } from '../measure/layout'
import type { Measured } from '../measure/measure'
import type { SourcePlaces } from '../measure/source-places'
import type { Parts } from '../parts/find'
import type { OwnPrice, Plan } from '../plan/plan'
import type { Circuit } from './circuit'
import type { Lead } from './lead'
import type { PlugTree } from './plugs'

/** What is known of a plan before its feed is solved: everything up to every wire's ends and length. */
export interface RoutedPlan {
  readonly plan: Plan
  readonly parts: Parts
  readonly measured: Measured
  readonly layout: Layout
  readonly sources: SourcePlaces
  readonly cutRuns: readonly CutStripRun[]
  /** What the user pays, where that is not typical: by itself, so that a tick on the bill cuts nothing anew. */
  readonly prices: readonly OwnPrice[]
  /** What the pieces are cut from. */
  readonly reels: readonly StripReels[]
  readonly prewired: readonly Prewired[]
  readonly volts: SupplyVolts
  /** Runs of single lights that say what hangs there. */
  readonly lit: readonly LitRun[]
  /** Runs whose lights are assemblies. */
  readonly nodes: readonly NodeRun[]
  readonly loads: readonly RunLoad[]
  readonly lanes: readonly Lane[]
  readonly needs: readonly PinNeed[]
  /** `undefined` where nothing in the plan needs a board. */
  readonly fit: FittedBoard | undefined
  /** How lights with plugs are plugged together. */
  readonly plugs: readonly PlugTree[]
  /** Every lead: to junctions, to strip, to single lights. */
  readonly leads: readonly Lead[]
  readonly circuit: Circuit
}
