import { connectors } from '../parts/connectors'
import type { ConnectorId } from '../plan/choices'
import { fuseFor } from '../feed/fuse'
import { feedsOf } from '../plan/feeds'
import { supplyBehind } from '../plan/supply-of'
import type { Lead } from '../route/lead'
import { feedLeadId, leadName, targetOf } from '../route/leads'
import { leadFuse } from '../feed/lead-fuse'
import type { FedLead, SolvedFeed } from '../feed/solved-feed'
import { gaugesLike, type Wire } from '../parts/wires'
import type { Command } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { formatQuantity, significant } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import { bothEnds, middleToo, spread } from './more-feeds'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'
import { listed } from '../quantity/listed'

const amperes = (value: number): string => formatQuantity(value, 'A')

/** A lead by where it goes; one to a junction is told from what the junction itself carries. */
const nameOf = ({ cutRuns, plan }: Evidence, lead: Lead): string =>
  `${lead.to.kind === 'junction' ? 'the lead to ' : ''}${leadName(plan, cutRuns, lead)}`

/** An edit of the one feed or junction that a lead is. */
const editLead = (plan: Plan, lead: Lead, set: LeadEdit): Command[] => editLeads(plan, [lead], set)

interface LeadEdit {
  readonly wire?: string
  readonly fuse?: Lead['fuse']
  readonly from?: string
  readonly apart?: ConnectorId | undefined
}

/** The same edit of leads that all go to one place. */
function editLeads(plan: Plan, leads: readonly Lead[], set: LeadEdit): Command[] {
  const [first] = leads
  if (first === undefined) return []
  const { to } = first
  if (to.kind === 'junction') return [{ do: 'set-junction', junction: to.junction, set }]
  const line = plan.lines.find((candidate) => candidate.id === to.run)
  if (line === undefined) return []
  const feeds = feedsOf(line).filter((feed) =>
    leads.some(({ id, share }) => feedLeadId(line.id, feed.id, share) === id),
  )
  return [{ do: 'set-feeds', line: line.id, feeds: feeds.map(({ id }) => id), set }]
}

/** The thinnest wire of the same kind that carries a load with a fuse before it. */
const wireFor = (like: Wire, loadA: number): Wire | undefined =>
  gaugesLike(like).find(({ limitA }) => fuseFor(loadA, limitA) !== null)

const takeWire = (
  plan: Plan,
  { lead, fuseLoadA }: FedLead,
  set: { fuse?: Lead['fuse'] } = {},
): Remedy[] => {
  const wire = wireFor(lead.wire, fuseLoadA)
  return wire === undefined || wire.areaMm2 <= lead.wire.areaMm2
    ? []
    : [{ label: `take ${wire.name}`, commands: editLead(plan, lead, { wire: wire.id, ...set }) }]
}

/**
 * By which solution a part of the feed is judged: under the plan's limit where fuses, or what the supplies give, protect it at `limitA`;
 * otherwise by what a crashed program or a glitch on the data can make it carry.
 */
function judgedBy(evidence: Evidence, leads: readonly FedLead[], limitA: number): SolvedFeed {
  const isSafe = leads.every((fed) => {
    const fuse = leadFuse(fed)
    return (
      (typeof fuse === 'number' && isAtLeast(limitA, fuse)) ||
      isAtLeast(limitA, behindA(evidence, fed.lead))
    )
  })
  return isSafe ? evidence.full : evidence.unlimited
}

/** What the supply behind a lead can give, A: without any limit where no part is chosen. */
function behindA({ plan, supplies }: Evidence, { from }: Lead): number {
  const source = supplyBehind(plan, from)
  return supplies.find(({ slot }) => slot.id === source)?.ratedA ?? Infinity
}

/** What a part of a lead that takes `limitA` carries, where that is too much or no fuse guards it; `undefined` where all is well. */
function strainOf(
  evidence: Evidence,
  fed: FedLead,
  index: number,
  limitA: number,
): { readonly currentA: number; readonly isOver: boolean } | undefined {
  const currentA = judgedBy(evidence, [fed], limitA).leads[index]?.currentA ?? 0
  const isOver = !isAtLeast(limitA, currentA)
  if (!isOver && fuseFor(fed.fuseLoadA, limitA) !== null) return undefined
  // What the supply cannot give, no fuse has to stop.
  if (!isOver && isAtLeast(limitA, behindA(evidence, fed.lead))) return undefined
  return { currentA, isOver }
}

/** Leads that carry more than their wire stands, or that no fuse fits. */
export const leadHot: Judge = (evidence) =>
  evidence.full.leads.flatMap((fed, index): Verdict[] => {
    const { lead, fuseLoadA } = fed
    const strain = strainOf(evidence, fed, index, lead.wire.limitA)
    if (strain === undefined) return []
    const { currentA, isOver } = strain
    return [
      {
        id: `lead-hot.${lead.id}`,
        code: 'lead-hot',
        grade: isOver ? 'stop' : 'warning',
        about: [targetOf(lead)],
        text: isOver
          ? `${nameOf(evidence, lead)}: ${amperes(currentA)} in ${lead.wire.name}, which takes ${amperes(lead.wire.limitA)}`
          : `${nameOf(evidence, lead)}: no fuse carries ${amperes(fuseLoadA)} and still guards ${lead.wire.name}`,
        why: 'A thin wire on a big supply gets hot enough to start a fire.',
        remedies: takeWire(evidence.plan, fed),
      },
    ]
  })

/** Leads without a fuse on a supply that could burn them, and fuses above what the wire takes. */
export const fuses: Judge = (evidence) =>
  evidence.full.leads.flatMap((fed): Verdict[] => {
    const { lead, fuseLoadA } = fed
    if (lead.fuse === 'auto') return []
    const about = [targetOf(lead)]
    const fits = fuseFor(fuseLoadA, lead.limitA)
    const auto: Remedy[] =
      fits === null
        ? takeWire(evidence.plan, fed, { fuse: 'auto' })
        : [
            {
              label: `fuse it with ${significant(fits)} A at its source`,
              commands: editLead(evidence.plan, lead, { fuse: 'auto' }),
            },
          ]
    if (lead.fuse === 'none') {
      const givesA = behindA(evidence, lead)
      if (isAtLeast(lead.wire.limitA, givesA)) return []
      return [
        {
          id: `no-fuse.${lead.id}`,
          code: 'no-fuse',
          grade: 'stop',
          about,
          text: `${nameOf(evidence, lead)}: no fuse before ${lead.wire.name}${Number.isFinite(givesA) ? `, and ${significant(givesA)} A behind it` : ''}`,
          why: 'In a short the supply gives all it has; the wire must not be what melts.',
          remedies: auto,
        },
      ]
    }
    const isOver = !isAtLeast(lead.wire.limitA, lead.fuse)
    const isUnder = !isAtLeast(lead.fuse, 1.25 * fuseLoadA)
    if (!isOver && !isUnder) return []
    return [
      {
        id: `fuse-over-wire.${lead.id}`,
        code: 'fuse-over-wire',
        grade: isOver ? 'stop' : 'warning',
        about,
        text: isOver
          ? `${nameOf(evidence, lead)}: a ${significant(lead.fuse)} A fuse before ${lead.wire.name}, which takes ${amperes(lead.wire.limitA)}`
          : `${nameOf(evidence, lead)}: a ${significant(lead.fuse)} A fuse blows at ${amperes(fuseLoadA)} in time`,
        why: 'A fuse is at least 1.25 × the load and never more than its wire takes.',
        remedies: auto,
      },
    ]
  })

/** The fewest leads, the largest first, that have to leave a junction for it to carry the rest; they come from where it comes from. */
function leaveJunction(
  { plan, full }: Evidence,
  { id, limitA }: Plan['junctions'][number],
  from: string,
): Remedy[] {
  const on = full.leads
    .filter(({ lead }) => lead.from === id)
    .toSorted((a, b) => b.currentA - a.currentA)
  let restA = on.reduce((sum, { currentA }) => sum + currentA, 0)
  const leaving: Lead[] = []
  for (const { lead, currentA } of on) {
    if (isAtLeast(limitA, restA)) break
    restA -= currentA
    leaving.push(lead)
  }
  const source = [...plan.supplies, ...plan.junctions].find((place) => place.id === from)?.name
  // Several feeds of one line are one edit of that line: one after another they would undo each other.
  const lines = new Map<string, Lead[]>()
  for (const lead of leaving) {
    const target = targetOf(lead)
    lines.set(target, [...(lines.get(target) ?? []), lead])
  }
  const commands = [...lines.values()].flatMap((leads) => editLeads(plan, leads, { from }))
  if (source === undefined || commands.length === 0) return []
  const what =
    leaving.length === 1 ? 'its largest lead' : `its ${String(leaving.length)} largest leads`
  return [{ label: `feed ${what} straight from ${source}`, commands }]
}

/** Junctions that carry more than they stand. */
export const trackOver: Judge = (evidence) =>
  evidence.full.leads.flatMap((fed, index): Verdict[] => {
    const { lead } = fed
    const { to } = lead
    if (to.kind !== 'junction') return []
    const junction = evidence.plan.junctions.find(({ id }) => id === to.junction)
    if (junction === undefined) return []
    const currentA = judgedBy(evidence, [fed], junction.limitA).leads[index]?.currentA ?? 0
    if (isAtLeast(junction.limitA, currentA)) return []
    return [
      {
        id: `track-over.${junction.id}`,
        code: 'track-over',
        grade: 'stop',
        about: [junction.id],
        text: `${junction.name}: ${amperes(currentA)} through it, ${significant(junction.limitA)} A is what it takes`,
        why: 'Its contacts heat first, at the joints that cannot be seen.',
        remedies: leaveJunction(evidence, junction, lead.from),
      },
    ]
  })

/** Leads that come apart at something that carries less than they do, or that no fuse guards. */
export const connectorOver: Judge = (evidence) =>
  evidence.full.leads.flatMap((fed, index): Verdict[] => {
    const { lead, fuseLoadA } = fed
    const { apart } = lead
    const strain = apart && strainOf(evidence, fed, index, apart.limitA)
    if (apart === undefined || strain === undefined) return []
    const { currentA, isOver } = strain
    const larger = connectors.find(
      ({ limitA }) => isAtLeast(limitA, currentA) && fuseFor(fuseLoadA, limitA) !== null,
    )
    return [
      {
        id: `connector-over.${lead.id}`,
        code: 'connector-over',
        grade: isOver ? 'stop' : 'warning',
        about: [targetOf(lead)],
        text: isOver
          ? `${nameOf(evidence, lead)}: ${amperes(currentA)} through its ${apart.name}, which takes ${amperes(apart.limitA)}`
          : `${nameOf(evidence, lead)}: no fuse carries ${amperes(fuseLoadA)} and still guards its ${apart.name}`,
        why: 'A contact that carries too much heats where it cannot be seen, and gets worse as it does.',
        remedies: [
          ...(larger === undefined
            ? []
            : [
                {
                  label: `take a ${larger.name}, ${amperes(larger.limitA)}`,
                  commands: editLead(evidence.plan, lead, { apart: larger.id }),
                },
              ]),
          {
            label: 'solder it through',
            commands: editLead(evidence.plan, lead, { apart: undefined }),
          },
        ],
      },
    ]
  })

/** What a strip's own copper carries, A for each mm of its width: without warming, and at the most (handbook 3: 3 and 5 A on 10 mm). */
const coolAPerMm = 0.3
const copperAPerMm = 0.5

/** Strips whose own rails carry too much. */
export const copperHot: Judge = (evidence) => {
  const leadsTo = new Map<string, FedLead[]>()
  for (const fed of evidence.full.leads) {
    const target = targetOf(fed.lead)
    listed(leadsTo, target).push(fed)
  }
  return evidence.cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip, groups } = entry
    const fed = judgedBy(
      evidence,
      leadsTo.get(run.id) ?? [],
      copperAPerMm * strip.widthMm,
    ).runs.get(run.id)
    if (fed === undefined || isAtLeast(coolAPerMm * strip.widthMm, fed.copperA)) return []
    const isHot = !isAtLeast(copperAPerMm * strip.widthMm, fed.copperA)
    const limitA = (isHot ? copperAPerMm : coolAPerMm) * strip.widthMm
    const where =
      fed.copperAt === 0
        ? 'at its start'
        : `at group ${String(fed.copperAt + 1)} of ${String(groups)}`
    return [
      {
        id: `copper-hot.${run.id}`,
        code: 'copper-hot',
        grade: isHot ? 'warning' : 'note',
        about: [run.id],
        text: `${run.name}: ${amperes(fed.copperA)} in the strip’s own copper ${where}, ${isHot ? `about ${amperes(limitA)} is what it takes` : `which warms over about ${amperes(limitA)}`}`,
        why: 'The rails warm over about 3 A on a 10 mm strip, and over 5 A they get hot; more feeds share it.',
        remedies: isHot
          ? [bothEnds(run.line), middleToo(entry), spread(evidence, entry, 4)].flatMap(
              (remedy) => remedy ?? [],
            )
          : [],
      },
    ]
  })
}

/** Runs and junctions whose plus hangs on two supplies, and minuses that are not joined. */
export const joinedSupplies: Judge = (evidence) => {
  const { plan, leads, cutRuns } = evidence
  const leadsTo = new Map<string, Lead[]>()
  for (const lead of leads) {
    if (lead.to.kind !== 'run') continue
    listed(leadsTo, lead.to.run).push(lead)
  }
  const joined = cutRuns.flatMap(({ run }): Verdict[] => {
    const own = leadsTo.get(run.id) ?? []
    const sources = [...new Set(own.flatMap(({ from }) => supplyBehind(plan, from) ?? []))]
    const [first] = own
    if (sources.length < 2 || first === undefined) return []
    const names = sources.map((id) => plan.supplies.find((slot) => slot.id === id)?.name ?? id)
    const feeds = run.line.feeds?.map((feed) => ({ ...feed, from: first.from }))
    return [
      {
        id: `plus-joined.${run.id}`,
        code: 'plus-joined',
        grade: 'stop',
        about: [run.id, ...sources],
        text: `${run.name}: fed from ${names.join(' and ')}, whose pluses meet in the strip`,
        why: 'Two supplies on one plus push current into each other. Cut the plus between their parts, or feed it from one.',
        remedies: [
          {
            label: `feed it from ${names[0] ?? ''} alone`,
            commands: [{ do: 'set-lines', lines: [run.id], set: { feeds } }],
          },
        ],
      },
    ]
  })
  const { boardFrom } = plan.signal
  const hasOwnPlug = boardFrom === 'usb' && evidence.lanes.length > 0
  if (plan.rules.joinsMinus || (plan.supplies.length < 2 && !hasOwnPlug)) return joined
  return [
    ...joined,
    {
      id: 'no-common',
      code: 'no-common',
      grade: 'stop',
      about: plan.supplies.map(({ id }) => id),
      text: hasOwnPlug
        ? 'The board has a plug of its own, and its minus is not joined with the supply’s'
        : `The minuses of ${String(plan.supplies.length)} supplies are not joined`,
      why: 'Data is measured against minus: without a common one pixels flicker or stay dark.',
      remedies: [
        {
          label: 'join the minuses',
          commands: [{ do: 'set-rules', rules: { joinsMinus: true } }],
        },
      ],
    },
  ]
}
