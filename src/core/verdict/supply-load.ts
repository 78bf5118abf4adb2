import {
  headroomOf,
  largestLoadA,
  mayGive,
  smallestFor,
  smallestLike,
  type FedSupply,
} from '../feed/supplies'
import { limitTo } from './limit-to'
import { siblingAt } from '../parts/find'
import type { Command } from '../plan/commands'
import type { Strip } from '../plan/parts'
import { formatQuantity, significant } from '../quantity/format'
import { nextSupply } from './next-supply'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'

/** What a supply is sold as: 15 A, not 15.0 A. */
const rating = (value: number): string => `${significant(value)} A`
const amperes = (value: number): string => formatQuantity(value, 'A')

export const whyTight =
  'A supply at its limit runs hot, ages fast and sags when everything lights at once.'
export const whyShort =
  'Past its limit a supply shuts off, or sags until pixels flicker and the board resets.'

/** A supply that gives less than its runs draw, or just enough with nothing in hand. */
export const supplyLoad: Judge = (evidence) =>
  evidence.supplies.flatMap((supply): Verdict[] => {
    const { slot, part, ratedA, loadA, needA, grade } = supply
    if (grade === 'ok' || supply.fits.length === 0) return []
    const isPort = part?.kind === 'usb-port' || part?.kind === 'usb-c'
    const about = [slot.id, ...supply.fits.map(({ load }) => load.id)]
    const remedies = remediesFor(evidence, supply)
    if (grade === 'tight' && ratedA !== null) {
      return [
        {
          id: `supply-tight.${slot.id}`,
          code: 'supply-tight',
          grade: 'warning',
          about,
          text: `${slot.name}: ${amperes(loadA)} is ${formatQuantity(loadA / ratedA, '%')} of ${rating(ratedA)}; ${amperes(needA)} is required with headroom`,
          why: whyTight,
          remedies,
        },
      ]
    }
    return [
      {
        id: `supply-short.${slot.id}`,
        code: isPort ? 'port-over' : 'supply-short',
        grade: 'stop',
        about,
        text:
          part === undefined || ratedA === null
            ? `${slot.name}: no ${formatQuantity(supply.volts, 'V')} supply in the list gives ${amperes(needA)}`
            : `${slot.name}: ${amperes(loadA)} drawn, ${rating(ratedA)} given, ${amperes(loadA - ratedA)} short`,
        why: whyShort,
        remedies,
      },
    ]
  })

function remediesFor(evidence: Evidence, supply: FedSupply): Remedy[] {
  return [nextSizeUp, wallSupply, holdWhite, shareTheLoad, higherVolts].flatMap(
    (remedy) => remedy(evidence, supply) ?? [],
  )
}

type FindRemedy = (evidence: Evidence, supply: FedSupply) => Remedy | undefined

/** … of the same kind of source: a boosted cell does not become a supply with a plug. */
export const nextSizeUp = (
  { plan, parts }: Pick<Evidence, 'plan' | 'parts'>,
  { slot, volts, loadA, part }: Pick<FedSupply, 'slot' | 'volts' | 'loadA' | 'part'>,
): Remedy | undefined => {
  const next =
    part === undefined
      ? smallestFor(parts, volts, loadA, headroomOf(plan))
      : smallestLike(parts, part, volts, loadA, headroomOf(plan))
  return (
    next && {
      label: `take the next size up, ${rating(next.ratedA)}`,
      commands: [{ do: 'pick-supply', supply: slot.id, part: next.id }],
    }
  )
}

/** Sources that a plug in the wall can stand in for without making the job another. */
const besideWall: readonly string[] = ['usb-port', 'usb-c', 'computer']

const wallSupply: FindRemedy = ({ plan, parts }, { slot, volts, loadA, part }) => {
  if (part === undefined || !besideWall.includes(part.kind)) return undefined
  const next = smallestLike(parts, 'wall', volts, loadA, headroomOf(plan))
  return (
    next && {
      label: `a supply with a plug of its own instead, ${rating(next.ratedA)}`,
      commands: [{ do: 'pick-supply', supply: slot.id, part: next.id }],
    }
  )
}

/** … that the supply, or the largest to be had, feeds with its headroom. */
const holdWhite: FindRemedy = ({ plan, parts }, supply) => {
  const { slot, volts, part } = supply
  const headroom = headroomOf(plan)
  const mostA = part === undefined ? largestLoadA(parts, volts, headroom) : mayGive(part, headroom)
  return limitTo(
    plan,
    supply,
    mostA,
    part === undefined ? [{ do: 'pick-supply', supply: slot.id, part: 'auto' }] : [],
  )
}

/** Where no supply can do it alone: as few as it takes, runs dealt out largest first, each to the first with room. */
const shareTheLoad: FindRemedy = ({ plan, parts }, { slot, volts, loadA, fits }) => {
  const headroom = headroomOf(plan)
  if (smallestFor(parts, volts, loadA, headroom) !== undefined) return undefined
  const mostA = largestLoadA(parts, volts, headroom)
  const shares: { loadA: number; ids: string[] }[] = []
  for (const { id, peakA } of fits
    .map(({ load, share }) => ({ id: load.id, peakA: load.currentA['full-white'] * share }))
    .toSorted((a, b) => b.peakA - a.peakA)) {
    if (peakA > mostA) return undefined
    const share = shares.find((candidate) => candidate.loadA + peakA <= mostA)
    if (share === undefined) shares.push({ loadA: peakA, ids: [id] })
    else {
      share.loadA += peakA
      share.ids.push(id)
    }
  }
  const supplies = [...plan.supplies]
  const commands: Command[] = [{ do: 'pick-supply', supply: slot.id, part: 'auto' }]
  for (const { ids } of shares.slice(1)) {
    const supply = nextSupply({ supplies })
    supplies.push(supply)
    commands.push({ do: 'add-supply', supply }, { do: 'feed-from', lines: ids, supply: supply.id })
  }
  return { label: `share it over ${String(shares.length)} supplies`, commands }
}

/** The same light at more volts draws fewer amperes: offered where the whole supply can change over. */
const higherVolts: FindRemedy = ({ plan, parts, cutRuns }, { slot, volts, fits, grade }) => {
  if (grade !== 'short') return undefined
  const ids = new Set(fits.map(({ load }) => load.id))
  const fed = cutRuns.filter(({ run }) => ids.has(run.id))
  for (const higher of [12, 24].filter((v) => v > volts)) {
    const commands: Command[] = []
    let watts = 0
    let [before, after] = [0, 0]
    for (const { run, strip, groups } of fed) {
      const sibling = siblingAt(parts, strip, higher)
      if (sibling === undefined) break
      commands.push({ do: 'set-strip', line: run.id, strip: sibling.id })
      const metres = (groups * strip.cutPitchMm) / 1000
      watts += metres * sibling.nameplateWPerM
      before += pixelsOn(strip, metres)
      after += pixelsOn(sibling, metres)
    }
    const isEnough = (watts / higher) * plan.limit <= largestLoadA(parts, higher, headroomOf(plan))
    if (commands.length === fed.length && isEnough) {
      commands.push({ do: 'pick-supply', supply: slot.id, part: 'auto' })
      const fewer =
        after === before
          ? ''
          : `, which has ${String(Math.round(after))} pixels in place of ${String(Math.round(before))}`
      return { label: `take the ${formatQuantity(higher, 'V')} version${fewer}`, commands }
    }
  }
  return undefined
}

const pixelsOn = ({ light }: Strip, metres: number): number =>
  light.kind === 'pixels' ? light.perM * metres : 0
