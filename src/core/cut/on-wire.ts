import type { CutStripRun } from './cut'

/** Single lights that are pixel nodes on wire: those of a run that says of nothing else that it hangs there. */
export const isOnWire = ({ run, strip }: Pick<CutStripRun, 'run' | 'strip'>): boolean =>
  run.lights.length > 0 && run.line.lights === undefined && strip.nodesPerString !== undefined
