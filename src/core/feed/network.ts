import { highestVolts } from '../plan/parts'
import { z, type Issue } from '../quantity/z'

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
  ohm: z.number().positive(),
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

/**
 * What is to be solved: supplies, runs of equal loads between two resistive rails, and leads. A lead goes from and to a supply (`a`),
 * a pad of a run (`sill@90`; pad 0 is the data-in end, load i lies between pads i and i + 1) or a junction (any other name). `null`
 * ohms mean that the wire is missing. The minuses of all supplies are one, and are 0 V.
 */
export const networkSchema = z.strictObject({
  supplies: z.array(z.strictObject({ id, volts })).min(1),
  runs: z.array(
    z.strictObject({
      id,
      loads: z.int().min(1).max(2_000_000),
      pitchM: z.number().positive(),
      railOhmPerM: z.strictObject({ p: ohm, m: ohm }),
      load: loadSchema,
      /** Wires from piece to piece: in each rail, just behind the pad. */
      jumpers: z
        .array(z.strictObject({ pad: z.int().min(0), plusOhm: ohm, minusOhm: ohm }))
        .optional(),
    }),
  ),
  leads: z.array(
    z.strictObject({
      from: z.string().min(1),
      to: z.string().min(1),
      plusOhm: ohm.nullable(),
      minusOhm: ohm.nullable(),
    }),
  ),
})
export type Network = z.infer<typeof networkSchema>
export type NetworkRun = Network['runs'][number]
export type NetworkLoad = NetworkRun['load']

/** Where a lead ends. */
export type End =
  | { readonly kind: 'supply'; readonly index: number }
  | { readonly kind: 'pad'; readonly run: number; readonly pad: number }
  | { readonly kind: 'junction'; readonly name: string }

export type EndResult =
  { readonly ok: true; readonly end: End } | { readonly ok: false; readonly message: string }

/** What the name of a lead's end means in a network. */
export function endOf(network: Network, name: string): EndResult {
  const supply = network.supplies.findIndex((candidate) => candidate.id === name)
  if (supply >= 0) return { ok: true, end: { kind: 'supply', index: supply } }
  const [runId = '', pad, ...more] = name.split('@')
  if (pad === undefined)
    return network.runs.some((run) => run.id === name)
      ? { ok: false, message: `“${name}” is a run: name one of its pads, such as ${name}@0` }
      : { ok: true, end: { kind: 'junction', name } }
  const index = network.runs.findIndex((run) => run.id === runId)
  const run = network.runs[index]
  if (run === undefined) return { ok: false, message: `there is no run “${runId}”` }
  const number = Number(pad)
  if (more.length > 0 || !/^\d+$/.test(pad) || number > run.loads)
    return { ok: false, message: `“${name}”: ${runId} has pads 0 to ${String(run.loads)}` }
  return { ok: true, end: { kind: 'pad', run: index, pad: number } }
}

/** Names used twice, jumpers beyond their run, and ends that lead nowhere. */
export function networkIssues(network: Network): Issue[] {
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
      const result = endOf(network, lead[side])
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
