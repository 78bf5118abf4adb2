import type { NetworkLoad } from './network'

/**
 * Current of one load by its voltage, and how it changes with it. A channel draws full × duty at its knee and above, nothing at its off
 * voltage and below, a straight line between; a resistive group draws duty × (V − forward) / ohm, never below 0; idle current is
 * constant (handbook 3, the feed network).
 */
export interface Draw {
  /** A at `volts`, of the load at a place in its run, from 0: only where loads differ is the place looked at. */
  current(volts: number, at: number): number
  /** A/V at `volts`; on a knee that of the side below. */
  slope(volts: number, at: number): number
}

/**
 * @param duties brightness of every channel of every load, load by load, in place of the load's own
 */
export function drawOf(load: NetworkLoad, duties?: Float64Array): Draw {
  return duties === undefined ? alikeDraw(load) : eachDraw(load, duties)
}

/** Loads that differ in their brightness: channels as above; of a resistive group the first of its channels dims it. */
function eachDraw({ idleA, channels = [], ohmic }: NetworkLoad, duties: Float64Array): Draw {
  const count = channels.length
  const full = Float64Array.from(channels, ({ fullA }) => fullA)
  const knee = Float64Array.from(channels, ({ kneeV }) => kneeV)
  const off = Float64Array.from(channels, ({ offV }) => offV)
  const stride = Math.max(1, count)
  const forward = ohmic?.forwardV ?? 0
  const siemens = ohmic === undefined ? 0 : 1 / ohmic.ohm
  // At this voltage and above every channel is past its knee: only brightness counts. Most loads are there; what is resistive never is.
  const enoughV = ohmic === undefined ? Math.max(...knee) : Infinity
  return {
    current(volts, at) {
      let sum = idleA
      if (volts >= enoughV) {
        for (let index = 0; index < count; index += 1)
          sum += (full[index] ?? 0) * (duties[at * stride + index] ?? 0)
        return sum
      }
      for (let index = 0; index < count; index += 1) {
        const [from, to] = [off[index] ?? 0, knee[index] ?? 0]
        const share = volts >= to ? 1 : volts > from ? (volts - from) / (to - from) : 0
        sum += share * (full[index] ?? 0) * (duties[at * stride + index] ?? 0)
      }
      return volts > forward ? sum + siemens * (duties[at * stride] ?? 0) * (volts - forward) : sum
    },
    slope(volts, at) {
      if (volts > enoughV) return 0
      let sum = volts > forward ? siemens * (duties[at * stride] ?? 0) : 0
      for (let index = 0; index < count; index += 1) {
        const [from, to] = [off[index] ?? 0, knee[index] ?? 0]
        if (volts > from && volts <= to && to > from)
          sum += ((full[index] ?? 0) * (duties[at * stride + index] ?? 0)) / (to - from)
      }
      return sum
    },
  }
}

function alikeDraw({ idleA, channels = [], ohmic }: NetworkLoad): Draw {
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
