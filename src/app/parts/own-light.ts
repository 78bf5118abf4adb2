import {
  highestVolts,
  lightPartSchema,
  nameSchema,
  type LegColour,
  type LightPart,
} from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from './amount'

/** Colours that LEDs of several have, by how they are sold. */
export const legSets = {
  'red-green': ['red', 'green'],
  rgb: ['red', 'green', 'blue'],
  'red-blue': ['red', 'blue'],
  'two-white': ['warm white', 'white'],
} as const satisfies Record<string, readonly LegColour['name'][]>
type LegSet = keyof typeof legSets

/** How each colour looks. */
const tints: Readonly<Record<LegColour['name'], string>> = {
  red: '#ff2a1f',
  green: '#2bff57',
  blue: '#2f55ff',
  white: '#f4f6ff',
  'warm white': '#ffd9a0',
}

/** The field that asks for the forward volts of a colour. */
export const legField = {
  red: 'redV',
  green: 'greenV',
  blue: 'blueV',
  white: 'whiteV',
  'warm white': 'warmV',
} as const satisfies Record<LegColour['name'], string>

const fields = z.object({
  name: nameSchema,
  kind: z.enum(['led', 'legs', 'fixed']),
  volts: amount('Volts', highestVolts),
  mA: amount('Milliamperes', 10_000),
  leds: amount('LEDs', 1_000).int('LEDs: whole ones'),
  tint: z.string(),
  holeMm: amount('Hole', 1_000),
  /** Of one with a lead and a plug: all three. */
  leadMm: amount('Lead', 100_000).optional(),
  plugMm: amount('Plug', 200).optional(),
  mostOnLead: amount('Most on one lead', 1_000).int('Most on one lead: whole lights').optional(),
  /** Of several colours: which, the leg in common, and the forward volts of each. */
  colours: z.enum(Object.keys(legSets) as [LegSet, ...LegSet[]]),
  common: z.enum(['minus', 'plus']),
  redV: amount('Red', highestVolts),
  greenV: amount('Green', highestVolts),
  blueV: amount('Blue', highestVolts),
  whiteV: amount('White', highestVolts),
  warmV: amount('Warm white', highestVolts),
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
  checkPart(lightPartSchema, lightFrom(own, 'own', 0), context, (path) => {
    const colour = path[0] === 'legs' ? legSets[own.colours][Number(path[2])] : undefined
    return colour === undefined ? path.at(-1) : legField[colour]
  })
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
  legs,
}: LightPart): OwnLight => {
  const names = legs?.colours.map(({ name }) => name).join() ?? ''
  const own = new Map(legs?.colours.map((colour) => [colour.name, colour.volts]))
  return {
    name: '',
    kind: legs === undefined ? kind : 'legs',
    volts,
    mA,
    leds,
    tint,
    holeMm,
    leadMm: lead?.lengthMm,
    plugMm: lead?.plugMm,
    mostOnLead: lead?.mostOnLead,
    colours: (Object.keys(legSets) as LegSet[]).find((id) => legSets[id].join() === names) ?? 'rgb',
    common: legs?.common ?? 'minus',
    redV: own.get('red') ?? 2,
    greenV: own.get('green') ?? 3,
    blueV: own.get('blue') ?? 3.1,
    whiteV: own.get('white') ?? 3.1,
    warmV: own.get('warm white') ?? 3.1,
  }
}

/** The light that was described. */
export function lightFrom(own: OwnLight, id: string, price: number): LightPart {
  const { name, kind, volts, mA, leds, tint, holeMm, leadMm, plugMm, mostOnLead } = own
  const common = { id, name, mA, tint, holeMm, price }
  if (kind === 'legs') {
    const colours = legSets[own.colours].map((colour): LegColour => {
      return { name: colour, volts: own[legField[colour]], mA, tint: tints[colour] }
    })
    return {
      ...common,
      kind: 'led',
      volts: Math.max(...colours.map((colour) => colour.volts)),
      leds: colours.length,
      legs: { common: own.common, colours },
    }
  }
  const hasPlug =
    kind === 'fixed' && leadMm !== undefined && plugMm !== undefined && mostOnLead !== undefined
  return {
    ...common,
    kind,
    volts,
    leds,
    ...(hasPlug && { lead: { lengthMm: leadMm, plugMm, mostOnLead } }),
  }
}
