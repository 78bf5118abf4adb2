import { asMeasured } from '../../core/build/as-measured'
import { meterAt, meterStages } from '../../core/build/meter-at'
import { templatesOf } from '../../core/build/template'
import { progressOf } from '../../core/build/progress'
import { upkeepOf } from '../../core/mend/upkeep'
import { linkPlan } from '../../core/glow/link/lanes'
import { printed } from '../../core/roll/roll'
import { derived, type Derived } from '../../core/derived'
import { everything } from '../../core/stages'
import { tallyParts } from '../../core/tally'
import { pixelMap } from '../../core/lanes/pixel-map'
import { programData } from '../../core/signal/program'
import { diagramOf } from '../../core/wire/diagram'
import { pixelsTable } from '../../formats/csv-wires'
import { planBoxes } from '../../core/buy/boxes'
import { toBuy } from '../../core/buy/receipt'
import { readPlan } from '../../formats/plan-file'
import { programHeader, programJson } from '../../formats/program'
import type { PlanParts, WholePart } from './parts'
import { factsOf } from './plan-facts'

/** Parts of a plan that its file has and no figure is made of. */
const unworked = [
  'format',
  'version',
  'name',
  'offcuts',
  'build',
  'shows',
  'mends',
  'notes',
  'upkeep',
] as const

/** How each of them is made of the results of stages. */
export const planParts: { readonly [Name in WholePart]: Derived<PlanParts[Name]> } = {
  ...tallyParts,
  facts: derived(
    ['buy', 'units'],
    ['reels', 'joints', 'receipt', 'cutRuns', 'layout', 'loads', 'findings'],
    ({ plan, reels, joints, receipt, ...results }) => ({
      shelf: factsOf({ plan, ...results }),
      reels: reels.reduce(
        (sum, strip) => sum + strip.reels.filter(({ kind }) => kind === 'reel').length,
        0,
      ),
      joints: joints.length,
      toBuy: toBuy(receipt, plan.buy).length,
      billLines: receipt.lines.length,
    }),
  ),
  unreadable: derived([...unworked, ...everything], [], ({ plan }) => {
    const read = readPlan(plan)
    return read.ok ? read.adjusted : read.issues
  }),
  receipt: derived([], ['receipt'], ({ receipt }) => receipt),
  bars: derived([], ['bars'], ({ bars }) => bars),
  sheets: derived([], ['sheets'], ({ sheets }) => sheets),
  boxes: derived(
    ['buy', 'junctions', 'signal'],
    ['fit', 'full', 'supplies', 'wiring', 'cutRuns', 'sources', 'layout'],
    planBoxes,
  ),
  build: derived([], ['schedule'], ({ schedule }) => schedule),
  meter: derived([...everything, 'build'], meterStages, (results) => {
    const { steps } = results.schedule
    // Without a clock nothing is still drying: where something is, the page asks for itself.
    const { next } = progressOf(results.plan, steps, Infinity)
    return next && { step: next.id, expected: meterAt(results, steps, next) }
  }),
  templates: derived(
    ['rules', 'own'],
    ['cutRuns', 'lit', 'nodes', 'lanes', 'layout', 'wiring'],
    templatesOf,
  ),
  measured: derived([...everything, 'build'], meterStages, (results) =>
    asMeasured(results, results.schedule.steps),
  ),
  upkeep: derived(
    ['use', 'scene', 'limit', 'build', 'upkeep'],
    ['cutRuns', 'joints', 'supplies', 'batteries'],
    upkeepOf,
  ),
  howFar: derived(['build', 'wiring'], ['steps'], ({ plan, steps }) => {
    const { done, skipped } = progressOf(plan, steps, Infinity)
    return { steps: steps.length, done: done.size + skipped.size }
  }),
  link: derived(['limit', 'signal'], ['cutRuns', 'lit', 'lanes', 'layout'], linkPlan),
  diagram: derived(['units'], ['wiring', 'cutRuns', 'lanes'], (results) =>
    diagramOf(results.wiring, results, results.plan.units),
  ),
  program: derived(
    ['name', 'rules', 'limit', 'signal', 'units'],
    ['cutRuns', 'lit', 'fit', 'lanes', 'supplies', 'layout'],
    (results) => {
      const data = programData(results)
      return {
        header: programHeader(data),
        json: programJson(data),
        pixels: pixelsTable(pixelMap(results.lanes, results.layout), results.plan.units),
      }
    },
  ),
}

export { allStages } from '../../core/late-stages'
/** @public The worker asks for it once this file is loaded. */
export const rollSections = printed
/** @public … and for these too. */
export { FixSearch, isDoneBy } from './bit-by-bit'
