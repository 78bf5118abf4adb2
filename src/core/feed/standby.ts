import { powerSwitchesOf } from '../parts/find'
import { powerSwitchOf } from '../parts/power-switches'
import type { Plan } from '../plan/plan'
import { cellUse } from './batteries'
import { switchedA, type FedSupply } from './supplies'

/** What a supply gives while the light is dark, and what switches it off. */
export interface Standby {
  /** Through pixels that are dark, the board and its sensors, A. */
  readonly idleA: number
  /** Until cells are empty by that alone, h; `null` for what does not live on cells, or lasts for ever. */
  readonly hours: number | null
  /** What the supply takes by itself with nothing on it, W. */
  readonly ownW: number
  /** The switch by hand that ends it; `null` without one. */
  readonly powerSwitch: string | null
}

/** What is drawn when the light is left on and dark. */
export function standbyOf(
  plan: Pick<Plan, 'supplies' | 'own'>,
  supply: Pick<FedSupply, 'slot' | 'part' | 'currentA'>,
): Standby {
  const { slot, part, currentA } = supply
  const idleA = currentA.idle
  const use = part && cellUse(part, { idleA, meanA: idleA, peakA: idleA })
  return {
    idleA,
    hours: use?.hours ?? null,
    ownW: part?.standbyW ?? 0,
    powerSwitch: powerSwitchesOf(plan).has(slot.id)
      ? (powerSwitchOf(slot, switchedA(supply))?.name ?? null)
      : null,
  }
}
