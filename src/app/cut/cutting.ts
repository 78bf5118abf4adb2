import type { Piece } from '../../core/cut/cut'
import type { Command } from '../../core/plan/commands'
import type { Line } from '../../core/plan/plan'

type Hand = NonNullable<Line['cutting']>[number]

/** An edit of how one part of a run is cut; what is all as the rule has it is not kept. */
export function cutPart(line: Line, part: number, set: (hand: Hand) => Partial<Hand>): Command {
  const known = line.cutting?.find((hand) => hand.part === part)
  const before: Hand = known ?? { part, more: 0, offMm: 0, splits: [] }
  const after = { ...before, ...set(before) }
  const others = (line.cutting ?? []).filter((hand) => hand.part !== part)
  const isByRule = after.more === 0 && after.offMm === 0 && after.splits.length === 0
  const cutting = isByRule ? others : [...others, after]
  return {
    do: 'set-lines',
    lines: [line.id],
    set: { cutting: cutting.length === 0 ? undefined : cutting },
  }
}

/**
 * A split at a mark of a piece, or the one there taken away.
 *
 * @param mark groups from the piece's start, 0 up to all of them
 */
export function splitAt(line: Line, piece: Piece, partCuts: number, mark: number): Command {
  const along = piece.fromGroup + mark
  // Splits are counted along the measured line, whichever end the wire enters.
  const at = line.isTurned === true ? partCuts - along : along
  return cutPart(line, piece.part, ({ splits }) => ({
    splits: splits.includes(at)
      ? splits.filter((other) => other !== at)
      : [...splits, at].toSorted((a, b) => a - b),
  }))
}
