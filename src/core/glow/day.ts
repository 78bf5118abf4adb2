import { cellUse, type CellUse } from '../feed/batteries'
import { wattHoursADay } from '../feed/energy'
import type { FedSupply } from '../feed/supplies'
import type { Plan, Show, SolarBox } from '../plan/plan'
import { hoursByClock } from './by-clock'
import { solar } from './nights'
import type { PlayedShow, PlayGiven } from './play'

/** What somebody who comes by starts, or the clock, and how often. */
export interface Visit {
  readonly scene: string
  /** The scene's number in the show. */
  readonly number: number
  readonly perDay: number
  readonly seconds: number
  /** While it plays, W. */
  readonly watts: number
}

/** A day of a show. */
export interface ShowDay {
  /** How long its scenes in turn play, h, and what they take in the mean, W. */
  readonly hours: number
  readonly watts: number
  readonly visits: readonly Visit[]
  readonly idleWatts: number
  readonly efficiency: number
  readonly wattHours: number
  readonly kwhPerYear: number
  /** Where a panel charges it. */
  readonly solar:
    | { readonly given: SolarBox; readonly balance: ReturnType<typeof solar> }
    | undefined
}

/** How a supply that lives on cells does while a show plays. */
export interface ShowCells {
  readonly id: string
  readonly name: string
  readonly use: CellUse
  /** How many such days they last, standby and visits in it; `null` where nothing is drawn. */
  readonly days: number | null
}

/** Cells under the mean of a show, with their sag at its peak, and through whole days of it. */
export const showCells = (
  supplies: readonly FedSupply[],
  { played, inTurn, started }: Pick<PlayedShow, 'played' | 'inTurn' | 'started'>,
  day: ShowDay,
): ShowCells[] =>
  supplies.flatMap(({ slot, part, currentA, offA }, at): ShowCells[] => {
    const own = played.supplies[at]
    if (part === undefined || own === undefined) return []
    const idleA = currentA.idle
    const use = cellUse(part, { idleA, meanA: own.meanA, peakA: own.peakA })
    if (use === undefined) return []
    // Ampere hours of a day beyond standby, over it.
    const visited = day.visits.reduce((sum, { number, perDay, seconds }) => {
      const amperes = started.find(({ scene }) => scene === number)?.played.supplies[at]?.meanA
      return sum + (Math.max(0, (amperes ?? 0) - offA) * perDay * seconds) / 3600
    }, 0)
    const turnA = inTurn.supplies[at]?.meanA ?? 0
    const meanA = (turnA * day.hours + offA * (24 - day.hours) + visited) / 24
    const hours = cellUse(part, { idleA, meanA, peakA: own.peakA })?.hours ?? null
    return [{ id: slot.id, name: slot.name, use, days: hours === null ? null : hours / 24 }]
  })

/**
 * What a day takes: the show for as long as the plan is used a day, what visits start beyond that, and standby for the rest, over the
 * supplies' efficiency (handbook 3, energy; handbook 12, visits).
 */
export function showDay(
  { plan, supplies }: Pick<PlayGiven, 'plan' | 'supplies'>,
  show: Show,
  { inTurn, started }: Pick<PlayedShow, 'inTurn' | 'started'>,
): ShowDay {
  const clockHours = hoursByClock(show)
  const visits = started.flatMap(({ scene: number, played: { whPerHour: watts } }): Visit[] => {
    const { name, start, seconds } = show.scenes[number] ?? {}
    if (name === undefined || start === undefined || seconds === undefined) return []
    const isByClock = 'clock' in start
    const perDay = isByClock ? 1 : (start.perDay ?? 0)
    const lasts = isByClock ? 3600 * (clockHours[number] ?? 0) : seconds
    return perDay * lasts > 0 ? [{ scene: name, number, perDay, seconds: lasts, watts }] : []
  })
  // While a scene plays by the clock, those in turn do not.
  const hours = Math.max(0, plan.use.hoursADay - clockHours.reduce((sum, one) => sum + one, 0))
  const watts = inTurn.whPerHour
  const idleWatts = supplies.reduce(
    (sum, { part, offA, volts }) => sum + offA * volts + (part?.standbyW ?? 0),
    0,
  )
  const visited = visits.reduce((sum, visit) => sum + wattHoursOf(visit, idleWatts), 0)
  const solarBox = plan.use.solar
  const efficiency = meanEfficiency(supplies, plan)
  const day = { watts, idleWatts, hoursOnPerDay: hours, supplyEfficiency: efficiency }
  const wattHours = wattHoursADay(day) + visited / efficiency
  return {
    hours,
    watts,
    visits,
    idleWatts,
    efficiency,
    wattHours,
    kwhPerYear: (wattHours * 365) / 1000,
    solar: solarBox && { given: solarBox, balance: solar({ ...solarBox, nightWh: wattHours }) },
  }
}

/** What a visit takes beyond standby in a day, Wh. */
export const wattHoursOf = ({ perDay, seconds, watts }: Visit, idleWatts: number): number =>
  (Math.max(0, watts - idleWatts) * perDay * seconds) / 3600

/** Efficiency of all supplies together, weighted by what hangs on them. */
function meanEfficiency(supplies: readonly FedSupply[], { limit }: Plan): number {
  let [out, into] = [0, 0]
  for (const { part, currentA, volts } of supplies) {
    const watts = (currentA['full-white'] / limit) * volts
    out += watts
    into += watts / (part?.efficiency ?? 1)
  }
  return into > 0 ? out / into : 1
}
