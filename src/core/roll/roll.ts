import type { Joints } from '../cut/joints'
import { operand, working, type Figure } from '../quantity/figure'
import { formatQuantity } from '../quantity/format'
import type { Verdict, VerdictCode } from '../verdict/verdict'
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
import type { Results } from './results'
import { boardFigures, levelFigures, timingFigures, wireFigures, wireJointFigures } from './signal'
import { supplyFigures } from './supply'
import { sumOf } from './total'

/** A part of the roll: figures in the order of the work, and the verdicts that concern them. */
export interface RollSection {
  readonly id: string
  readonly title: string
  readonly figures: readonly Figure[]
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
        codes.includes(verdict.code) &&
        (about === undefined || verdict.about.includes(about)) &&
        // A resistor is missing in the data lines, or before single lights.
        (verdict.code !== 'no-resistor' || (id === 'lights') === verdict.about.length > 0),
    ),
  })
  return [
    section('length', 'Length', lengthFigures(results), [
      'gap-shows',
      'edge-bend',
      'tight-bend',
      'off-mark',
    ]),
    section('lights', 'Single lights', lightFigures(results), [
      'no-resistor',
      'no-headroom',
      'shared-resistor',
      'pin-over',
      'switch-in-plus',
      'matrix-flicker',
      'sink-over',
    ]),
    section('place', 'Where it is', [], ['glare', 'wet', 'open-sleeve', 'splice-shows']),
    section('leads', 'Leads from the supply', leadFigures(results), ['wrong-end']),
    section('plugs', 'Splitters and extensions', plugFigures(results), [
      'lead-short',
      'lead-over',
      'plug-hole',
      'ports-short',
    ]),
    section('home', 'Wires home', homeFigures(results), []),
    section('nodes', 'Nodes', nodeFigures(results), []),
    ...voltsIn(results).map((volts, index) =>
      section(
        `current.${String(volts)}`,
        `Current at ${formatQuantity(volts, 'V')}`,
        currentFigures(results, volts),
        index === 0 ? ['nameplate'] : [],
      ),
    ),
    section('draw', 'Run by run', drawFigures(results), []),
    section('reels', 'Reels', reelFigures(results), ['stock-short']),
    section('joints', 'Joints', jointFigures(results), []),
    ...supplies.map((supply) =>
      section(
        `supply.${supply.slot.id}`,
        supplies.length === 1 ? 'Supply' : supply.slot.name,
        supplyFigures(results.plan, supply),
        [
          'volts-differ',
          'supply-short',
          'supply-tight',
          'port-over',
          'regulator-hot',
          'over-100-watt',
        ],
        supply.slot.id,
      ),
    ),
    section('volts', 'Volts at full white', voltFigures(results), [
      'not-fed',
      'fade',
      'uneven',
      'copper-hot',
      'plus-joined',
      'no-common',
    ]),
    section(
      'drops',
      'Leads and fuses',
      [...dropFigures(results), ...lossFigures(results)],
      ['lead-hot', 'no-fuse', 'fuse-over-wire', 'track-over'],
    ),
    section('warmth', 'Warmth', warmthFigures(results), ['hot-strip']),
    ...supplies.map((supply) =>
      section(
        `use.${supply.slot.id}`,
        supplies.length === 1 ? 'In use' : `${supply.slot.name} in use`,
        useFigures(results, supply),
        ['battery-sag', 'battery-short', 'bank-sleeps', 'capacitor-volts', 'no-capacitor'],
        supply.slot.id,
      ),
    ),
    section('level', 'Level at the first pixel', levelFigures(results), [
      'low-level',
      'thin-level',
      'long-data',
      'no-resistor',
      'against-arrow',
      'diode-small',
      'board-quirk',
    ]),
    section('frames', 'Frames', timingFigures(results), ['slow-frames']),
    section('board', 'Board', boardFigures(results), [
      'pins-short',
      'pin-kind',
      'serial-pin',
      'board-over',
      'memory',
      'status-colours-alike',
    ]),
    section('wires', 'Wire', wireFigures(results), []),
    section('wire-joints', 'Joints, one by one', wireJointFigures(results), []),
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

/** The lowest volts of each run, with what is left of its weakest colour. */
function voltFigures({ cuts, full }: Results): Figure[] {
  return cuts.flatMap(({ run, strip }): Figure[] => {
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
