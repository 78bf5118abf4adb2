import type { Fixing } from '../../core/plan/choices'

/** What holds a strip, in words. */
export const fixingNames: Readonly<Record<Fixing, string>> = {
  backing: 'its own backing',
  tape: 'mounting tape',
  clips: 'clips',
  glue: 'hot glue',
  magnets: 'magnets',
}
