/** Runs at most that one line becomes. */
export const mostRuns = 99

/** A name, from which number to which, and what each of them is. */
const fromTo = /^(?<name>[^"]*\S)\s+(?<from>\d{1,2})\s+to\s+(?<to>\d{1,2})\s+(?<rest>\S.*)$/

/**
 * Texts of the runs that a line stands for, each a run with a lead of its own; `undefined` where it is one run.
 *
 * @example runsFromTo('tier 1 to 3 1040') // ['tier 1 1040', 'tier 2 1040', 'tier 3 1040']
 */
export function runsFromTo(text: string): string[] | undefined {
  const { name, from, to, rest } = fromTo.exec(text.trim())?.groups ?? {}
  if (name === undefined || rest === undefined) return undefined
  const [first, last] = [Number(from), Number(to)]
  if (last <= first || last - first >= mostRuns) return undefined
  return Array.from(
    { length: last - first + 1 },
    (_, index) => `${name} ${String(first + index)} ${rest}`,
  )
}
