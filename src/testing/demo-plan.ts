import { readFileSync } from 'node:fs'
import { readPlanFile } from '../formats/plan-file'
import type { Plan } from '../core/plan/plan'

/** A demo plan, for tests. */
export function demoPlan(name: string): Plan {
  const read = readPlanFile(
    readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8'),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  return read.plan
}
