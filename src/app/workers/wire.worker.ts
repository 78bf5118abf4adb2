import { expose } from 'comlink'
import type { Plan } from '../../core/plan/plan'
import { pixelMap } from '../../core/lanes/pixel-map'
import { programData } from '../../core/signal/program'
import { diagramOf } from '../../core/wire/diagram'
import type { Diagram } from '../../core/wire/drawn'
import { worked } from '../../core/engine'
import { pixelsCsv } from '../../formats/csv-wires'
import { programHeader, programJson } from '../../formats/program'

/** What the program needs, as the texts of three files. */
export interface ProgramTexts {
  readonly header: string
  readonly json: string
  readonly pixels: string
}

const service = {
  diagram: (plan: Plan): Diagram => {
    const results = worked(plan)
    return diagramOf(results.wiring, results, plan.units)
  },
  program: (plan: Plan): ProgramTexts => {
    const results = worked(plan)
    const data = programData(results)
    return {
      header: programHeader(data),
      json: programJson(data),
      pixels: pixelsCsv(pixelMap(results.lanes, results.layout)),
    }
  },
}

export type WireService = typeof service

expose(service)
