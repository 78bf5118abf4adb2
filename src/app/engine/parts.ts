import { derived, type Derived } from '../../core/stages'
import { tallyParts, type Tally } from '../../core/tally'
import { pixelMap } from '../../core/lanes/pixel-map'
import { programData } from '../../core/signal/program'
import { diagramOf } from '../../core/wire/diagram'
import type { Diagram } from '../../core/wire/drawn'
import { pixelsCsv } from '../../formats/csv-wires'
import { programHeader, programJson } from '../../formats/program'
import { factsOf, type PlanFacts } from './plan-facts'

/** What can wait until the page has all that it shows: counts for the header, and what the shelf keeps of the plan. */
export interface Facts {
  readonly reels: number
  readonly joints: number
  readonly shelf: PlanFacts
}

/** What the program needs, as the texts of three files. */
export interface ProgramTexts {
  readonly header: string
  readonly json: string
  readonly pixels: string
}

/** Everything that a page can ask of the open plan, besides the roll. */
export interface PlanParts extends Omit<Tally, 'roll'> {
  readonly facts: Facts
  readonly diagram: Diagram
  readonly program: ProgramTexts
}
export type PartName = keyof PlanParts

/** How each of them is made of the results of stages. */
export const planParts: { readonly [Name in PartName]: Derived<PlanParts[Name]> } = {
  ...tallyParts,
  facts: derived(
    [],
    ['reels', 'joints', 'cuts', 'layout', 'loads', 'verdicts'],
    ({ reels, joints, ...results }) => ({
      shelf: factsOf(results),
      reels: reels.reduce(
        (sum, strip) => sum + strip.reels.filter(({ kind }) => kind === 'reel').length,
        0,
      ),
      joints: joints.length,
    }),
  ),
  diagram: derived(['units'], ['wiring', 'cuts', 'lanes'], (results) =>
    diagramOf(results.wiring, results, results.plan.units),
  ),
  program: derived(
    ['name', 'rules', 'limit', 'signal'],
    ['fit', 'lanes', 'supplies', 'layout'],
    (results) => {
      const data = programData(results)
      return {
        header: programHeader(data),
        json: programJson(data),
        pixels: pixelsCsv(pixelMap(results.lanes, results.layout)),
      }
    },
  ),
}
