import { cellUse, type CellUse } from '../feed/batteries'
import { wattHoursADay } from '../feed/energy'
import type { FedSupply } from '../feed/supplies'
import type { Plan, Show } from '../plan/plan'
import { play, toEnd, visitOf, type Played, type PlayGiven } from './play'

/** What somebody who comes by starts, and how often. */
export interface Visit {
  readonly scene: string
  readonly perDay: number
  readonly seconds: number
  /** While it plays, W. */
  readonly watts: number
}

/** A day of a show. */
export interface ShowDay {
  /** How long it plays, h, and what it takes in the mean, W. */
  readonly hours: number
  readonly watts: number
  readonly visits: readonly Visit[]
  readonly idleWatts: number
  readonly efficiency: number
  readonly wattHours: number
  readonly kwhPerYear: number
}

/** How a supply that lives on cells does while a show plays. */
export interface ShowCells {
  readonly id: string
  readonly name: string
  readonly use: CellUse
}

/** Cells under the mean of a show, with their sag at its peak. */
export const showCells = (supplies: readonly FedSupply[], played: Played): ShowCells[] =>
  supplies.flatMap(({ slot, part, currentA }): ShowCells[] => {
    const own = played.supplies.find(({ id }) => id === slot.id)
    const use =
      part && own && cellUse(part, { idleA: currentA.idle, meanA: own.meanA, peakA: own.peakA })
    return use === undefined ? [] : [{ id: slot.id, name: slot.name, use }]
  })

/** Frames a second at which a scene is looked at for its mean. */
const sceneFps = 10

/**
 * What a day takes: the show for as long as the plan is used a day, what visits start beyond that, and standby for the rest, over the
 * supplies' efficiency (handbook 3, energy; handbook 12, visits).
 */
export function showDay(given: PlayGiven, show: Show, played: Played): ShowDay {
  const { plan, supplies } = given
  const visits = show.scenes.flatMap((scene): Visit[] => {
    const { start } = scene
    if (start?.perDay === undefined || start.perDay === 0) return []
    const { ready, seconds } = visitOf(given, show, scene)
    const { whPerHour } = toEnd(play(given, ready, { seconds, framesPerSecond: sceneFps }))
    return [{ scene: scene.name, perDay: start.perDay, seconds: scene.seconds, watts: whPerHour }]
  })
  const hours = plan.use.hoursADay
  const watts = played.whPerHour
  const idleWatts = supplies.reduce(
    (sum, { part, offA, volts }) => sum + offA * volts + (part?.standbyW ?? 0),
    0,
  )
  const visited = visits.reduce((sum, visit) => sum + wattHoursOf(visit, idleWatts), 0)
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
