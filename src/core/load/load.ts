import type { CutStripRun } from '../cut/cut'
import type { Strip } from '../plan/parts'
import type { SceneName } from '../plan/choices'
import type { Line, Plan } from '../plan/plan'
import type { LitRun } from './lights'
import { loadOf } from './load-of'
import { besidePixelMa, nodesA } from './nodes'

/** What one load group of a strip draws: a pixel, or what lies between two cut marks of a plain strip. */
export interface GroupDraw {
  readonly channelMa: readonly number[]
  readonly idleMa: number
}

/** What a run draws in amperes, at its own strip's volts. */
export interface RunLoad {
  readonly id: string
  readonly volts: number
  /** Pixels, or groups of a plain strip. */
  readonly groups: number
  readonly idleA: number
  /** Everything on, as far as the plan's limit lets it. */
  readonly peakA: number
  readonly levelA: number
  /** In the scene that the plan shows. */
  readonly shownA: number
}

export function groupDraw(strip: Strip): GroupDraw {
  const { light, cutPitchMm, volts } = strip
  return light.kind === 'pixels'
    ? { channelMa: light.channels.map((channel) => channel.fullMa), idleMa: light.idleMa }
    : {
        channelMa: light.channels.map(({ wattsPerM }) => (wattsPerM * cutPitchMm) / volts),
        idleMa: 0,
      }
}

/** Brightness in a scene, 0–1, after the plan's limit; in the scene `level` that of the line where it has its own. */
export function levelIn(
  plan: Pick<Plan, 'scene' | 'limit'>,
  scene: SceneName,
  line?: Pick<Line, 'level'>,
): number {
  const wanted = scene === 'idle' ? 0 : scene === 'level' ? (line?.level ?? plan.scene.level) : 1
  return Math.min(wanted, plan.limit)
}

/** Brightness of each channel of a strip in a scene, 0–1. A scene of one colour leaves the others dark. */
export function dutiesIn(
  plan: Pick<Plan, 'scene' | 'limit'>,
  scene: SceneName,
  line: Pick<Line, 'level'>,
  strip: Strip,
): number[] {
  const level = levelIn(plan, scene, line)
  const isOneColour = scene === 'red' || scene === 'green' || scene === 'blue'
  return strip.light.channels.map(({ name }) => (isOneColour && name !== scene ? 0 : level))
}

/** The load of single lights: they are on or off, and dim with the scene where they are dimmed at all. */
function litLoad(
  plan: Plan,
  { id, supplyV, part, strings, peakA }: LitRun,
  idleA: number,
): RunLoad {
  const at = (scene: SceneName): number =>
    idleA + peakA * (scene === 'idle' ? 0 : levelIn(plan, scene))
  return {
    id,
    volts: part.kind === 'fixed' ? part.volts : supplyV,
    groups: strings,
    idleA,
    peakA: at('full-white'),
    levelA: at('level'),
    shownA: at(plan.scene.shown),
  }
}

/** The load of every run in the plan's scenes. */
export function loadRuns(
  plan: Plan,
  cuts: readonly CutStripRun[],
  lit: readonly LitRun[] = [],
): RunLoad[] {
  const litOf = new Map(lit.map((run) => [run.id, run]))
  return cuts.map(({ run, strip, cuts: cutGroups, pixels }) => {
    const own = litOf.get(run.id)
    // What else is in nodes draws all the time.
    if (own !== undefined) return litLoad(plan, own, nodesA(run))
    const groups = strip.light.kind === 'pixels' ? pixels : cutGroups
    const { volts } = strip
    const { channelMa, idleMa: dark } = groupDraw(strip)
    const idleMa = dark + besidePixelMa({ run, strip })
    const at = (scene: SceneName): number => {
      const duties = dutiesIn(plan, scene, run.line, strip)
      const lit = channelMa.map((mA, index) => mA * (duties[index] ?? 0))
      return loadOf({ pixels: groups, channelMa: lit, idleMa, level: 1, volts }).currentA
    }
    return {
      id: run.id,
      volts,
      groups,
      idleA: at('idle'),
      peakA: at('full-white'),
      levelA: at('level'),
      shownA: at(plan.scene.shown),
    }
  })
}
