/** A change smaller than this is none, and one whose darker end is brighter than the second does not count (handbook 12, flash). */
const leastChange = 0.1
const darkEnd = 0.8
/** More flashes than this in a second can start a seizure. */
export const mostFlashes = 3

/**
 * The most flashes in any one second (handbook 12, flash): half the changes between turning points that end in [t, t + 1), rounded down.
 *
 * @param luminance relative, 0 to 1, frame by frame
 * @returns `stop` above three a second
 */
export function flashes(
  luminance: readonly number[],
  framesPerSecond: number,
): { readonly flashesPerSecond: number; readonly verdict: 'stop' | 'none' } {
  const { flashesPerSecond } = mostIn(luminance, framesPerSecond)
  return { flashesPerSecond, verdict: flashesPerSecond > mostFlashes ? 'stop' : 'none' }
}

/** What counts as a change: how large it is at least, and between which frames. */
export interface ChangeRule {
  readonly least: number
  readonly counts: (before: Turn, after: Turn) => boolean
}

/** Of luminance: those whose lower end is dark enough. */
const ofLuminance: ChangeRule = {
  least: leastChange,
  counts: (before, after) => Math.min(before.value, after.value) < darkEnd,
}

/** The most flashes in any one second, and when that second begins, s. */
export function mostIn(
  values: readonly number[],
  framesPerSecond: number,
  rule = ofLuminance,
): { readonly flashesPerSecond: number; readonly atS: number } {
  const turns = turningPoints(values, rule.least)
  // Each change that counts is half a flash, at the time when it is over.
  const ends = turns
    .slice(1)
    .flatMap((turn, index) =>
      rule.counts(turns[index] ?? turn, turn) ? [turn.frame / framesPerSecond] : [],
    )
  let [most, from, atS] = [0, 0, 0]
  ends.forEach((end, index) => {
    while ((ends[from] ?? end) <= end - 1 + hair) from += 1
    if (index - from + 1 <= most) return
    most = index - from + 1
    atS = ends[from] ?? 0
  })
  return { flashesPerSecond: Math.floor(most / 2), atS }
}

const hair = 1e-9

export interface Turn {
  readonly frame: number
  readonly value: number
}

/** A running extreme becomes a turning point once the value has come back from it by at least so much; the first and the last extreme are two. */
function turningPoints(luminance: readonly number[], least: number): Turn[] {
  const turns: Turn[] = []
  let low: Turn = { frame: 0, value: luminance[0] ?? 0 }
  let high = low
  let direction: 'up' | 'down' | undefined
  luminance.forEach((value, frame) => {
    const here = { frame, value }
    if (value < low.value) low = here
    if (value > high.value) high = here
    if (direction !== 'down' && high.value - value >= least - hair) {
      turns.push(high)
      direction = 'down'
      low = high = here
    } else if (direction !== 'up' && value - low.value >= least - hair) {
      turns.push(low)
      direction = 'up'
      low = high = here
    }
  })
  if (direction !== undefined) turns.push(direction === 'up' ? high : low)
  return turns
}
