import { cautions } from '../../build/step'
import { networkName } from '../../feed/plan-network'
import type { Contact, Effect, FaultDraft, LightChange, Link, Probe, Rail } from '../fault'

/** How often a conductor fails by how it is joined, beside others. *Typical*: joints by hand and clips lead. */
export const weightOf: Readonly<Record<Contact['how'], number>> = {
  solder: 1,
  pad: 1.2,
  plug: 0.7,
  'in-line': 0.6,
  screw: 0.5,
  wire: 0.1,
}

export const powerOff = 'Power off first, and unplug the supply.'
export const solderCautions = [powerOff, cautions.iron, cautions.strip] as const

/** Nothing comes through there any more. */
export function openEffect({ links, wire }: Contact): Effect {
  const light = links.flatMap((link) => (link.kind === 'light' ? [link.light] : []))
  return {
    feed: links.flatMap((link) => (link.kind === 'light' ? [] : [{ ...link, ohm: null } as const])),
    light,
    ...(light.length > 0 && wire !== undefined && { signal: [{ kind: 'open', wire }] }),
  }
}

/** More ohms than there should be; `undefined` where nothing flows that would mind. */
export function poorEffect(links: readonly Link[], ohm: number): Effect | undefined {
  const feed = links.flatMap((link) => (link.kind === 'light' ? [] : [{ ...link, ohm } as const]))
  return feed.length === 0 ? undefined : { feed }
}

/** What shows an open or poor contact. */
function contactProbes(contact: Contact): readonly Probe[] {
  const { joint, wire, where, jointWhere = where, span, role, node } = contact
  return [
    ...(joint === undefined ? [] : [{ kind: 'look', at: joint, where: jointWhere } as const]),
    // A tip reaches pads and screws: from one to the other, with the joints at both ends.
    {
      kind: 'ohm',
      at: `${span} ${role}`,
      where: wire === undefined ? where : `${wire} ${role} from end to end, its joints too`,
    },
    ...(node === undefined ? [] : [{ kind: 'node-volts', at: node, where: node } as const]),
    { kind: 'clip-lead', at: span, where: wire === undefined ? where : `${wire} ${role}` },
  ]
}

/** What tells a contact from others. */
export const contactKey = ({ joint, span, role }: Contact): string =>
  `${joint ?? 'wire'}|${span}|${role}`

/** A draft of something wrong at a contact. */
export const atContact = (
  contact: Contact,
  rest: Pick<FaultDraft, 'weight' | 'does'> & Partial<FaultDraft>,
): FaultDraft => ({
  key: contactKey(contact),
  where: contact.where,
  about: contact.about,
  shownBy: contactProbes(contact),
  ...(contact.joint !== undefined && { joint: contact.joint }),
  ...rest,
})

/** Open conductors of some roles, as drafts. */
export const openAt = (
  contacts: readonly Contact[],
  isMeant: (contact: Contact) => boolean,
): FaultDraft[] =>
  contacts.flatMap((contact) =>
    contact.links.length > 0 && !contact.isFuse && isMeant(contact)
      ? [atContact(contact, { weight: weightOf[contact.how], does: openEffect(contact) })]
      : [],
  )

/** Whether what a contact carries is of a rail. */
export const isOnRail = ({ links }: Contact, rail: Rail): boolean =>
  links.some((link) => link.kind !== 'light' && link.rail === rail)

/** Two conductors that lie side by side at one joint, or at one place. */
export interface Neighbours {
  readonly a: Contact
  readonly b: Contact
}

/** Pairs of conductors of two roles at one soldered joint. */
export function neighbours(
  contacts: readonly Contact[],
  isA: (contact: Contact) => boolean,
  isB: (contact: Contact) => boolean,
): readonly Neighbours[] {
  const byJoint = new Map<string, Contact[]>()
  for (const contact of contacts) {
    if (contact.joint === undefined || (contact.how !== 'solder' && contact.how !== 'pad')) continue
    const own = byJoint.get(contact.joint) ?? []
    own.push(contact)
    byJoint.set(contact.joint, own)
  }
  return [...byJoint.values()].flatMap((own) => {
    const [a, b] = [own.find(isA), own.find(isB)]
    return a === undefined || b === undefined ? [] : [{ a, b }]
  })
}

/** A bridge at a joint: its key, place and what shows it. */
export const bridgeAt = (
  { a, b }: Neighbours,
  rest: Pick<FaultDraft, 'weight' | 'does'>,
): FaultDraft => {
  const where = a.jointWhere ?? a.where
  const joint = a.joint ?? ''
  return {
    key: `${joint}|${a.span}|${b.span}`,
    where: `${a.role} to ${b.role} at ${where}`,
    about: [...new Set([...a.about, ...b.about])],
    joint,
    shownBy: [
      { kind: 'look', at: joint, where },
      {
        kind: 'short',
        at: `${joint} ${a.role} ${b.role}`,
        where: `${a.role} and ${b.role} at ${where}`,
      },
    ],
    ...rest,
  }
}

/** What a data conductor leaves without data. */
const lightOf = ({ links }: Contact): readonly LightChange[] =>
  links.flatMap((link) => (link.kind === 'light' ? [link.light] : []))

/** Data that touches a rail: nothing behind it hears the board. */
export const touching = (data: Contact, other: Contact, rail: Rail): Effect => ({
  light: lightOf(data),
  ...(data.terminal !== undefined &&
    other.at !== undefined && {
      signal: [{ kind: 'touch', terminal: data.terminal, at: other.at, rail }],
    }),
})

/** The place in the network of a supply. */
export const supplyNode = (id: string): string => networkName.supply(id)
