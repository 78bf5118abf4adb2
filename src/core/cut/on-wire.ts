import { distance } from '../measure/geometry'
import type { MeasuredRun } from '../measure/measure'
import type { Strip } from '../plan/parts'

/** Single lights that are pixel nodes on wire: those of a run that says of nothing else that it hangs there. */
export const isOnWire = ({
  run,
  strip,
}: {
  readonly run: Pick<MeasuredRun, 'lights' | 'line'>
  readonly strip: Pick<Strip, 'nodesPerString'>
}): boolean =>
  run.lights.length > 0 && run.line.lights === undefined && strip.nodesPerString !== undefined

/** Pixels of a string that sit in each node of a run on wire. */
export const pixelsInNode = ({ line }: Pick<MeasuredRun, 'line'>): number => line.node?.pixels ?? 1

/** Ways from each light to the next, straight, mm. */
export const waysBetween = ({ lights }: Pick<MeasuredRun, 'lights'>): number[] =>
  lights.slice(1).map((light, index) => distance(light, lights[index] ?? light))

/** Whether the wire from node to node reaches so far, mm. */
export const isWithinReach = (mm: number, { cutPitchMm }: Pick<Strip, 'cutPitchMm'>): boolean =>
  mm <= cutPitchMm + 1e-6
