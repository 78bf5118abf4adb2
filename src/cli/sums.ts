import { networkIssues, networkSchema } from '../core/feed/network-schema'
import { solve } from '../core/feed/solve'
import { issuesOf } from '../core/quantity/z'
import { sums } from '../core/sums'
import { solutionJson } from '../formats/solution-json'
import { BadInput, fail, json } from './output'

export function solutionOf(given: unknown, file: string, options: { volts?: boolean }): string {
  const parsed = networkSchema.safeParse(given)
  const issues = parsed.success ? networkIssues(parsed.data) : issuesOf(parsed.error)
  if (!parsed.success || issues.length > 0) fail(file, issues)
  const result = solve(parsed.data)
  if (!result.ok)
    throw new BadInput(
      `${file}: no answer (${result.reason}, ${String(result.residualA)} A left over): look for a supply on a short, or ohms far apart`,
    )
  return json(solutionJson(result.solution, options.volts === true))
}

/** @param given reads what the sum is to work with: only once there is such a sum */
export function sumJson(name: string, given: () => unknown): string {
  const sum = sums.find((candidate) => candidate.name === name)
  if (sum === undefined)
    throw new BadInput(
      `${name}: no sum of that name; there are ${sums.map((candidate) => candidate.name).join(', ')}`,
    )
  const result = sum.work(given())
  if (!result.ok) fail(name, result.issues)
  return json(result.answer)
}
