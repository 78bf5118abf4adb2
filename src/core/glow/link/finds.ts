/** What somebody saw when one channel was lit: the letter of a colour, `dark`, or `other` for a colour that the light does not have. */
export type SeenColour = string

export type OrderFound =
  | { readonly kind: 'ask'; readonly channel: number }
  | { readonly kind: 'found'; readonly order: string; readonly isAsPlanned: boolean }
  /** The answers fit no order: the same colour twice, nothing, or another one. */
  | { readonly kind: 'no-order'; readonly why: 'twice' | 'dark' | 'other' }

/**
 * In which order the chips really take the colours, by what is seen when each channel is lit by itself.
 *
 * @param channels letters of the channels, such as `RGB`
 * @param planned the order in which the program sends them, such as `GRB`
 * @param seen the answers so far, by channel
 */
export function orderBy(
  channels: string,
  planned: string,
  seen: readonly SeenColour[],
): OrderFound {
  if (seen.includes('dark')) return { kind: 'no-order', why: 'dark' }
  if (seen.some((one) => !channels.includes(one))) return { kind: 'no-order', why: 'other' }
  if (new Set(seen).size < seen.length) return { kind: 'no-order', why: 'twice' }
  if (seen.length < channels.length) return { kind: 'ask', channel: seen.length }
  const order = Array.from(planned, (letter) => seen[channels.indexOf(letter)] ?? letter).join('')
  return { kind: 'found', order, isAsPlanned: order === planned }
}

/** Whether strip stays dark behind the first so many elements when they are lit. */
export interface CountAnswer {
  readonly lit: number
  readonly isMore: boolean
}

export type CountFound =
  | { readonly kind: 'ask'; readonly lit: number }
  | { readonly kind: 'found'; readonly count: number }
  /** More than can be lit. */
  | { readonly kind: 'more'; readonly than: number }

/**
 * How many elements a strip has, by lighting the first so many and asking whether any stay dark behind them: two questions where it is as
 * planned, else it is halved. A single dead one on the way does not disturb it.
 *
 * @param planned as many as the plan has
 * @param most as many as the program can light
 */
export function countBy(
  planned: number,
  most: number,
  answers: readonly CountAnswer[],
): CountFound {
  const least = Math.max(0, ...answers.filter(({ isMore }) => isMore).map(({ lit }) => lit + 1))
  const none = answers.filter(({ isMore }) => !isMore).map(({ lit }) => lit)
  const highest = Math.min(...none)
  if (none.length > 0 && least >= highest) return { kind: 'found', count: highest }
  if (least > most) return { kind: 'more', than: most }
  if (none.length === 0) {
    // One more is likelier than many more.
    const next = [planned, planned + 1][answers.length] ?? most
    return { kind: 'ask', lit: Math.min(most, next) }
  }
  if (highest === planned && least < planned && planned > 0)
    return { kind: 'ask', lit: planned - 1 }
  return { kind: 'ask', lit: Math.floor((least + highest - 1) / 2) }
}

/** Stretches of a run that are lit or dark, from end to end: `[from, count, isDark]`. */
export function darkStretches(
  count: number,
  dark: ReadonlySet<number>,
): (readonly [from: number, count: number, isDark: boolean])[] {
  const stretches: [number, number, boolean][] = []
  for (let at = 0; at < count; at += 1) {
    const last = stretches.at(-1)
    if (last?.[2] === dark.has(at)) last[1] += 1
    else stretches.push([at, 1, dark.has(at)])
  }
  return stretches
}
