import type { Strip } from '../plan/parts'

/**
 * Where clips hold a strip: the fewest, each half way between two neighbouring pixels, at most so far apart, the outermost at most so far
 * from the ends (handbook 11, clips). Each is put as far on as it may go, and none can be left out then.
 *
 * @param firstPixelMm from the start of the strip to the middle of its first pixel
 * @returns places from the start, mm; `null` where no places do
 */
export function clipPlaces({
  lengthMm,
  pixelPitchMm,
  firstPixelMm,
  mostApartMm,
  endMm,
}: {
  readonly lengthMm: number
  readonly pixelPitchMm: number
  readonly firstPixelMm: number
  readonly mostApartMm: number
  readonly endMm: number
}): readonly number[] | null {
  const gaps = Math.floor((lengthMm - firstPixelMm) / pixelPitchMm + hair)
  const placeOf = (gap: number): number => firstPixelMm + (gap + 0.5) * pixelPitchMm
  /** The last gap between pixels up to a place; −1 where there is none. */
  const lastUpTo = (mm: number): number =>
    Math.min(gaps - 1, Math.floor((mm - firstPixelMm) / pixelPitchMm - 0.5 + hair))
  const places: number[] = []
  let gap = lastUpTo(endMm)
  while (gap >= 0) {
    places.push(placeOf(gap))
    if (placeOf(gap) >= lengthMm - endMm - hair) return places
    const next = lastUpTo(placeOf(gap) + mostApartMm)
    if (next === gap) return null
    gap = next
  }
  return null
}

const hair = 1e-9

/** Clips are at most so far apart, and from an end; glue points and magnets as well, mm. *Typical.* */
const fixingMm = { apart: 300, end: 60 } as const

/** Where a piece of strip is held, mm from its start: half way between pixels where that can be (sum `clips`), else evenly. */
export function fixingPlaces(
  { light, cutPitchMm }: Pick<Strip, 'light' | 'cutPitchMm'>,
  lengthMm: number,
): readonly number[] {
  const pitchMm = light.kind === 'pixels' ? 1000 / light.perM : cutPitchMm
  const places = clipPlaces({
    lengthMm,
    pixelPitchMm: pitchMm,
    firstPixelMm: pitchMm / 2,
    mostApartMm: fixingMm.apart,
    endMm: fixingMm.end,
  })
  if (places !== null) return places
  const count = Math.max(1, Math.ceil(lengthMm / fixingMm.apart))
  return Array.from({ length: count }, (_, index) => ((index + 0.5) * lengthMm) / count)
}
