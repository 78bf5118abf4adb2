/** Volts between the rails of a run, and what it draws. */
export interface SolvedRun {
  readonly firstV: number
  readonly lastV: number
  readonly minV: number
  /** The load at which it is lowest, from 0. */
  readonly minAt: number
  readonly currentA: number
  /** The minus rail at the first load, above the supplies' minus. */
  readonly firstGroundV: number
  /** Volts at each load. */
  readonly volts: Float64Array
  readonly rails?: Rails
}

/** Both rails of a run above the supplies' minus, V, at each load. What reaches no supply says nothing there. */
export interface Rails {
  readonly plus: Float64Array
  readonly minus: Float64Array
}

/** A run that hangs in the air: which of its rails reaches no supply. It draws nothing and has no volts to tell. */
export interface FloatingRun {
  readonly floating: readonly ('plus' | 'minus')[]
  readonly rails?: Rails
}

/** Current in a lead: plus from its first end to its second, minus the way back. */
export interface SolvedLead {
  readonly from: string
  readonly to: string
  readonly plusA: number
  readonly minusA: number
}

export interface PlaceVolts {
  readonly plusV: number
  readonly minusV: number
}

export interface Solution {
  readonly runs: ReadonlyMap<string, SolvedRun | FloatingRun>
  readonly leads: readonly SolvedLead[]
  readonly supplyA: ReadonlyMap<string, number>
  /** Volts of both rails above the supplies' minus, at every place where a lead ends, by its name; NaN where a rail reaches no supply. */
  readonly places: () => ReadonlyMap<string, PlaceVolts>
  readonly iterations: number
  /** Largest current that is left over at a load, A. */
  readonly residualA: number
}

export type SolveResult =
  | { readonly ok: true; readonly solution: Solution }
  /** Never an answer that has not settled. */
  | { readonly ok: false; readonly reason: 'not-settled' | 'singular'; readonly residualA: number }
