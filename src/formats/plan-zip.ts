import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { Plan } from '../core/plan/plan'
import { readPlanFile, writePlanFile, type PlanFileResult } from './plan-file'

/** A photo of the build or of a note, as a JPEG. */
export interface PlanPhoto {
  readonly id: string
  readonly bytes: Uint8Array
}

export type PlanZipResult =
  | (Extract<PlanFileResult, { ok: true }> & {
      readonly photos: readonly PlanPhoto[]
      /** Files that belong to no plan, and were left where they are. */
      readonly leftOut: readonly string[]
    })
  | Extract<PlanFileResult, { ok: false }>

const planName = 'plan.json'
const photoFolder = 'photos/'
const photoEnding = '.jpg'

/** Unpacked: one photo, and everything. What packs better than that is no plan of ours. */
const largestPhotoBytes = 10_000_000
const largestBytes = 300_000_000

/** Ids of all photos that a plan's log and notes have. */
export const photosOf = ({ build, notes }: Pick<Plan, 'build' | 'notes'>): string[] =>
  [...build.log, ...notes].flatMap(({ photos }) => photos)

/** The plan and the photos of its build as one zip: `plan.json`, and `photos/ID.jpg`. */
export function writePlanZip(plan: Plan, photos: readonly PlanPhoto[]): Uint8Array {
  return zipSync(
    {
      [planName]: strToU8(writePlanFile(plan)),
      // A JPEG does not get smaller.
      ...Object.fromEntries(
        photos.map(({ id, bytes }) => [
          `${photoFolder}${id}${photoEnding}`,
          [bytes, { level: 0 }] as [Uint8Array, { level: 0 }],
        ]),
      ),
    },
    { level: 6 },
  )
}

/** Whether the bytes are those of a zip, whatever the file is called. */
export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4

export const isJpeg = (bytes: Uint8Array): boolean =>
  bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff

/** Reads a zip whole or not at all; only the plan and photos that it names are taken, whatever else is in it. */
export function readPlanZip(bytes: Uint8Array): PlanZipResult {
  const leftOut: string[] = []
  let [unpacked, tooLarge] = [0, '']
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const isOurs =
          name === planName || (name.startsWith(photoFolder) && name.endsWith(photoEnding))
        if (!isOurs || name.includes('..')) {
          if (!name.endsWith('/')) leftOut.push(name)
          return false
        }
        unpacked += originalSize
        if ((name !== planName && originalSize > largestPhotoBytes) || unpacked > largestBytes) {
          tooLarge = name
          return false
        }
        return true
      },
    })
  } catch {
    return refused('', 'The zip is damaged: export the plan again where it came from')
  }
  if (tooLarge !== '')
    return refused(tooLarge, `It is larger unpacked than any photo of a plan: the zip was not read`)
  const text = files[planName]
  if (text === undefined)
    return refused('', `There is no ${planName} in the zip: it is no plan with photos`)
  const read = readPlanFile(strFromU8(text))
  if (!read.ok) return read
  const wanted = new Set(photosOf(read.plan))
  const photos: PlanPhoto[] = []
  for (const [name, own] of Object.entries(files)) {
    if (name === planName) continue
    const id = name.slice(photoFolder.length, -photoEnding.length)
    if (wanted.has(id) && isJpeg(own)) photos.push({ id, bytes: own })
    else leftOut.push(name)
  }
  return { ...read, photos, leftOut }
}

const refused = (path: string, message: string): Extract<PlanZipResult, { ok: false }> => ({
  ok: false,
  issues: [{ path, message }],
})
