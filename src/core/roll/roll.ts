import { operand, working, type Figure } from '../quantity/figure'
import { formatQuantity } from '../quantity/format'
import { verdictKinds, type VerdictSection } from '../verdict/kinds'
import type { Verdict } from '../verdict/verdict'
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
import { supplyFigures } from './supply'
import { sumOf } from './total'

/** What sections of the roll are about. */
export type SectionKind =
  | VerdictSection
  | 'home'
  | 'nodes'
  | 'draw'
  | 'wires'
  | 'joints'
  | 'bill'
  | 'build'

/** A part of the roll: figures in the order of the work, and the verdicts that concern them. */
export interface RollSection {
  readonly id: string
  /** What it is about; sections of one kind stand for several volts or supplies. */
  readonly kind: SectionKind
  readonly title: string
  readonly figures: readonly Figure[]
  readonly verdicts: readonly Verdict[]
}

/** The whole roll of a plan; sections without figures are left out. */
export const rollOf = (results: JudgedPlan): RollSection[] => sectionsOf(results, sectionKinds)

/** The sections of some kinds, in the order of the work; only what they tell of is worked out. */
export function sectionsOf(results: JudgedPlan, kinds: readonly SectionKind[]): RollSection[] {
  const wanted = new Set(kinds)
  return sectionKinds
    .filter((kind) => wanted.has(kind))
    .flatMap((kind) =>
      printed[kind](results).map(({ title, figures, of, isJudged = true, about }): RollSection => ({
        id: of === undefined ? kind : `${kind}.${of}`,
        kind,
        title,
        figures,
        verdicts: isJudged
          ? results.verdicts.filter(
              (verdict) =>
                verdictKinds[verdict.code].section === kind &&
                (about === undefined || verdict.about.includes(about)),
            )
          : [],
      })),
    )
    .filter(({ figures, verdicts: found }) => figures.length > 0 || found.length > 0)
}

/** What is printed in a section. */
interface Printed {
  readonly title: string
  readonly figures: readonly Figure[]
  /** Tells it from others of its kind. */
  readonly of?: string
  /** Verdicts of its kind are printed in it. */
  readonly isJudged?: boolean
  /** … those alone that are about this. */
  readonly about?: string
}

const one =
  (title: string, figuresOf: (results: JudgedPlan) => readonly Figure[]) =>
  (results: JudgedPlan): Printed[] => [{ title, figures: figuresOf(results) }]

const printed: Readonly<Record<SectionKind, (results: JudgedPlan) => Printed[]>> = {
  length: one('Length', lengthFigures),
  lights: one('Single lights', lightFigures),
  place: one('Where it is', () => []),
  leads: one('Leads from the supply', leadFigures),
  plugs: one('Splitters and extensions', plugFigures),
  home: one('Wires home', homeFigures),
  nodes: one('Nodes', nodeFigures),
  current: (results) =>
    voltsIn(results).map((volts, index) => ({
      title: `Current at ${formatQuantity(volts, 'V')}`,
      figures: currentFigures(results, volts),
      of: String(volts),
      isJudged: index === 0,
    })),
  draw: one('Run by run', drawFigures),
  reels: one('Reels', reelFigures),
  supply: ({ supplies, plan }) =>
    supplies.map((supply) => ({
      title: supplies.length === 1 ? 'Supply' : supply.slot.name,
      figures: supplyFigures(plan, supply),
      of: supply.slot.id,
      about: supply.slot.id,
    })),
  volts: one('Volts at full white', voltFigures),
  drops: one('Leads and fuses', (results) => [...dropFigures(results), ...lossFigures(results)]),
  warmth: one('Warmth', warmthFigures),
  use: (results) =>
    results.supplies.map((supply) => ({
      title: results.supplies.length === 1 ? 'In use' : `${supply.slot.name} in use`,
      figures: useFigures(results, supply),
      of: supply.slot.id,
      about: supply.slot.id,
    })),
  level: one('Level at the first pixel', levelFigures),
  frames: one('Frames', timingFigures),
  board: one('Board', boardFigures),
  wires: one('Wire', wireFigures),
  joints: one('Joints', jointFigures),
  bill: one('The bill', billFigures),
  build: one('Time to build', buildFigures),
}

const sectionKinds = Object.keys(printed) as SectionKind[]

const roundingRule = {
  inside: 'whole groups, inside',
  nearest: 'whole groups, to the nearest mark',
  cover: 'whole groups, covering',
} as const

function lengthFigures({ plan, cutRuns }: JudgedPlan): Figure[] {
  const strips = cutRuns.filter(({ run }) => run.segments.length > 0)
  if (strips.length === 0) return []
  const figures = strips.map(({ run, strip, groups, placedMm }): Figure => ({
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
function reelFigures({ reels }: JudgedPlan): Figure[] {
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
function voltFigures({ cutRuns, full }: JudgedPlan): Figure[] {
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
