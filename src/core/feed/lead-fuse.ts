import type { Lead } from '../route/lead'
import { fuseFor } from './fuse'
import { listed } from '../quantity/listed'

/**
 * What each lead would carry if its runs drew their nominal current: a run's is shared out as its solved current is, evenly where that is
 * nothing, and a junction's lead carries what hangs on the junction (handbook 3, fuse).
 *
 * @param solvedA through each of the leads, A
 */
export function nominalAmperes(
  leads: readonly Lead[],
  solvedA: readonly number[],
  nominalOf: (run: string) => number,
): number[] {
  const all = new Map<string, { solvedA: number; count: number }>()
  const below = new Map<string, number[]>()
  for (const [index, { to, from }] of leads.entries()) {
    listed(below, from).push(index)
    if (to.kind !== 'run') continue
    const { solvedA: sum, count } = all.get(to.run) ?? { solvedA: 0, count: 0 }
    all.set(to.run, { solvedA: sum + (solvedA[index] ?? 0), count: count + 1 })
  }
  const found = new Map<number, number>()
  const through = (index: number): number => {
    const known = found.get(index)
    if (known !== undefined) return known
    // Junctions that hang on each other in a circle carry nothing.
    found.set(index, 0)
    const to = leads[index]?.to
    let sum = 0
    if (to?.kind === 'junction')
      for (const child of below.get(to.junction) ?? []) sum += through(child)
    else if (to?.kind === 'run') {
      const { solvedA: allA = 0, count = 1 } = all.get(to.run) ?? {}
      sum = nominalOf(to.run) * (allA > 1e-9 ? (solvedA[index] ?? 0) / allA : 1 / count)
    }
    found.set(index, sum)
    return sum
  }
  return leads.map((_, index) => through(index))
}

/** What a lead's fuse is, A: as it was set, or the one that fits; `null` where none does. */
export const leadFuse = ({
  lead,
  fuseLoadA,
}: {
  readonly lead: Lead
  readonly fuseLoadA: number
}): number | 'none' | null => (lead.fuse === 'auto' ? fuseFor(fuseLoadA, lead.limitA) : lead.fuse)
