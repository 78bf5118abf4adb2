import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { ownPriceSchema } from '../core/plan/buy'
import type { OwnPrice, Plan } from '../core/plan/plan'
import {
  boardSchema,
  idSchema,
  lightPartSchema,
  profileSchema,
  stripSchema,
  supplyPartSchema,
} from '../core/plan/parts'
import { issuesOf, z, type Issue } from '../core/quantity/z'
import { drawerItemSchema } from './drawer-file'
import { readPlan } from './plan-file'
import { isJpeg, isZip, type PlanPhoto } from './plan-zip'

const backupFormat = 'glow-tally backup'
const indexName = 'backup.json'
const planPath = (id: string): string => `plans/${id}.json`
const snapshotPath = (id: string): string => `snapshots/${id}.json`
const photoPath = (id: string): string => `photos/${id}.jpg`

/** Unpacked: one file, and everything. */
const [largestFileBytes, largestBytes] = [10_000_000, 1_000_000_000]

const partSchema = z.discriminatedUnion('kind', [
  z.strictObject({ id: idSchema, kind: z.literal('strip'), part: stripSchema }),
  z.strictObject({ id: idSchema, kind: z.literal('supply'), part: supplyPartSchema }),
  z.strictObject({ id: idSchema, kind: z.literal('board'), part: boardSchema }),
  z.strictObject({ id: idSchema, kind: z.literal('light'), part: lightPartSchema }),
  z.strictObject({ id: idSchema, kind: z.literal('profile'), part: profileSchema }),
])

const indexSchema = z.strictObject({
  format: z.literal(backupFormat, `“${backupFormat}” is expected: this is no backup`),
  version: z.literal(1, 'version 1 is expected; a newer backup needs a newer program'),
  plans: z
    .array(
      z.strictObject({
        id: idSchema,
        changedAt: z.number(),
        tags: z.array(z.string().max(60)).max(20),
        isExample: z.boolean(),
        photos: z.array(idSchema).max(10_000),
        /** Older backups have none. */
        snapshots: z
          .array(z.strictObject({ id: idSchema, name: z.string().max(200), at: z.number() }))
          .max(1_000)
          .default([]),
      }),
    )
    .max(10_000),
  parts: z.array(partSchema).max(5_000),
  drawer: z.array(drawerItemSchema.extend({ id: idSchema })).max(5_000),
  prices: z.array(ownPriceSchema).max(5_000),
})
type Index = z.infer<typeof indexSchema>

export interface BackupPlan {
  readonly id: string
  /** ms since 1970 */
  readonly changedAt: number
  readonly tags: readonly string[]
  readonly isExample: boolean
  readonly plan: Plan
  readonly photos: readonly PlanPhoto[]
  /** The plan as it once was; `at` in ms since 1970. */
  readonly snapshots: readonly {
    readonly id: string
    readonly name: string
    readonly at: number
    readonly plan: Plan
  }[]
}

/** Everything that is kept on a device. */
export interface Backup {
  readonly plans: readonly BackupPlan[]
  readonly parts: Index['parts']
  readonly drawer: Index['drawer']
  readonly prices: readonly OwnPrice[]
}

export type BackupResult =
  | {
      readonly ok: true
      readonly backup: Backup
      /** Plans in it that cannot be read, with the reason. */
      readonly leftOut: readonly Issue[]
    }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** Everything as one zip: an index, each plan as its own file, and the photos. */
export function writeBackup({ plans, parts, drawer, prices }: Backup): Uint8Array {
  const index: Index = {
    format: backupFormat,
    version: 1,
    plans: plans.map(({ id, changedAt, tags, isExample, photos, snapshots }) => ({
      id,
      changedAt,
      tags: [...tags],
      isExample,
      photos: photos.map((photo) => photo.id),
      snapshots: snapshots.map(({ id: own, name, at }) => ({ id: own, name, at })),
    })),
    parts,
    drawer,
    prices: [...prices],
  }
  const text = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 2)}\n`)
  return zipSync(
    {
      [indexName]: text(index),
      ...Object.fromEntries(plans.map(({ id, plan }) => [planPath(id), text(plan)])),
      ...Object.fromEntries(
        plans.flatMap(({ snapshots }) =>
          snapshots.map(({ id, plan }) => [snapshotPath(id), text(plan)]),
        ),
      ),
      ...Object.fromEntries(
        plans.flatMap(({ photos }) =>
          // A JPEG does not get smaller.
          photos.map(({ id, bytes }) => [
            photoPath(id),
            [bytes, { level: 0 }] as [Uint8Array, { level: 0 }],
          ]),
        ),
      ),
    },
    { level: 6 },
  )
}

const refused = (message: string): BackupResult => ({ ok: false, issues: [{ path: '', message }] })

/** Reads a backup; a plan in it that cannot be read is left out and named, the others come. */
export function readBackup(bytes: Uint8Array): BackupResult {
  if (!isZip(bytes)) return refused('This is no backup: a zip is expected')
  let files: Record<string, Uint8Array>
  let unpacked = 0
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpacked += originalSize
        return originalSize <= largestFileBytes && unpacked <= largestBytes && !name.includes('..')
      },
    })
  } catch {
    return refused('The backup is damaged: take another copy of it')
  }
  const index = files[indexName]
  if (index === undefined) return refused(`There is no ${indexName} in the zip: it is no backup`)
  const parsed = indexSchema.safeParse(json(index))
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  const { plans, ...rest } = parsed.data
  const leftOut: Issue[] = []
  /** A plan file of the zip; one that cannot be read is noted among those that are left out. */
  const planAt = (path: string): Plan | undefined => {
    const file = files[path]
    const result = file === undefined ? undefined : readPlan(json(file))
    if (result?.ok === true) return result.plan
    const [first] = result?.issues ?? []
    leftOut.push({
      path,
      message: first === undefined ? 'is missing' : `${first.path} ${first.message}`.trim(),
    })
    return undefined
  }
  const read = plans.flatMap(({ photos, snapshots, ...entry }): BackupPlan[] => {
    const plan = planAt(planPath(entry.id))
    if (plan === undefined) return []
    return [
      {
        ...entry,
        plan,
        snapshots: snapshots.flatMap((one) => {
          const then = planAt(snapshotPath(one.id))
          return then === undefined ? [] : [{ ...one, plan: then }]
        }),
        photos: photos.flatMap((id) => {
          const own = files[photoPath(id)]
          return own !== undefined && isJpeg(own) ? [{ id, bytes: own }] : []
        }),
      },
    ]
  })
  const { parts, drawer, prices } = rest
  return { ok: true, backup: { plans: read, parts, drawer, prices }, leftOut }
}

function json(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(bytes))
  } catch {
    return undefined
  }
}
