import type { Strip } from '../plan/parts'

/**
 * Share of its full current that each channel of a strip still has at a voltage, 0–1; of a plain strip more than 1 above its volts
 * (handbook 3, the feed network).
 */
export function sharesAt({ light, volts: nominal }: Strip, volts: number): number[] {
  if (light.kind === 'pixels')
    return light.channels.map(({ kneeV, offV }) =>
      volts >= kneeV ? 1 : Math.max(0, (volts - offV) / (kneeV - offV)),
    )
  return light.channels.map(({ forwardV }) =>
    Math.max(0, (volts - forwardV) / (nominal - forwardV)),
  )
}

/** Share of a pixel's volts below which its chip no longer works reliably. *Typical.* */
const leastShare = 0.7

/** The least volts at which a pixel's chip works, V. */
export const leastVolts = (
  { leastV }: { readonly leastV?: number | undefined },
  volts: number,
): number => leastV ?? leastShare * volts

/** What is left of the weakest channel: the one by which a light is seen to fade. */
export const weakestAt = (strip: Strip, volts: number): number =>
  Math.min(...sharesAt(strip, volts))

/** The volts at which the weakest channel has just a share left, V. */
export function voltsFor({ light, volts: nominal }: Strip, share: number): number {
  return Math.max(
    ...(light.kind === 'pixels'
      ? light.channels.map(({ kneeV, offV }) => offV + share * (kneeV - offV))
      : light.channels.map(({ forwardV }) => forwardV + share * (nominal - forwardV))),
  )
}
