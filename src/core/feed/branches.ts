import { largest } from '../quantity/extremes'
import type { Plan } from '../plan/plan'
import { plural } from '../quantity/format'
import { Kept } from '../quantity/kept'
import type { Lead } from '../route/lead'
import { leadName } from '../route/leads'
import { countBy, type Splitter } from '../route/plugs'
import type { FedPlan } from './fed-plan'
import type { FedLead } from './solved-feed'
import { listed } from '../quantity/listed'

/** A place of the feed and all that hangs on it: supply, junction, splitter, run, or lights. */
export interface Branch {
  /** Stable while the plan changes. */
  readonly id: string
  readonly kind: 'supply' | 'junction' | 'splitter' | 'run' | 'lights'
  readonly name: string
  /** Of a supply what it is. */
  readonly what?: string
  /** Through the lead to it at full white, A; of a supply what it gives. */
  readonly currentA: number
  /** The lead to it, mm, and extension leads in it, mm; nothing of a supply. */
  readonly leadMm: number | undefined
  readonly extensionsMm: readonly number[]
  /** Plugs that it takes up in what it hangs on. */
  readonly plugs: number
  /** How many plugs it takes, where that is counted. */
  readonly ways: number | undefined
  /** Ids of the runs, junctions and supplies concerned. */
  readonly about: readonly string[]
  readonly branches: readonly Branch[]
}

/** Plugs that are left; below 0 where more hang on it than it takes. */
export const portsLeft = ({ ways, branches }: Branch): number | undefined =>
  ways === undefined ? undefined : ways - branches.reduce((sum, { plugs }) => sum + plugs, 0)

/** Whether leads carry less to a run than it would draw at its full volts, by 1 % or more: it fades, or its current sinks with the volts. */
export function hasFadedRuns(
  roots: readonly Branch[],
  runs: readonly { readonly id: string; readonly currentA: number }[],
): boolean {
  const carried = new Map<string, number>()
  const add = ({ kind, about: [run = ''], currentA, branches }: Branch): void => {
    if (kind === 'run') carried.set(run, (carried.get(run) ?? 0) + currentA)
    else branches.forEach(add)
  }
  roots.forEach(add)
  return runs.some(({ id, currentA }) => (carried.get(id) ?? Infinity) <= 0.99 * currentA)
}

/** Ways of a junction whose plugs are counted. */
export const waysOf = ({ kind, ways }: Plan['junctions'][number]): number | undefined =>
  kind === 'splitter' ? (ways ?? mostWays) : undefined

/** The largest splitter there is (handbook 4). */
export const mostWays = 6

/** The feed as trees, a supply each: what hangs on what, at full white. */
export function branchesOf({
  plan,
  cutRuns,
  supplies,
  full,
  plugs,
}: Pick<FedPlan, 'plan' | 'cutRuns' | 'supplies' | 'full' | 'plugs'>): Branch[] {
  const byFrom = new Map<string, FedLead[]>()
  for (const fed of full.leads) {
    listed(byFrom, fed.lead.from).push(fed)
  }
  const treeOf = new Map(plugs.map((tree) => [tree.id, tree]))
  const junctionOf = new Map(plan.junctions.map((junction) => [junction.id, junction]))
  const below = (from: string): Branch[] => (byFrom.get(from) ?? []).map(branchOf)
  const branchOf = ({ lead, currentA }: FedLead): Branch => {
    const { to } = lead
    const common = { currentA, leadMm: lead.lengthMm, extensionsMm: [], plugs: 1 }
    const name = leadName(plan, cutRuns, lead)
    if (to.kind === 'junction') {
      const junction = junctionOf.get(to.junction)
      return {
        ...common,
        id: to.junction,
        kind: 'junction',
        name,
        ways: junction && waysOf(junction),
        about: [to.junction],
        branches: below(to.junction),
      }
    }
    const tree = treeOf.get(to.run)
    // A lead to lights that are plugged together ends in their first splitter.
    const [first] = splitterBranches(tree?.leads[lead.share]?.splitters ?? [], to.run)
    if (first !== undefined)
      return { ...first, ...common, id: lead.id, name: `${name}, ${first.name}` }
    const own = (tree?.leads.length ?? 0) > 1 ? `${name}, lead ${String(lead.share + 1)}` : name
    return keptRuns.get(lead, [own, currentA], () => ({
      ...common,
      id: lead.id,
      kind: 'run',
      name: own,
      ways: undefined,
      about: [to.run],
      branches: [],
    }))
  }
  return supplies.map(({ slot, part }): Branch => {
    const branches = below(slot.id)
    return {
      id: slot.id,
      kind: 'supply',
      name: slot.name,
      ...(part !== undefined && { what: part.name }),
      currentA: branches.reduce((sum, { currentA }) => sum + currentA, 0),
      leadMm: undefined,
      extensionsMm: [],
      plugs: 0,
      ways: undefined,
      about: [slot.id],
      branches,
    }
  })
}

const keptRuns = new Kept<Lead, Branch>()

/** The first splitter of a lead, with the rest behind it. */
function splitterBranches([own, ...rest]: readonly Splitter[], run: string): Branch[] {
  if (own === undefined) return []
  const { name, ways, currentA, lights, needMm, extensionsMm } = own
  const behind = rest[0]?.currentA ?? 0
  return [
    {
      id: `${run}.${name}`,
      kind: 'splitter',
      name,
      currentA,
      leadMm: needMm,
      extensionsMm,
      plugs: 1,
      ways,
      about: [run],
      branches: [
        {
          id: `${run}.${name}.lights`,
          kind: 'lights',
          name: plural(lights.length, 'light'),
          currentA: currentA - behind,
          leadMm: largest(lights.map((light) => light.needMm)),
          extensionsMm: lights.flatMap((light) => light.extensionsMm),
          plugs: lights.length,
          ways: undefined,
          about: [run],
          branches: [],
        },
        ...splitterBranches(rest, run),
      ],
    },
  ]
}

/** Extension leads as they are told: `2 × 500 mm, 200 mm`. */
export const extensionsText = (extensionsMm: readonly number[]): string =>
  countBy(extensionsMm)
    .map(([mm, count]) => `${count === 1 ? '' : `${String(count)} × `}${String(mm)} mm`)
    .join(', ')
