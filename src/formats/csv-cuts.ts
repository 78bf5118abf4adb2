import type { StripReels } from '../core/cut/reels'
import { table, type Table } from './csv'

/** The cut list as CSV: a row a cut, in cutting order. Lengths in mm. */
export const cutsTable = (reels: readonly StripReels[]): Table =>
  table(
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
      'length mm',
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
          Math.round(cut.lengthMm * 100) / 100,
        ]),
      ),
    ),
  )
