import type { Mount } from '../plan/plan'

/** What a cover lets through, 0–1 (handbook 3, bench-light). */
export const coverLets: Readonly<Record<NonNullable<Mount['cover']>, number>> = {
  none: 1,
  clear: 0.9,
  frosted: 0.8,
  opal: 0.6,
}
