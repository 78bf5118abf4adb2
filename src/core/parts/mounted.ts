import type { Mount } from '../plan/plan'
import { usualMount } from '../plan/usual'
import { profileOf, type OwnProfiles } from './profiles'

/** How a run is mounted, all that matters said. */
export type Mounted = Omit<Mount, keyof typeof usualMount> & {
  readonly [Key in keyof typeof usualMount]: NonNullable<Mount[Key]>
}

/** Whether its cover spreads the light, so that dots may merge. */
export const hidesDots = ({ cover }: Pick<Mounted, 'cover'>): boolean =>
  cover === 'frosted' || cover === 'opal'

/** What a run says of its mounting; for the rest what its profile brings, and what is usual. */
export function mounted(own: OwnProfiles, mount: Mount = {}): Mounted {
  const profile = profileOf(own, mount.profile)
  return {
    ...usualMount,
    ...(profile !== undefined && {
      surface: 'channel',
      // A bar takes no cover of its own.
      ...(profile.depthMm > 0 && { coverMm: profile.depthMm }),
      backingMm: profile.exposedMm[mount.surface === 'air' ? 'free' : 'screwed'],
    }),
    ...(mount as Partial<Mounted>),
  }
}
