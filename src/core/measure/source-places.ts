import type { Plan } from '../plan/plan'
import { Kept } from '../quantity/kept'
import type { Point } from './geometry'
import type { Layout } from './layout'

/** Where supplies, junctions and the board are on the drawing. */
export interface SourcePlaces {
  readonly supplies: ReadonlyMap<string, Point>
  readonly junctions: ReadonlyMap<string, Point>
  readonly controller: Point
}

/** Supplies, junctions and the board: where they were put, or in a row below the runs. */
export function sourcePlaces(
  plan: Pick<Plan, 'supplies' | 'junctions' | 'bench'>,
  { box }: Pick<Layout, 'box'>,
): SourcePlaces {
  const { x, y, width, height } = box
  const inputs = [plan.junctions, plan.bench.controllerAt, x, y, width, height]
  return keptPlaces.get(plan.supplies, inputs, () => placesBelow(plan, box))
}
const keptPlaces = new Kept<Plan['supplies'], SourcePlaces>()

function placesBelow(
  plan: Pick<Plan, 'supplies' | 'junctions' | 'bench'>,
  box: Layout['box'],
): SourcePlaces {
  const step = Math.max(160, box.width * 0.13)
  const below = box.y + box.height + step * 0.3
  const inRow = (index: number): Point => [box.x + step * (0.5 + index), below]
  return {
    supplies: new Map(plan.supplies.map(({ id, at }, index) => [id, at ?? inRow(index)])),
    junctions: new Map(
      plan.junctions.map(({ id, at }, index) => [
        id,
        at ?? inRow(plan.supplies.length + 1 + index),
      ]),
    ),
    controller: plan.bench.controllerAt ?? inRow(plan.supplies.length),
  }
}
