import { planNetwork } from '../core/feed/plan-network'
import { splitRuns } from '../core/feed/split-runs'
import { pixelMap } from '../core/lanes/pixel-map'
import type { LoadCase } from '../core/plan/choices'
import { readyShow } from '../core/glow/play'
import type { Plan, Show } from '../core/plan/plan'
import { programData } from '../core/signal/program'
import { tally } from '../core/tally'
import { diagramOf } from '../core/wire/diagram'
import { worked } from '../core/worked'
import { linkPlan } from '../core/glow/link/lanes'
import { linkC } from './c-link'
import { showC } from './c-show'
import type { Table } from './csv'
import { billTable } from './csv-bill'
import { cutsTable } from './csv-cuts'
import { feedsTable } from './csv-feeds'
import { plugsTable } from './csv-plugs'
import { jointsTable, pixelsTable, wiresTable } from './csv-wires'
import { programHeader, programJson } from './program'
import { diagramSvg } from './svg-diagram'
import { drawingSvg } from './svg-drawing'

/** Lists of a plan, each as a table. */
export const planTables: Readonly<Record<string, (plan: Plan) => Table>> = {
  cuts: (plan) => cutsTable(tally(plan).reels, plan.units),
  feeds: (plan) => feedsTable(tally(plan), plan.units),
  plugs: (plan) => plugsTable(tally(plan), plan.units),
  wires: (plan) => wiresTable(worked(plan).wiring, plan.units),
  joints: (plan) => jointsTable(worked(plan).joints, plan.wiring.ticks),
  bill: (plan) => billTable(worked(plan).receipt, plan.buy.currency),
  pixels: (plan) => {
    const { lanes, layout } = worked(plan)
    return pixelsTable(pixelMap(lanes, layout), plan.units)
  },
}

/** Pictures of a plan as SVG. */
export const planPictures: Readonly<Record<string, (plan: Plan) => string>> = {
  drawing: drawingSvg,
  diagram: (plan) => {
    const results = worked(plan)
    return diagramSvg(diagramOf(results.wiring, results, plan.units), plan)
  },
}

/** What the program has to know, as a C header and as JSON. */
export const planPrograms: Readonly<Record<'header' | 'json', (plan: Plan) => string>> = {
  header: (plan) => programHeader(programData(worked(plan))),
  json: (plan) => programJson(programData(worked(plan))),
}

/** The feed network of a plan as `solve` reads it. */
export const planFeedNetwork = (
  plan: Plan,
  loadCase: LoadCase = plan.scene.shown,
): ReturnType<typeof splitRuns> => splitRuns(planNetwork(worked(plan), loadCase))

/** The board's side of the bench link as C99; `undefined` where the plan has nothing that a program can light or read. */
export function planLinkC(plan: Plan): string | undefined {
  const link = linkPlan(worked(plan))
  return link.lanes.length + link.inputs.length === 0 ? undefined : linkC(link, plan.name)
}

/** A show of a plan as C99 for its board; `undefined` where the plan has nothing that a program can dim. */
export function planShowC(plan: Plan, show: Show): string | undefined {
  const results = worked(plan)
  const ready = readyShow(results, show)
  if (ready.field.lanes.length === 0) return undefined
  const program = programData(results)
  const pins = new Map<string, { readonly pin: string | null; readonly order: string }>()
  for (const { name, pin } of program.dimmers) pins.set(name, { pin, order: '' })
  for (const { name, pin, order } of program.lanes) pins.set(name, { pin, order })
  return showC(ready, {
    plan: plan.name,
    lanes: ready.field.lanes.map(({ name }) => pins.get(name) ?? { pin: null, order: '' }),
    supplies: program.supplies,
  })
}
