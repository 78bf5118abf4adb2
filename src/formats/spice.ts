import { worked } from '../core/worked'
import { planNetwork } from '../core/feed/plan-network'
import { endReader, type Network, type NetworkLoad, type NetworkRun } from '../core/feed/network'
import type { Plan } from '../core/plan/plan'
import { oneLine } from './safe-text'

/** The netlist of a plan's feed in the load case that it shows. */
export const planNetlist = (plan: Plan): string =>
  spiceNetlist(planNetwork(worked(plan), plan.scene.shown), plan.name)

/** Far below what a millivolt would show, Ω: no simulator takes nought. */
const leastOhm = 1e-7

/**
 * A feed network as a SPICE netlist, so that any circuit simulator can check the answer. Minus of all supplies is node 0. Node `r1p7` is
 * the plus rail at load 7 of the first run, `r1m7` its minus; `k2p` and `k2m` are the pads and junctions that leads meet. It solves the
 * operating point and prints the volts at the first and the last load of each run.
 */
export function spiceNetlist(network: Network, title: string): string {
  const lines: string[] = [`* ${oneLine(title)}: feed network`]
  const places = new Map<string, string>()
  const pads = network.runs.map(() => new Map<number, string>())
  const readEnd = endReader(network)
  const nodeOf = (name: string): readonly [plus: string, minus: string] => {
    const result = readEnd(name)
    if (!result.ok) throw new RangeError(result.message)
    if (result.end.kind === 'supply') return [`s${String(result.end.index + 1)}`, '0']
    const known = places.get(name)
    const key = known ?? `k${String(places.size + 1)}`
    places.set(name, key)
    if (result.end.kind === 'pad') pads[result.end.run]?.set(result.end.pad, key)
    return [`${key}p`, `${key}m`]
  }
  for (const [index, { volts }] of network.supplies.entries())
    lines.push(`Vs${String(index + 1)} s${String(index + 1)} 0 DC ${String(volts)}`)
  for (const [index, lead] of network.leads.entries()) {
    const [from, to] = [nodeOf(lead.from), nodeOf(lead.to)]
    for (const [rail, ohm] of [lead.plusOhm, lead.minusOhm].entries())
      if (ohm !== null)
        lines.push(
          resistor(`l${String(index + 1)}${rail === 0 ? 'p' : 'm'}`, from[rail], to[rail], ohm),
        )
  }
  for (const [index, run] of network.runs.entries())
    for (const line of runLines(run, index + 1, pads[index] ?? new Map<number, string>()))
      lines.push(line)
  lines.push('.op', '.control', 'op', 'set numdgt=12')
  for (const [index, { loads }] of network.runs.entries())
    for (const at of new Set([1, loads])) {
      const node = `r${String(index + 1)}`
      lines.push(`print v(${node}p${String(at)})-v(${node}m${String(at)})`)
    }
  lines.push('quit 0', '.endc', '.end', '')
  return lines.join('\n')
}

const resistor = (
  name: string,
  from: string | undefined,
  to: string | undefined,
  ohm: number,
): string => `R${name} ${from ?? '0'} ${to ?? '0'} ${String(Math.max(leastOhm, ohm))}`

function runLines(
  { loads, pitchM, railOhmPerM, load, jumpers = [] }: NetworkRun,
  number: number,
  pads: ReadonlyMap<number, string>,
): string[] {
  const lines: string[] = []
  const name = `r${String(number)}`
  for (const rail of ['p', 'm'] as const) {
    const ohm = railOhmPerM[rail] * pitchM
    const jump = new Map(
      jumpers.map(({ pad, plusOhm, minusOhm }) => [pad, rail === 'p' ? plusOhm : minusOhm]),
    )
    for (let pad = 0; pad <= loads; pad += 1) {
      const [before, behind] = [`${name}${rail}${String(pad)}`, `${name}${rail}${String(pad + 1)}`]
      const key = pads.get(pad)
      const extra = jump.get(pad) ?? 0
      const id = `${name}${rail}${String(pad)}`
      if (key === undefined) {
        if (pad > 0 && pad < loads) lines.push(resistor(id, before, behind, ohm + extra))
        continue
      }
      // A pad lies half a pitch from the loads beside it; a jumper comes behind it.
      if (pad > 0) lines.push(resistor(`${id}a`, before, `${key}${rail}`, ohm / 2))
      if (pad < loads) lines.push(resistor(`${id}b`, `${key}${rail}`, behind, ohm / 2 + extra))
    }
  }
  for (let at = 1; at <= loads; at += 1) {
    const [p, m] = [`${name}p${String(at)}`, `${name}m${String(at)}`]
    lines.push(`B${name}x${String(at)} ${p} ${m} I = ${currentOf(load, `V(${p},${m})`)}`)
  }
  return lines
}

/** What a load draws, as an expression of its volts (handbook 3, the feed network). */
function currentOf({ idleA, channels = [], ohmic }: NetworkLoad, volts: string): string {
  const terms = [String(idleA)]
  for (const { fullA, duty, kneeV, offV } of channels) {
    if (fullA * duty === 0) continue
    terms.push(
      kneeV > offV
        ? `${String(fullA * duty)}*min(1,max(0,(${volts}-${String(offV)})/${String(kneeV - offV)}))`
        : `${String(fullA * duty)}*u(${volts}-${String(kneeV)})`,
    )
  }
  if (ohmic !== undefined && ohmic.duty > 0)
    terms.push(`${String(ohmic.duty / ohmic.ohm)}*max(0,${volts}-${String(ohmic.forwardV)})`)
  return terms.join('+')
}
