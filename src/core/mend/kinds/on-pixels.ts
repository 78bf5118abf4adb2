import type { FaultDraft, LightChange, MendGiven, PixelScope } from '../fault'

/** One draft for each pixel of every lane that is wanted. */
export const onPixels = (
  { lanes }: Pick<MendGiven, 'lanes'>,
  scope: PixelScope,
  changes: (run: string, pixel: number) => readonly LightChange[],
): FaultDraft[] =>
  lanes.flatMap(({ runs }) =>
    runs.flatMap(({ entry, pixels, isAgainstArrow }) => {
      const { id, name } = entry.run
      const wanted = scope === 'all' ? undefined : (scope.get(id) ?? none)
      const numbers = wanted ?? Array.from({ length: pixels }, (_, number) => number)
      return [...numbers].map((number): FaultDraft => {
        // Pixels are told from pad 0, data may come from the other end.
        const pixel = isAgainstArrow ? pixels - 1 - number : number
        return {
          key: `${id}|${String(number)}`,
          where: `pixel ${String(number + 1)} of ${name}`,
          about: [id],
          weight: pixelWeight,
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
/** … in as many ways. */
export const pixelKinds = 3

const none: ReadonlySet<number> = new Set()
