import { CommanderError } from 'commander'
import { BadInput } from './output'

/** A number above 0 that was given with an option. */
export function numberOption(
  name: string,
  text: string | undefined,
  most: number,
): number | undefined {
  if (text === undefined) return undefined
  const value = Number(text)
  if (!(value > 0 && value <= most))
    throw new BadInput(`--${name}: “${text}” is not a number above 0 and up to ${String(most)}`)
  return value
}

/** The name itself where it is one of these, or an error that lists them. */
export const oneOf = <Name extends string>(
  names: readonly Name[],
  what: string,
  name: string,
): Name =>
  kindOf(Object.fromEntries(names.map((one) => [one, one])) as Record<string, Name>, what, name)

/** The one of that name, or an error that lists those there are. */
export function kindOf<Kind>(
  kinds: Readonly<Record<string, Kind>>,
  what: string,
  name: string,
): Kind {
  const found = kinds[name]
  if (found === undefined)
    throw new CommanderError(
      2,
      'glow.usage',
      `error: no ${what} ${name}; there is ${Object.keys(kinds).join(', ')}`,
    )
  return found
}
