import { wireOf } from '../core/parts/wires'
import type { Tally } from '../core/tally'
import { table, type Table } from './csv'

const rounded = (value: number): number => Math.round(value * 10_000) / 10_000

/** Every lead at full white as CSV: from, to, wire, length in m, current, drop, loss and fuse. */
export function feedsTable({ feed, runs }: Pick<Tally, 'feed' | 'runs'>): Table {
  const nameOf = new Map(runs.map(({ id, name }) => [id, name]))
  return table(
    [
      'lead',
      'from',
      'to',
      'pad',
      'wire',
      'length m',
      'measured',
      'current A',
      'drop V',
      'loss W',
      'fuse A',
    ],
    feed.leads.map(
      ({ id, from, to, wire, lengthMm, isMeasured, currentA, dropV, lossW, fuseA }) => [
        id,
        from,
        to.kind === 'run' ? (nameOf.get(to.run) ?? to.run) : to.junction,
        to.kind === 'run' ? to.pad : '',
        wireOf(wire).name,
        rounded(lengthMm / 1000),
        isMeasured ? 'yes' : 'no',
        rounded(currentA),
        rounded(dropV),
        rounded(lossW),
        fuseA ?? 'none fits',
      ],
    ),
  )
}
