import { readColour, screenColour } from '../../core/glow/colour'
import { patternOf } from '../../core/glow/patterns'
import type { Plan, ShowLayer } from '../../core/plan/plan'

/** The pattern of a layer by its name; one that is not known here by what the plan calls it. */
export const patternName = ({ pattern }: ShowLayer): string =>
  patternOf(pattern)?.name ?? `“${pattern}”, not known here`

/** Where a layer plays: `seat front, crown`. */
export function placeText({ on }: ShowLayer, runs: ReadonlyMap<string, string>): string {
  if (on === 'all') return 'everything'
  if ('zone' in on) return 'part of the room'
  if ('lanes' in on) return on.lanes.join(', ')
  const names = on.runs.flatMap((id) => runs.get(id) ?? [])
  if (names.length === 0) return 'nothing that is there'
  return names.length > 3
    ? `${names.slice(0, 2).join(', ')} and ${String(names.length - 2)} more`
    : names.join(', ')
}

/** A colour that stands for a layer, as the screen shows it. */
export function layerTint(layer: ShowLayer): string {
  const { parameters = [] } = patternOf(layer.pattern) ?? {}
  for (const parameter of parameters) {
    if (parameter.kind !== 'colour' && parameter.kind !== 'palette') continue
    const value = layer.set[parameter.id] ?? parameter.usual
    const colours = typeof value === 'object' ? value : [String(value)]
    // The brightest of them.
    const lights = colours.flatMap((one) => {
      const read = readColour(one)
      return read === undefined ? [] : [read]
    })
    const brightest = lights.toSorted((a, b) => sumOf(b) - sumOf(a))[0]
    if (brightest !== undefined) return screenColour(brightest)
  }
  return '#8a8da0'
}

const sumOf = (light: readonly number[]): number => light.reduce((sum, one) => sum + one, 0)

/** Names of the runs of a plan by the ids of their lines. */
export const runNames = (
  runs: readonly { readonly id: string; readonly name: string }[],
): ReadonlyMap<string, string> => new Map(runs.map(({ id, name }) => [id, name]))

/** A free id among some. */
export function freeId(prefix: string, taken: readonly { readonly id: string }[]): string {
  const ids = new Set(taken.map(({ id }) => id))
  for (let number = taken.length + 1; ; number += 1) {
    const id = `${prefix}-${String(number)}`
    if (!ids.has(id)) return id
  }
}

/** Of a plan's shows the one that is looked at. */
export const showIn = (
  shows: Plan['shows'],
  id: string | undefined,
): Plan['shows'][number] | undefined => shows.find((one) => one.id === id) ?? shows[0]
