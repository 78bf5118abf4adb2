import { highestVolts } from '../plan/parts'
import { above0 } from '../quantity/bounded'
import { z, type Issue } from '../quantity/z'
import { endReader, type Network } from './network'

const id = z.string().regex(/^[^@\s]{1,64}$/, 'a name without @ or space')
const ohm = z.number().nonnegative().max(1e6)
const volts = z.number().nonnegative().max(highestVolts, 'at most 60 V: extra-low voltage only')

const channelSchema = z.strictObject({
  fullA: z.number().nonnegative().max(1_000),
  kneeV: volts,
  offV: volts,
  duty: z.number().min(0).max(1),
})
const ohmicSchema = z.strictObject({
  forwardV: volts,
  ohm: above0(1e9, 'Ω', 1e-6),
  duty: z.number().min(0).max(1),
})
const loadSchema = z
  .strictObject({
    idleA: z.number().nonnegative().max(1_000),
    channels: z.array(channelSchema).max(16).optional(),
    ohmic: ohmicSchema.optional(),
  })
  .refine(({ channels = [] }) => channels.every(({ kneeV, offV }) => offV <= kneeV), {
    path: ['channels'],
    message: 'offV is at most kneeV',
  })

/** A network as it comes from a file. */
export const networkSchema = z.strictObject({
  supplies: z.array(z.strictObject({ id, volts })).min(1).max(1_000),
  runs: z
    .array(
      z.strictObject({
        id,
        loads: z.int().min(1).max(2_000_000),
        pitchM: above0(1_000, 'm', 1e-6),
        railOhmPerM: z.strictObject({ p: ohm, m: ohm }),
        load: loadSchema,
        /** Wires from piece to piece: in each rail, just behind the pad. */
        jumpers: z
          .array(z.strictObject({ pad: z.int().min(0), plusOhm: ohm, minusOhm: ohm }))
          .max(100_000)
          .optional(),
      }),
    )
    .max(20_000),
  leads: z
    .array(
      z.strictObject({
        from: z.string().min(1),
        to: z.string().min(1),
        plusOhm: ohm.nullable(),
        minusOhm: ohm.nullable(),
      }),
    )
    .max(100_000),
})

/** Names used twice, jumpers beyond their run, and ends that lead nowhere. */
export function networkIssues(network: Network): Issue[] {
  const endOf = endReader(network)
  const seen = new Set<string>()
  const issues: Issue[] = []
  for (const [list, items] of [
    ['supplies', network.supplies],
    ['runs', network.runs],
  ] as const)
    for (const [index, item] of items.entries()) {
      if (seen.has(item.id))
        issues.push({ path: `${list}[${String(index)}].id`, message: `“${item.id}” is used twice` })
      seen.add(item.id)
    }
  for (const [index, { id: name, loads, jumpers = [] }] of network.runs.entries())
    for (const [at, { pad }] of jumpers.entries())
      if (pad < 1 || pad >= loads)
        issues.push({
          path: `runs[${String(index)}].jumpers[${String(at)}].pad`,
          message: `between the loads of ${name}: 1 to ${String(loads - 1)}`,
        })
  for (const [index, lead] of network.leads.entries()) {
    for (const side of ['from', 'to'] as const) {
      const result = endOf(lead[side])
      if (!result.ok)
        issues.push({ path: `leads[${String(index)}].${side}`, message: result.message })
    }
    if (lead.from === lead.to)
      issues.push({
        path: `leads[${String(index)}]`,
        message: 'a lead goes from one place to another',
      })
  }
  return issues
}
