import type { CutStripRun } from './cut'
import { isOnWire } from './on-wire'
import { jumpersOf } from './pads'
import type { StripReels } from './reels'

/** Joints of one kind, and what they take. */
export interface Joints {
  /** lead: where a wire enters; jumper: both ends of a wire from piece to piece; pad: one pad on another. */
  readonly kind: 'lead' | 'jumper' | 'pad'
  readonly count: number
  readonly minutes: number
}

/** *Typical* minutes a joint, by its wires (handbook 7): three and more for pixels, two for plain strip. */
export const minutesPerJoint = { pixels: 6, plain: 4 } as const

/** Counts the soldered joints of a plan by their kind. */
export function countJoints(
  cutRuns: readonly CutStripRun[],
  reels: readonly StripReels[],
): Joints[] {
  const counts = { lead: 0, jumper: 0, pad: 0 }
  const minutes = { lead: 0, jumper: 0, pad: 0 }
  const add = (kind: Joints['kind'], count: number, light: keyof typeof minutesPerJoint): void => {
    counts[kind] += count
    minutes[kind] += count * minutesPerJoint[light]
  }
  for (const entry of cutRuns) {
    if (entry.groups === 0) continue
    const { kind } = entry.strip.light
    const joins = jumpersOf(entry)
    const splits = joins.filter(({ from, to }) => from.part === to.part).length
    add('lead', Math.max(1, entry.run.line.feeds?.length ?? 1), kind)
    add('jumper', 2 * (joins.length - splits), kind)
    // Strings of nodes have plugs on them.
    if (!isOnWire(entry)) add('pad', splits, kind)
  }
  for (const { joins, strip } of reels) add('pad', joins, strip.light.kind)
  return (['lead', 'jumper', 'pad'] as const)
    .map((kind) => ({ kind, count: counts[kind], minutes: minutes[kind] }))
    .filter(({ count }) => count > 0)
}
