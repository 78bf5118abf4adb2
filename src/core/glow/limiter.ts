import type { FedSupply } from '../feed/supplies'
import { groupDraw } from '../load/group-draw'
import type { LitRun } from '../load/lights'
import { colourShares } from '../load/lit-colours'
import { hasWhite, sentByte, type ChannelKind, type Field, type FieldRun } from './field'

/** What some elements in a row draw of one supply. */
export interface LimiterDraw {
  readonly from: number
  readonly count: number
  readonly channels: readonly ChannelKind[]
  /** Of each channel of one element at full, µA. */
  readonly microA: readonly number[]
  /** Its place among the limits. */
  readonly supply: number
}

/** What a program reckons with so that no frame draws more than a supply may give. */
export interface Limiter {
  readonly draws: readonly LimiterDraw[]
  /** Of each supply that has a limit: its name, and what may be drawn of it beyond what is drawn anyway, mA. */
  readonly supplies: readonly { readonly name: string; readonly limitMa: number }[]
}

/** A scale that changes nothing. */
export const unscaled = 65_536

/** Reckons with every run that the program dims (no other one is in the field), on the supplies that feed it; a supply without a part has no limit. */
export function limiterOf(
  field: Field,
  { supplies, lit }: { readonly supplies: readonly FedSupply[]; readonly lit: readonly LitRun[] },
): Limiter {
  const limited = supplies.flatMap((supply) =>
    supply.limitA === null ? [] : [{ ...supply, limitA: supply.limitA }],
  )
  return {
    supplies: limited.map(({ slot: { name }, limitA }) => ({
      name,
      limitMa: Math.floor(limitA * 1000 + 1e-6),
    })),
    draws: limited.flatMap(({ fits, onPins }, supply) =>
      [...fits, ...onPins].flatMap(({ load, share }) =>
        field.runs
          .filter(({ id }) => id === load.id)
          .map((run): LimiterDraw => {
            const { from, count, channels } = run
            const microA = elementMicroA(run, lit).map((one) => Math.ceil(one * share - 1e-6))
            return { from, count, channels, microA, supply }
          }),
      ),
    ),
  }
}

/** What each channel of one element draws at full, µA. */
function elementMicroA(
  { id, entry, count, loads, channels, isLights }: FieldRun,
  lit: readonly LitRun[],
): number[] {
  if (isLights) {
    const own = lit.find((one) => one.id === id)
    const elementA = (1e6 * (own?.peakA ?? 0)) / count
    return (own === undefined || channels.length === 1 ? [1] : colourShares(own)).map(
      (share) => share * elementA,
    )
  }
  return groupDraw(entry.strip).channelMa.map((mA) => (1000 * mA * loads) / count)
}

/** By how much the light of each supply is scaled in a frame, in 65536ths: 65536 where it stays within its limit. */
export function limiterScales(
  { draws, supplies }: Limiter,
  light: ArrayLike<number>,
  limit: number,
): number[] {
  const sums = supplies.map(() => 0)
  for (const { from, count, channels, microA, supply } of draws) {
    const white = hasWhite(channels)
    let sum = 0
    for (let at = from; at < from + count; at += 1)
      for (let channel = 0; channel < channels.length; channel += 1)
        sum +=
          sentByte(channels[channel] ?? 'none', white, light, at * 4, limit) *
          (microA[channel] ?? 0)
    sums[supply] = (sums[supply] ?? 0) + sum
  }
  return supplies.map(({ limitMa }, at) => {
    const [sum, most] = [sums[at] ?? 0, limitMa * 1000 * 255]
    return sum > most ? Math.floor((most * unscaled) / sum) : unscaled
  })
}

/** The scale of each element: the lowest of the supplies that feed it. */
export function scaleElements(
  { draws }: Limiter,
  scales: readonly number[],
  elements: Uint32Array,
): void {
  elements.fill(unscaled)
  for (const { from, count, supply } of draws) {
    const scale = scales[supply] ?? unscaled
    for (let at = from; at < from + count; at += 1)
      elements[at] = Math.min(elements[at] ?? unscaled, scale)
  }
}
