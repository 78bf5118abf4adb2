import type { Piece } from '../../core/cut/cut'
import type { Strip } from '../../core/plan/parts'
import type { TallyRun } from '../../core/tally'

/** Space between pieces of one run, px. */
const between = 16

/** A piece on its tape: px from the tape's left edge. */
export interface DrawnPiece {
  readonly piece: Piece
  /** Where its part begins, and how long that is. */
  readonly x: number
  readonly width: number
  /** Where the strip itself begins, and how long that is. */
  readonly stripX: number
  readonly stripWidth: number
}

/** px a mm at which the longest run fills `width`, each piece in its own place. */
export function tapeScale(runs: readonly TallyRun[], width: number): number {
  const scales = runs
    .filter(({ pieces }) => pieces.length > 0)
    .map(({ pieces }) => {
      const mm = pieces.reduce((sum, piece) => sum + span(piece), 0)
      return Math.max(40, width - between * (pieces.length - 1)) / mm
    })
  return Math.min(...scales, 1)
}

/** The part, or the strip where it hangs over. */
const span = ({ lengthMm, placedMm }: Piece): number => Math.max(lengthMm, placedMm)

/** A run's pieces side by side. */
export function drawnPieces(pieces: readonly Piece[], scale: number): DrawnPiece[] {
  let x = 0
  return pieces.map((piece, index) => {
    const drawn = {
      piece,
      x,
      width: piece.lengthMm * scale,
      stripX: x + (piece.fromGroup === 0 ? Math.max(0, piece.startMm) * scale : 0),
      stripWidth: piece.placedMm * scale,
    }
    // Pieces of a split part stand pad to pad.
    const goesOn = pieces[index + 1]?.part === piece.part
    x += span(piece) * scale + (goesOn ? 0 : between)
    return drawn
  })
}

/** Every how many cut marks one is drawn, so that they stay apart. */
export function markEvery(strip: Strip, scale: number): number {
  const px = strip.cutPitchMm * scale
  return [1, 2, 5, 10, 20, 50, 100].find((step) => step * px >= 5) ?? 200
}
