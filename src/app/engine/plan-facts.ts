import type { Point } from '../../core/measure/geometry'
import { progressOf } from '../../core/build/progress'
import { placer, placesOf } from '../../core/measure/layout'
import type { Currency } from '../../core/plan/choices'
import type { WorkedPlan } from '../../core/derived'
import { amountsOf, type Amounts } from '../../core/tally-parts'
import type { LengthUnits } from '../../core/quantity/format'
import { upkeepOf, type UpkeepGiven } from '../../core/mend/upkeep'
import type { Grade } from '../../core/verdict/kinds'
import { hueAt } from '../bench/hues'
import { pathOf } from '../bench/view'

/** What the shelf tells of a plan without working it out: kept beside it whenever it is saved. */
export interface PlanFacts extends Amounts {
  /** What its lengths are shown in; facts of before it was kept do not say. */
  readonly units?: LengthUnits
  readonly places: number
  readonly stops: number
  readonly warnings: number
  /** What it costs and how far its build is; left out where only an edit is told. */
  readonly work?: PlanWork
  /** The lit drawing: its size, and the courses of the strips and the single lights in it, mm rounded to whole ones. */
  readonly drawing: PlanDrawing
}

export interface PlanWork {
  readonly cost: number
  readonly currency: Currency
  /** Steps of the build, and those that are done or left out. */
  readonly steps: number
  readonly done: number
  /** What it asks for next once it is built, and when, as an ISO date and time. */
  readonly upkeep?: { readonly title: string; readonly dueAt: string }
}

export interface PlanDrawing {
  readonly box: readonly [x: number, y: number, width: number, height: number]
  /** Paths of SVG, a run each, with a colour of its light. */
  readonly paths: readonly (readonly [d: string, tint: string])[]
  /** Ids of the runs of the paths, in their order. */
  readonly runs: readonly string[]
  readonly lights: readonly (readonly [x: number, y: number])[]
}

/** Runs that the small drawing shows, at the most. */
const mostDrawn = 300

/** What takes longer to work out: the bill and the order of the build. */
export function workOf({
  plan,
  receipt,
  schedule: { steps },
  cutRuns,
  joints,
  supplies,
  batteries,
}: Pick<WorkedPlan, 'plan' | 'receipt' | 'schedule' | keyof UpkeepGiven>): PlanWork {
  const { done, skipped } = progressOf(plan, steps, Infinity)
  const [first] = upkeepOf({ plan, cutRuns, joints, supplies, batteries })
  return {
    cost: receipt.total,
    currency: plan.buy.currency,
    steps: steps.length,
    done: done.size + skipped.size,
    ...(first?.dueAt !== undefined && { upkeep: { title: first.title, dueAt: first.dueAt } }),
  }
}

/** What a worked-out plan comes to for the shelf. */
export function factsOf({
  plan,
  cutRuns,
  layout,
  loads,
  findings,
}: Pick<WorkedPlan, 'plan' | 'cutRuns' | 'layout' | 'loads' | 'findings'>): PlanFacts {
  const count = (grade: Grade): number =>
    findings.filter((finding) => finding.grade === grade).length
  const places = placesOf(layout)
  const round = ([x, y]: Point): Point => [Math.round(x), Math.round(y)]
  const drawn = cutRuns.slice(0, mostDrawn).flatMap(({ run }, index) => {
    const place = places.get(run.id)
    if (place === undefined) return []
    const at = placer(run, place)
    return [
      {
        id: run.id,
        path: run.segments.map(({ points }) => pathOf(points.map((p) => round(at(p))))).join(''),
        tint: hueAt(index),
        lights: run.lights.map((light) => round(at(light))),
      },
    ]
  })
  const { x, y, width, height } = layout.box
  return {
    units: plan.units,
    places: cutRuns.length,
    ...amountsOf({ cutRuns, loads }),
    stops: count('stop'),
    warnings: count('warning'),
    drawing: {
      box: [x, y, width, height],
      paths: drawn.flatMap(({ path, tint }) => (path === '' ? [] : [[path, tint] as const])),
      runs: drawn.flatMap(({ path, id }) => (path === '' ? [] : [id])),
      lights: drawn.flatMap(({ lights }) => lights).slice(0, 600),
    },
  }
}
