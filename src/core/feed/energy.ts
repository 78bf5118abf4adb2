export interface EnergyGiven {
  readonly watts: number
  readonly idleWatts: number
  readonly hoursOnPerDay: number
  readonly pricePerKwh: number
  readonly supplyEfficiency: number
}

/** Wh/day = (W × hours + idle W × (24 − hours)) / supply efficiency (handbook 3, energy). */
export function energy({
  watts,
  idleWatts,
  hoursOnPerDay,
  pricePerKwh,
  supplyEfficiency,
}: EnergyGiven): { wattHoursPerDay: number; kwhPerYear: number; costPerYear: number } {
  const wattHoursPerDay =
    (watts * hoursOnPerDay + idleWatts * (24 - hoursOnPerDay)) / supplyEfficiency
  const kwhPerYear = (wattHoursPerDay * 365) / 1000
  return { wattHoursPerDay, kwhPerYear, costPerYear: kwhPerYear * pricePerKwh }
}
