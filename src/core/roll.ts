import type { CutStripRun } from './cut/cut'
import type { Joints } from './cut/joints'
import type { StripReels } from './cut/reels'
import { headroomOf, type FedSupply } from './feed/supplies'
import { groupDraw, levelIn, type RunLoad } from './load/load'
import { loadOf } from './load/load-of'
import type { Strip } from './plan/parts'
import type { Plan } from './plan/plan'
import { operand, working, type Figure, type Operand } from './quantity/figure'
import { formatQuantity } from './quantity/format'
import type { Verdict, VerdictCode } from './verdict/verdict'

/** A part of the roll: figures in the order of the work, and the verdicts that concern them. */
export interface RollSection {
  readonly id: string
  readonly title: string
  readonly figures: readonly Figure[]
  readonly verdicts: readonly Verdict[]
}

interface Results {
  readonly plan: Plan
  readonly cuts: readonly CutStripRun[]
  readonly reels: readonly StripReels[]
  readonly joints: readonly Joints[]
  readonly loads: readonly RunLoad[]
  readonly supplies: readonly FedSupply[]
  readonly verdicts: readonly Verdict[]
}

/** The roll of a plan; sections without figures are left out. */
export function rollOf(results: Results): RollSection[] {
  const { verdicts, supplies } = results
  const section = (
    id: string,
    title: string,
    figures: Figure[],
    codes: readonly VerdictCode[],
    about?: string,
  ): RollSection => ({
    id,
    title,
    figures,
    verdicts: verdicts.filter(
      (verdict) =>
        codes.includes(verdict.code) && (about === undefined || verdict.about.includes(about)),
    ),
  })
  return [
    section('length', 'Length', lengthFigures(results), ['gap-shows']),
    section('lights', 'Single lights', lightFigures(results), []),
    ...voltsIn(results).map((volts, index) =>
      section(
        `current.${String(volts)}`,
        `Current at ${formatQuantity(volts, 'V')}`,
        currentFigures(results, volts),
        index === 0 ? ['nameplate'] : [],
      ),
    ),
    section('reels', 'Reels', reelFigures(results), ['stock-short']),
    section('joints', 'Joints', jointFigures(results), []),
    ...supplies.map((supply) =>
      section(
        `supply.${supply.slot.id}`,
        supplies.length === 1 ? 'Supply' : supply.slot.name,
        supplyFigures(results.plan, supply),
        ['volts-differ', 'supply-short', 'supply-tight'],
        supply.slot.id,
      ),
    ),
  ].filter(({ figures, verdicts: found }) => figures.length > 0 || found.length > 0)
}

const roundingRule = {
  inside: 'whole groups, inside',
  nearest: 'whole groups, to the nearest mark',
  cover: 'whole groups, covering',
} as const

function lengthFigures({ plan, cuts }: Results): Figure[] {
  const strips = cuts.filter(({ run }) => run.segments.length > 0)
  if (strips.length === 0) return []
  const figures = strips.map(({ run, strip, cuts: groups, placedMm }): Figure => ({
    id: `length.${run.id}`,
    label: run.name,
    value: placedMm,
    unit: 'mm',
    ...working`${operand('cut groups', groups)} × ${operand('cut pitch', strip.cutPitchMm, 'mm')}`,
    rule: `${formatQuantity(run.wantedMm, 'mm', plan.units)} wanted; ${roundingRule[plan.rules.rounding]}`,
    about: [run.id],
  }))
  return [...figures, sumOf('length.total', 'strip to place', 'm', figures, 1 / 1000)]
}

/** Reels to buy by kind, strip by strip, and what is left of them. */
function reelFigures({ reels }: Results): Figure[] {
  const bought = reels.flatMap(({ strip, reels: bins }) => {
    const own = bins.filter(({ kind }) => kind === 'reel')
    const lengths = [...new Set(own.map(({ lengthMm }) => lengthMm))].toSorted((a, b) => b - a)
    return lengths.map((lengthMm): Figure => {
      const alike = own.filter((reel) => reel.lengthMm === lengthMm)
      const price = alike[0]?.price ?? 0
      return {
        id: `reels.${strip.id}.${String(lengthMm)}`,
        label: reels.length > 1 ? strip.name : 'reels',
        value: alike.length * price,
        unit: 'price',
        ...working`${operand('reels', alike.length)} of ${operand('length', lengthMm / 1000, 'm')} × ${operand('price', price, 'price')}`,
        about: [...new Set(alike.flatMap(({ cuts }) => cuts.map(({ runId }) => runId)))],
      }
    })
  })
  if (bought.length === 0) return []
  const isProved = reels.every((strip) => strip.isProved)
  return [
    ...bought,
    {
      ...sumOf('reels.total', isProved ? 'proved cheapest' : 'cheapest found', 'price', bought),
      rule: 'each piece whole, rests from the drawer first',
    },
  ]
}

const jointName: Readonly<Record<Joints['kind'], string>> = {
  lead: 'leads',
  jumper: 'jumpers, both ends',
  pad: 'pad to pad',
}

function jointFigures({ joints }: Results): Figure[] {
  if (joints.length === 0) return []
  const figures = joints.map(({ kind, count, minutes }): Figure => ({
    id: `joints.${kind}`,
    label: jointName[kind],
    value: minutes,
    unit: 'min',
    ...working`${operand('joints', count)} × ${operand('each', minutes / count, 'min')}`,
    about: [],
  }))
  const count = joints.reduce((sum, of) => sum + of.count, 0)
  return [...figures, sumOf('joints.total', `${String(count)} joints`, 'min', figures)]
}

function lightFigures({ cuts }: Results): Figure[] {
  return cuts
    .filter(({ run }) => run.lights.length > 0)
    .map(({ run }) => ({
      id: `lights.${run.id}`,
      label: run.name,
      value: run.lights.length,
      unit: 'lights',
      operation: '',
      operands: [],
      rule: 'their current is not in the sums yet',
      about: [run.id],
    }))
}

/** Volts of the strips in the plan, each once, in the order of the pad. */
const voltsIn = ({ loads }: Results): number[] => [
  ...new Set(loads.filter((load) => load.groups > 0).map((load) => load.volts)),
]

function currentFigures({ plan, cuts, loads }: Results, volts: number): Figure[] {
  const level = levelIn(plan, plan.scene.shown)
  const ofVolts = cuts.filter(({ strip, cuts: groups }) => strip.volts === volts && groups > 0)
  const strips = [...new Set(ofVolts.map(({ strip }) => strip))]
  const figures = strips.flatMap((strip) => {
    const runs = ofVolts.filter((entry) => entry.strip === strip)
    return stripFigures(strip, runs, loads, level, strips.length > 1)
  })
  const about = ofVolts.map(({ run }) => run.id)
  const total: Figure = {
    ...sumOf(`current.${String(volts)}.total`, sceneLabel(plan), 'A', figures.filter(isAddend)),
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
  return [...figures, total, power]
}

export const sceneLabel = (plan: Plan): string =>
  ({
    idle: 'idle',
    'full-white': 'full white',
    level: `at ${formatQuantity(plan.scene.level, '%')}`,
  })[plan.scene.shown]

/** Full draw of a strip's runs, the brightness it is held to, and what its pixels draw while dark. */
function stripFigures(
  strip: Strip,
  runs: readonly CutStripRun[],
  loads: readonly RunLoad[],
  level: number,
  isNamed: boolean,
): Figure[] {
  const about = runs.map(({ run }) => run.id)
  const ids = new Set(about)
  const groups = loads
    .filter((load) => ids.has(load.id))
    .reduce((sum, load) => sum + load.groups, 0)
  const { channelMa, idleMa } = groupDraw(strip)
  const amperes = (atLevel: number, idle: number): number =>
    loadOf({ pixels: groups, channelMa, idleMa: idle, level: atLevel, volts: strip.volts }).currentA
  const base = { about, unit: 'A' as const }
  const [name, of] = isNamed ? [strip.name, strip.name] : ['', 'all on']
  const full: Figure = {
    ...base,
    id: `full.${strip.id}`,
    label: name,
    value: amperes(1, 0),
    ...fullWorking(strip, groups, runs),
  }
  const figures: Figure[] = level > 0 ? [full] : []
  if (level > 0 && level < 1) {
    figures.push({
      ...base,
      id: `held.${strip.id}`,
      label: 'held to',
      value: amperes(level, 0),
      ...working`${operand('level', level, '%')} of ${operand(of, amperes(1, 0), 'A')}`,
    })
  }
  if (idleMa > 0) {
    figures.push({
      ...base,
      id: `idle.${strip.id}`,
      label: 'dark pixels',
      value: amperes(0, idleMa),
      ...working`${operand('pixels', groups, 'px')} × ${operand('idle', idleMa, 'mA')}`,
    })
  }
  return figures
}

/** A full draw that is held lower is a step on the way, not an addend. */
const isAddend = (figure: Figure, index: number, all: readonly Figure[]): boolean =>
  !(figure.id.startsWith('full.') && all[index + 1]?.id.startsWith('held.') === true)

function fullWorking(
  strip: Strip,
  groups: number,
  runs: readonly CutStripRun[],
): Pick<Figure, 'operation' | 'operands'> {
  const { light, volts, nameplateWPerM } = strip
  if (light.kind === 'plain') {
    const metres = runs.reduce((sum, run) => sum + run.placedMm, 0) / 1000
    const watts = light.channels.reduce((sum, channel) => sum + channel.wattsPerM, 0)
    return working`${operand('length', metres, 'm')} × ${operand('power', watts || nameplateWPerM, 'W/m')} ÷ ${operand('volts', volts, 'V')}`
  }
  const [first = 0] = light.channels.map((channel) => channel.fullMa)
  const isEven = light.channels.every((channel) => channel.fullMa === first)
  const pixels = operand('pixels', groups, 'px')
  return isEven
    ? working`${pixels} × ${operand('colours', light.channels.length)} × ${operand('a colour', first, 'mA')}`
    : working`${pixels} × ${operand(
        'all colours',
        light.channels.reduce((sum, channel) => sum + channel.fullMa, 0),
        'mA',
      )}`
}

const sizingRule = {
  'full-white': 'full white, with headroom',
  'next-size': 'full white, next size up',
  scenes: 'what the scene draws',
} as const

function supplyFigures(plan: Plan, supply: FedSupply): Figure[] {
  const { slot, part, loadA, needA, fits } = supply
  if (fits.length === 0) return []
  const about = [slot.id, ...fits.map((load) => load.id)]
  const headroom = headroomOf(plan)
  const drawn = operand('load', loadA, 'A')
  return [
    {
      id: `need.${slot.id}`,
      label: 'to be given',
      value: needA,
      unit: 'A',
      ...(headroom > 0
        ? working`${drawn} ÷ ${operand('1 − headroom', 1 - headroom)}`
        : working`${drawn}`),
      rule: sizingRule[plan.rules.sizing],
      about,
    },
    {
      id: `supply.${slot.id}`,
      label: part?.name ?? 'none is large enough',
      value: part?.ratedA ?? null,
      unit: 'A',
      operation: '',
      operands: [],
      rule: slot.part === 'auto' ? 'next size up' : 'chosen',
      about,
      isTotal: true,
    },
  ]
}

function sumOf(
  id: string,
  label: string,
  unit: Figure['unit'],
  addends: readonly Figure[],
  factor = 1,
): Figure {
  const operands: Operand[] = addends.map(({ label: name, value, unit: of }) =>
    operand(name, value ?? 0, of),
  )
  return {
    id,
    label,
    value: operands.reduce((sum, { value }) => sum + value, 0) * factor,
    unit,
    operation: operands.map((_, index) => `{${String(index)}}`).join(' + '),
    operands,
    about: addends.flatMap((figure) => figure.about),
    isTotal: true,
  }
}
