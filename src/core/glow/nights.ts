import { wattHoursADay, type DayGiven } from '../feed/energy'

/**
 * Hours lit and energy of a light that visits switch on: Wh a day = (W × visits in the dark × seconds / 3600 + idle W × the rest) /
 * efficiency (handbook 12, visits).
 *
 * @param darkShare share of the visits that come while it is dark, 0 to 1
 * @returns at most 24 h a day
 */
export function visits({
  visitsPerDay,
  secondsEach,
  darkShare,
  ...draw
}: Omit<DayGiven, 'hoursOnPerDay'> & {
  readonly visitsPerDay: number
  readonly secondsEach: number
  readonly darkShare: number
}): { readonly hoursLitPerDay: number; readonly wattHoursPerDay: number } {
  const hoursLitPerDay = Math.min(24, (visitsPerDay * darkShare * secondsEach) / 3600)
  return {
    hoursLitPerDay,
    wattHoursPerDay: wattHoursADay({ ...draw, hoursOnPerDay: hoursLitPerDay }),
  }
}

/**
 * A solar panel against the nights that it feeds (handbook 12, solar).
 *
 * @param sunHours peak sun hours: kWh/m² a day on the panel
 * @returns Wh charged on such a day, what is left of them after a night, and how many nights the battery gives without sun (`null`:
 * as many as wanted, since nothing is drawn)
 */
export function solar({
  panelW,
  sunHours,
  chargeEfficiency,
  batteryWh,
  usableShare,
  nightWh,
}: {
  readonly panelW: number
  readonly sunHours: number
  readonly chargeEfficiency: number
  readonly batteryWh: number
  readonly usableShare: number
  readonly nightWh: number
}): {
  readonly chargedWhPerDay: number
  readonly balanceWh: number
  readonly nightsWithoutSun: number | null
} {
  const chargedWhPerDay = panelW * sunHours * chargeEfficiency
  return {
    chargedWhPerDay,
    balanceWh: chargedWhPerDay - nightWh,
    nightsWithoutSun: nightWh > 0 ? (batteryWh * usableShare) / nightWh : null,
  }
}

/** How many times as bright, and in stops: log2 of the ratio (handbook 12, exposure). */
export function exposure({
  luxBefore,
  luxAfter,
}: {
  readonly luxBefore: number
  readonly luxAfter: number
}): { readonly times: number; readonly stops: number } {
  const times = luxAfter / luxBefore
  return { times, stops: Math.log2(times) }
}
