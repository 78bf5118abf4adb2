import { loadsPerGroup } from '../../load/group-draw'
import type { FaultDraft, MendGiven } from '../fault'

/** A piece of strip on a lane. */
export interface LanePiece {
  readonly run: string
  readonly runName: string
  readonly name: string
  /** Its first pixel in the order of the data, and how many it has. */
  readonly from: number
  readonly pixels: number
}

/** Something about a piece of strip with data: one draft each. */
export const onPieces = (
  { lanes }: Pick<MendGiven, 'lanes'>,
  of: (piece: LanePiece) => Omit<FaultDraft, 'key' | 'about'> | undefined,
): FaultDraft[] =>
  lanes.flatMap(({ runs }) =>
    runs.flatMap(({ entry, isAgainstArrow }) => {
      const perGroup = loadsPerGroup(entry.strip)
      const loads = entry.groups * perGroup
      const { id, name: runName } = entry.run
      let before = 0
      return entry.pieces.flatMap(({ name, groups }): FaultDraft[] => {
        const from = isAgainstArrow ? loads - (before + groups) * perGroup : before * perGroup
        before += groups
        const draft =
          groups === 0 ? undefined : of({ run: id, runName, name, from, pixels: groups * perGroup })
        return draft === undefined ? [] : [{ key: `${id}|${name}`, about: [id, name], ...draft }]
      })
    }),
  )
