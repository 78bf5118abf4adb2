import { isOnWire } from '../cut/on-wire'
import { jumpersOf } from '../cut/pads'
import { dimmersOf } from '../lanes/dimmers'
import { legCount } from '../load/lit-colours'
import type { Circuit } from './circuit'
import { addBlocks } from './connect-blocks'
import { addBoardFeed, addLanes } from './connect-board'
import { addDimmer } from './connect-dimmers'
import { addLead, addPowerSwitches } from './connect-leads'
import { addInputs, addStatus } from './connect-inputs'
import { addLights } from './connect-lights'
import { addNodes } from './connect-nodes'
import { addJumpers } from './connect-pieces'
import { homeOf } from './home'
import { isPlugged } from './plugs'
import { contextOf, type RouteGiven } from './route-context'
import { linesOf } from './strip-lines'

/** Routes every wire of the plan: supplies, junctions, board, what stands between, runs, lights and sensors. */
export function connect(given: RouteGiven): Circuit {
  const context = contextOf(given)
  const { harness, cutRuns, lit, fit } = context
  addBlocks(context)
  const dimmers = dimmersOf(cutRuns, lit)
  const dimmerOf = new Map(
    dimmers.flatMap((dimmer) => dimmer.runs.map(({ run }) => [run.id, dimmer] as const)),
  )
  addPowerSwitches(context)
  for (const lead of given.leads)
    addLead(context, lead, lead.to.kind === 'run' ? dimmerOf.get(lead.to.run) : undefined)
  for (const entry of cutRuns) addJumpers(context, entry)
  if (fit !== undefined) {
    addBoardFeed(context)
    addLanes(context)
  }
  for (const dimmer of dimmers) addDimmer(context, dimmer)
  const cables = addLights(context)
  addNodes(context)
  if (fit !== undefined) {
    addStatus(context)
    addInputs(context)
  }
  return {
    blocks: [...harness.blocks.values()].filter(({ terminals }) => terminals.length > 0),
    wires: harness.wires,
    cables,
    lightJoints: lit.map((own) => {
      const entry = context.entryOf.get(own.id)
      return {
        run: own.id,
        lights: own.lights,
        legs: legCount(own),
        resistors: own.resistors,
        isPlugged: isPlugged(own),
        hasWiresHome: entry !== undefined && homeOf(entry, own) !== undefined,
      }
    }),
    padJoints: cutRuns.flatMap((entry) =>
      jumpersOf(entry)
        .filter(({ from, to }) => from.part === to.part)
        .map(({ from, to }) => ({
          run: entry.run.id,
          from: from.name,
          to: to.name,
          wires: linesOf(entry.strip).length,
          isPlugged: isOnWire(entry),
        })),
    ),
  }
}
