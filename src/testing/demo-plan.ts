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

/** The names of all demo plans. */
export const demoNames = [
  'bay-window-nook',
  'pegboard-moon',
  'wardrobe-rails',
  'paper-lanterns',
  'firefly-jar',
  'toy-harbour',
  'wall-of-jars',
] as const
