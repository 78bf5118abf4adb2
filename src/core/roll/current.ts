import type { CutStripRun } from '../cut/cut'
import { runName } from '../cut/entry-of'
import { groupDraw } from '../load/group-draw'
import { dutiesIn, isDimmable, levelIn } from '../load/load'
import { loadOf } from '../load/load-of'
import type { Plan } from '../plan/plan'
import { operand, working, type Figure } from '../quantity/figure'
import type { JudgedPlan } from '../verdict/judged-plan'
import { caseLabel } from './case-label'
import { sumOf } from './total'
import { listed } from '../quantity/listed'

/** Volts of the strips in the plan, each once, in the order of the pad. */
export const voltsIn = ({ loads }: Pick<JudgedPlan, 'loads'>): number[] => [
  ...new Set(loads.filter((load) => load.groups > 0).map((load) => load.volts)),
]

/** Runs of one strip that burn at one brightness. */
type Batch = [CutStripRun, ...CutStripRun[]]

/** Brightness of a run in the case that the plan shows; what nothing dims is at full. */
const shownLevel = (plan: Plan, { run, strip }: CutStripRun): number =>
  isDimmable(strip, run.line) ? levelIn(plan, plan.scene.shown, run.line) : 1

/** What the runs at some volts draw in the scene that the plan shows: strip by strip, and level by level. */
export function currentFigures(
  {
    plan,
    cutRuns,
    lit,
    loads,
    nodes,
  }: Pick<JudgedPlan, 'plan' | 'cutRuns' | 'lit' | 'loads' | 'nodes'>,
  volts: number,
): Figure[] {
  const ofVolts = cutRuns.filter(({ strip, groups }) => strip.volts === volts && groups > 0)
  const batches = new Map<string, Batch>()
  for (const entry of ofVolts) {
    const key = `${entry.strip.id}.${String(shownLevel(plan, entry))}${isDimmable(entry.strip, entry.run.line) ? '' : '.undimmed'}`
    listed(batches, key).push(entry)
  }
  const figures = [...batches].flatMap(([key, batch]) =>
    batchFigures(plan, key, batch, batches.size > 1),
  )
  const loadById = new Map(loads.map((load) => [load.id, load]))
  const singles = lit.flatMap(({ id, lights }): Figure[] => {
    const load = loadById.get(id)
    if (load?.volts !== volts) return []
    return [
      {
        id: `current.lights.${id}`,
        label: runName(cutRuns, id),
        value:
          load.currentA[plan.scene.shown] - (nodes.find((node) => node.id === id)?.currentA ?? 0),
        unit: 'A',
        ...working`${operand('count', lights)} single lights`,
        about: [id],
      },
    ]
  })
  const others = nodes.flatMap((node): Figure[] => {
    const isHere = [...ofVolts.map(({ run }) => run.id), ...singles.flatMap((one) => one.about)]
    if (node.each.mA === 0 || !isHere.includes(node.id)) return []
    return [
      {
        id: `current.nodes.${node.id}`,
        label: `${runName(cutRuns, node.id)}, else in nodes`,
        value: node.currentA,
        unit: 'A',
        ...working`${operand('nodes', node.nodes)} × ${operand('each', node.each.mA, 'mA')}`,
        about: [node.id],
      },
    ]
  })
  const about = [...ofVolts.map(({ run }) => run.id), ...singles.flatMap((one) => one.about)]
  const total: Figure = {
    ...sumOf(`current.${String(volts)}.total`, caseLabel(plan), 'A', [
      ...figures.filter(({ isStep }) => isStep !== true),
      ...singles,
      ...others,
    ]),
    about,
  }
  const amperes = total.value ?? 0
  const power: Figure = {
    id: `power.${String(volts)}`,
    label: 'power',
    value: amperes * volts,
    unit: 'W',
    ...working`${operand('volts', volts, 'V')} × ${operand('current', amperes, 'A')}`,
    about,
  }
  return [...figures, ...singles, ...others, total, power]
}

/** Full draw of a batch, its brightness limit, and what its pixels draw while dark. */
function batchFigures(plan: Plan, key: string, batch: Batch, isNamed: boolean): Figure[] {
  const [entry] = batch
  const { run: first, strip } = entry
  const about = batch.map(({ run }) => run.id)
  const groups = batch.reduce(
    (sum, entry) => sum + (strip.light.kind === 'pixels' ? entry.pixels : entry.groups),
    0,
  )
  const level = shownLevel(plan, entry)
  const { channelMa, idleMa } = groupDraw(strip)
  const duties = dutiesIn(plan, plan.scene.shown, first.line, strip)
  const lit = channelMa.filter((_, index) => (duties[index] ?? 0) > 0)
  const amperes = (atLevel: number, idle: number): number =>
    loadOf({ pixels: groups, channelMa: lit, idleMa: idle, level: atLevel, volts: strip.volts })
      .currentA
  const base = { about, unit: 'A' as const }
  const [name, of] = isNamed ? [strip.name, strip.name] : ['', 'all on']
  const figures: Figure[] = []
  if (lit.length > 0)
    figures.push({
      ...base,
      id: `full.${key}`,
      label: name,
      value: amperes(1, 0),
      ...(level < 1 && { isStep: true }),
      ...fullWorking(batch, groups, lit),
    })
  if (lit.length > 0 && level < 1)
    figures.push({
      ...base,
      id: `held.${key}`,
      label: 'limited to',
      value: amperes(level, 0),
      ...working`${operand('level', level, '%')} of ${operand(of, amperes(1, 0), 'A')}`,
    })
  if (idleMa > 0)
    figures.push({
      ...base,
      id: `idle.${key}`,
      label: 'dark pixels',
      value: amperes(0, idleMa),
      ...working`${operand('pixels', groups, 'px')} × ${operand('idle', idleMa, 'mA')}`,
    })
  return figures
}

function fullWorking(
  [{ strip }, ...others]: Batch,
  groups: number,
  litMa: readonly number[],
): Pick<Figure, 'operation' | 'operands'> {
  const { light, volts, cutPitchMm } = strip
  const allMa = litMa.reduce((sum, mA) => sum + mA, 0)
  if (light.kind === 'plain') {
    const metres = (groups * cutPitchMm) / 1000
    const wattsPerM = (allMa * volts) / cutPitchMm
    return working`${operand('length', metres, 'm')} × ${operand('power', wattsPerM, 'W/m')} ÷ ${operand('volts', volts, 'V')}`
  }
  const [first = 0] = litMa
  const pixels = operand(others.length === 0 ? 'its pixels' : 'pixels', groups, 'px')
  return litMa.every((mA) => mA === first)
    ? working`${pixels} × ${operand('colours', litMa.length)} × ${operand('a colour', first, 'mA')}`
    : working`${pixels} × ${operand('all colours', allMa, 'mA')}`
}
