import { readdirSync, readFileSync } from 'node:fs'

const folder = new URL('../../demo/', import.meta.url)

/** Names of the demo plans, as `tally --demo` takes them. */
export const demoNames = (): string[] =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.slice(0, -'.json'.length))
    .toSorted()

/** The file of a demo plan, or `undefined` where there is none of that name. */
export const demoText = (name: string): string | undefined =>
  demoNames().includes(name) ? readFileSync(new URL(`${name}.json`, folder), 'utf8') : undefined
