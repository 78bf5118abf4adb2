import type { Solution } from '../core/feed/solution'

/** A solved network as plain JSON, runs and supplies by their ids; a run that hangs in the air says which rails do. */
export function solutionJson({ runs, leads, supplyA }: Solution, withVolts: boolean): object {
  return {
    runs: Object.fromEntries(
      [...runs].map(([id, run]): [string, object] => {
        if ('floating' in run) return [id, run]
        const { volts, ...figures } = run
        return [id, withVolts ? { ...figures, volts: [...volts] } : figures]
      }),
    ),
    leads,
    supplyA: Object.fromEntries(supplyA),
  }
}
