import { dimsOfRuns } from '../load/load'
import { mixText } from '../plan/mix-text'
import type { CutStripRun } from '../cut/cut'
import { capacitorFor, leastCapacitorV } from '../feed/capacitor'
import { highestVolts } from '../feed/highest-volts'
import { meanLevel, warmthOf, type RunWarmth } from '../feed/run-warmth'
import { regulatorA, dimsOf } from '../feed/supplies'
import { hotK, warmK } from '../feed/warmth'
import type { Plan } from '../plan/plan'
import { formatQuantity, significant } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import { limitTo } from './limit-to'
import { mountEdit, type Evidence, type Judge, type Remedy, type Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

const amperes = (value: number): string => formatQuantity(value, 'A')
const volts = (value: number): string => formatQuantity(value, 'V')
const hours = (value: number): string => formatQuantity(value * 60, 'min')

/** A board's pin behind a linear regulator that burns more than it stands. */
export const regulatorHot: Judge = ({ plan, supplies }) =>
  supplies.flatMap((supply): Verdict[] => {
    const { slot, part, loadA } = supply
    const allowedA = part && regulatorA(part)
    if (part?.regulator === undefined || allowedA === undefined || isAtLeast(allowedA, loadA))
      return []
    const { inV } = part.regulator
    const limit = limitTo(plan, supply, allowedA)
    return [
      {
        id: `regulator-hot.${slot.id}`,
        code: 'regulator-hot',
        grade: 'stop',
        about: [slot.id],
        text: `${slot.name}: ${amperes(loadA)} through a regulator that passes ${amperes(allowedA)} from ${volts(inV)}; it dissipates ${formatQuantity((inV - part.volts) * loadA, 'W')}`,
        why: 'It shuts down when hot, and the board resets when the pattern gets bright.',
        remedies: [
          {
            label: 'feed the light by a supply of its own',
            commands: [{ do: 'pick-supply', supply: slot.id, part: 'auto' }],
          },
          ...(limit === undefined ? [] : [limit]),
        ],
      },
    ]
  })

/** Batteries that sag, do not last, or fall asleep. */
export const batteries: Judge = ({ plan, supplies, batteries: uses }) =>
  supplies.flatMap((supply): Verdict[] => {
    const { slot, part } = supply
    const use = uses.get(slot.id)
    if (use === undefined || part === undefined || use.meanA === 0) return []
    const verdicts: Verdict[] = []
    if (use.peakFirstV < use.cutoffV)
      verdicts.push({
        id: `battery-sag.${slot.id}`,
        code: 'battery-sag',
        grade: 'stop',
        about: [slot.id],
        text: `${slot.name}: ${amperes(use.peakA)} pulls it to ${volts(use.peakFirstV)} at once, below ${volts(use.cutoffV)}`,
        why: 'The board resets when the pattern gets bright, even on fresh cells.',
        remedies: [],
      })
    else if (use.hours !== null && !isAtLeast(use.hours, plan.use.batteryHours))
      verdicts.push({
        id: `battery-short.${slot.id}`,
        code: 'battery-short',
        grade: 'warning',
        about: [slot.id],
        text: `${slot.name} lasts ${hours(use.hours)}; ${hours(plan.use.batteryHours)} are wanted`,
        why: `Counted ${mixText(plan, dimsOf(supply))}; cold and age take more.`,
        remedies: [],
      })
    if (use.sleeps)
      verdicts.push({
        id: `bank-sleeps.${slot.id}`,
        code: 'bank-sleeps',
        grade: 'warning',
        about: [slot.id],
        text: `${slot.name}: idle draws less than ${formatQuantity((part.bank?.sleepsBelowA ?? 0) * 1000, 'mA')}, the bank switches off`,
        why: 'Many banks take a small load for none: a dark pattern goes dark for good.',
        remedies: [],
      })
    return verdicts
  })

/** The capacitor at a supply of pixels. */
export const capacitor: Judge = ({ supplies, cutRuns }) =>
  supplies.flatMap(({ slot, part, fits, volts: set }): Verdict[] => {
    const given = highestVolts(part, set)
    const ids = new Set(fits.map(({ load }) => load.id))
    const hasPixels = cutRuns.some(
      ({ run, strip }) => ids.has(run.id) && strip.light.kind === 'pixels',
    )
    const least = leastCapacitorV(given)
    const auto: Remedy = {
      label: `take ${significant(capacitorFor(given) ?? least)} V`,
      commands: [{ do: 'set-capacitor', supply: slot.id, volts: undefined }],
    }
    if (!hasPixels || slot.capacitorV === undefined) return []
    if (slot.capacitorV === null)
      return [
        {
          id: `no-capacitor.${slot.id}`,
          code: 'no-capacitor',
          grade: 'note',
          about: [slot.id],
          text: `${slot.name}: no capacitor at the first feed`,
          why: 'Plugging in makes a spike that can kill the first pixel; 1000 µF takes it up.',
          remedies: [auto],
        },
      ]
    return isAtLeast(slot.capacitorV, least)
      ? []
      : [
          {
            id: `capacitor-volts.${slot.id}`,
            code: 'capacitor-volts',
            grade: 'stop',
            about: [slot.id],
            text: `${slot.name}: a ${significant(slot.capacitorV)} V capacitor on ${volts(given)}; at least ${volts(least)}`,
            why: 'Below 1.5 × the highest volts of its supply it ages fast, and can burst.',
            remedies: [auto],
          },
        ]
  })

/** Runs that get as warm as each other: of one strip, mounted alike. */
interface WarmRuns {
  readonly entries: readonly CutStripRun[]
  readonly warmth: RunWarmth
}

/** The widest bar that is offered to cool a strip, mm. */
const widestBarMm = 100

/** What a strip is on and in, as far as it makes it warm. */
const onAndIn = ({ surface, exposedMm, sealed, covered }: RunWarmth): string =>
  [
    surface === 'air' ? 'hanging free' : `on ${surface === 'channel' ? 'a profile' : surface}`,
    `${significant(exposedMm)} mm open to the air`,
    ...(sealed ? ['in its sleeve'] : []),
    ...(covered ? ['behind its cover'] : []),
  ].join(', ')

/** Strips that get too warm on what they are stuck to, at the plan's mix of scenes: heat gathers over many minutes. */
export const hotStrip: Judge = (evidence) => {
  const { plan, cutRuns } = evidence
  const alike = new Map<string, WarmRuns>()
  for (const entry of cutRuns) {
    const { strip } = entry
    const warmth = warmthOf(evidence, entry)
    if (entry.groups === 0 || warmth.riseK <= warmK) continue
    const key = `${strip.id}.${warmth.riseK.toFixed(1)}`
    const entries = [...(alike.get(key)?.entries ?? []), entry]
    alike.set(key, { entries, warmth })
  }
  return [...alike.values()].map(({ entries, warmth }): Verdict => {
    const { riseK } = warmth
    const neededMm = coolBar(evidence, entries)
    const percent = coolEnough(plan, entries, riseK)
    const names = entries.map(({ run }) => run.name)
    return {
      id: `hot-strip.${entries[0]?.run.id ?? ''}`,
      code: 'hot-strip',
      grade: riseK > hotK ? 'stop' : 'warning',
      about: entries.map(({ run }) => run.id),
      text: `${fewNames(names)}: ${significant(riseK, 2)} K warmer than the room, ${mixText(plan, dimsOfRuns(entries))}: ${onAndIn(warmth)}`,
      why: 'Over 35 K adhesive creeps and LEDs age; over 50 K do not. Keep what is touched below 45 °C.',
      remedies: [
        ...(neededMm === undefined
          ? []
          : [
              {
                label: `on a bar or profile with ${String(neededMm)} mm open to the air`,
                commands: entries.map(({ run }) =>
                  mountEdit(run.line, { backingMm: neededMm, surface: 'channel' }),
                ),
              },
            ]),
        ...(percent >= 10
          ? [
              {
                label: `limit brightness to ${String(percent)} %`,
                commands: [{ do: 'set-limit' as const, limit: percent / 100 }],
              },
            ]
          : []),
      ],
    }
  })
}

/** The narrowest bar, in steps of 5 mm, on which all of the runs stay cool enough; `undefined` where none that is sold does. */
function coolBar(evidence: Evidence, entries: readonly CutStripRun[]): number | undefined {
  for (let backingMm = 5; backingMm <= widestBarMm; backingMm += 5) {
    const rises = entries.map(
      (entry) => warmthOf(evidence, entry, { backingMm, surface: 'channel' }).riseK,
    )
    if (Math.max(...rises) <= warmK) return backingMm
  }
  return undefined
}

/** The highest limit on white, in whole per cent, at which none of the runs gets warmer than it should; 0 where none does. */
export function coolEnough(
  plan: Plan,
  entries: readonly CutStripRun[],
  riseK: number,
  mostK = warmK,
): number {
  const now = Math.max(...entries.map((entry) => meanLevel(plan, entry)))
  for (let percent = Math.round(plan.limit * 100) - 1; percent > 0; percent -= 1) {
    const held = { ...plan, limit: percent / 100 }
    const then = Math.max(...entries.map((entry) => meanLevel(held, entry)))
    if ((riseK * then) / now <= mostK) return percent
  }
  return 0
}

/** Supplies that can give more than a hundred watts into one fault. */
export const over100Watt: Judge = ({ supplies }) =>
  supplies.flatMap(({ slot, part, loadA }): Verdict[] => {
    if (part === undefined || loadA === 0 || part.volts * part.ratedA <= 100 + 1e-6) return []
    return [
      {
        id: `over-100-watt.${slot.id}`,
        code: 'over-100-watt',
        grade: 'note',
        about: [slot.id],
        text: `${slot.name} can give ${formatQuantity(part.volts * part.ratedA, 'W')} into a fault`,
        why: 'Above 100 W a short can start a fire: fuse every branch at its source. Local codes decide.',
        remedies: [],
      },
    ]
  })
