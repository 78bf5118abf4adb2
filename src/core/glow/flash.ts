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
  const ends = endsOfChanges(turningPoints(luminance), framesPerSecond)
  let most = 0
  let from = 0
  ends.forEach((end, index) => {
    while ((ends[from] ?? end) <= end - 1 + hair) from += 1
    most = Math.max(most, index - from + 1)
  })
  const flashesPerSecond = Math.floor(most / 2)
  return { flashesPerSecond, verdict: flashesPerSecond > mostFlashes ? 'stop' : 'none' }
}

const hair = 1e-9

interface Turn {
  readonly frame: number
  readonly value: number
}

/** A running extreme becomes a turning point once the value has come back from it by at least 0.1; the first and the last extreme are two. */
function turningPoints(luminance: readonly number[]): Turn[] {
  const turns: Turn[] = []
  let low: Turn = { frame: 0, value: luminance[0] ?? 0 }
  let high = low
  let direction: 'up' | 'down' | undefined
  luminance.forEach((value, frame) => {
    const here = { frame, value }
    if (value < low.value) low = here
    if (value > high.value) high = here
    if (direction !== 'down' && high.value - value >= leastChange - hair) {
      turns.push(high)
      direction = 'down'
      low = high = here
    } else if (direction !== 'up' && value - low.value >= leastChange - hair) {
      turns.push(low)
      direction = 'up'
      low = high = here
    }
  })
  if (direction !== undefined) turns.push(direction === 'up' ? high : low)
  return turns
}

/** When changes that count are over, s: those whose lower end is dark enough, each half a flash. */
const endsOfChanges = (turns: readonly Turn[], framesPerSecond: number): number[] =>
  turns.slice(1).flatMap((turn, index) => {
    const before = turns[index] ?? turn
    return Math.min(turn.value, before.value) < darkEnd ? [turn.frame / framesPerSecond] : []
  })
