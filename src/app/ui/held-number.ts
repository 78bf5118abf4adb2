/**
 * What a number field says, held within its bounds; the field shows what is taken. Where it says no number it shows again what it was,
 * and there is nothing to take.
 *
 * @param factor what it is told in: 100 for a share in per cent, 1 / 3600 for seconds in hours
 */
export function heldNumber(
  event: Event,
  {
    before,
    least,
    most,
    factor = 1,
  }: {
    readonly before: number
    readonly least: number
    readonly most: number
    readonly factor?: number
  },
): number | undefined {
  if (!(event.target instanceof HTMLInputElement)) return undefined
  const said = event.target.valueAsNumber / factor
  const isNumber = !Number.isNaN(said)
  const held = isNumber ? Math.min(most, Math.max(least, said)) : before
  event.target.value = String(Math.round(held * factor * 1000) / 1000)
  return isNumber ? held : undefined
}
