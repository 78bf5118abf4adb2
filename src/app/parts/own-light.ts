import { highestVolts, lightPartSchema, nameSchema, type LightPart } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from './amount'

const fields = z.object({
  name: nameSchema,
  kind: z.enum(['led', 'fixed']),
  volts: amount('Volts', highestVolts),
  mA: amount('Milliamperes', 10_000),
  leds: amount('LEDs', 1_000).int('LEDs: whole ones'),
  tint: z.string(),
  holeMm: amount('Hole', 1_000),
  /** Of one with a lead and a plug: all three. */
  leadMm: amount('Lead', 100_000).optional(),
  plugMm: amount('Plug', 200).optional(),
  mostOnLead: amount('Most on one lead', 1_000).int('Most on one lead: whole lights').optional(),
})
export type OwnLight = z.output<typeof fields>

/** What is asked for a light of the user's own, checked as the plan checks it. */
export const ownLightSchema = fields.superRefine((own, context) => {
  const plug = [own.leadMm, own.plugMm, own.mostOnLead]
  if (own.kind === 'fixed' && plug.filter((one) => one === undefined).length % 3 !== 0)
    context.addIssue({
      code: 'custom',
      path: ['leadMm'],
      message: 'Lead, plug and most on one lead: all three, or none',
    })
  checkPart(lightPartSchema, lightFrom(own, 'own', 0), context)
})

/** The form as it starts from a light. */
export const ownLightStart = ({
  kind,
  volts,
  mA,
  leds,
  tint,
  holeMm,
  lead,
}: LightPart): OwnLight => ({
  name: '',
  kind,
  volts,
  mA,
  leds,
  tint,
  holeMm,
  leadMm: lead?.lengthMm,
  plugMm: lead?.plugMm,
  mostOnLead: lead?.mostOnLead,
})

/** The light that was described. */
export function lightFrom(
  { leadMm, plugMm, mostOnLead, ...own }: OwnLight,
  id: string,
  price: number,
): LightPart {
  const hasPlug =
    own.kind === 'fixed' && leadMm !== undefined && plugMm !== undefined && mostOnLead !== undefined
  return { ...own, id, price, ...(hasPlug && { lead: { lengthMm: leadMm, plugMm, mostOnLead } }) }
}
