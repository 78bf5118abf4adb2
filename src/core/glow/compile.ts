import type { Lane } from '../lanes/lanes'
import type { Input, Scene, Show, ShowLayer } from '../plan/plan'
import { full, hash } from './fixed'
import type { Field } from './field'
import type { Limiter } from './limiter'
import { readValues, type LayerProblem } from './read-layer'
import { keyStep, onFrom, type Layer, type Pattern } from './pattern'
import { patternOf } from './patterns'

/** A layer, or its part on one run, in whole numbers: what the preview plays and the board's C holds as tables. */
export interface CompiledLayer extends Layer {
  readonly pattern: Pattern
  readonly blend: 'add' | 'lighten' | 'over'
  readonly opacity: number
  /** Elements of the field that it paints, with their places along and across, mm. */
  readonly elements: Int32Array
  readonly u: Int32Array
  readonly v: Int32Array
}

export interface CompiledScene {
  readonly name: string
  readonly layers: readonly CompiledLayer[]
  readonly lengthMs: number
  readonly fadeMs: number
  /** Number of the input that starts it, -1 where none does, and what that says then: from and up to. */
  readonly input: number
  readonly from: number
  readonly to: number
  /** Minute of the day from which it plays by the clock; -1 where it does not. */
  readonly clock: number
}

export interface CompiledShow {
  readonly name: string
  readonly field: Field
  readonly inputs: readonly Input[]
  readonly scenes: readonly CompiledScene[]
  /** Scenes that follow each other, by their numbers. */
  readonly turns: readonly number[]
  /** 65536 lets everything through. */
  readonly limit: number
  /** Where the program holds each supply to its limit. */
  readonly limiter: Limiter | undefined
  /** Layers that cannot be played as they are, and why. */
  readonly problems: readonly LayerProblem[]
}

/**
 * Turns a show into whole numbers for the lights of a plan.
 *
 * @param limit brightness that the program never exceeds, 0–1
 * @param limiter what it holds each supply to; without it nothing is held
 */
export function compileShow(
  show: Show,
  field: Field,
  {
    lanes,
    inputs,
    limit,
    limiter,
  }: {
    readonly lanes: readonly Lane[]
    readonly inputs: readonly Input[]
    readonly limit: number
    readonly limiter?: Limiter | undefined
  },
): CompiledShow {
  const problems: LayerProblem[] = []
  const inputNumbers = new Map(inputs.map(({ id }, index) => [id, index]))
  const scenes: CompiledScene[] = show.scenes.map((scene, sceneAt) => {
    const layers = scene.layers.flatMap((layer, layerAt) => {
      if (layer.isOff === true) return []
      const pattern = patternOf(layer.pattern)
      if (pattern === undefined) {
        problems.push({
          scene: scene.id,
          layer: layer.id,
          message: `there is no pattern “${layer.pattern}” here: a newer version may know it. The layer is kept and stays dark`,
        })
        return []
      }
      const read = readValues(pattern, layer.set, inputNumbers)
      for (const message of read.problems)
        problems.push({ scene: scene.id, layer: layer.id, message })
      const seed = hash(show.seed, sceneAt, layerAt)
      const placed = placedParts(layer, field, lanes)
      if (placed.length === 0)
        problems.push({
          scene: scene.id,
          layer: layer.id,
          message: `${pattern.name} in “${scene.name}” plays on nothing that a program can light`,
        })
      return placed.map((part, at): CompiledLayer => ({
        ...part,
        pattern,
        p: read.words,
        m: new Int32Array(pattern.memory),
        f: new Int32Array(pattern.frame),
        // Of several runs each has a chance of its own.
        seed: hash(seed, at, 1),
        blend: layer.blend,
        opacity: Math.round(layer.opacity * 65_535),
      }))
    })
    const by = scene.start !== undefined && 'input' in scene.start ? scene.start : undefined
    const input = by === undefined ? undefined : inputNumbers.get(by.input)
    if (by !== undefined && input === undefined)
      problems.push({
        scene: scene.id,
        message: `nothing starts the scene “${scene.name}”: its input is gone. Choose another one`,
      })
    return {
      name: scene.name,
      layers,
      lengthMs: Math.round(scene.seconds * 1000),
      fadeMs: Math.round(scene.fade * 1000),
      input: by === undefined ? -1 : (input ?? inputs.length),
      ...startsAt(by),
      clock: clockOf(scene) ?? -1,
    }
  })
  const turns = scenes.flatMap(({ input, clock }, index) => (input < 0 && clock < 0 ? [index] : []))
  if (turns.length === 0) {
    turns.push(scenes.length)
    scenes.push({ ...darkScene, fadeMs: scenes[0]?.fadeMs ?? 0 })
  }
  return {
    name: show.name,
    field,
    inputs,
    scenes,
    turns,
    limit: Math.round(limit * 65_536),
    limiter,
    problems,
  }
}

/** What an input says that starts a scene: it is on, or off, or a key of a remote is held. */
const startsAt = (
  by: { readonly when: 'on' | 'off'; readonly key?: number | undefined } | undefined,
): Pick<CompiledScene, 'from' | 'to'> =>
  by?.key !== undefined
    ? { from: by.key * keyStep - keyStep / 2, to: by.key * keyStep + keyStep / 2 - 1 }
    : by?.when === 'off'
      ? { from: 0, to: onFrom - 1 }
      : { from: onFrom, to: full }

/** What plays while nothing has started a scene and none comes in its turn. */
const darkScene: Omit<CompiledScene, 'fadeMs'> = {
  name: 'dark until something starts a scene',
  layers: [],
  lengthMs: 10_000,
  input: -1,
  from: onFrom,
  to: full,
  clock: -1,
}

/** The minute of the day from which a scene plays by the clock. */
export const clockOf = ({ start }: Pick<Scene, 'start'>): number | undefined =>
  start !== undefined && 'clock' in start ? start.clock : undefined

/** Whether anything in a show goes by the clock: then its last input is the minute of the day. */
export const hasClock = ({ scenes }: Pick<CompiledShow, 'scenes'>): boolean =>
  scenes.some(({ clock }) => clock >= 0)

type Placed = Pick<CompiledLayer, 'elements' | 'u' | 'v' | 'length' | 'width' | 'count'>

/** The lit elements of a layer with their places: one part, or one a run where each run is for itself. */
function placedParts(layer: ShowLayer, field: Field, lanes: readonly Lane[]): Placed[] {
  const chosen = chosenRuns(layer, field, lanes)
  const { on } = layer
  const isIn = (at: number): boolean => {
    if (on === 'all' || !('zone' in on)) return true
    const { x, y, width, height } = on.zone
    const [px, py] = [field.x[at] ?? 0, field.y[at] ?? 0]
    return px >= x && px <= x + width && py >= y && py <= y + height
  }
  const elementsOf = (run: number): number[] => {
    const { from = 0, count = 0 } = field.runs[run] ?? {}
    const own: number[] = []
    for (let at = from; at < from + count; at += 1)
      if ((field.run[at] ?? -1) >= 0 && isIn(at)) own.push(at)
    return own
  }
  if (layer.axis === 'each')
    return chosen.flatMap((run) => {
      const elements = elementsOf(run)
      return elements.length === 0 ? [] : [along(elements, (at) => field.along[at] ?? 0)]
    })
  // Runs that dim together share an element.
  const elements = [...new Set(chosen.flatMap(elementsOf))]
  if (elements.length === 0) return []
  if (layer.axis === 'joined') {
    const places = new Map<number, number>()
    let before = 0
    let [last, run] = [0, -1]
    for (const at of elements) {
      if (field.run[at] !== run) {
        // The next run goes on a pixel's width behind the last.
        before += run < 0 ? 0 : last + (field.along[at + 1] ?? 0)
        run = field.run[at] ?? -1
      }
      last = field.along[at] ?? 0
      places.set(at, before + last)
    }
    return [along(elements, (at) => places.get(at) ?? 0)]
  }
  const turn = ((layer.degrees ?? 0) * Math.PI) / 180
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return [
    along(
      elements,
      (at) => (field.x[at] ?? 0) * cos + (field.y[at] ?? 0) * sin,
      (at) => (field.y[at] ?? 0) * cos - (field.x[at] ?? 0) * sin,
    ),
  ]
}

/** Runs of the field that a layer plays on, by their numbers, in the layer's own order. */
function chosenRuns({ on }: ShowLayer, { runs }: Field, lanes: readonly Lane[]): number[] {
  const all = [...runs.keys()]
  if (on === 'all' || 'zone' in on) return all
  const ids =
    'runs' in on
      ? on.runs
      : lanes
          .filter(({ id, name }) => on.lanes.includes(id) || on.lanes.includes(name))
          .flatMap((lane) => lane.runs.map(({ entry }) => entry.run.id))
  return [...new Set(ids)].flatMap((id) => all.filter((at) => runs[at]?.id === id))
}

function along(
  elements: readonly number[],
  uOf: (at: number) => number,
  vOf: (at: number) => number = () => 0,
): Placed {
  const [us, vs] = [elements.map(uOf), elements.map(vOf)]
  const [leastU, leastV] = [least(us), least(vs)]
  const u = Int32Array.from(us, (one) => Math.round(one - leastU))
  const v = Int32Array.from(vs, (one) => Math.round(one - leastV))
  return {
    elements: Int32Array.from(elements),
    u,
    v,
    length: u.reduce((most, one) => Math.max(most, one), 1),
    width: v.reduce((most, one) => Math.max(most, one), 0),
    count: elements.length,
  }
}

const least = (values: readonly number[]): number =>
  values.reduce((low, one) => Math.min(low, one), Infinity)

/** Bytes that a place takes in the board's tables: two where all of them fit. */
export const placeBytes = (parts: readonly CompiledLayer[]): 2 | 4 =>
  parts.every(({ length, width }) => Math.max(length, width) <= 65_535) ? 2 : 4

/** Words that a show keeps from frame to frame: what the board's memory holds of it. */
export const memoryWords = ({ scenes }: CompiledShow): number =>
  scenes.reduce(
    (sum, { layers }) =>
      sum + layers.reduce((own, { pattern }) => own + pattern.memory + pattern.frame, 0),
    0,
  )
