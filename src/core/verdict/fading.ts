import type { CutStripRun } from '../cut/cut'
import { leastVolts, voltsFor, weakestAt } from '../feed/brightness'
import { feedAlone } from '../feed/feed-alone'
import { feedsOf } from '../plan/feeds'
import type { FedRun } from '../feed/solved-feed'
import type { Command } from '../plan/commands'
import type { Feed } from '../plan/plan'
import { formatQuantity } from '../quantity/format'
import { bothEnds, middleToo, spread, thickerLeads, type FeedRemedy } from './more-feeds'
import type { Evidence, Finding, Judge, Remedy, Verdict } from './verdict'

/** Brightness that differs by more than this along a run is seen. *Typical.* */
const seenShare = 0.15

/** A plain strip with less left than this does not do what it was bought for. */
const halfShare = 0.5

/** Runs whose remedies are looked for; in a plan where everything fades the first ones tell enough. */
const mostLookedAt = 12

const volts = (value: number): string => formatQuantity(value, 'V')

/** A run that reaches no supply. */
export const notFed: Judge = ({ cutRuns, full }) =>
  cutRuns.flatMap(({ run }): Verdict[] => {
    const missing = full.floating.get(run.id)
    if (missing === undefined) return []
    return [
      {
        id: `not-fed.${run.id}`,
        code: 'not-fed',
        grade: 'stop',
        about: [run.id],
        text: `${run.name}: its ${missing.join(' and ')} reaches no supply`,
        why: 'Without both wires nothing lights.',
        remedies: [
          {
            label: 'feed it where its wire enters',
            commands: [{ do: 'set-lines', lines: [run.id], set: { feeds: undefined } }],
          },
        ],
      },
    ]
  })

/** Runs that lose so many volts that they fade or change colour. */
export const fade: Judge = (evidence) => {
  let lookedAt = 0
  const rightVolts = new Set(
    evidence.supplies.flatMap(({ fits }) => fits.map(({ load }) => load.id)),
  )
  return evidence.cutRuns.flatMap((entry): Finding[] => {
    const { run, strip } = entry
    const fed = evidence.full.runs.get(run.id)
    const isRightVolts = rightVolts.has(run.id)
    if (fed === undefined || !isRightVolts) return []
    const { keep } = evidence.plan.rules
    const kneeV = voltsFor(strip, 1)
    const isFaded = fed.weakest < keep - 1e-9
    const isTinted = strip.light.kind === 'pixels' && fed.weakest < 1 - 1e-6
    if (!isFaded && !isTinted) return []
    const isDead =
      strip.light.kind === 'pixels'
        ? fed.minV < leastVolts(strip.light, strip.volts) - 1e-9
        : fed.weakest < halfShare - 1e-9
    lookedAt += 1
    return [
      {
        id: `fade.${run.id}`,
        code: 'fade',
        grade: isDead ? 'stop' : 'warning',
        about: [run.id],
        text: isFaded
          ? `${run.name} fades to ${volts(fed.minV)}: ${weakestName(entry, fed)} is down to ${formatQuantity(fed.weakest, '%')}`
          : `${run.name} sags to ${volts(fed.minV)}, below the ${volts(kneeV)} that ${weakestName(entry, fed)} needs`,
        why:
          strip.light.kind === 'pixels'
            ? isDead
              ? `Below ${volts(leastVolts(strip.light, strip.volts))} the chips no longer work reliably: pixels flicker or show what they like.`
              : 'Blue and green go first: white turns pink towards the far end, then pixels flicker.'
            : 'The far end is seen to be dimmer than the near one.',
        remedies:
          lookedAt > mostLookedAt
            ? []
            : () => remediesFor(evidence, entry, isDead || strip.light.kind === 'plain' ? keep : 1),
      },
    ]
  })
}

/** Runs that are not faded, but seen to be brighter at one end. */
export const uneven: Judge = ({ cutRuns, full, plan }) =>
  cutRuns.flatMap(({ run, strip }): Verdict[] => {
    const fed = full.runs.get(run.id)
    if (fed === undefined || strip.light.kind === 'pixels' || fed.weakest < plan.rules.keep)
      return []
    const lost = 1 - fed.weakest / fed.strongest
    if (!(lost > seenShare)) return []
    return [
      {
        id: `uneven.${run.id}`,
        code: 'uneven',
        grade: 'note',
        about: [run.id],
        text: `${run.name}: ${formatQuantity(lost, '%')} dimmer where it is dimmest, at ${volts(fed.minV)}`,
        why: 'Such a strip draws less as its volts fall; beyond a seventh the eye sees it.',
        remedies: [bothEnds(run.line)].flatMap((remedy) => remedy ?? []),
      },
    ]
  })

function weakestName({ strip }: CutStripRun, { minV }: FedRun): string {
  const { light } = strip
  if (light.kind === 'plain') return 'the light'
  const weakest = weakestAt(strip, minV)
  const channel = light.channels.find(
    ({ kneeV, offV }) => Math.abs(Math.max(0, (minV - offV) / (kneeV - offV)) - weakest) < 1e-9,
  )
  return channel?.name ?? 'its weakest colour'
}

/** Edits that the solver confirms: one more feed, a thicker lead, or less light. */
function remediesFor(evidence: Evidence, entry: CutStripRun, share: number): Remedy[] {
  const { run } = entry
  const does = ({ feeds }: FeedRemedy): boolean =>
    weakestWith(evidence, entry, feeds, 1) >= share - 1e-9
  const simple = [bothEnds(run.line), middleToo(entry), thickerLeads(evidence, entry, run.line)]
    .flatMap((remedy) => remedy ?? [])
    .filter(does)
  const more =
    simple.length > 0
      ? undefined
      : [4, 5, 6, 8].map((count) => spread(evidence, entry, count)).find(does)
  const found = more === undefined ? simple : [more]
  const remedies: Remedy[] = found.map(({ label, commands }) => ({ label, commands }))
  const held = limitBrightness(evidence, entry, share)
  return held === undefined ? remedies : [...remedies, held]
}

/** The weakest colour of a run with other feeds, or with less light, solved on its own. */
function weakestWith(
  evidence: Evidence,
  entry: CutStripRun,
  feeds: readonly Feed[],
  limit: number,
): number {
  const { plan } = evidence
  const { light, volts: nominal } = entry.strip
  const held = { ...evidence, plan: { ...plan, limit: Math.min(plan.limit, limit) } }
  const { run } = feedAlone(held, entry, feeds)
  if (run === undefined) return 0
  // Where the chips do not work, nothing is left to be seen.
  if (light.kind === 'pixels' && run.minV < leastVolts(light, nominal)) return 0
  return weakestAt(entry.strip, run.minV)
}

/** The brightness, in whole per cent, at which the run keeps its colours. */
function limitBrightness(
  evidence: Evidence,
  entry: CutStripRun,
  share: number,
): Remedy | undefined {
  if (entry.strip.light.kind === 'plain') return undefined
  const feeds = feedsOf(entry.run.line)
  let [low, high] = [0, Math.round(evidence.plan.limit * 100)]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (weakestWith(evidence, entry, feeds, middle / 100) >= share - 1e-9) low = middle
    else high = middle
  }
  if (low < 10) return undefined
  const commands: Command[] = [{ do: 'set-limit', limit: low / 100 }]
  return { label: `limit brightness to ${String(low)} %`, commands }
}
