import type { FaultDraft, LightChange, MendGiven } from '../fault'

/** One draft for each pixel of every lane. */
export const onPixels = (
  { lanes }: Pick<MendGiven, 'lanes'>,
  weight: number,
  changes: (run: string, pixel: number) => readonly LightChange[],
): FaultDraft[] =>
  lanes.flatMap(({ runs }) =>
    runs.flatMap(({ entry, pixels, isAgainstArrow }) => {
      const { id, name } = entry.run
      return Array.from({ length: pixels }, (_, pixel): FaultDraft => {
        // Pixels are told from pad 0.
        const number = isAgainstArrow ? pixels - 1 - pixel : pixel
        return {
          key: `${id}|${String(number)}`,
          where: `pixel ${String(number + 1)} of ${name}`,
          about: [id],
          weight,
          does: { light: changes(id, pixel) },
          shownBy: [
            {
              kind: 'jump-data',
              at: `${id} ${String(number + 1)}`,
              where: `the pixel behind pixel ${String(number + 1)} of ${name}`,
            },
          ],
        }
      })
    }),
  )

/** How often any one of so many pixels is dead, beside a joint. *Typical.* */
export const pixelWeight = 0.01
