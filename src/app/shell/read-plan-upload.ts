import type { PlanZipResult } from '../../formats/plan-zip'

/** No plan with its photos is larger. */
const largestZipBytes = 200_000_000

/** Reads a plan that was chosen or dropped: the file alone, or with the photos of its build as a zip. */
export async function readPlanUpload(file: File): Promise<PlanZipResult> {
  const { isZip, readPlanZip } = await import('../../formats/plan-zip')
  if (isZip(new Uint8Array(await file.slice(0, 4).arrayBuffer())))
    return file.size > largestZipBytes
      ? {
          ok: false,
          issues: [{ path: '', message: 'The zip is larger than 200 MB: no plan with photos is' }],
        }
      : readPlanZip(new Uint8Array(await file.arrayBuffer()))
  const { readPlanFile, refuseTooLarge } = await import('../../formats/plan-file')
  const read = refuseTooLarge(file.size) ?? readPlanFile(await file.text())
  return read.ok ? { ...read, photos: [], leftOut: [] } : read
}
