import type { Plan } from '../plan/plan'
import type { Board, LightPart, Strip, SupplyPart } from '../plan/parts'
import { shippedBoards } from './boards'
import { shippedLights } from './lights'
import { powerSwitchPlace, type PowerSwitchPlace } from './power-switches'
import { merged, ownOrShipped, stripsOf } from './find-strips'
import { shippedSupplies } from './supplies'

/** The parts a plan can use: the user's own first, then those that ship. An own part hides a shipped one of its id. */
export interface Parts {
  readonly strips: readonly Strip[]
  readonly supplies: readonly SupplyPart[]
  readonly boards: readonly Board[]
  readonly lights: readonly LightPart[]
}

/** Whether a board or light is one that ships, by its id; all others are somebody's own. */
export const ships = (id: string): boolean => shippedIds.has(id)

const shippedIds: ReadonlySet<string> = new Set(
  [...shippedBoards, ...shippedLights].map((part) => part.id),
)

export function partsOf({
  strips = [],
  supplies = [],
  boards = [],
  lights = [],
}: Partial<Plan['own']>): Parts {
  return {
    strips: stripsOf(strips),
    supplies: merged(supplies, shippedSupplies),
    boards: merged(boards, shippedBoards),
    lights: merged(lights, shippedLights),
  }
}

/**
 * The single light of that id.
 *
 * @throws RangeError where there is none; a plan is checked for that when it is read
 */
export function lightPartOf(parts: Parts, id: string): LightPart {
  const found = parts.lights.find((part) => part.id === id)
  if (found === undefined) throw new RangeError(`no single light has the id ${id}`)
  return found
}

/**
 * Whether a supply of a plan is its board's own 5 V pin: the source goes to the board's raw input, and what hangs on the supply to that pin.
 */
export function isBoardPin(
  { supplies, own, signal }: Pick<Plan, 'supplies' | 'own' | 'signal'>,
  id: string,
): boolean {
  const slot = supplies.find((one) => one.id === id)
  if (slot === undefined || signal.boardFrom !== 'supply') return false
  return ownOrShipped(own.supplies, shippedSupplies, slot.part)?.kind === 'board-pin'
}

/** Where each supply of a plan has a switch by hand; supplies without one are left out. */
export function powerSwitchesOf({
  supplies,
  own,
}: Pick<Plan, 'supplies' | 'own'>): ReadonlyMap<string, PowerSwitchPlace> {
  // The network asks for this each time that it is solved: only the supplies are looked up.
  return new Map(
    supplies.flatMap((slot) => {
      const part = ownOrShipped(own.supplies, shippedSupplies, slot.part)
      const place = powerSwitchPlace(slot, part)
      return place === undefined ? [] : [[slot.id, place] as const]
    }),
  )
}

export const supplyPartOf = (parts: Pick<Parts, 'supplies'>, id: string): SupplyPart | undefined =>
  parts.supplies.find((part) => part.id === id)

/** The strip most like another at a different voltage, or `undefined` where the kind is not made for it. */
export function siblingAt(parts: Parts, strip: Strip, volts: number): Strip | undefined {
  const colours = colourKey(strip)
  return parts.strips
    .filter(
      (other) =>
        other.volts === volts &&
        other.light.kind === strip.light.kind &&
        colourKey(other) === colours,
    )
    .toSorted((a, b) => strangeness(strip, a) - strangeness(strip, b))[0]
}

/** Strips of the same volts and colours that bend in their own plane, the most alike first. */
export const bendingSiblings = (parts: Parts, strip: Strip): Strip[] =>
  parts.strips
    .filter(
      (other) =>
        other.edgeRadiusMm !== null &&
        other.volts === strip.volts &&
        other.light.kind === strip.light.kind &&
        colourKey(other) === colourKey(strip),
    )
    .toSorted((a, b) => strangeness(strip, a) - strangeness(strip, b))

/** How far apart two strips are in power, in no unit. */
const strangeness = (strip: Strip, other: Strip): number =>
  Math.abs(Math.log(other.nameplateWPerM / strip.nameplateWPerM))

/** Strips that look alike: of the same colours, and on tape or on wire. */
const colourKey = ({ light, nodesPerString }: Strip): string =>
  [...light.channels.map(({ name }) => name), nodesPerString === undefined ? '' : 'nodes'].join('+')
