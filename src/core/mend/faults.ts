import { meterAt } from '../build/meter-at'
import { judged } from '../build/readings'
import { contactsOf } from './contacts'
import type { Fault, FaultDraft, MendGiven, PixelScope } from './fault'
import { faultKinds } from './kinds'
import { pixelKinds, pixelWeight } from './kinds/on-pixels'
import type { FaultKindName } from './kind-names'

/** How much more likely a joint is that was made last, or whose reading was off, or that gave trouble. *Typical.* */
const logWeights = { last: 2, off: 3, trouble: 1.5 } as const

/** … and a kind of fault, or one at just that place, that was found in this plan before. */
const pastWeights = { kind: 1.5, place: 3 } as const

/** A reason for or against some joints, with its weight. */
interface Suspicion {
  weight: number
  readonly reasons: string[]
}

/**
 * All single faults that a plan can have, each with its chance: a prior by its kind and how it is joined, weighted by the plan's own margins
 * and the log of its build (handbook 13).
 */
export function faultsOf(given: MendGiven, pixels: PixelScope = 'all'): readonly Fault[] {
  const contacts = contactsOf(given)
  const suspicions = suspicionsOf(given)
  const past = given.plan.mends
  const drafts = Object.values(faultKinds).flatMap((kind) =>
    kind
      .find(given, contacts, pixels)
      .map((draft) => ({ kind, draft: withPast(past, kind.name, suspected(draft, suspicions)) })),
  )
  const all =
    drafts.reduce((sum, { draft }) => sum + draft.weight, 0) + leftOutWeight(given, pixels)
  const seen = new Set<string>()
  return drafts.flatMap(({ kind, draft }): Fault[] => {
    const id = faultId(kind.name, draft.key)
    // A joint may be told twice, by both wires that meet there.
    if (seen.has(id)) return []
    seen.add(id)
    const { weight, reasons = [], ...rest } = draft
    const { clearedBy } = rest
    return [
      {
        ...rest,
        id,
        kind: kind.name,
        title: kind.title,
        reasons: [
          ...(clearedBy === undefined ? [] : [`cleared by the plan: ${clearedBy}`]),
          ...reasons,
        ],
        chance: all > 0 ? weight / all : 0,
      },
    ]
  })
}

/** What pixels weigh that are not wanted one by one: chances stay as they are. */
const leftOutWeight = ({ lanes }: MendGiven, pixels: PixelScope): number =>
  pixels === 'all'
    ? 0
    : pixelKinds *
      pixelWeight *
      lanes
        .flatMap(({ runs }) => runs)
        .reduce((sum, run) => sum + run.pixels - (pixels.get(run.entry.run.id)?.size ?? 0), 0)

const faultId = (kind: FaultKindName, key: string): string => `${kind}:${key.replaceAll(' ', '_')}`

const suspected = (draft: FaultDraft, suspicions: ReadonlyMap<string, Suspicion>): FaultDraft => {
  const found = draft.joint === undefined ? undefined : suspicions.get(draft.joint)
  return found === undefined
    ? draft
    : {
        ...draft,
        weight: draft.weight * found.weight,
        reasons: [...(draft.reasons ?? []), ...found.reasons],
      }
}

function withPast(
  past: readonly { readonly kind?: string | undefined; readonly fault?: string | undefined }[],
  kind: FaultKindName,
  draft: FaultDraft,
): FaultDraft {
  const same = past.filter((entry) => entry.kind === kind)
  if (same.length === 0) return draft
  const isHere = same.some(({ fault }) => fault === faultId(kind, draft.key))
  return {
    ...draft,
    weight: draft.weight * (isHere ? pastWeights.place : pastWeights.kind),
    reasons: [
      ...(draft.reasons ?? []),
      isHere ? 'it was wrong here before' : 'this plan had such a fault before',
    ],
  }
}

/** What the log of the build says of joints. */
function suspicionsOf(given: MendGiven): ReadonlyMap<string, Suspicion> {
  const { schedule, plan } = given
  const steps = new Map(schedule.steps.map((step) => [step.id, step]))
  const found = new Map<string, Suspicion>()
  const add = (joints: readonly string[], weight: number, reason: string): void => {
    for (const joint of joints) {
      const own = found.get(joint) ?? { weight: 1, reasons: [] }
      own.weight *= weight
      own.reasons.push(reason)
      found.set(joint, own)
    }
  }
  const ticks = new Set(plan.wiring.ticks)
  const last = plan.build.log
    .filter(({ step, at }) => at !== undefined && (steps.get(step)?.joints.length ?? 0) > 0)
    .toSorted((a, b) => (a.at ?? '').localeCompare(b.at ?? ''))
    .at(-1)
  const lastJoints = last === undefined ? [] : (steps.get(last.step)?.joints ?? [])
  add(
    lastJoints.filter((joint) => ticks.has(joint)),
    logWeights.last,
    'it was made last',
  )
  for (const entry of plan.build.log) {
    const step = steps.get(entry.step)
    if (step === undefined) continue
    const joints = [...step.joints, ...step.needs.flatMap((need) => steps.get(need)?.joints ?? [])]
    if (joints.length === 0) continue
    if (entry.trouble.length > 0)
      add(joints, logWeights.trouble, 'it gave trouble while it was built')
    if (entry.readings.length === 0) continue
    const expected = meterAt(given, schedule.steps, step).readings
    const isOff = entry.readings.some((read) => {
      const own = expected.find(
        (one) => one.what === read.what && one.where === read.where && one.case === read.case,
      )
      return own !== undefined && judged(own, read.value) !== 'right'
    })
    if (isOff) add(joints, logWeights.off, 'a reading was off when it was built')
  }
  return found
}
