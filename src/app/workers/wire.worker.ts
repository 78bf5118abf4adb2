import { expose } from 'comlink'
import type { Plan } from '../../core/plan/plan'
import { pixelMap } from '../../core/signal/pixel-map'
import { programData } from '../../core/signal/program'
import { diagramOf } from '../../core/wire/diagram'
import type { Diagram } from '../../core/wire/drawn'
import { wiredPlan } from '../../core/wired-plan'
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
    const { circuit, cuts, signal } = wiredPlan(plan)
    return diagramOf(circuit, cuts, signal, plan.units)
  },
  program: (plan: Plan): ProgramTexts => {
    const { signal, layout, supplies } = wiredPlan(plan)
    const data = programData(plan, signal, supplies)
    return {
      header: programHeader(data),
      json: programJson(data),
      pixels: pixelsCsv(pixelMap(signal.lanes, layout)),
    }
  },
}

export type WireService = typeof service

expose(service)
