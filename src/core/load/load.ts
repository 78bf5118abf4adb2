import type { CutStripRun } from '../cut/cut'
import type { Strip } from '../plan/parts'
import { Kept } from '../quantity/kept'
import { caseNames, type LoadCase } from '../plan/choices'
import type { Dims } from '../plan/mix-text'
import type { Line, Plan } from '../plan/plan'
import { groupDraw } from './group-draw'
import type { LitRun } from './lights'
import { colourShares, hasOwnPins } from './lit-colours'
import { loadOf } from './load-of'
import { besidePixelMa } from './nodes'

/** Amperes in each load case. */
export type CaseAmperes = Readonly<Record<LoadCase, number>>

/** What a run draws in amperes, at its own strip's volts. */
export interface RunLoad {
  readonly id: string
  readonly volts: number
  /** Pixels, or groups of a plain strip. */
  readonly groups: number
  /** In each load case, as far as the plan's limit lets it, A. */
  readonly currentA: CaseAmperes
  /** Something can dim it: the program, a dimmer or pins. What nothing dims is at full whenever power is on. */
  readonly isDimmable: boolean
}

/** The same sum for every load case. */
export const eachCase = (of: (loadCase: LoadCase) => number): CaseAmperes => {
  const amperes = {} as Record<LoadCase, number>
  for (const name of caseNames) amperes[name] = of(name)
  return amperes
}

/** Whether something can dim a run of strip: its pixels' program, or a dimmer (handbook 3, load). */
export const isDimmable = (strip: Strip, { dimmer }: Pick<Line, 'dimmer'>): boolean =>
  strip.light.kind === 'pixels' || dimmer !== undefined

/** How much of some runs of strip can be dimmed. */
export function dimsOfRuns(entries: readonly Pick<CutStripRun, 'run' | 'strip'>[]): Dims {
  const count = entries.filter(({ run, strip }) => isDimmable(strip, run.line)).length
  return count === 0 ? 'none' : count < entries.length ? 'some' : 'all'
}

/** Brightness in a load case of what can be dimmed, 0–1, after the plan's limit; at `level` that of the line where it has its own. */
export function levelIn(
  plan: Pick<Plan, 'scene' | 'limit'>,
  loadCase: LoadCase,
  line?: Pick<Line, 'level'>,
): number {
  const wanted =
    loadCase === 'idle' ? 0 : loadCase === 'level' ? (line?.level ?? plan.scene.level) : 1
  return Math.min(wanted, plan.limit)
}

/** Brightness of each channel of a strip in a load case, 0–1. A case of one colour leaves the others dark; what nothing dims is at full. */
export function dutiesIn(
  plan: Pick<Plan, 'scene' | 'limit'>,
  loadCase: LoadCase,
  line: Pick<Line, 'level' | 'dimmer'>,
  strip: Strip,
): number[] {
  if (!isDimmable(strip, line)) return strip.light.channels.map(() => 1)
  const level = levelIn(plan, loadCase, line)
  const isOneColour = loadCase === 'red' || loadCase === 'green' || loadCase === 'blue'
  return strip.light.channels.map(({ name }) => (isOneColour && name !== loadCase ? 0 : level))
}

/** Drives by which single lights can be dimmed: everything but a plain wire and a button. */
const isDimmed = ({ settings: { drive, by } }: LitRun): boolean =>
  drive !== 'always' && !(drive === 'switch' && by === 'button')

/** The load of single lights: they are on or off, and dim with the load case where something dims them. */
function litLoad(plan: Plan, run: LitRun): RunLoad {
  const { id, supplyV, part, strings, peakA, besideA } = run
  const dims = isDimmed(run)
  return {
    id,
    volts: part.kind === 'fixed' ? part.volts : supplyV,
    groups: strings,
    isDimmable: dims,
    currentA: eachCase(
      (loadCase) =>
        besideA + peakA * (dims ? levelIn(plan, loadCase) * litShare(run, loadCase) : 1),
    ),
  }
}

/** Share of what all colours of single lights draw at full that those of a load case do; 1 where colours cannot be lit by themselves. */
function litShare(run: LitRun, loadCase: LoadCase): number {
  const { colours, settings } = run
  if (colours.length === 1 || !hasOwnPins(run)) return 1
  const isOneColour = loadCase === 'red' || loadCase === 'green' || loadCase === 'blue'
  return colourShares(run).reduce((sum, share, index) => {
    const { name } = colours[index] ?? { name: '' }
    const level = loadCase === 'level' ? (settings.mix?.[index] ?? 1) : 1
    return isOneColour && name !== loadCase ? sum : sum + share * level
  }, 0)
}

/** The load of every run in every load case. */
export function loadRuns(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  lit: readonly LitRun[],
): RunLoad[] {
  const litById = new Map(lit.map((run) => [run.id, run]))
  return cutRuns.map((entry) => {
    const own = litById.get(entry.run.id)
    return keptLoads.get(entry, [plan.scene, plan.limit, own], () =>
      own === undefined ? stripLoad(plan, entry) : litLoad(plan, own),
    )
  })
}
const keptLoads = new Kept<CutStripRun, RunLoad>()

function stripLoad(plan: Plan, { run, strip, groups: cutGroups, pixels }: CutStripRun): RunLoad {
  const groups = strip.light.kind === 'pixels' ? pixels : cutGroups
  const { volts } = strip
  const { channelMa, idleMa: dark } = groupDraw(strip)
  const idleMa = dark + besidePixelMa({ run, strip })
  return {
    id: run.id,
    volts,
    groups,
    isDimmable: isDimmable(strip, run.line),
    currentA: eachCase((loadCase) => {
      const duties = dutiesIn(plan, loadCase, run.line, strip)
      const litMa = channelMa.map((mA, index) => mA * (duties[index] ?? 0))
      return loadOf({ pixels: groups, channelMa: litMa, idleMa, level: 1, volts }).currentA
    }),
  }
}
