import { chemistries, isChemistry, type ChemistryName } from '../parts/chemistries'
import { supplyPartOf } from '../parts/find'
import type { SupplyPart } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { suppliesOfLine } from '../plan/supply-of'
import type { RoutedPlan } from '../route/routed-plan'

/** Volts while a cell or block is charged, or just off the charger, where they are above its own when full (handbook 3), V. */
const chargedV: Partial<Readonly<Record<ChemistryName, number>>> = {
  'lead-acid-12v': 14.4,
  lifepo4: 3.65,
}

/** The most that a supply ever gives, V: fresh cells without a load, a block on its charger; otherwise what it is set to. */
export function highestVolts(part: SupplyPart | undefined, volts: number): number {
  // Behind a converter or a regulator the volts stay what they are.
  if (part?.battery === undefined || part.kind === 'boosted-cell' || part.regulator !== undefined)
    return volts
  const { chemistry, inSeries } = part.battery
  if (!isChemistry(chemistry)) return volts
  const full = chemistries[chemistry].ocv[0]?.[1] ?? 0
  return Math.max(volts, inSeries * (chargedV[chemistry] ?? full))
}

/** The most that a run ever gets, V: from the highest of the supplies that its leads reach. */
export const highestOf = (
  { plan, parts, volts }: Pick<RoutedPlan, 'plan' | 'parts' | 'volts'>,
  line: Plan['lines'][number],
): number =>
  Math.max(
    0,
    ...suppliesOfLine(plan, line).map((id) => {
      const slot = plan.supplies.find((one) => one.id === id)
      const part =
        slot === undefined || slot.part === 'auto' ? undefined : supplyPartOf(parts, slot.part)
      return highestVolts(part, volts.get(id) ?? 0)
    }),
  )
