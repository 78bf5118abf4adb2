import { wireOf } from '../core/parts/wires'
import type { Tally } from '../core/tally'
import type { LengthUnits } from '../core/quantity/format'
import { table, type Table } from './csv'
import { inMetres } from './csv-lengths'

const rounded = (value: number): number => Math.round(value * 10_000) / 10_000

/** Every lead at full white as CSV: from, to, wire, length, current, drop, loss and fuse. */
export function feedsTable(
  { feed, runs }: Pick<Tally, 'feed' | 'runs'>,
  units: LengthUnits = 'mm',
): Table {
  const { head, value } = inMetres(units)
  const nameOf = new Map(runs.map(({ id, name }) => [id, name]))
  return table(
    [
      'lead',
      'from',
      'to',
      'pad',
      'wire',
      head('length'),
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
        value(lengthMm),
        isMeasured ? 'yes' : 'no',
        rounded(currentA),
        rounded(dropV),
        rounded(lossW),
        fuseA ?? 'none fits',
      ],
    ),
  )
}
