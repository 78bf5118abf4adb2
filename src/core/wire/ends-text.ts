import { formatBore, formatLength, type LengthUnits } from '../quantity/format'
import type { PlanWire } from './wires'

/** How far each end of a wire is bared. */
export const bareTexts = ({ bareMm }: Pick<PlanWire, 'bareMm'>, units: LengthUnits): string[] =>
  bareMm.map((mm) => formatLength(mm, units))

/** The size of a wire's sleeve, or nothing where it has none. */
export const sleeveText = ({ sleeveMm }: Pick<PlanWire, 'sleeveMm'>, units: LengthUnits): string =>
  sleeveMm === null ? '' : formatBore(sleeveMm, units)
