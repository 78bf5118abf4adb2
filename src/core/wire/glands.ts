import type { Plan } from '../plan/plan'
import type { CutStripRun } from '../cut/cut'
import { entriesById } from '../cut/entry-of'
import { mounted } from '../parts/mounted'
import { bundleThicknessMm } from '../parts/sold'
import type { Block, RoutedWire } from '../route/circuit'
import { bundlesOf } from './joints'

/** Where wires come to a run outdoors and have to be sealed. */
export interface GlandPlace {
  readonly run: string
  /** Seen from where the wire enters. */
  readonly at: 'start' | 'end'
  /** Of the wires that go through together, mm. */
  readonly thickMm: number
}

/** Every place at which a bundle of wires comes to a run outdoors. */
export function glandsOf(
  { own }: Pick<Plan, 'own'>,
  cutRuns: readonly CutStripRun[],
  { blocks, wires }: { readonly blocks: readonly Block[]; readonly wires: readonly RoutedWire[] },
): GlandPlace[] {
  const entryOf = entriesById(cutRuns)
  const runOf = new Map(blocks.flatMap(({ id, of }) => (of.kind === 'run' ? [[id, of.run]] : [])))
  return bundlesOf(wires).flatMap((bundle): GlandPlace[] => {
    const [first] = bundle
    const ends = first === undefined ? [] : [first.to, first.from]
    return ends.flatMap(({ block, spot }) => {
      const run = runOf.get(block)
      const entry = run === undefined ? undefined : entryOf.get(run)
      if (first === undefined || entry === undefined || spot.kind === 'splitter') return []
      if (mounted(own, entry.run.line.mount).damp !== 'outdoors') return []
      const isAtEnd =
        (spot.kind === 'pad' && spot.pad > 0) || (spot.kind === 'data' && spot.side === 'out')
      return [
        {
          run: entry.run.id,
          at: isAtEnd ? 'end' : 'start',
          thickMm: bundleThicknessMm(bundle.length, first.gauge),
        },
      ]
    })
  })
}
