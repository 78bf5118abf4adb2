import { headroomOf, smallestFor, type FedSupply } from '../feed/supplies'
import { siblingAt } from '../parts/find'
import type { Command } from '../plan/commands'
import { formatQuantity } from '../quantity/format'
import { nextSupply } from './next-supply'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'

const amperes = (value: number): string => formatQuantity(value, 'A')

/** A supply that gives less than its runs draw, or just enough with nothing in hand. */
export const supplyLoad: Judge = (evidence) =>
  evidence.supplies.flatMap((supply): Verdict[] => {
    const { slot, part, ratedA, loadA, needA, grade } = supply
    if (grade === 'ok' || supply.fits.length === 0) return []
    const about = [slot.id, ...supply.fits.map((load) => load.id)]
    const remedies = remediesFor(evidence, supply)
    if (grade === 'tight' && ratedA !== null) {
      return [
        {
          id: `supply-tight.${slot.id}`,
          code: 'supply-tight',
          grade: 'care',
          about,
          text: `${slot.name}: ${amperes(loadA)} is ${formatQuantity(loadA / ratedA, '%')} of ${amperes(ratedA)}; with headroom it wants ${amperes(needA)}`,
          why: 'A supply at its limit runs hot, ages fast and sags when everything lights at once.',
          remedies,
        },
      ]
    }
    return [
      {
        id: `supply-short.${slot.id}`,
        code: 'supply-short',
        grade: 'stop',
        about,
        text:
          part === undefined || ratedA === null
            ? `${slot.name}: no ${formatQuantity(supply.volts, 'V')} supply in the list gives ${amperes(needA)}`
            : `${slot.name}: ${amperes(loadA)} drawn, ${amperes(ratedA)} given, ${amperes(loadA - ratedA)} short`,
        why: 'Past its limit a supply shuts off, or sags until pixels flicker and the board resets.',
        remedies,
      },
    ]
  })

function remediesFor(evidence: Evidence, supply: FedSupply): Remedy[] {
  return [nextSizeUp, holdWhite, shareTheLoad, higherVolts].flatMap(
    (remedy) => remedy(evidence, supply) ?? [],
  )
}

type FindRemedy = (evidence: Evidence, supply: FedSupply) => Remedy | undefined

const nextSizeUp: FindRemedy = ({ plan, parts }, { slot, volts, loadA }) => {
  const part = smallestFor(parts, volts, loadA, headroomOf(plan))
  return (
    part && {
      label: `take the next size up, ${amperes(part.ratedA)}`,
      commands: [{ do: 'pick-supply', supply: slot.id, part: part.id }],
    }
  )
}

/** The highest brightness, in whole per cent, that the supply feeds with its headroom. */
const holdWhite: FindRemedy = ({ plan }, { ratedA, loadA, idleA }) => {
  if (ratedA === null || plan.rules.sizing === 'scenes') return undefined
  const fullA = (loadA - idleA) / plan.limit
  const percent = Math.floor(((ratedA * (1 - headroomOf(plan)) - idleA) / fullA) * 100 + 1e-9)
  if (percent < 5 || percent >= Math.round(plan.limit * 100)) return undefined
  return {
    label: `hold white to ${String(percent)} %`,
    commands: [{ do: 'set-limit', limit: percent / 100 }],
  }
}

/** Where one supply cannot do it: as many as it takes, runs dealt out by their load, largest first. */
const shareTheLoad: FindRemedy = ({ plan, parts }, { slot, volts, needA, fits }) => {
  const headroom = headroomOf(plan)
  if (smallestFor(parts, volts, needA * (1 - headroom), headroom) !== undefined || fits.length < 2)
    return undefined
  const other = nextSupply(plan)
  const shares = [0, 0]
  const toOther: string[] = []
  for (const load of fits.toSorted((a, b) => b.peakA - a.peakA)) {
    const target = (shares[1] ?? 0) < (shares[0] ?? 0) ? 1 : 0
    shares[target] = (shares[target] ?? 0) + load.peakA
    if (target === 1) toOther.push(load.id)
  }
  return {
    label: 'share it over two supplies',
    commands: [
      { do: 'pick-supply', supply: slot.id, part: 'auto' },
      { do: 'add-supply', supply: other },
      { do: 'feed-from', lines: toOther, supply: other.id },
    ],
  }
}

/** The same light at more volts draws fewer amperes: offered where the whole supply can change over. */
const higherVolts: FindRemedy = ({ parts, cuts }, { slot, volts, fits, grade }) => {
  if (grade !== 'short') return undefined
  const ids = new Set(fits.map((load) => load.id))
  const fed = cuts.filter(({ run }) => ids.has(run.id))
  for (const higher of [12, 24].filter((v) => v > volts)) {
    const swaps = fed.flatMap(({ run, strip }): Command[] => {
      const sibling = siblingAt(parts, strip, higher)
      return sibling === undefined ? [] : [{ do: 'set-strip', line: run.id, strip: sibling.id }]
    })
    if (swaps.length === fed.length)
      return {
        label: `take the ${formatQuantity(higher, 'V')} version`,
        commands: [...swaps, { do: 'pick-supply', supply: slot.id, part: 'auto' }],
      }
  }
  return undefined
}
