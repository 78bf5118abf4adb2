import type { Plan } from '../../core/plan/plan'
import { saveText } from './save-text'

/** Hands a plan to the browser as a file. */
export async function savePlanFile(plan: Plan): Promise<void> {
  const { writePlanFile } = await import('../../formats/plan-file')
  saveText(`${plan.name}.json`, writePlanFile(plan), 'application/json')
}

/** … and what is stored of one that cannot be read, as it is. */
export const saveRawPlan = (name: string, document: unknown): void => {
  saveText(`${name} as stored.json`, `${JSON.stringify(document, null, 2)}\n`, 'application/json')
}
