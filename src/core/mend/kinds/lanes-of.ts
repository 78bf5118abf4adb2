import type { FaultDraft, LightChange, MendGiven } from '../fault'

/** Something that shows on a whole lane: one draft a lane. */
export const onLanes = (
  { lanes }: Pick<MendGiven, 'lanes'>,
  state: LightChange['state'],
  of: (
    lane: MendGiven['lanes'][number],
  ) =>
    | (Omit<FaultDraft, 'key' | 'does' | 'about'> & { readonly does?: Partial<FaultDraft['does']> })
    | undefined,
): FaultDraft[] =>
  lanes.flatMap((lane) => {
    const draft = of(lane)
    const first = lane.runs[0]?.entry.run.id
    if (draft === undefined || first === undefined) return []
    return [
      {
        ...draft,
        key: lane.id,
        about: lane.runs.map(({ entry }) => entry.run.id),
        does: { light: [{ run: first, from: 0, count: null, state }], ...draft.does },
      },
    ]
  })

/** Where a lane's data begins, in words. */
export const laneStart = ({ name, runs }: MendGiven['lanes'][number]): string =>
  `${name}, into ${runs[0]?.entry.run.name ?? ''}`
