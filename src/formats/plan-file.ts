import { partsOf } from '../core/parts/find'
import { diodes } from '../core/parts/diodes'
import { powerSwitches } from '../core/parts/power-switches'
import { profileOf } from '../core/parts/profiles'
import { sheetMaterialOf } from '../core/parts/sheets'
import { wires } from '../core/parts/wires'
import { toVersion5 } from '../core/measure/to-version-5'
import { lastingPath, valueAt } from '../core/plan/lasting-path'
import { mostAdjusted, mostLines, planFormat, planVersion } from '../core/plan/usual'
import { planSchema, type AdjustedFigure, type Plan } from '../core/plan/plan'
import {
  toVersion2,
  toVersion3,
  toVersion4,
  toVersion6,
  toVersion7,
  toVersion8,
  toVersion9,
  toVersion10,
  toVersion11,
  toVersion12,
  toVersion13,
} from '../core/plan/upgrade'
import { issuesOf, pathText, z, type Issue } from '../core/quantity/z'

export type PlanFileResult =
  | {
      readonly ok: true
      readonly plan: Plan
      /** Figures that were out of bounds and are now the nearest that can be worked with. */
      readonly adjusted: readonly Issue[]
    }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** Larger than any plan can be, bytes. */
const largestFileBytes = 8_000_000

const headerSchema = z.looseObject({ format: z.literal(planFormat), version: z.int().min(1) })

/** Steps from one version to the next, keyed by the version they start from. */
const upgrades = new Map<number, (document: object) => object>([
  [1, toVersion2],
  [2, toVersion3],
  [3, toVersion4],
  [4, toVersion5],
  [5, toVersion6],
  [6, toVersion7],
  [7, toVersion8],
  [8, toVersion9],
  [9, toVersion10],
  [10, toVersion11],
  [11, toVersion12],
  [12, toVersion13],
])

/** Keys that could reach an object's prototype: never part of a plan. */
const forbiddenKeys = new Set(['__proto__', 'constructor', 'prototype'])

/** The plan file as a JSON Schema (draft 2020-12), for programs that write or check one. */
export const planJsonSchema = (): object => ({
  title: `${planFormat}, version ${String(planVersion)}`,
  ...z.toJSONSchema(planSchema, { io: 'input' }),
})

/** Writes a plan as its file: JSON, indented, so that two versions can be compared line by line. */
export const writePlanFile = (plan: Plan): string => `${JSON.stringify(plan, null, 2)}\n`

/** A refusal for a file that need not even be read, or `undefined`. */
export const refuseTooLarge = (bytes: number): PlanFileResult | undefined =>
  bytes > largestFileBytes
    ? refused('', `The file is larger than ${String(largestFileBytes / 1e6)} MB: no plan is`)
    : undefined

/** Reads a plan file whole or not at all; what is wrong is named by its path. */
export function readPlanFile(text: string): PlanFileResult {
  const tooLarge = refuseTooLarge(text.length)
  if (tooLarge !== undefined) return tooLarge
  if (text.trim() === '') return refused('', 'The file is empty')
  let document: unknown
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return refused(
      '',
      `Not a plan, or cut short: ${error instanceof Error ? error.message : 'no JSON'}`,
    )
  }
  return readPlan(document)
}

/** The same for a document that is parsed already, such as one from the browser's store. */
export function readPlan(document: unknown): PlanFileResult {
  const forbidden = findForbidden(document, [])
  if (forbidden !== undefined) return refused(forbidden, 'This key cannot be part of a plan')

  const header = headerSchema.safeParse(document)
  if (!header.success)
    return refused(
      '',
      `Not a plan of this program: it has no "format": "${planFormat}" with a version`,
    )
  const { version } = header.data
  if (version > planVersion)
    return refused(
      'version',
      `The plan is of version ${String(version)}, this program reads up to ${String(planVersion)}: open it with a newer one`,
    )
  let current: object = header.data
  for (let from = version; from < planVersion; from += 1)
    current = upgrades.get(from)?.(current) ?? current

  const { lines } = header.data
  if (Array.isArray(lines) && lines.length > mostLines)
    return refused(
      'lines',
      `${String(lines.length)} lines; a plan holds at most ${String(mostLines)}. Split it into several`,
    )
  const { parsed, adjusted } = withinBounds(current)
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  const issues = referenceIssues(parsed.data)
  if (issues.length > 0) return { ok: false, issues }
  return {
    ok: true,
    // They stay marked in the plan until somebody has looked at them.
    plan: { ...parsed.data, adjusted: [...parsed.data.adjusted, ...adjusted].slice(-mostAdjusted) },
    adjusted: adjusted.map(adjustedIssue),
  }
}

interface Bounded {
  readonly parsed: ReturnType<typeof planSchema.safeParse>
  readonly adjusted: readonly AdjustedFigure[]
}

const adjustedIssue = ({ path, was, now, why }: AdjustedFigure): Issue => ({
  path: pathText(path),
  message: `was ${String(was)}, is now ${String(now)}: ${why}`,
})

/** The checked document. Figures that older versions took and no sum can work with become the nearest that will do. */
function withinBounds(document: object): Bounded {
  let parsed = planSchema.safeParse(document)
  const adjusted: AdjustedFigure[] = []
  // Twice: bounds that depend on each other are only looked at once each figure is within its own.
  for (let round = 0; round < 2 && !parsed.success; round += 1) {
    const mended = structuredClone(document)
    for (const issue of parsed.error.issues) {
      const holder = valueAt(mended, issue.path.slice(0, -1))
      const key = issue.path.at(-1)
      const nearest = nearestTo(issue)
      if (typeof holder !== 'object' || holder === null || key === undefined) continue
      const own = Reflect.get(holder, key) as unknown
      if (nearest === undefined || typeof own !== 'number' || own <= 0) continue
      Reflect.set(holder, key, nearest)
      adjusted.push({
        path: lastingPath(mended, issue.path),
        was: own,
        now: nearest,
        why: issue.message.slice(0, 400),
      })
    }
    if (adjusted.length === 0) break
    document = mended
    parsed = planSchema.safeParse(document)
  }
  return { parsed, adjusted }
}

function nearestTo(issue: z.core.$ZodIssue): number | undefined {
  if (issue.code === 'too_small')
    return issue.origin === 'number' && Number(issue.minimum) > 0
      ? Number(issue.minimum)
      : undefined
  // Offcuts of strip once had no upper bound.
  if (issue.code === 'too_big' && issue.path[0] === 'offcuts' && issue.path.at(-1) === 'lengthMm')
    return Number(issue.maximum)
  const nearest: unknown = issue.code === 'custom' ? issue.params?.nearest : undefined
  return typeof nearest === 'number' ? nearest : undefined
}

const refused = (path: string, message: string): PlanFileResult => ({
  ok: false,
  issues: [{ path, message }],
})

/** Ids that point to nothing, and ids used twice. */
function referenceIssues(plan: Plan): Issue[] {
  const parts = partsOf(plan.own)
  const strips = new Set(parts.strips.map((strip) => strip.id))
  const supplies = new Set(parts.supplies.map((supply) => supply.id))
  const boards = new Set(['auto', ...parts.boards.map((board) => board.id)])
  const lines = new Set(plan.lines.map(({ id }) => id))
  const slots = new Set(plan.supplies.map((slot) => slot.id))
  const sources = new Set([...slots, ...plan.junctions.map(({ id }) => id)])
  const gauges = new Set(wires.map(({ id }) => id))
  const missing = (path: string, kind: string, id: string): Issue => ({
    path,
    message: `“${id}” is no ${kind} that ships, nor one of the plan’s own`,
  })
  /** A lead's gauge, and where it comes from. */
  const leadIssues = (
    path: string,
    lead: { wire?: string | undefined; from?: string | undefined },
  ): Issue[] => [
    ...(lead.wire === undefined || gauges.has(lead.wire)
      ? []
      : [{ path: `${path}.wire`, message: `“${lead.wire}” is no gauge` }]),
    ...(lead.from === undefined || sources.has(lead.from)
      ? []
      : [
          { path: `${path}.from`, message: `“${lead.from}” is no supply or junction of this plan` },
        ]),
  ]
  return [
    ...leadIssues('defaults', { wire: plan.defaults.wire }),
    ...leadIssues('wiring', { wire: plan.wiring.dataWire }),
    ...(boards.has(plan.signal.board) ? [] : [missing('signal.board', 'board', plan.signal.board)]),
    ...(diodes.some(({ id }) => id === plan.signal.diode)
      ? []
      : [{ path: 'signal.diode', message: `“${plan.signal.diode}” is no diode that ships` }]),
    ...laneIssues(plan, lines),
    ...plan.lines.flatMap(({ lights }, index) =>
      lights === undefined || parts.lights.some(({ id }) => id === lights.part)
        ? []
        : [missing(`lines[${String(index)}].lights.part`, 'single light', lights.part)],
    ),
    ...plan.lines.flatMap(({ mount, sheet }, index) => [
      ...(mount?.profile === undefined || profileOf(plan.own, mount.profile) !== undefined
        ? []
        : [missing(`lines[${String(index)}].mount.profile`, 'profile', mount.profile)]),
      ...(sheet === undefined || sheetMaterialOf(sheet.material) !== undefined
        ? []
        : [missing(`lines[${String(index)}].sheet.material`, 'sheet material', sheet.material)]),
    ]),
    ...plan.supplies.flatMap(({ powerSwitch = 'auto' }, index) =>
      ['auto', 'none', ...powerSwitches.map(({ id }) => id)].includes(powerSwitch)
        ? []
        : [
            {
              path: `supplies[${String(index)}].powerSwitch`,
              message: `“${powerSwitch}” is no switch that ships`,
            },
          ],
    ),
    ...plan.junctions.flatMap((junction, index) =>
      leadIssues(`junctions[${String(index)}]`, junction),
    ),
    ...plan.lines.flatMap(({ feeds = [] }, index) =>
      feeds.flatMap((feed, at) => leadIssues(`lines[${String(index)}].feeds[${String(at)}]`, feed)),
    ),
    ...plan.lines.flatMap(({ feeds = [], node }, index) => [
      ...twice(`lines[${String(index)}].feeds`, feeds),
      ...twice(`lines[${String(index)}].node.parts`, node?.parts ?? []),
    ]),
    ...circles(plan),
    ...(strips.has(plan.defaults.stripId)
      ? []
      : [missing('defaults.stripId', 'strip', plan.defaults.stripId)]),
    ...plan.lines.flatMap(({ stripId, supplyId }, index) => [
      ...(stripId === undefined || strips.has(stripId)
        ? []
        : [missing(`lines[${String(index)}].stripId`, 'strip', stripId)]),
      ...(supplyId === undefined || slots.has(supplyId)
        ? []
        : [
            {
              path: `lines[${String(index)}].supplyId`,
              message: `“${supplyId}” is no supply of this plan`,
            },
          ]),
    ]),
    ...plan.offcuts.flatMap(({ stripId }, index) =>
      strips.has(stripId) ? [] : [missing(`offcuts[${String(index)}].stripId`, 'strip', stripId)],
    ),
    ...plan.supplies.flatMap(({ part }, index) =>
      part === 'auto' || supplies.has(part)
        ? []
        : [missing(`supplies[${String(index)}].part`, 'supply', part)],
    ),
    ...(
      [
        ['lines', plan.lines],
        ['supplies', plan.supplies],
        ['offcuts', plan.offcuts],
        ['junctions', plan.junctions],
        ['bench.furniture', plan.bench.furniture],
        ['signal.lanes', plan.signal.lanes],
        ['signal.inputs', plan.signal.inputs],
        ['buy.lines', plan.buy.lines],
        ['own.boards', plan.own.boards],
        ['own.lights', plan.own.lights],
        ['own.strips', plan.own.strips],
        ['own.supplies', plan.own.supplies],
      ] as const
    ).flatMap(([path, items]) => twice(path, items)),
  ]
}

/** Lanes that name lines which are not there, or one twice. */
function laneIssues({ signal }: Plan, lines: ReadonlySet<string>): Issue[] {
  const seen = new Set<string>()
  return signal.lanes.flatMap((lane, index) =>
    lane.lines.flatMap((id, at) => {
      const path = `signal.lanes[${String(index)}].lines[${String(at)}]`
      const isTwice = seen.has(id)
      seen.add(id)
      if (isTwice) return [{ path, message: `“${id}” hangs on a lane already` }]
      return lines.has(id) ? [] : [{ path, message: `“${id}” is no line of this plan` }]
    }),
  )
}

/** Junctions that feed each other in a ring hang on no supply. */
function circles({ junctions }: Plan): Issue[] {
  const before = new Map(junctions.map(({ id, from }) => [id, from]))
  return junctions.flatMap(({ id, name }, index) => {
    let from = before.get(id)
    for (let step = 0; step < junctions.length && from !== undefined; step += 1) {
      if (from === id)
        return [{ path: `junctions[${String(index)}].from`, message: `“${name}” feeds itself` }]
      from = before.get(from)
    }
    return []
  })
}

function twice(path: string, items: readonly { readonly id: string }[]): Issue[] {
  const seen = new Set<string>()
  return items.flatMap(({ id }, index) => {
    if (seen.has(id))
      return [{ path: `${path}[${String(index)}].id`, message: `“${id}” is used twice` }]
    seen.add(id)
    return []
  })
}

/** Path of the first forbidden key; walks without recursion deeper than a plan can be. */
function findForbidden(value: unknown, path: readonly PropertyKey[]): string | undefined {
  if (typeof value !== 'object' || value === null || path.length > 12) return undefined
  for (const key of Object.keys(value)) {
    const here = [...path, Array.isArray(value) ? Number(key) : key]
    if (forbiddenKeys.has(key)) return pathText(here)
    const found = findForbidden((value as Record<string, unknown>)[key], here)
    if (found !== undefined) return found
  }
  return undefined
}
