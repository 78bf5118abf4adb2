import { largest } from '../quantity/extremes'
import type { Candidate, Diagnosis } from './diagnose'
import { factsOf } from './symptoms'
import type { Seen } from './seen'
import { sightOf } from './sight'

/** Two faults at once. */
export interface Pair {
  readonly a: Candidate
  readonly b: Candidate
  /** Both together, as they look. */
  readonly both: Candidate
  /** Among pairs that were looked at, 0–1. */
  readonly probability: number
}

/** So many single faults are tried two by two. */
const mostTried = 24
/** A second fault at the same time, beside a single one. *Typical.* */
const secondShare = 0.1
/** Worse than one stretch that does not fit, in units of e: then a single fault hardly explains it. */
const misfit = 6

/** Whether what is seen goes badly with every single fault. */
export function noneFits(diagnosis: Diagnosis, seen: Seen): boolean {
  const [first] = diagnosis.probabilities(seen)
  return first !== undefined && diagnosis.misfitOf(first.candidate, seen) > misfit
}

/**
 * Pairs of faults that explain what no single one does, the likeliest first: faults that go with a part of what is seen are tried two by two.
 */
export function pairsFor(diagnosis: Diagnosis, seen: Seen): readonly Pair[] {
  const tried = diagnosis
    .partly(seen, mostTried)
    .filter(
      (candidate, index, all) => all.findIndex(({ sight }) => sight === candidate.sight) === index,
    )
  const pairs = tried.flatMap((a, index) =>
    tried.slice(index + 1).map((b) => {
      const look = diagnosis.stage.look([a.fault.does, b.fault.does])
      const both: Candidate = {
        fault: a.fault,
        look,
        facts: factsOf(look, diagnosis.stage.pixels),
        probes: new Map([...a.probes, ...b.probes]),
        sight: sightOf(look),
      }
      const log =
        Math.log(a.fault.chance * b.fault.chance * secondShare) - diagnosis.misfitOf(both, seen)
      return { a, b, both, log }
    }),
  )
  const most = largest(pairs.map(({ log }) => log))
  const all = pairs.reduce((sum, { log }) => sum + Math.exp(log - most), 0)
  return pairs
    .map(({ log, ...pair }) => ({ ...pair, probability: Math.exp(log - most) / all }))
    .toSorted((x, y) => y.probability - x.probability)
}
