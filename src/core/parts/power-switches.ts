import type { SupplyPart } from '../plan/parts'
import type { SupplySlot } from '../plan/plan'

/** A switch by hand that a supply is switched off with. Ratings are for d.c.; figures are *typical*. */
export interface PowerSwitch {
  readonly id: string
  readonly name: string
  readonly ratedA: number
  /** Through its closed contact, Ω. */
  readonly ohm: number
  readonly price: number
}

/** Smallest first. */
export const powerSwitches: readonly PowerSwitch[] = [
  { id: 'slide-0_5a', name: 'slide switch, 0.5 A', ratedA: 0.5, ohm: 0.05, price: 0.3 },
  { id: 'toggle-3a', name: 'toggle switch, 3 A', ratedA: 3, ohm: 0.02, price: 0.9 },
  { id: 'rocker-10a', name: 'rocker switch, 10 A', ratedA: 10, ohm: 0.01, price: 1.4 },
  { id: 'toggle-20a', name: 'heavy toggle switch, 20 A', ratedA: 20, ohm: 0.005, price: 3.5 },
]

/** The smallest switch that carries a current; `undefined` where none does. */
export const powerSwitchFor = (amperes: number): PowerSwitch | undefined =>
  powerSwitches.find(({ ratedA }) => amperes <= ratedA)

/** What switches a supply: its plus, or the enable pin of its booster, which carries next to nothing. */
export type PowerSwitchPlace = 'plus' | 'enable'

/** Where a supply has a switch by hand: what lives on cells has one unless it says otherwise, others where they say so. */
export function powerSwitchPlace(
  { powerSwitch }: Pick<SupplySlot, 'powerSwitch'>,
  part: Pick<SupplyPart, 'kind' | 'battery'> | undefined,
): PowerSwitchPlace | undefined {
  if (powerSwitch === 'none' || (powerSwitch === undefined && part?.battery === undefined))
    return undefined
  return part?.kind === 'boosted-cell' ? 'enable' : 'plus'
}

/** The switch that a supply gets: the one that was chosen, else the smallest that carries the current. */
export const powerSwitchOf = (
  { powerSwitch }: Pick<SupplySlot, 'powerSwitch'>,
  amperes: number,
): PowerSwitch | undefined =>
  powerSwitches.find(({ id }) => id === powerSwitch) ?? powerSwitchFor(amperes)
