import type { LayerValue } from '../plan/plan'
import { readColour, type Light } from './colour'
import { full } from './fixed'
import { mostColours, placesOf, sizeOf, type Parameter, type Pattern } from './pattern'

/** Why a layer, or a whole scene, cannot be played as it says. */
export interface LayerProblem {
  readonly scene: string
  readonly layer?: string
  readonly message: string
}

/** Numbers of a pattern as its words hold them: times in ms, shares of 65535. */
const scaleOf = { mm: 1, 'mm/s': 1, s: 1000, share: full, count: 1 } as const

/**
 * Reads what a layer says of its pattern into whole numbers. What is not said is as usual; what is said wrongly too, and is told.
 *
 * @param inputs numbers of the plan's inputs by their ids
 */
export function readValues(
  pattern: Pattern,
  set: Readonly<Record<string, LayerValue>>,
  inputs: ReadonlyMap<string, number>,
): { readonly words: Int32Array; readonly problems: readonly string[] } {
  const problems: string[] = []
  const words = new Int32Array(sizeOf(pattern.parameters))
  const places = placesOf(pattern.parameters)
  for (const parameter of pattern.parameters) {
    const at = places[parameter.id] ?? 0
    const read = wordsOf(parameter, set[parameter.id], inputs)
    if (read.problem !== undefined)
      problems.push(`${pattern.name}, ${parameter.name.toLowerCase()}: ${read.problem}`)
    words.set(read.words, at)
  }
  for (const id of Object.keys(set))
    if (!pattern.parameters.some((parameter) => parameter.id === id))
      problems.push(`${pattern.name} has no setting “${id}”: it is kept, and does nothing`)
  return { words, problems }
}

interface ReadWords {
  readonly words: readonly number[]
  readonly problem?: string
}

function wordsOf(
  parameter: Parameter,
  value: LayerValue | undefined,
  inputs: ReadonlyMap<string, number>,
): ReadWords {
  switch (parameter.kind) {
    case 'number': {
      const { least, most, usual, unit } = parameter
      const whole = (one: number): number[] => [Math.round(one * scaleOf[unit])]
      if (value === undefined) return { words: whole(usual) }
      if (typeof value !== 'number' || Number.isNaN(value))
        return {
          words: whole(usual),
          problem: `a number is expected; it plays at ${String(usual)}`,
        }
      const held = Math.min(most, Math.max(least, value))
      return {
        words: whole(held),
        ...(held !== value && {
          problem: `${String(value)} is outside ${String(least)} to ${String(most)}; it plays at ${String(held)}`,
        }),
      }
    }
    case 'colour': {
      const read = typeof value === 'string' ? readColour(value) : undefined
      return {
        words: read ?? readColour(parameter.usual) ?? [0, 0, 0, 0],
        ...(value !== undefined &&
          read === undefined && { problem: colourProblem(String(value), parameter.usual) }),
      }
    }
    case 'palette': {
      const given =
        value === undefined ? parameter.usual : typeof value === 'object' ? value : [String(value)]
      const read = given.map((one) => readColour(one))
      const wrong = given.find((_, index) => read[index] === undefined)
      const lights: readonly Light[] =
        wrong === undefined
          ? read.flatMap((one) => (one === undefined ? [] : [one]))
          : parameter.usual.flatMap((one) => {
              const light = readColour(one)
              return light === undefined ? [] : [light]
            })
      const held = lights.slice(0, mostColours)
      return {
        words: [held.length, ...held.flat()],
        ...(wrong !== undefined && { problem: colourProblem(wrong, 'its usual colours') }),
      }
    }
    case 'choice': {
      const at = parameter.options.indexOf(String(value ?? parameter.usual))
      return {
        words: [at < 0 ? parameter.options.indexOf(parameter.usual) : at],
        ...(at < 0 && {
          problem: `“${String(value)}” is none of ${parameter.options.join(', ')}; it plays as ${parameter.usual}`,
        }),
      }
    }
    case 'input': {
      if (value === undefined || value === '') return { words: [-1] }
      const input = inputs.get(String(value))
      return {
        words: [input ?? -1],
        ...(input === undefined && { problem: 'its input is gone; choose another one' }),
      }
    }
  }
}

const colourProblem = (value: string, instead: string): string =>
  `“${value}” is no colour: such as #ffb46b, 2700 K, or duty 255 120 0; it plays as ${instead}`
