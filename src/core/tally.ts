import type { Engine } from './engine'
import { warmthOf } from './feed/run-warmth'
import { allStages } from './late-stages'
import type { Plan } from './plan/plan'
import { rollOf } from './roll/roll'
import type { RollSection } from './roll/section'
import { tallySignal, type TallySignal } from './signal/tally-signal'
import { derived, type Derived, type StageName } from './derived'
import { everything } from './stages'
import { earlyParts, type EarlyTally } from './tally-parts'
import type { JudgedVerdict } from './verdict/verdict'
import { engineOf } from './worked'
import { countJoints, type JointCount, type PlanJoint } from './wire/joints'
import type { Wiring } from './wire/wires'

export type * from './tally-parts'

/** Everything that a plan comes to. */
export interface Tally extends EarlyTally {
  readonly signal: TallySignal
  /** All joints by their kind. */
  readonly joints: readonly JointCount[]
  readonly wiring: Wiring & { readonly joints: readonly PlanJoint[] }
  readonly verdicts: readonly JudgedVerdict[]
  /** How much warmer than the room each run of strip gets, K. */
  readonly warmth: readonly { readonly id: string; readonly riseK: number }[]
  readonly roll: readonly RollSection[]
}

/** How each part of the tally is made of the results of stages. */
export const tallyParts: { readonly [Part in keyof Tally]: Derived<Tally[Part]> } = {
  ...earlyParts,
  signal: derived([], ['fit', 'lanes', 'signal'], (results) =>
    tallySignal(results, results.signal),
  ),
  joints: derived([], ['joints'], ({ joints }) => countJoints(joints)),
  wiring: derived([], ['wiring', 'joints'], ({ wiring, joints }) => ({ ...wiring, joints })),
  warmth: derived(
    ['use', 'scene', 'limit', 'own', 'supplies', 'junctions'],
    ['cutRuns', 'parts', 'volts'],
    (results) =>
      results.cutRuns.flatMap((entry) =>
        entry.groups === 0 ? [] : [{ id: entry.run.id, riseK: warmthOf(results, entry).riseK }],
      ),
  ),
  verdicts: derived([], ['verdicts'], ({ verdicts }) => verdicts),
  roll: derived([...everything, 'build'], Object.keys(allStages) as StageName[], rollOf),
}

/** Works a plan out whole, stage after stage in the order of the work. Pure: the same plan gives the same tally. */
export const tally = (plan: Plan): Tally => tallyOf(engineOf(plan))

/** … of the plan that an engine with all stages follows. */
export function tallyOf(engine: Engine): Tally {
  return Object.fromEntries(
    Object.entries<Derived<unknown>>(tallyParts).map(([part, of]) => [part, engine.work(of)]),
  ) as unknown as Tally
}
