import type { CutStripRun } from '../cut/cut'
import { jumpersOf } from '../cut/pads'
import { dutiesIn } from '../load/load'
import { besidePixelMa } from '../load/nodes'
import { wireOf } from '../parts/wires'
import type { SceneName } from '../plan/choices'
import type { Strip } from '../plan/parts'
import type { Plan } from '../plan/plan'
import type { Lead } from './leads'
import type { Network, NetworkLoad } from './network'
import type { FedSupply } from './supplies'

/** Loads between two pads: a strip's pixels to a cut group, or one group of a plain strip. */
export const loadsPerGroup = ({ light }: Strip): number =>
  light.kind === 'pixels' ? light.perCut : 1

const supplyName = (id: string): string => `supply:${id}`
const junctionName = (id: string): string => `junction:${id}`

/** The feed network of a plan in a scene; its leads are in the order of `leads`. */
export function networkOf(
  plan: Plan,
  cuts: readonly CutStripRun[],
  leads: readonly Lead[],
  supplies: readonly FedSupply[],
  scene: SceneName,
): Network {
  const placed = cuts.filter(({ cuts: groups }) => groups > 0)
  const perGroup = new Map(placed.map(({ run, strip }) => [run.id, loadsPerGroup(strip)]))
  const junctions = new Set(plan.junctions.map(({ id }) => id))
  const jumperOhmPerM = wireOf(plan.defaults.wire).ohmPerM
  return {
    supplies: supplies.map(({ slot, volts }) => ({ id: supplyName(slot.id), volts })),
    runs: placed.map((entry) => {
      const { run, strip, cuts: groups } = entry
      const loads = loadsPerGroup(strip)
      return {
        id: run.id,
        loads: groups * loads,
        pitchM: strip.cutPitchMm / loads / 1000,
        railOhmPerM: { p: strip.railOhmPerM, m: strip.railOhmPerM },
        load: loadOf(strip, dutiesIn(plan, scene, run.line, strip), besidePixelMa(entry)),
        jumpers: jumpersOf(entry)
          .filter(({ lengthMm }) => lengthMm > 0)
          .map(({ pad, lengthMm }) => {
            const ohm = (lengthMm / 1000) * (1 + plan.rules.slack) * jumperOhmPerM
            return { pad: pad * loads, plusOhm: ohm, minusOhm: ohm }
          }),
      }
    }),
    leads: leads.map(({ from, to, wire, lengthMm }) => {
      const ohm = (lengthMm / 1000) * wire.ohmPerM
      return {
        from: junctions.has(from) ? junctionName(from) : supplyName(from),
        to:
          to.kind === 'junction'
            ? junctionName(to.junction)
            : `${to.run}@${String(to.pad * (perGroup.get(to.run) ?? 1))}`,
        plusOhm: ohm,
        minusOhm: ohm,
      }
    }),
  }
}

/** What one load of a strip draws at each brightness of its channels, and what else is in its node (handbook 3, the feed network). */
function loadOf(
  { light, volts, cutPitchMm }: Strip,
  duties: readonly number[],
  besideMa: number,
): NetworkLoad {
  if (light.kind === 'pixels')
    return {
      idleA: (light.idleMa + besideMa) / 1000,
      channels: light.channels.map(({ fullMa, kneeV, offV }, index) => ({
        fullA: fullMa / 1000,
        kneeV,
        offV,
        duty: duties[index] ?? 0,
      })),
    }
  // Channels share one forward drop; their conductances add up.
  const forwardV = Math.min(...light.channels.map((channel) => channel.forwardV))
  const siemens = light.channels.map(
    ({ wattsPerM }) => (wattsPerM * cutPitchMm) / 1000 / volts / (volts - forwardV),
  )
  const all = siemens.reduce((sum, one) => sum + one, 0)
  const lit = siemens.reduce((sum, one, index) => sum + one * (duties[index] ?? 0), 0)
  return { idleA: 0, ohmic: { forwardV, ohm: 1 / all, duty: lit / all } }
}
