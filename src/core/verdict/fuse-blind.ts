import type { CutStripRun } from '../cut/cut'
import { fuseOhm } from '../feed/fuse'
import { leadFuse } from '../feed/lead-fuse'
import type { FedLead } from '../feed/solved-feed'
import { supplyBehind } from '../plan/supply-of'
import { formatQuantity, significant } from '../quantity/format'
import { bothEnds, middleToo } from './more-feeds'
import type { Evidence, Judge, Remedy } from './verdict'
import { fewNames } from '../quantity/few-names'
import { listed } from '../quantity/listed'

/** A fuse blows for certain at this many times what is printed on it (handbook 3, fuse). */
const blowsAt = 2
/** A supply shuts off, or folds back, at this many times its rating. *Typical.* */
const tripsAt = 1.2

/** A lead that feeds a run, as a short on the run sees it. */
interface Source {
  readonly atM: number
  readonly fuseA: number
  readonly volts: number
  readonly ohm: number
}

/** Runs on which a short at the worst place draws too little to blow a fuse or to trip the supply. */
export const fuseBlind: Judge = (evidence) => {
  const leadsTo = new Map<string, FedLead[]>()
  for (const fed of evidence.full.leads) {
    const { to, lightShare } = fed.lead
    if (to.kind !== 'run' || lightShare !== undefined) continue
    listed(leadsTo, to.run).push(fed)
  }
  const upstream = new Map(
    evidence.full.leads.flatMap((fed) =>
      fed.lead.to.kind === 'junction' ? [[fed.lead.to.junction, fed] as const] : [],
    ),
  )
  const rated = new Map(evidence.supplies.map(({ slot, ratedA }) => [slot.id, ratedA ?? Infinity]))
  const blind = evidence.cutRuns.flatMap((entry) => {
    const { run, strip, groups } = entry
    const feds = leadsTo.get(run.id) ?? []
    const sources = feds.flatMap((fed) => sourceOf(evidence, entry, fed, upstream) ?? [])
    // A lead without a fuse is told as such.
    if (groups === 0 || sources.length === 0 || sources.length < feds.length) return []
    const ratedA = Math.max(
      ...feds.map(({ lead }) => rated.get(supplyBehind(evidence.plan, lead.from) ?? '') ?? 0),
    )
    const lengthM = (groups * strip.cutPitchMm) / 1000
    const shorts = shortPlaces(sources, lengthM).map((atM) =>
      shortAt(sources, atM, strip.railOhmPerM),
    )
    const [worst] = shorts.toSorted((a, b) => a.times - b.times)
    if (worst === undefined || worst.times >= blowsAt || worst.allA >= tripsAt * ratedA) return []
    return [{ entry, worst, isAtEnd: worst.atM >= lengthM - 1e-9 }]
  })
  const [first] = blind.toSorted((a, b) => a.worst.times - b.worst.times)
  if (first === undefined) return []
  const { worst, entry, isAtEnd } = first
  const where = isAtEnd
    ? 'at its far end'
    : worst.atM === 0
      ? 'at its start'
      : `${formatQuantity(worst.atM, 'm', evidence.plan.units)} along it`
  const others =
    blind.length === 1
      ? ''
      : `; the same on ${fewNames(blind.filter((one) => one !== first).map((one) => one.entry.run.name))}`
  return [
    {
      id: 'fuse-blind',
      code: 'fuse-blind',
      grade: 'warning',
      about: blind.map((one) => one.entry.run.id),
      text: `${entry.run.name}: a short ${where} draws ${formatQuantity(worst.throughA, 'A')}, which a ${significant(worst.fuseA)} A fuse may hold for good${others}`,
      why: 'The strip’s own copper holds the current below twice the fuse, and the strip heats where the short is.',
      remedies: [
        forAll('feed both ends', blind, ({ entry: { run } }) => bothEnds(run.line)),
        forAll('feed both ends and the middle', blind, ({ entry: one }) => middleToo(one)),
      ].flatMap((remedy) => remedy ?? []),
    },
  ]
}

/** The same remedy for each of some runs, where all of them have it. */
function forAll<Item>(
  label: string,
  items: readonly Item[],
  of: (item: Item) => Remedy | undefined,
): Remedy | undefined {
  const found = items.flatMap((item) => of(item) ?? [])
  return found.length < items.length
    ? undefined
    : { label, commands: found.flatMap(({ commands }) => commands) }
}

/** The lead with all that is before it up to the supply; `undefined` where no fuse is in it. */
function sourceOf(
  { plan, volts }: Evidence,
  { strip }: CutStripRun,
  fed: FedLead,
  upstream: ReadonlyMap<string, FedLead>,
): Source | undefined {
  const { to, from } = fed.lead
  const supply = supplyBehind(plan, from)
  if (to.kind !== 'run' || supply === undefined) return undefined
  let [fuseA, ohm] = [Infinity, 0]
  for (
    let one: FedLead | undefined = fed, steps = 0;
    one !== undefined && steps < plan.junctions.length + 1;
    one = upstream.get(one.lead.from), steps += 1
  ) {
    const fuse = leadFuse(one)
    ohm += 2 * (one.lead.lengthMm / 1000) * one.lead.wire.ohmPerM
    if (typeof fuse !== 'number') continue
    ohm += fuseOhm(fuse)
    fuseA = Math.min(fuseA, fuse)
  }
  return Number.isFinite(fuseA)
    ? { atM: (to.pad * strip.cutPitchMm) / 1000, fuseA, volts: volts.get(supply) ?? 0, ohm }
    : undefined
}

/** Where a short is hardest to notice: at the ends, and half way between feeds. */
function shortPlaces(sources: readonly Source[], lengthM: number): number[] {
  const at = sources.map(({ atM }) => atM).toSorted((a, b) => a - b)
  return [0, lengthM, ...at.slice(1).map((one, index) => (one + (at[index] ?? 0)) / 2)]
}

/** A dead short between the rails at a place: what goes through the fuse that is nearest to blowing, and through all. */
function shortAt(
  sources: readonly Source[],
  atM: number,
  railOhmPerM: number,
): { atM: number; times: number; throughA: number; fuseA: number; allA: number } {
  const through = sources.map((source) => {
    const ohm = source.ohm + 2 * railOhmPerM * Math.abs(atM - source.atM)
    const throughA = source.volts / Math.max(ohm, 1e-6)
    return { throughA, fuseA: source.fuseA, times: throughA / source.fuseA }
  })
  const [best = { throughA: 0, fuseA: 0, times: Infinity }] = through.toSorted(
    (a, b) => b.times - a.times,
  )
  return { atM, ...best, allA: through.reduce((sum, { throughA }) => sum + throughA, 0) }
}
