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
