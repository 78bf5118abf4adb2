import { wattHoursOf, type ShowCells, type ShowDay } from '../glow/day'
import type { Played } from '../glow/play'
import { operand, working, type Figure } from '../quantity/figure'
import { fixed } from '../quantity/format'

/** When something is in a show: `0:25.0`. */
export const clockText = (seconds: number): string => {
  const tenths = Math.floor(seconds * 10 + 1e-6)
  const whole = Math.floor(tenths / 10)
  return `${String(Math.floor(whole / 60))}:${String(whole % 60).padStart(2, '0')}.${String(tenths % 10)}`
}

/** What a show draws: mean and peak of each supply, and what it takes per hour. */
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
        label: `${prefix}per hour`,
        value: meanA * volts,
        unit: 'Wh',
        ...working`${operand('mean', meanA, 'A')} × ${operand('volts', volts, 'V')} × 1 h`,
        about: [id],
      },
    ]
  })
}

/** What the program's limiter did while a show played; nothing where it is off. */
export const limiterFigures = ({ limited }: Pick<Played, 'limited'>): Figure[] =>
  limited === undefined
    ? []
    : [
        {
          id: 'show.limited',
          label: 'limited',
          value: limited.share,
          unit: '%',
          operation: `of the frames, to ${String(Math.floor(100 * limited.lowest))} % at the lowest`,
          operands: [],
          about: [],
          rule: 'each supply held to what it may give beyond what the program cannot dim',
        },
      ]

/** What a day of a show takes, addend by addend. */
export function dayFigures(day: ShowDay): Figure[] {
  const { hours, watts, visits, idleWatts, efficiency, wattHours, kwhPerYear } = day
  const none = { about: [] } as const
  return [
    {
      ...none,
      id: 'show.day.on',
      label: 'lit',
      value: hours * watts,
      unit: 'Wh',
      ...working`${operand('hours', hours * 60, 'min')} × ${operand('mean', watts, 'W')}`,
    },
    ...visits.map((visit, index) => ({
      ...none,
      id: `show.day.visit.${String(index)}`,
      label: `“${visit.scene}”, ${String(visit.perDay)} ×`,
      value: wattHoursOf(visit, idleWatts),
      unit: 'Wh' as const,
      ...working`${operand('seconds', visit.seconds, 's')} × ${operand('watts', Math.max(0, visit.watts - idleWatts), 'W')}`,
      rule: 'beyond standby',
    })),
    {
      ...none,
      id: 'show.day.idle',
      label: 'standby',
      value: (24 - hours) * idleWatts,
      unit: 'Wh',
      ...working`${operand('hours', (24 - hours) * 60, 'min')} × ${operand('idle', idleWatts, 'W')}`,
    },
    {
      ...none,
      id: 'show.day.all',
      label: `÷ ${fixed(efficiency, 2)}, a day`,
      value: wattHours,
      unit: 'Wh',
      operation: '',
      operands: [],
      isTotal: true,
    },
    {
      ...none,
      id: 'show.day.year',
      label: 'a year',
      value: kwhPerYear,
      unit: 'kWh',
      ...working`${operand('a day', wattHours, 'Wh')} × 365`,
    },
    ...(day.solar === undefined ? [] : solarFigures(day.solar, wattHours)),
  ]
}

/** Whether a panel charges what a day takes, and for how many nights its battery lasts without it. */
function solarFigures(
  { given, balance }: NonNullable<ShowDay['solar']>,
  wattHours: number,
): Figure[] {
  const { panelW, sunHours, chargeEfficiency, batteryWh, usableShare } = given
  const common = { about: [] } as const
  const night = operand('a day', wattHours, 'Wh')
  return [
    {
      ...common,
      id: 'show.solar.charged',
      label: 'the panel charges',
      value: balance.chargedWhPerDay,
      unit: 'Wh',
      ...working`${operand('panel', panelW, 'W')} × ${operand('sun', sunHours)} h × ${operand('charging', chargeEfficiency, '%')}`,
    },
    {
      ...common,
      id: 'show.solar.balance',
      label: balance.balanceWh < 0 ? 'short by, a day' : 'to spare, a day',
      value: Math.abs(balance.balanceWh),
      unit: 'Wh',
      ...working`${operand('charged', balance.chargedWhPerDay, 'Wh')} − ${night}`,
    },
    {
      ...common,
      id: 'show.solar.nights',
      label: 'nights without sun',
      value: balance.nightsWithoutSun,
      unit: '',
      ...working`${operand('battery', batteryWh, 'Wh')} × ${operand('usable', usableShare, '%')} ÷ ${night}`,
    },
  ]
}

/** How long cells last while a show plays, and how far they sag at its peak. */
export const cellFigures = (cells: readonly ShowCells[]): Figure[] =>
  cells.flatMap(({ id, name, days, use: { hours, endsBy, meanA, peakA, peakFirstV, cutoffV } }) => [
    {
      id: `show.cells.${id}`,
      label: `${name} lasts`,
      value: hours === null ? null : hours * 60,
      unit: 'min' as const,
      ...working`${operand('mean', meanA, 'A')}`,
      rule: endsBy === 'cut-off' ? 'until the brown-out at its peak' : 'until the cells are empty',
      about: [id],
    },
    {
      id: `show.days.${id}`,
      label: `${name}, of such days`,
      value: days,
      unit: '' as const,
      operation: 'with standby and what is started',
      operands: [],
      about: [id],
    },
    ...(cutoffV > 0
      ? [
          {
            id: `show.sag.${id}`,
            label: 'at the peak, when full',
            value: peakFirstV,
            unit: 'V' as const,
            ...working`${operand('peak', peakA, 'A')}, out below ${operand('cut-off', cutoffV, 'V')}`,
            about: [id],
          },
        ]
      : []),
  ])
