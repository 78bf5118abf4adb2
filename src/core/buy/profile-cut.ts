import { pack, type PackResult, type Stock } from '../cut/pack'

/**
 * The cheapest bars to saw pieces from: on one bar Σ pieces + kerf × (pieces − 1) ≤ its length (handbook 10, profile-cut).
 *
 * With a kerf added to every piece and every bar it is the same as cutting reels, so the same packer answers.
 *
 * @param stock bars as sold, any number of each
 * @param kerfMm what a cut of the saw takes away
 * @returns bars and pieces in their true lengths, mm, or which pieces are longer than every bar
 */
export function cutProfiles(
  piecesMm: readonly number[],
  stock: readonly Stock[],
  kerfMm: number,
): PackResult {
  const result = pack({
    pieces: piecesMm.map((piece) => piece + kerfMm),
    stock: stock.map((bar) => ({ ...bar, length: bar.length + kerfMm })),
    offcuts: [],
  })
  if (!result.ok) return result
  const bins = result.packing.bins.map((bin) => ({
    ...bin,
    length: bin.length - kerfMm,
    pieces: bin.pieces.map((piece) => piece - kerfMm),
  }))
  return { ok: true, packing: { ...result.packing, bins } }
}
