import { blockId } from '../route/harness'
import { addJoints } from './joint-steps'
import { addMounting, addLights, addFinish, addBoard } from './mount-steps'
import { addMeasures, addReels, addPieces } from './prepare'
import type { Step } from './step'
import { addSupplies } from './supply-steps'
import { addTests } from './test-steps'
import { addWires } from './wire-steps'
import { Work, type StepsGiven } from './work'

/** Every step of building the plan, each with what it needs, in no order yet (handbook 11). */
export function stepsOf(given: StepsGiven): Step[] {
  const work = new Work(given)
  // The order in which places are named here is that of the work: junctions, runs along the data, sensors.
  const bundles = [...work.bundles.values()]
  const isJunction = ({ place }: (typeof bundles)[number]): boolean =>
    work.blockOf.has(blockId.junction(place))
  for (const bundle of bundles) if (isJunction(bundle)) addWires(work, bundle)
  addMeasures(work)
  addReels(work)
  for (const strip of work.strips) addPieces(work, strip)
  for (const bundle of bundles) if (!isJunction(bundle)) addWires(work, bundle)
  const stations = addJoints(work)
  addTests(work, stations)
  for (const strip of work.strips) addMounting(work, strip)
  addLights(work)
  addFinish(work)
  addBoard(work)
  addSupplies(work)
  return [...work.steps.values()].map((step) => ({ ...step, needs: work.known(step.needs) }))
}
