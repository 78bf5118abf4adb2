import type { StripReels } from '../core/cut/reels'
import type { LengthUnits } from '../core/quantity/format'
import { table, type Table } from './csv'
import { inMm } from './csv-lengths'

/** The cut list as CSV: a row a cut, in cutting order. */
export function cutsTable(reels: readonly StripReels[], units: LengthUnits = 'mm'): Table {
  const { head, value } = inMm(units)
  return table(
    [
      'strip',
      'source',
      'number',
      'piece',
      'part',
      'parts',
      'groups',
      'from group',
      'to group',
      head('length'),
    ],
    reels.flatMap(({ strip, reels: bins }) =>
      bins.flatMap(({ kind, cuts }, index) =>
        cuts.map((cut) => [
          strip.name,
          kind,
          index + 1,
          cut.piece,
          cut.part,
          cut.parts,
          cut.toGroup - cut.fromGroup + 1,
          cut.fromGroup,
          cut.toGroup,
          value(cut.lengthMm, 2),
        ]),
      ),
    ),
  )
}
