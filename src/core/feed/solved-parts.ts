import { Kept } from '../quantity/kept'
import type { Network, NetworkRun } from './network'
import type { SolveResult } from './solution'

/** What is remembered, bytes, about; twice as much at the most. */
const mostRemembered = 12_000_000
/** A solved part: its frame, and its volts at each load. */
const [bytesAPart, bytesALoad] = [600, 24]

/**
 * Remembers the parts of the networks that were solved last, by all that goes into them: after an edit of one run only its own part is
 * solved again.
 */
export class SolvedParts {
  private recent = new Map<string, SolveResult>()
  private before = new Map<string, SolveResult>()
  private bytes = 0
  /** … of a run that is a part by itself, for as long as it is the same object. */
  private ofRun = new Kept<NetworkRun, SolveResult>()

  recall(part: Network, work: (part: Network) => SolveResult): SolveResult {
    // Brightness pixel by pixel changes with every frame: there is nothing to remember.
    if (part.runs.some(({ duties }) => duties !== undefined)) return work(part)
    const [run] = part.runs
    if (run === undefined || part.runs.length > 1) return this.byText(part, work)
    const inputs = [
      part.supplies.length,
      ...part.supplies.flatMap(({ id, volts }) => [id, volts]),
      ...part.leads.flatMap(({ from, to, plusOhm, minusOhm }) => [from, to, plusOhm, minusOhm]),
    ]
    return this.ofRun.get(run, inputs, () => this.byText(part, work))
  }

  private byText(part: Network, work: (part: Network) => SolveResult): SolveResult {
    const key = JSON.stringify(part)
    const known = this.recent.get(key)
    if (known !== undefined) return known
    const result = this.before.get(key) ?? work(part)
    const loads = part.runs.reduce((sum, run) => sum + run.loads, 0)
    this.bytes += key.length + bytesAPart + bytesALoad * loads
    if (this.bytes > mostRemembered) {
      // What was not asked for since the last time is forgotten.
      this.before = this.recent
      this.recent = new Map()
      this.bytes = 0
    }
    this.recent.set(key, result)
    return result
  }

  /** Begins anew, as at the start of the program. */
  forget(): void {
    this.recent = new Map()
    this.before = new Map()
    this.bytes = 0
    this.ofRun = new Kept()
  }
}

/** The one memory of the feeds of plans, and of single runs that are tried in other ways. */
export const solvedParts = new SolvedParts()
