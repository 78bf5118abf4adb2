import { operand, working, type Figure } from '../quantity/figure'
import type { CutStripRun } from '../cut/cut'
import { formatQuantity, type LengthUnits } from '../quantity/format'
import { Kept } from '../quantity/kept'
import type { Rules } from '../plan/plan'
import { derived, type Derived } from '../derived'
import { billFigures } from './bill'
import { buildFigures } from './build'
import { currentFigures, voltsIn } from './current'
import {
  drawFigures,
  dropFigures,
  homeFigures,
  leadFigures,
  lossFigures,
  plugFigures,
  useFigures,
  warmthFigures,
} from './feed'
import { lightFigures } from './lights'
import { nodeFigures } from './nodes'
import type { JudgedPlan } from '../verdict/judged-plan'
import { boardFigures, levelFigures, timingFigures, wireFigures, jointFigures } from './signal'
import {
  sectionKinds,
  withVerdicts,
  type FigureSection,
  type RollSection,
  type SectionKind,
} from './section'
import { supplyFigures } from './supply'
import { sumOf } from './total'

/** Sections with their figures, by kind: each is worked out of what it names. */
export const printed: Readonly<Record<SectionKind, Derived<readonly FigureSection[]>>> = {
  length: one('length', 'Length', derived(['rules', 'units'], ['cutRuns'], lengthFigures)),
  lights: one(
    'lights',
    'Single lights',
    derived(['rules'], ['cutRuns', 'lit', 'fit'], lightFigures),
  ),
  // Nothing but verdicts.
  place: one(
    'place',
    'Where it is',
    derived([], [], () => []),
  ),
  leads: one(
    'leads',
    'Leads from the supply',
    derived(['junctions', 'rules', 'units'], ['leads', 'cutRuns'], leadFigures),
  ),
  plugs: one(
    'plugs',
    'Splitters and extensions',
    derived(['units'], ['plugs', 'cutRuns'], plugFigures),
  ),
  home: one('home', 'Wires home', derived(['rules'], ['circuit', 'cutRuns'], homeFigures)),
  nodes: one('nodes', 'Nodes', derived(['units'], ['nodes', 'cutRuns'], nodeFigures)),
  current: derived(['scene', 'limit'], ['cutRuns', 'lit', 'loads', 'nodes'], (results) =>
    voltsIn(results).map((volts, index): FigureSection => ({
      id: `current.${String(volts)}`,
      kind: 'current',
      title: `Current at ${formatQuantity(volts, 'V')}`,
      figures: currentFigures(results, volts),
      verdicts: index === 0 ? 'of its kind' : 'none',
    })),
  ),
  draw: one('draw', 'Run by run', derived(['scene'], ['cutRuns', 'loads'], drawFigures)),
  reels: one('reels', 'Reels', derived([], ['reels'], reelFigures)),
  supply: derived(['rules'], ['supplies'], ({ plan, supplies }) =>
    supplies.map((supply): FigureSection => ({
      id: `supply.${supply.slot.id}`,
      kind: 'supply',
      title: supplies.length === 1 ? 'Supply' : supply.slot.name,
      figures: supplyFigures(plan, supply),
      verdicts: { about: supply.slot.id },
    })),
  ),
  volts: one('volts', 'Volts at full white', derived([], ['cutRuns', 'full'], voltFigures)),
  drops: one(
    'drops',
    'Leads and fuses',
    derived(['junctions'], ['full', 'shown', 'cutRuns'], (results) => [
      ...dropFigures(results),
      ...lossFigures(results),
    ]),
  ),
  warmth: one(
    'warmth',
    'Warmth',
    derived(
      ['use', 'scene', 'limit', 'own', 'supplies', 'junctions'],
      ['cutRuns', 'parts', 'volts'],
      warmthFigures,
    ),
  ),
  use: derived(
    ['use', 'scene', 'limit'],
    ['supplies', 'batteries', 'cutRuns'],
    ({ supplies, ...results }) =>
      supplies.map((supply): FigureSection => ({
        id: `use.${supply.slot.id}`,
        kind: 'use',
        title: supplies.length === 1 ? 'In use' : `${supply.slot.name} in use`,
        figures: useFigures(results, supply),
        verdicts: { about: supply.slot.id },
      })),
  ),
  level: one('level', 'Level at the first pixel', derived([], ['signal', 'lanes'], levelFigures)),
  frames: one('frames', 'Frames', derived([], ['lanes'], timingFigures)),
  board: one('board', 'Board', derived(['signal'], ['fit', 'lanes'], boardFigures)),
  wires: one('wires', 'Wire', derived([], ['wiring'], wireFigures)),
  joints: one('joints', 'Joints', derived([], ['joints'], jointFigures)),
  bill: one('bill', 'The bill', derived(['buy'], ['receipt', 'cutRuns'], billFigures)),
  build: one('build', 'Time to build', derived(['build', 'wiring'], ['schedule'], buildFigures)),
}

/** A kind that has one section. */
function one(
  kind: SectionKind,
  title: string,
  of: Derived<readonly Figure[]>,
): Derived<readonly FigureSection[]> {
  return {
    ...of,
    work: (given) => [{ id: kind, kind, title, figures: of.work(given), verdicts: 'of its kind' }],
  }
}

/** The whole roll of a plan; sections without figures are left out. */
export const rollOf = (results: JudgedPlan): RollSection[] =>
  withVerdicts(
    sectionKinds.flatMap((kind) => printed[kind].work(results)),
    results.verdicts,
  )

const roundingRule = {
  inside: 'whole groups, inside',
  nearest: 'whole groups, to the nearest mark',
  cover: 'whole groups, covering',
} as const

function lengthFigures({ plan, cutRuns }: Pick<JudgedPlan, 'plan' | 'cutRuns'>): Figure[] {
  const strips = cutRuns.filter(({ run }) => run.segments.length > 0)
  if (strips.length === 0) return []
  const { units, rules } = plan
  const figures = strips.map((entry) =>
    keptLengths.get(entry, [units, rules.rounding], () => lengthFigure(entry, units, rules)),
  )
  return [...figures, sumOf('length.total', 'strip to place', 'm', figures, 1 / 1000)]
}

const keptLengths = new Kept<CutStripRun, Figure>()

const lengthFigure = (
  { run, strip, groups, placedMm }: CutStripRun,
  units: LengthUnits,
  { rounding }: Pick<Rules, 'rounding'>,
): Figure => ({
  id: `length.${run.id}`,
  label: run.name,
  value: placedMm,
  unit: 'mm',
  ...working`${operand('cut groups', groups)} × ${operand('cut pitch', strip.cutPitchMm, 'mm')}`,
  rule: `${formatQuantity(run.wantedMm, 'mm', units)} wanted; ${roundingRule[rounding]}`,
  about: [run.id],
})

/** Reels to buy by kind, strip by strip, and what is left of them. */
function reelFigures({ reels }: Pick<JudgedPlan, 'reels'>): Figure[] {
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
  const joined = reels.filter(({ joinsPrice }) => joinsPrice > 0)
  for (const { strip, joinsPrice, joins } of joined)
    bought.push({
      id: `reels.joins.${strip.id}`,
      label: 'joins that save a reel',
      value: joinsPrice,
      unit: 'price',
      ...working`${operand('joins', joins)} × ${operand('each', joinsPrice / joins, 'price')}`,
      about: [],
    })
  return [
    ...bought,
    {
      ...sumOf('reels.total', isProved ? 'proved cheapest' : 'cheapest found', 'price', bought),
      rule: 'each piece whole, offcuts from the drawer first',
    },
  ]
}

/** The lowest volts of each run, with what is left of its weakest colour. */
function voltFigures({ cutRuns, full }: Pick<JudgedPlan, 'cutRuns' | 'full'>): Figure[] {
  return cutRuns.flatMap(({ run, strip }): Figure[] => {
    const fed = full.runs.get(run.id)
    if (fed === undefined) return []
    const at = strip.light.kind === 'pixels' ? 'px' : 'group'
    return [
      {
        id: `volts.${run.id}`,
        label: run.name,
        value: fed.minV,
        unit: 'V',
        ...working`${operand('weakest colour', fed.weakest, '%')} at ${operand(at, fed.minAt + 1)}`,
        rule: 'solved along both rails',
        about: [run.id],
      },
    ]
  })
}
