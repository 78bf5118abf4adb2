import type { LitRun } from './lights'

/** Whether the program can light each of them, and each of their colours, by itself. */
export const hasOwnPins = ({ settings: { drive } }: Pick<LitRun, 'settings'>): boolean =>
  drive !== 'always' && drive !== 'switch'

/** What each colour draws at full of what all of them do together, 0–1. */
export function colourShares({ colours }: Pick<LitRun, 'colours'>): number[] {
  const all = colours.reduce((sum, { stringA }) => sum + stringA, 0)
  return colours.map(({ stringA }) => (all > 0 ? stringA / all : 1 / colours.length))
}

/** What a group of a run is called: `light 3`, or `light 2 red` where lights have several colours. */
export const groupName = (lit: Pick<LitRun, 'colours'>, group: number): string =>
  `light ${groupNumber(lit, group)}`

/** … without saying that it is a light. */
export function groupNumber({ colours }: Pick<LitRun, 'colours'>, group: number): string {
  const { length } = colours
  const colour = colours[group % length]?.name ?? ''
  return `${String(Math.floor(group / length) + 1)}${colour === '' ? '' : ` ${colour}`}`
}

/** Lights, or groups of them in series, whatever colours they have. */
export const groupCount = ({ strings, colours }: Pick<LitRun, 'strings' | 'colours'>): number =>
  strings / colours.length

/** Legs that a light is soldered by. */
export const legCount = ({ colours }: Pick<LitRun, 'colours'>): number => colours.length + 1
