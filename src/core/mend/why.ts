import { formatQuantity, plural } from '../quantity/format'
import type { Candidate, Diagnosis } from './diagnose'
import { isReadingOf, type Seen } from './seen'
import { symptoms } from './symptoms'

/** Why a fault is suspected, or hardly is: a sentence each. */
export function whyOf(diagnosis: Diagnosis, candidate: Candidate, seen: Seen): readonly string[] {
  const { fault, look, facts } = candidate
  const why: string[] = []
  const { fits, painted } = diagnosis.fit(candidate, seen)
  if (painted > 0)
    why.push(
      fits === painted
        ? `goes with all ${plural(painted, 'light')} that ${painted === 1 ? 'is' : 'are'} painted`
        : `goes with ${String(fits)} of ${plural(painted, 'light')} that are painted`,
    )
  for (const reading of seen.readings) {
    const index = diagnosis.stage.points.findIndex((point) => isReadingOf(point, reading))
    const point = diagnosis.stage.points[index]
    if (point === undefined) continue
    const unit = point.what === 'volts' ? 'V' : 'A'
    why.push(
      `${formatQuantity(reading.value, unit)} read, ${formatQuantity(look.values.get(index) ?? point.value, unit)} expected with it, ${point.text}`,
    )
  }
  for (const name of seen.words) {
    const symptom = symptoms.find((one) => one.name === name)
    if (symptom !== undefined)
      why.push(
        `“${symptom.text}” ${symptom.fits(fault, facts) ? 'goes with it' : 'does not go with it'}`,
      )
  }
  return [...why, ...fault.reasons]
}
