import { once } from '../quantity/once'
import { drawOf } from './draw'
import type { Network } from './network'
import { partSolver } from './part-solver'
import { separateParts } from './separate'
import type { FloatingRun, Solution, SolvedLead, SolvedRun, SolveResult } from './solution'
import type { SolvedParts } from './solved-parts'

/**
 * Solves a feed network (handbook 3, the feed network). Supplies hold their volts, so what hangs on one lead of a supply does not feel what
 * hangs on another: the network falls into parts that are solved one by one.
 *
 * @param network checked by `networkSchema` and `networkIssues`
 * @param memory of parts that were solved before: what is just the same is not solved again
 */
export function solve(network: Network, memory?: SolvedParts): SolveResult {
  return joined(
    network,
    separateParts(network).map(({ part, leadIndices }) => ({
      leadIndices,
      solve: () =>
        memory === undefined ? partSolver(part)() : memory.recall(part, (own) => partSolver(own)()),
    })),
  )
}

/**
 * Solves a network, and tells the volts of both rails of its runs too.
 *
 * @param near volts at each load of runs as they will be, about: the nearer, the fewer steps it takes
 */
export const solveWithRails = (
  network: Network,
  near: ReadonlyMap<string, Float64Array> = new Map(),
): SolveResult =>
  joined(
    network,
    separateParts(network).map(({ part, leadIndices }) => ({
      leadIndices,
      solve: partSolver(part, true, near),
    })),
  )

/** A network that stays while the brightness of its loads changes: what is asked reads what stands in `duties` by then. */
export interface ChangingFeed {
  /** Solves it, from the volts of the last time. */
  readonly solve: () => SolveResult
  /**
   * What no supply can exceed, A: what its loads would draw at its own volts, since copper leaves them less and no load draws more at less
   * volts. Infinity where several supplies feed a part together. Takes a small share of the time of `solve`.
   */
  readonly mostA: () => ReadonlyMap<string, number>
}

/** Makes a network ready to be solved again and again. */
export function changingFeed(network: Network): ChangingFeed {
  const parts = separateParts(network).map(({ part, leadIndices }) => {
    const isFixed = part.runs.every(({ duties }) => duties === undefined)
    const [solvePart, most] = [partSolver(part), mostOf(part)]
    return {
      leadIndices,
      solve: isFixed ? once(solvePart) : solvePart,
      supplies: part.supplies,
      most: isFixed ? once(most) : most,
    }
  })
  return {
    solve: () => joined(network, parts),
    mostA: () => {
      const all = new Map(network.supplies.map(({ id }) => [id, 0]))
      for (const { supplies, most } of parts)
        for (const { id } of supplies)
          all.set(id, (all.get(id) ?? 0) + (supplies.length > 1 ? Infinity : most()))
      return all
    },
  }
}

/** What the loads of a part draw at the highest volts of its supplies, A. */
function mostOf({ supplies, runs }: Network): () => number {
  const volts = Math.max(...supplies.map(({ volts: own }) => own))
  const draws = runs.map(({ load, loads, duties }) => ({ draw: drawOf(load, duties), loads }))
  return () => {
    let sum = 0
    for (const { draw, loads } of draws)
      for (let at = 0; at < loads; at += 1) sum += draw.current(volts, at)
    return sum
  }
}

/** The answers of a network's parts as one. */
function joined(
  network: Network,
  parts: readonly {
    readonly leadIndices: readonly number[]
    readonly solve: () => SolveResult
  }[],
): SolveResult {
  const runs = new Map<string, SolvedRun | FloatingRun>()
  const leads: SolvedLead[] = []
  const places: Solution['places'][] = []
  const supplyA = new Map(network.supplies.map(({ id }) => [id, 0]))
  let [iterations, residualA] = [0, 0]
  for (const { leadIndices, solve: solvePart } of parts) {
    const result = solvePart()
    if (!result.ok) return result
    const { solution } = result
    for (const [id, run] of solution.runs) runs.set(id, run)
    places.push(solution.places)
    for (const [at, lead] of solution.leads.entries()) leads[leadIndices[at] ?? at] = lead
    for (const [id, amperes] of solution.supplyA) supplyA.set(id, (supplyA.get(id) ?? 0) + amperes)
    iterations = Math.max(iterations, solution.iterations)
    residualA = Math.max(residualA, solution.residualA)
  }
  return {
    ok: true,
    solution: {
      runs,
      leads,
      supplyA,
      places: () => new Map(places.flatMap((own) => [...own()])),
      iterations,
      residualA,
    },
  }
}
