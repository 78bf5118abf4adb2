import type { NetworkLoad } from './network'

/**
 * Current of one load by its voltage, and how it changes with it. A channel draws full × duty at its knee and above, nothing at its off
 * voltage and below, a straight line between; a resistive group draws duty × (V − forward) / ohm, never below 0; idle current is
 * constant (handbook 3, the feed network).
 */
export interface Draw {
  /** A at `volts`. */
  current(volts: number): number
  /** A/V at `volts`; on a knee that of the side below. */
  slope(volts: number): number
}

export function drawOf({ idleA, channels = [], ohmic }: NetworkLoad): Draw {
  const count = channels.length
  const full = Float64Array.from(channels, ({ fullA, duty }) => fullA * duty)
  const knee = Float64Array.from(channels, ({ kneeV }) => kneeV)
  const off = Float64Array.from(channels, ({ offV }) => offV)
  // A/V between off and knee; a channel that switches at one voltage has no slope.
  const rise = Float64Array.from(channels, ({ fullA, duty, kneeV, offV }) =>
    kneeV > offV ? (fullA * duty) / (kneeV - offV) : 0,
  )
  const conductance = ohmic === undefined ? 0 : ohmic.duty / ohmic.ohm
  const forward = ohmic?.forwardV ?? 0
  // Plain indexed loops: this runs for every load in every step.
  return {
    current(volts) {
      let sum = idleA
      for (let index = 0; index < count; index += 1) {
        if (volts >= (knee[index] ?? 0)) sum += full[index] ?? 0
        else if (volts > (off[index] ?? 0)) sum += (rise[index] ?? 0) * (volts - (off[index] ?? 0))
      }
      return volts > forward ? sum + conductance * (volts - forward) : sum
    },
    slope(volts) {
      let sum = volts > forward ? conductance : 0
      for (let index = 0; index < count; index += 1)
        if (volts > (off[index] ?? 0) && volts <= (knee[index] ?? 0)) sum += rise[index] ?? 0
      return sum
    },
  }
}
