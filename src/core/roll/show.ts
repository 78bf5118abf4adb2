import type { Played } from '../glow/play'
import { operand, working, type Figure } from '../quantity/figure'

/** When something is in a show: `0:25.0`. */
export const clockText = (seconds: number): string => {
  const tenths = Math.floor(seconds * 10 + 1e-6)
  const whole = Math.floor(tenths / 10)
  return `${String(Math.floor(whole / 60))}:${String(whole % 60).padStart(2, '0')}.${String(tenths % 10)}`
}

/** What a show draws: mean and peak of each supply, and what an hour of it takes. */
export function showFigures({ supplies, seconds, framesPerSecond }: Played): Figure[] {
  const frames = Math.round(seconds * framesPerSecond)
  return supplies.flatMap(({ id, name, volts, meanA, peakA, peakAtS }): Figure[] => {
    const common = { unit: 'A', about: [id], operands: [] } as const
    const prefix = supplies.length > 1 ? `${name}, ` : ''
    return [
      {
        ...common,
        id: `show.mean.${id}`,
        label: `${prefix}mean`,
        value: meanA,
        operation: `of ${String(frames)} frames`,
        rule: 'the feed solved for each frame at the bytes that are sent',
      },
      {
        ...common,
        id: `show.peak.${id}`,
        label: `${prefix}peak`,
        value: peakA,
        operation: `at ${clockText(peakAtS)}`,
      },
      {
        id: `show.hour.${id}`,
        label: `${prefix}an hour of it`,
        value: meanA * volts,
        unit: 'Wh',
        ...working`${operand('mean', meanA, 'A')} × ${operand('volts', volts, 'V')} × 1 h`,
        about: [id],
      },
    ]
  })
}
