import { fusesA } from '../feed/fuse'
import type { Parts } from '../parts/find'
import { gaugesFor } from '../parts/wires'
import type { Command } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { significant } from '../quantity/format'
import { leadWithId } from '../route/lead-settings'
import type { PlanWire } from '../wire/wires'
import type { Step } from './step'
import { places } from './work'

/** Something that is in the hand at a step, and may be another part than planned. */
export interface Swap {
  readonly of: 'supply' | 'board' | 'strip' | 'gauge' | 'fuse' | 'resistor'
  readonly label: string
  /** Id of what the plan says, such as that of a part. */
  readonly now: string
  readonly options: readonly (readonly [id: string, name: string])[]
  /** Makes what is really there the plan's own. */
  readonly commands: (id: string) => readonly Command[]
}

/** What is usual in a data line, Ω (handbook 5). */
const dataOhms = [100, 220, 330, 390, 470]

interface SwapsGiven {
  readonly plan: Plan
  readonly parts: Pick<Parts, 'strips' | 'supplies' | 'boards'>
  readonly wires: readonly PlanWire[]
  /** What is really chosen for each supply, also where the sums choose. */
  readonly supplyParts: ReadonlyMap<string, string>
  readonly board: string | undefined
}

/** What can be said at a step of what is really there: a supply, the board, a strip, a gauge, a fuse, a resistor. */
export function swapsAt(given: SwapsGiven, step: Step): Swap[] {
  const { plan, wires } = given
  const own = wires.filter(({ name }) => step.about.includes(name))
  return [
    ...suppliesAt(given, step),
    ...boardAt(given, step),
    ...stripAt(given, step),
    ...leadsAt(plan, own, step),
    ...resistorAt(plan, own, step),
  ]
}

/** Kinds of steps at which a supply or a board is in the hand. */
const handledAt: ReadonlySet<Step['kind']> = new Set(['joint', 'check', 'test', 'mount', 'power'])

/** The end of the work is at supplies. */
const suppliesAt = (
  { plan, parts, supplyParts }: SwapsGiven,
  { place, kind, about }: Step,
): Swap[] =>
  plan.supplies.flatMap(({ id, name }): Swap[] => {
    const now = supplyParts.get(id)
    return place !== places.last || !handledAt.has(kind) || !about.includes(id) || now === undefined
      ? []
      : [
          {
            of: 'supply',
            label: name,
            now,
            options: parts.supplies.map((part) => [part.id, part.name]),
            commands: (part) => [{ do: 'pick-supply', supply: id, part }],
          },
        ]
  })

const boardAt = ({ parts, board }: SwapsGiven, { place, kind }: Step): Swap[] =>
  place !== places.board || board === undefined || !handledAt.has(kind)
    ? []
    : [
        {
          of: 'board',
          label: 'Board',
          now: board,
          options: parts.boards.map(({ id, name }) => [id, name]),
          commands: (id) => [{ do: 'set-signal', signal: { board: id } }],
        },
      ]

const stripPhases: ReadonlySet<Step['phase']> = new Set(['reel', 'dry-fit', 'cut'])

function stripAt({ plan, parts }: SwapsGiven, { phase, about }: Step): Swap[] {
  const lines = stripPhases.has(phase) ? plan.lines.filter(({ id }) => about.includes(id)) : []
  const [first] = lines
  if (first === undefined || first.lights !== undefined) return []
  return [
    {
      of: 'strip',
      label: 'Strip',
      now: first.stripId ?? plan.defaults.stripId,
      options: parts.strips.map(({ id, name }) => [id, name]),
      commands: (strip) =>
        lines.map(({ id }) => ({
          do: 'set-strip',
          line: id,
          strip: strip === plan.defaults.stripId ? undefined : strip,
        })),
    },
  ]
}

/** Gauges of leads where they are cut, and fuses where they are soldered in. */
function leadsAt(plan: Plan, wires: readonly PlanWire[], { phase }: Step): Swap[] {
  if (phase !== 'cut-wire' && phase !== 'in-line') return []
  return wires.flatMap(({ name, fusedLead, gauge, inLine }): Swap[] => {
    const lead = fusedLead === undefined ? undefined : leadWithId(plan, fusedLead)
    if (lead === undefined) return []
    if (phase === 'cut-wire')
      return [
        {
          of: 'gauge',
          label: `Gauge of the lead with ${name}`,
          now: gauge.id,
          options: gaugesFor(plan.units).map((one) => [one.id, one.name]),
          commands: (wire) => [lead.set({ wire })],
        },
      ]
    const fuse = inLine.find(({ kind }) => kind === 'fuse')
    return fuse === undefined
      ? []
      : [
          {
            of: 'fuse',
            label: `Fuse in ${name}`,
            now: String(fuse.value),
            options: fusesA.map((value) => [String(value), `${significant(value)} A`]),
            commands: (value) => [lead.set({ fuse: Number(value) })],
          },
        ]
  })
}

/** The resistor of all data lines: they are of one value. */
function resistorAt(plan: Plan, wires: readonly PlanWire[], { phase }: Step): Swap[] {
  const { resistorOhm } = plan.signal
  const isHere = phase === 'in-line' && wires.some(({ resistor }) => resistor?.why === 'data')
  if (!isHere || resistorOhm === null) return []
  const ohms = [...new Set([...dataOhms, resistorOhm])].toSorted((a, b) => a - b)
  return [
    {
      of: 'resistor',
      label: 'Resistor in the data lines',
      now: String(resistorOhm),
      options: ohms.map((ohm) => [String(ohm), `${significant(ohm)} Ω`]),
      commands: (ohm) => [{ do: 'set-signal', signal: { resistorOhm: Number(ohm) } }],
    },
  ]
}
