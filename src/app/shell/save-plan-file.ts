import type { Plan } from '../../core/plan/plan'
import type { PlanShelf } from '../storage/plans'
import { saveBlob, saveText } from './save-text'

/** Hands a plan to the browser as a file: with photos of its build as a zip. */
export async function savePlanFile(plan: Plan, shelf: PlanShelf): Promise<void> {
  if (plan.build.log.some(({ photos }) => photos.length > 0)) {
    const { photosOf, writePlanZip } = await import('../../formats/plan-zip')
    // Where the store is out of order the plan itself still goes out.
    const photos = await shelf.photos(photosOf(plan)).catch(() => [])
    if (photos.length > 0) {
      const zip = writePlanZip(plan, photos)
      saveBlob(`${plan.name}.zip`, new Blob([zip as BlobPart], { type: 'application/zip' }))
      return
    }
  }
  const { writePlanFile } = await import('../../formats/plan-file')
  saveText(`${plan.name}.json`, writePlanFile(plan), 'application/json')
}

/** … and what is stored of one that cannot be read, as it is. */
export const saveRawPlan = (name: string, document: unknown): void => {
  saveText(`${name} as stored.json`, `${JSON.stringify(document, null, 2)}\n`, 'application/json')
}
