import { chemistryNames } from '../../core/parts/chemistries'
import { highestVolts, nameSchema, supplyPartSchema, type SupplyPart } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from './amount'

export const ownSupplyKinds = [
  'enclosed',
  'brick',
  'usb-port',
  'usb-c',
  'battery',
  'boosted-cell',
  'power-bank',
] as const

/** What is asked for a supply of the user's own; the rest takes typical values. */
const fields = z.object({
  name: nameSchema,
  kind: z.enum(ownSupplyKinds),
  volts: amount('Volts', highestVolts),
  ratedA: amount('Amperes', 1_000),
  /** Of cells. */
  chemistry: z.enum(chemistryNames),
  inSeries: amount('In series', 40).int('In series: whole cells'),
  inParallel: amount('Side by side', 100).int('Side by side: whole cells'),
  cellMah: amount('A cell’s mAh', 1_000_000).optional(),
  cutoffV: amount('Volts at which it is empty', highestVolts),
  /** Of a power bank. */
  wattHours: amount('Watt-hours', 2_000),
  sleepsBelowMa: amount('Sleeps below', 5_000, 0),
  efficiencyPercent: amount('Efficiency', 100),
  standbyW: amount('Standby', 100, 0),
  price: amount('Price', 100_000, 0),
})
export type OwnSupply = z.output<typeof fields>

export const ownSupplyStart: OwnSupply = {
  name: '',
  kind: 'enclosed',
  volts: 5,
  ratedA: 10,
  chemistry: 'nimh-aa',
  inSeries: 4,
  inParallel: 1,
  cutoffV: 4,
  wattHours: 37,
  sleepsBelowMa: 60,
  efficiencyPercent: 85,
  standbyW: 0.3,
  price: 0,
}

export const isOfCells = (kind: OwnSupply['kind']): boolean =>
  kind === 'battery' || kind === 'boosted-cell'

/** … checked as the plan checks it. */
export const ownSupplySchema = fields.superRefine((own, context) => {
  checkPart(supplyPartSchema, supplyFrom(own, 'own'), context)
})

/** The supply that was described. */
export function supplyFrom(own: OwnSupply, id: string): SupplyPart {
  const { name, kind, volts, ratedA, standbyW, price } = own
  return {
    id,
    name,
    kind,
    volts,
    ratedA,
    // Cells by themselves lose nothing on the way.
    efficiency: kind === 'battery' ? 1 : own.efficiencyPercent / 100,
    standbyW: kind === 'battery' ? 0 : standbyW,
    price,
    ...(isOfCells(kind) && {
      battery: {
        chemistry: own.chemistry,
        inSeries: own.inSeries,
        inParallel: own.inParallel,
        cutoffV: own.cutoffV,
        ...(own.cellMah !== undefined && { ah: own.cellMah / 1000 }),
      },
    }),
    ...(kind === 'power-bank' && {
      bank: { wattHours: own.wattHours, sleepsBelowA: own.sleepsBelowMa / 1000 },
    }),
  }
}
