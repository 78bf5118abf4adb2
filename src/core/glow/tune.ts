import { full, hash } from './fixed'

/** A beat of the tune, ms: about 100 a minute. */
const beatMs = 600
/** How loud each beat of two bars is, of 8. */
const bars = [8, 3, 5, 3, 7, 3, 6, 4] as const

/**
 * How loud a made-up tune is at a time, 0 to 65535: beats that fall away, with a little of everything between them, so that sound patterns
 * can be tried without a microphone.
 */
export function tuneAt(ms: number): number {
  const beat = Math.floor(ms / beatMs)
  const loud = (bars[beat % bars.length] ?? 0) / 8
  const fall = Math.exp((-4 * (ms % beatMs)) / beatMs)
  const grain = (hash(77, Math.floor(ms / 50), 0) >>> 16) / full
  return Math.round(full * Math.min(1, loud * fall + 0.08 * grain))
}
