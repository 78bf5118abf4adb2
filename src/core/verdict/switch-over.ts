import { switchedA } from '../feed/supplies'
import { powerSwitchFor, powerSwitchOf } from '../parts/power-switches'
import { powerSwitchesOf } from '../parts/find'
import { formatQuantity } from '../quantity/format'
import type { Judge, Verdict } from './verdict'

/** A switch by hand that carries more than it is rated for. */
export const switchOver: Judge = ({ plan, supplies }) => {
  const places = powerSwitchesOf(plan)
  return supplies.flatMap((supply): Verdict[] => {
    const { slot, loadA } = supply
    if (!places.has(slot.id) || loadA === 0) return []
    const amperes = switchedA(supply)
    const own = powerSwitchOf(slot, amperes)
    if (own !== undefined && own.ratedA >= amperes) return []
    const larger = powerSwitchFor(amperes)
    return [
      {
        id: `switch-over.${slot.id}`,
        code: 'switch-over',
        grade: 'stop',
        about: [slot.id],
        text:
          own === undefined
            ? `${slot.name}: ${formatQuantity(amperes, 'A')} through its switch, more than any in the list takes`
            : `${slot.name}: ${formatQuantity(amperes, 'A')} through its ${own.name}`,
        why: 'Past its rating a contact burns or welds shut: then it no longer switches off.',
        remedies: [
          larger === undefined
            ? {
                label: 'no switch: pull the plug',
                commands: [{ do: 'set-power-switch', supply: slot.id, powerSwitch: 'none' }],
              }
            : {
                label: `take a ${larger.name}`,
                commands: [{ do: 'set-power-switch', supply: slot.id, powerSwitch: larger.id }],
              },
        ],
      },
    ]
  })
}
