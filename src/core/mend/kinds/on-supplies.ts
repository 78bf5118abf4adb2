import { networkName } from '../../feed/plan-network'
import type { FaultDraft, MendGiven } from '../fault'

type Fed = MendGiven['supplies'][number]

/** Something about a supply that feeds anything: one draft each. */
export const onSupplies = (
  { supplies }: Pick<MendGiven, 'supplies'>,
  of: (supply: Fed) => (Pick<FaultDraft, 'weight' | 'does'> & Partial<FaultDraft>) | undefined,
): FaultDraft[] =>
  supplies.flatMap((supply) => {
    const draft = supply.currentA['full-white'] > 0 ? of(supply) : undefined
    const { id, name } = supply.slot
    return draft === undefined
      ? []
      : [
          {
            key: id,
            where: name,
            about: [id],
            shownBy: [{ kind: 'other-supply', at: id, where: name }],
            ...draft,
          },
        ]
  })

/** All that hangs on a supply, as it looks. */
export const onAllOf = (
  { fits }: Fed,
  { cutRuns, lit }: Pick<MendGiven, 'cutRuns' | 'lit'>,
  state: 'dark' | 'flicker' | 'dim',
): FaultDraft['does']['light'] =>
  fits.flatMap(({ load }) => {
    const entry = cutRuns.find(({ run }) => run.id === load.id)
    const count = lit.find(({ id }) => id === load.id)?.lights ?? load.groups
    return entry === undefined ? [] : [{ run: load.id, from: 0, count, state }]
  })

/** A supply whose volts fall to a share of what they should be. */
export const fallenTo = (
  { slot, volts }: Fed,
  share: number,
): NonNullable<FaultDraft['does']['feed']> => [
  { kind: 'volts', supply: networkName.supply(slot.id), volts: volts * share },
]

/** How far a supply is used at full white, of what it is rated for. */
export const useOf = ({ currentA, ratedA }: Fed): number =>
  ratedA === null ? 0 : currentA['full-white'] / ratedA
