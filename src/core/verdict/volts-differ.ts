import type { FedSupply } from '../feed/supplies'
import { entryOf, runName } from '../cut/entry-of'
import { siblingAt } from '../parts/find'
import type { Command } from '../plan/commands'
import { formatQuantity } from '../quantity/format'
import { nextSupply } from './next-supply'
import type { Evidence, Judge, Remedy } from './verdict'
import { fewNames } from '../quantity/few-names'

/** A run made for other volts than its supply gives. */
export const voltsDiffer: Judge = (evidence) =>
  evidence.supplies.flatMap((supply) => {
    // Single lights are told by what they are: see lights.
    const lit = new Set(evidence.lit.map(({ id }) => id))
    const misfits = supply.misfits.filter(({ id }) => !lit.has(id))
    const volts = [...new Set(misfits.map((load) => load.volts))]
    return volts.map((runVolts) => {
      const ids = misfits.filter((load) => load.volts === runVolts).map((load) => load.id)
      const names = ids.map((id) => runName(evidence.cutRuns, id))
      const [gives, wants] = [supply.volts, runVolts].map((v) => formatQuantity(v, 'V'))
      return {
        id: `volts-differ.${supply.slot.id}.${String(runVolts)}`,
        code: 'volts-differ' as const,
        grade: 'stop' as const,
        about: [...ids, supply.slot.id],
        text: `${fewNames(names)}: ${wants ?? ''} strip on ${gives ?? ''} from ${supply.slot.name}`,
        why:
          runVolts > supply.volts
            ? 'On less than its volts a strip stays dark or dim.'
            : 'On more than its volts a strip burns out at once.',
        remedies: remedies(evidence, supply, ids, runVolts),
      }
    })
  })

function remedies(
  { plan, parts, cutRuns }: Evidence,
  supply: FedSupply,
  ids: readonly string[],
  runVolts: number,
): Remedy[] {
  const found: Remedy[] = []
  const swaps: Command[] = ids.flatMap((id): Command[] => {
    const strip = entryOf(cutRuns, id)?.strip
    const sibling = strip && siblingAt(parts, strip, supply.volts)
    return sibling === undefined ? [] : [{ do: 'set-strip', line: id, strip: sibling.id }]
  })
  const volts = formatQuantity(runVolts, 'V')
  if (swaps.length === ids.length)
    found.push({ label: `take the ${formatQuantity(supply.volts, 'V')} version`, commands: swaps })
  const isAlone = new Set(supply.misfits.map((load) => load.volts)).size === 1
  if (supply.fits.length === 0 && isAlone) {
    found.push({
      label: `take a ${volts} supply`,
      commands: [
        { do: 'pick-supply', supply: supply.slot.id, part: 'auto' },
        { do: 'trim-supply', supply: supply.slot.id, volts: undefined },
      ],
    })
  } else {
    const own = nextSupply(plan)
    found.push({
      label: `feed it from a ${volts} supply of its own`,
      commands: [
        { do: 'add-supply', supply: own },
        { do: 'feed-from', lines: ids, supply: own.id },
      ],
    })
  }
  return found
}
