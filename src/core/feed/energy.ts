export interface DayGiven {
  readonly watts: number
  readonly idleWatts: number
  readonly hoursOnPerDay: number
  readonly supplyEfficiency: number
}

export interface EnergyGiven extends DayGiven {
  readonly pricePerKwh: number
}

/** Wh/day = (W × hours + idle W × (24 − hours)) / supply efficiency (handbook 3, energy). */
export const wattHoursADay = ({
  watts,
  idleWatts,
  hoursOnPerDay,
  supplyEfficiency,
}: DayGiven): number =>
  (watts * hoursOnPerDay + idleWatts * (24 - hoursOnPerDay)) / supplyEfficiency

/** What a day and a year take, and what the year costs (handbook 3, energy). */
export function energy({ pricePerKwh, ...day }: EnergyGiven): {
  wattHoursPerDay: number
  kwhPerYear: number
  costPerYear: number
} {
  const wattHoursPerDay = wattHoursADay(day)
  const kwhPerYear = (wattHoursPerDay * 365) / 1000
  return { wattHoursPerDay, kwhPerYear, costPerYear: kwhPerYear * pricePerKwh }
}
