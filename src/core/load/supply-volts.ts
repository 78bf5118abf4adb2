import type { CutStripRun } from '../cut/cut'
import { lightPartOf, supplyPartOf, type Parts } from '../parts/find'
import type { Plan } from '../plan/plan'
import { suppliesOfLine } from '../plan/supply-of'
import { fullMa, loadsPerGroup } from './group-draw'

/** Volts of every supply of a plan by its id. */
export type SupplyVolts = ReadonlyMap<string, number>

/** What bare LEDs get where nothing else decides the volts of their supply, V. */
const usualLedV = 5

/**
 * Volts of every supply: what it is trimmed to, or its part's. Where no part is chosen, the volts at which most of the power of the strips
 * on it is drawn; without strips that of its ready-made lights; for bare LEDs alone 5 V; with nothing on it those of the plan's usual strip.
 */
export function supplyVolts(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  parts: Parts,
): SupplyVolts {
  const strips = new Map<string, Map<number, number>>()
  const lights = new Map<string, Map<number, number>>()
  const add = (
    sums: Map<string, Map<number, number>>,
    supply: string,
    volts: number,
    watts: number,
  ): void => {
    const own = sums.get(supply) ?? new Map<number, number>()
    sums.set(supply, own.set(volts, (own.get(volts) ?? 0) + watts))
  }
  for (const { run, strip, groups } of cutRuns) {
    const supplies = suppliesOfLine(plan, run.line)
    if (groups > 0) {
      const allMa = fullMa(strip) * groups * loadsPerGroup(strip)
      for (const supply of supplies) add(strips, supply, strip.volts, allMa * strip.volts)
    } else if (run.line.lights !== undefined && run.lights.length > 0) {
      const part = lightPartOf(parts, run.line.lights.part)
      const volts = part.kind === 'fixed' ? part.volts : usualLedV
      for (const supply of supplies)
        add(lights, supply, volts, part.kind === 'fixed' ? part.mA * volts * run.lights.length : 0)
    }
  }
  const usual = parts.strips.find(({ id }) => id === plan.defaults.stripId)?.volts ?? usualLedV
  return new Map(
    plan.supplies.map(({ id, part, trimV }) => [
      id,
      trimV ??
        (part === 'auto' ? undefined : supplyPartOf(parts, part)?.volts) ??
        most(strips.get(id)) ??
        most(lights.get(id)) ??
        usual,
    ]),
  )
}

/** The key with the largest value. */
const most = (sums: ReadonlyMap<number, number> | undefined): number | undefined =>
  sums && [...sums].toSorted(([, a], [, b]) => b - a)[0]?.[0]
