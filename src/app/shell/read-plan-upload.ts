import type { PlanZipResult } from '../../formats/plan-zip'

/** No plan with its photos is larger. */
const largestZipBytes = 200_000_000

/** Why a file that was chosen may not be readable any more. */
export const unreadText =
  'The browser could not read it. Was it moved, renamed or changed meanwhile? Choose it again'

const refused = (message: string): PlanZipResult => ({ ok: false, issues: [{ path: '', message }] })

const refuseLargeZip = (bytes: number): PlanZipResult | undefined =>
  bytes > largestZipBytes
    ? refused('The zip is larger than 200 MB: no plan with photos is')
    : undefined

/** Whole, or `undefined` where the browser cannot read it any more. */
const bytesOf = (part: Blob): Promise<Uint8Array | undefined> =>
  part.arrayBuffer().then(
    (buffer) => new Uint8Array(buffer),
    () => undefined,
  )

/** Reads a plan that was chosen or dropped: the file alone, or with the photos of its build as a zip. */
export async function readPlanUpload(file: File): Promise<PlanZipResult> {
  const [{ isZip, readPlanZip }, { readPlanFile, refuseTooLarge }] = await Promise.all([
    import('../../formats/plan-zip'),
    import('../../formats/plan-file'),
  ])
  const start = await bytesOf(file.slice(0, 4))
  const isPacked = start !== undefined && isZip(start)
  const tooLarge = isPacked ? refuseLargeZip(file.size) : refuseTooLarge(file.size)
  if (tooLarge?.ok === false) return tooLarge
  const bytes = await bytesOf(file)
  if (bytes === undefined) return refused(unreadText)
  if (isPacked) return readPlanZip(bytes)
  const read = readPlanFile(new TextDecoder().decode(bytes))
  return read.ok ? { ...read, photos: [], leftOut: [] } : read
}
