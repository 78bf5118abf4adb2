import type { CutStripRun } from '../cut/cut'
import type { StripReels } from '../cut/reels'
import type { BatteryUse } from '../feed/batteries'
import type { Hidden, Lead } from '../feed/leads'
import type { PlugTree } from '../feed/plugs'
import type { FedScene } from '../feed/solved'
import type { FedSupply } from '../feed/supplies'
import type { LitRun } from '../load/lights'
import type { Layout } from '../measure/layout'
import type { Parts } from '../parts/find'
import type { Command } from '../plan/commands'
import type { Line, Mount, Plan } from '../plan/plan'
import type { Signal } from '../signal/signal'

/** stop: will not work, or unsafe; care: works until it doesn't; note: worth knowing. */
export type Grade = 'stop' | 'care' | 'note'

/** An ordinary edit that answers a verdict, in one action that can be undone. */
export interface Remedy {
  readonly label: string
  readonly commands: readonly Command[]
}

export type VerdictCode =
  // measure
  | 'edge-bend'
  | 'tight-bend'
  | 'gap-shows'
  | 'wrong-end'
  | 'glare'
  | 'wet'
  | 'open-sleeve'
  // cut
  | 'off-mark'
  | 'splice-shows'
  | 'stock-short'
  | 'nameplate'
  // feed
  | 'volts-differ'
  | 'supply-short'
  | 'supply-tight'
  | 'fade'
  | 'uneven'
  | 'lead-hot'
  | 'track-over'
  | 'copper-hot'
  | 'no-fuse'
  | 'fuse-over-wire'
  | 'plus-joined'
  | 'no-common'
  | 'not-fed'
  | 'regulator-hot'
  | 'port-over'
  | 'bank-sleeps'
  | 'battery-sag'
  | 'battery-short'
  | 'capacitor-volts'
  | 'no-capacitor'
  | 'hot-strip'
  | 'over-100-watt'
  // signal
  | 'low-level'
  | 'thin-level'
  | 'long-data'
  | 'no-resistor'
  | 'against-arrow'
  | 'slow-frames'
  | 'memory'
  | 'pins-short'
  | 'pin-kind'
  | 'serial-pin'
  | 'board-over'
  | 'diode-small'
  | 'board-quirk'
  // single lights
  | 'no-headroom'
  | 'shared-resistor'
  | 'pin-over'
  | 'switch-in-plus'
  | 'matrix-flicker'
  | 'sink-over'
  | 'lead-short'
  | 'lead-over'
  | 'plug-hole'
  | 'ports-short'
  | 'status-colours-alike'

export interface Verdict {
  /** Stable while the plan changes: the code and what it is about. */
  readonly id: string
  readonly code: VerdictCode
  readonly grade: Grade
  /** Ids of the runs and supplies concerned. */
  readonly about: readonly string[]
  /** What is the matter, with its figures, in one sentence. */
  readonly text: string
  readonly why: string
  readonly remedies: readonly Remedy[]
}

/** What a verdict is judged on: the plan and the results of the stages before. */
export interface Evidence {
  readonly plan: Plan
  readonly parts: Parts
  readonly layout: Layout
  readonly hidden: Hidden
  readonly cuts: readonly CutStripRun[]
  readonly reels: readonly StripReels[]
  readonly supplies: readonly FedSupply[]
  readonly leads: readonly Lead[]
  /** The feed at full white, as far as the plan's limit lets it. */
  readonly full: FedScene
  /** Of supplies that live on cells, by the id of their place in the plan. */
  readonly batteries: ReadonlyMap<string, BatteryUse>
  readonly signal: Signal
  readonly lit: readonly LitRun[]
  readonly plugs: readonly PlugTree[]
}

export type Judge = (evidence: Evidence) => Verdict[]

/** `seat front`, `seat front and sill`, `seat front, sill and 3 more`. */
export function listed(names: readonly string[]): string {
  const [first = '', second = ''] = names
  if (names.length <= 2) return names.length < 2 ? first : `${first} and ${second}`
  return `${first}, ${second} and ${String(names.length - 2)} more`
}

/** The mount of a run with something changed, as an edit of its line. */
export const mountEdit = (line: Line, set: Mount): Command => ({
  do: 'set-lines',
  lines: [line.id],
  set: { mount: { ...line.mount, ...set } },
})
