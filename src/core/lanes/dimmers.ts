import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import type { LitRun } from '../load/lights'
import { listed } from '../quantity/listed'

/** What switches plain strips that dim together, or single lights, in their minus. */
export interface Dimmer {
  readonly name: string
  /** What does it. */
  readonly detail: string
  readonly channels: readonly string[]
  readonly runs: readonly CutStripRun[]
  /** What its legs to the light and to minus are called; a button has none. */
  readonly legs?: { readonly load: string; readonly common: string }
  /** What works it: a pin a channel for strips, one pin for single lights, or a button by itself. */
  readonly by: 'channel-pins' | 'light-pin' | 'button'
}

/** Of what switches in the minus: the light on the one, minus on the other. */
const mosfetLegs = { load: 'drain', common: 'source' } as const
const transistorLegs = { load: 'collector', common: 'emitter' } as const

/** The dimmers of plain strips by their names, and the switches of single lights. */
export function dimmersOf(cutRuns: readonly CutStripRun[], lit: readonly LitRun[] = []): Dimmer[] {
  const byName = new Map<string, CutStripRun[]>()
  for (const entry of cutRuns) {
    const { dimmer } = entry.run.line
    if (dimmer === undefined || entry.groups === 0 || entry.strip.light.kind !== 'plain') continue
    listed(byName, dimmer).push(entry)
  }
  const dimmed = [...byName].map(([name, runs]): Dimmer => {
    const channels = [
      ...new Set(runs.flatMap(({ strip }) => strip.light.channels.map((channel) => channel.name))),
    ]
    return {
      name,
      runs,
      channels,
      detail: `${channels.length === 1 ? 'one MOSFET' : `${String(channels.length)} MOSFETs`} in the minus`,
      by: 'channel-pins',
      legs: mosfetLegs,
    }
  })
  const switched = lit.flatMap(({ id, settings }): Dimmer[] => {
    const entry = entryOf(cutRuns, id)
    if (settings.drive !== 'switch' || entry === undefined) return []
    const isPin = settings.by === 'pin'
    return [
      {
        name: `${entry.run.name} switch`,
        runs: [entry],
        channels: ['light'],
        detail: `${isPin ? `a ${settings.switchWith === 'mosfet' ? 'MOSFET' : 'transistor'}` : 'a button'} in the ${settings.switchIn}`,
        by: isPin ? 'light-pin' : 'button',
        ...(isPin && { legs: settings.switchWith === 'mosfet' ? mosfetLegs : transistorLegs }),
      },
    ]
  })
  return [...dimmed, ...switched]
}
