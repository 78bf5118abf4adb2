import type { Network } from '../feed/network'
import { networkName } from '../feed/plan-network'
import { splitRuns, type PadJoins } from '../feed/split-runs'
import type { FeedChange } from './fault'

/** What stands in the network for a bridge, and for a cable that all of a supply hangs on. */
const added = {
  bridge: (number: number) => `bridge:${String(number)}`,
  cable: (supply: string) => `cable:${supply}`,
} as const

/** Plus and minus of a strip the wrong way round: its chips conduct like diodes, V and Ω. *Typical.* */
const reversed = { forwardV: 0.7, ohm: 0.1 } as const

/** Ohms more in a wire, or none at all. */
const more = (ohm: number | null, extra: number | null): number | null =>
  ohm === null || extra === null ? null : ohm + extra

/**
 * A network with a fault in it, and the pads at which its runs have to be split for that: poor and open joints in a run are ohms there, a
 * bridge is a run of one load.
 */
export function changed(
  network: Network,
  changes: readonly FeedChange[],
): {
  readonly network: Network
  readonly joins: PadJoins
  /** Ids of the runs that stand for bridges. */
  readonly bridges: ReadonlySet<string>
} {
  let supplies = network.supplies
  let leads = [...network.leads]
  const runs = [...network.runs]
  const joins = new Map<string, Map<number, { plusOhm: number | null; minusOhm: number | null }>>()
  const bridges = new Set<string>()
  const bridge = (at: string, ohm: number, forwardV: number): void => {
    const id = added.bridge(runs.length)
    bridges.add(id)
    runs.push({
      id,
      loads: 1,
      pitchM: 1e-6,
      railOhmPerM: { p: 0, m: 0 },
      load: { idleA: 0, ohmic: { forwardV, ohm, duty: 1 } },
    })
    leads.push({ from: at, to: networkName.pad(id, 0), plusOhm: 0, minusOhm: 0 })
  }
  for (const change of changes)
    switch (change.kind) {
      case 'lead': {
        const lead = leads[change.lead]
        if (lead === undefined) break
        leads[change.lead] =
          change.rail === 'plus'
            ? { ...lead, plusOhm: more(lead.plusOhm, change.ohm) }
            : { ...lead, minusOhm: more(lead.minusOhm, change.ohm) }
        break
      }
      case 'rail': {
        const own =
          joins.get(change.run) ??
          new Map<number, { plusOhm: number | null; minusOhm: number | null }>()
        const { plusOhm, minusOhm } = own.get(change.pad) ?? { plusOhm: 0, minusOhm: 0 }
        own.set(
          change.pad,
          change.rail === 'plus'
            ? { plusOhm: more(plusOhm, change.ohm), minusOhm }
            : { plusOhm, minusOhm: more(minusOhm, change.ohm) },
        )
        joins.set(change.run, own)
        break
      }
      case 'bridge':
        bridge(change.at, change.ohm, change.forwardV)
        break
      case 'swap': {
        const lead = leads[change.lead]
        if (lead === undefined) break
        leads[change.lead] = { ...lead, plusOhm: null, minusOhm: null }
        bridge(
          lead.from,
          reversed.ohm + (lead.plusOhm ?? 0) + (lead.minusOhm ?? 0),
          reversed.forwardV,
        )
        break
      }
      case 'volts':
        supplies = supplies.map((supply) =>
          supply.id === change.supply ? { ...supply, volts: change.volts } : supply,
        )
        break
      case 'behind': {
        const cable = added.cable(change.supply)
        leads = leads.map((lead) => ({
          ...lead,
          from: lead.from === change.supply ? cable : lead.from,
          to: lead.to === change.supply ? cable : lead.to,
        }))
        leads.push({
          from: change.supply,
          to: cable,
          plusOhm: change.ohm,
          minusOhm: change.ohm,
        })
        break
      }
    }
  return { network: { ...network, supplies, runs, leads }, joins, bridges }
}

/** The network of a plan with a fault in it, in the form that `solve` reads. */
export function faultedNetwork(network: Network, changes: readonly FeedChange[]): Network {
  const { network: own, joins } = changed(network, changes)
  return splitRuns(own, new Map(), joins)
}
