import { mostFlashes } from '../glow/flash'
import { slowFps } from '../lanes/timing'
import { boardFps, showBoard, type ShowBoard } from '../glow/board-needs'
import { patternOf } from '../glow/patterns'
import {
  readyShow,
  type Played,
  type PlayedShow,
  type PlayedSupply,
  type PlayGiven,
  type ShowRun,
} from '../glow/play'
import type { NumberParameter } from '../glow/pattern'
import { slightlyA, troublesOf } from '../glow/troubles'
import type { Parts } from '../parts/find'
import { change, type Command } from '../plan/commands'
import type { Plan, Show, ShowLayer } from '../plan/plan'
import { fixed, formatQuantity, significant } from '../quantity/format'
import { isSame } from '../quantity/same'
import { nextSizeUp, whyShort, whyTight } from './supply-load'
import { stopsOf, type JudgedFinding, type Remedy, type Verdict } from './verdict'

/** What a show is judged on. */
export type ShowGiven = PlayGiven & {
  readonly parts: Parts
  readonly findings: readonly JudgedFinding[]
}

/** Ids of what can be wrong with a show as it is played. */
const idOf = {
  flashes: (show: Show): string => `flash-rate.${show.id}`,
  overSupply: (supply: string): string => `scene-over-supply.${supply}`,
} as const

/** What is wrong with a show as it was played, without remedies. */
export function judgeShow(
  show: Show,
  { played, started, flashing: { perSecond, worst }, board }: PlayedShow,
): Verdict[] {
  const flashing: Verdict[] =
    perSecond <= mostFlashes || worst === undefined
      ? []
      : [
          {
            id: idOf.flashes(show),
            code: 'flash-rate',
            grade: 'stop',
            about: [],
            text: `${worst.run}, ${String(Math.round(worst.fromMm))} to ${String(Math.round(worst.toMm))} mm: ${String(perSecond)} ${worst.isRed ? 'red flashes' : 'flashes'} in the second from ${fixed(worst.atS, 1)} s${show.scenes[worst.scene]?.start === undefined ? '' : ` of “${show.scenes[worst.scene]?.name ?? ''}”`}`,
            why: 'More than three flashes a second can start a seizure in people who are sensitive to them; a saturated red is the worst.',
            remedies: [],
          },
        ]
  const over = played.supplies.flatMap((inTurn, at): Verdict[] => {
    // The highest peak, whatever starts its scene.
    let one: PlayedSupply = inTurn
    let number = sceneAt(played, inTurn.peakAtS)
    for (const { scene, played: alone } of started) {
      const own = alone.supplies[at]
      if (own !== undefined && own.peakA > one.peakA + slightlyA) [one, number] = [own, scene]
    }
    const { ratedA, mayGiveA } = one
    if (ratedA === null || mayGiveA === null || one.peakA <= mayGiveA + slightlyA) return []
    const isOver = one.peakA > ratedA + slightlyA
    const scene = show.scenes[number]?.name ?? ''
    return [
      {
        id: idOf.overSupply(one.id),
        code: 'scene-over-supply',
        grade: isOver ? 'stop' : 'warning',
        about: [one.id],
        text: `“${scene}” takes ${formatQuantity(one.peakA, 'A')} at ${fixed(one.peakAtS, 1)} s; ${one.name} ${
          isOver
            ? `gives ${significant(ratedA)} A`
            : `should give no more than ${formatQuantity(mayGiveA, 'A')} of its ${significant(ratedA)} A`
        }`,
        why: isOver ? whyShort : whyTight,
        remedies: [],
      },
    ]
  })
  return [...flashing, ...over, ...onBoard(show, board)]
}

/** The ids of what `judgeShow` would say, each as soon as it is certain, in less time than playing the show takes. */
function* idsOfTrouble(given: ShowGiven, show: Show, run: ShowRun): Generator<string, void> {
  const ready = readyShow(given, show)
  for (const { id } of onBoard(show, showBoard(ready, given))) yield id
  for (const trouble of troublesOf(given, show, ready, run))
    yield trouble.kind === 'flashes' ? idOf.flashes(show) : idOf.overSupply(trouble.supply)
}

/** A show that the board has no memory for, or that it cannot work out often enough. */
function onBoard(show: Show, board: ShowBoard | undefined): Verdict[] {
  if (board === undefined) return []
  const { name, memoryBytes, needs, sendMs } = board
  const full: Verdict[] =
    needs.ramBytes <= memoryBytes
      ? []
      : [
          {
            id: `memory.${show.id}`,
            code: 'memory',
            grade: 'stop',
            about: [],
            text: `“${show.name}” takes ${formatQuantity(needs.ramBytes, 'bytes')} of memory; the ${name} has ${formatQuantity(memoryBytes, 'bytes')}`,
            why: 'A program that runs out of memory starts, and then does strange things.',
            remedies: [],
          },
        ]
  const fps = boardFps(board)
  const slow: Verdict[] =
    fps === undefined || needs.workMs === null || fps >= slowFps
      ? []
      : [
          {
            id: `slow-frames.${show.id}`,
            code: 'slow-frames',
            grade: 'warning',
            about: [],
            text: `“${show.name}” takes the ${name} about ${formatQuantity(needs.workMs, 'ms')} a frame, and ${formatQuantity(sendMs, 'ms')} to send: ${fps < 10 ? fixed(fps, 1) : String(Math.floor(fps))} a second`,
            why: `Below about ${String(slowFps)} a second fades step and motion jerks.`,
            remedies: [],
          },
        ]
  return [...full, ...slow]
}

const sceneAt = ({ scenes, framesPerSecond }: Played, atS: number): number =>
  scenes[Math.min(scenes.length - 1, Math.round(atS * framesPerSecond))] ?? 0

/**
 * The verdicts of a show with their remedies, each tried on the whole plan by playing it again: only what removes its verdict, and makes no
 * other one, in the show or as a stop in the plan, is offered. Yields how many trials are done.
 *
 * @param workOut a plan with what a show is judged on
 */
export function* showVerdicts(
  given: ShowGiven,
  show: Show,
  {
    whole,
    run,
    workOut,
  }: {
    readonly whole: PlayedShow
    readonly run: ShowRun
    readonly workOut: (plan: Plan) => ShowGiven
  },
): Generator<number, Verdict[]> {
  const verdicts = judgeShow(show, whole)
  const codes = new Set(verdicts.map(({ id }) => id))
  const stops = new Set(stopsOf(given.findings).map(({ id }) => id))
  /** Whether a remedy takes its verdict away, and brings none that was not there. */
  const helps = ({ commands }: Remedy, verdict: Verdict): boolean => {
    const { plan } = change(given.plan, commands)
    const next = workOut(plan)
    const changed = plan.shows.find(({ id }) => id === show.id) ?? show
    for (const id of idsOfTrouble(next, changed, run))
      if (id === verdict.id || !codes.has(id)) return false
    return stopsOf(next.findings).every(({ id }) => stops.has(id))
  }
  let trials = 0
  const judged: Verdict[] = []
  for (const verdict of verdicts) {
    const remedies: Remedy[] = []
    const groups =
      verdict.code === 'flash-rate'
        ? calmer(show, whole.flashing.worst?.scene ?? 0)
        : verdict.code === 'scene-over-supply'
          ? lessAmperes(given, show, whole, verdict.about[0] ?? '')
          : lessWork(given, show)
    for (const group of groups)
      for (const remedy of group) {
        yield (trials += 1)
        if (!helps(remedy, verdict)) continue
        remedies.push(remedy)
        break
      }
    judged.push({ ...verdict, remedies })
  }
  return judged
}

const putShow = (show: Show): readonly Command[] => [{ do: 'put-show', show }]

/** The same show with some layers of a scene changed. */
const withLayers = (show: Show, scene: number, edit: (layer: ShowLayer) => ShowLayer): Show => ({
  ...show,
  scenes: show.scenes.map((one, at) =>
    at === scene ? { ...one, layers: one.layers.map(edit) } : one,
  ),
})

/** Ways to flash less, in groups: of each the first that helps is offered. */
function calmer(show: Show, scene: number): Remedy[][] {
  const name = show.scenes[scene]?.name ?? ''
  const slower = [2, 4, 8].map((times) => ({
    label: `play “${name}” ${String(times)} times slower`,
    commands: putShow(withLayers(show, scene, (layer) => slowed(layer, times))),
  }))
  const softer = [0.6, 0.35, 0.2, 0.1].map((share) => ({
    label: `dim “${name}” to ${String(share * 100)} %`,
    commands: putShow(
      withLayers(show, scene, (layer) => ({ ...layer, opacity: layer.opacity * share })),
    ),
  }))
  const without = (show.scenes[scene]?.layers ?? [])
    .filter(({ isOff }) => isOff !== true)
    .map(({ id, pattern }) => ({
      label: `leave out ${patternOf(pattern)?.name.toLowerCase() ?? pattern}`,
      commands: putShow(
        withLayers(show, scene, (layer) => (layer.id === id ? { ...layer, isOff: true } : layer)),
      ),
    }))
  return [slower, softer, without]
}

/** Ways to ask less of the board: a faster one, or one layer less in each scene. */
function lessWork({ parts, fit }: ShowGiven, show: Show): Remedy[][] {
  const faster = parts.boards
    .filter(({ id, speed }) => id !== fit?.board.id && speed !== undefined)
    .toSorted((a, b) => a.price - b.price)
    .map(({ id, name }): Remedy => ({
      label: `take the ${name}`,
      commands: [{ do: 'set-signal', signal: { board: id } }],
    }))
  const without = [
    ...new Set(show.scenes.flatMap(({ layers }) => layers.map(({ pattern }) => pattern))),
  ].map((pattern): Remedy => ({
    label: `leave out ${patternOf(pattern)?.name.toLowerCase() ?? pattern} everywhere`,
    commands: putShow(
      show.scenes.reduce(
        (next, _, scene) =>
          withLayers(next, scene, (layer) =>
            layer.pattern === pattern ? { ...layer, isOff: true } : layer,
          ),
        show,
      ),
    ),
  }))
  return [faster, without]
}

/** A layer with some numbers of its pattern changed; `undefined` leaves a number as it is said. */
function withNumbers(
  layer: ShowLayer,
  edit: (parameter: NumberParameter, value: number) => number | undefined,
): ShowLayer {
  const set = { ...layer.set }
  for (const parameter of patternOf(layer.pattern)?.parameters ?? []) {
    if (parameter.kind !== 'number') continue
    const value = edit(parameter, Number(set[parameter.id] ?? parameter.usual))
    if (value !== undefined) set[parameter.id] = value
  }
  return { ...layer, set }
}

/** A layer whose times are as many times as long, as far as its pattern goes. */
const slowed = (layer: ShowLayer, times: number): ShowLayer =>
  withNumbers(layer, ({ unit, least, most }, value) =>
    unit === 's'
      ? Math.min(most, value * times)
      : unit === 'mm/s'
        ? Math.max(least, Math.round(value / times))
        : undefined,
  )

/** A layer that lights a share of what it lit at once, as far as its pattern goes. */
const withFewer = (layer: ShowLayer, share: number): ShowLayer =>
  withNumbers(layer, ({ isAmount, unit, least }, value) =>
    isAmount === true
      ? Math.max(least, unit === 'count' ? Math.floor(value * share) : value * share)
      : undefined,
  )

/** How much less is tried where the first guess was not enough. */
const shares = [1, 0.97, 0.93, 0.88]

/** Ways to stay within a supply, in groups: of each the first that helps is offered. */
function lessAmperes(
  given: ShowGiven,
  show: Show,
  { played, started }: PlayedShow,
  id: string,
): Remedy[][] {
  const { plan, supplies } = given
  const supply = supplies.find(({ slot }) => slot.id === id)
  const at = supplies.findIndex(({ slot }) => slot.id === id)
  const allowedA = played.supplies[at]?.mayGiveA ?? null
  const curve = played.curve[at]
  if (supply === undefined || allowedA === null || curve === undefined) return []
  const idleA = supply.currentA.idle
  /** Highest amperes of each scene that goes over. */
  const over = new Map<number, number>()
  for (const [frame, amperes] of curve.entries()) {
    const scene = played.scenes[frame] ?? 0
    if (amperes > allowedA) over.set(scene, Math.max(over.get(scene) ?? 0, amperes))
  }
  for (const { scene, played: alone } of started) {
    const amperes = alone.supplies[at]?.peakA ?? 0
    if (amperes > allowedA) over.set(scene, Math.max(over.get(scene) ?? 0, amperes))
  }
  const shareOf = (peakA: number): number => Math.max(0, (allowedA - idleA) / (peakA - idleA))
  const peakA = Math.max(...over.values())
  const percent = (share: number): number => Math.floor(share * 100)
  const names = [...over.keys()].map((scene) => `“${show.scenes[scene]?.name ?? ''}”`).join(' and ')
  const inThem = (edit: (layer: ShowLayer, peak: number) => ShowLayer): readonly Command[] => {
    let next = show
    for (const [scene, peak] of over) next = withLayers(next, scene, (layer) => edit(layer, peak))
    return putShow(next)
  }
  const held: Remedy[] =
    show.isLimited === true
      ? []
      : [
          {
            label: 'let the program hold each supply to its limit',
            commands: putShow({ ...show, isLimited: true }),
          },
        ]
  const dimmed = shares.map((less): Remedy => ({
    label: `dim ${names} to ${String(percent(shareOf(peakA) * less))} %`,
    commands: inThem((layer, peak) => ({
      ...layer,
      opacity: (layer.opacity * percent(shareOf(peak) * less)) / 100,
    })),
  }))
  // A trial plays the whole show: only what changes something is tried.
  const own = [...over.keys()].flatMap((scene) => show.scenes[scene]?.layers ?? [])
  const edits = (edit: (layer: ShowLayer) => ShowLayer): boolean =>
    own.some((layer) => !isSame(edit(layer), layer))
  const fewer = [0.75, 0.5, 0.25]
    .filter((share) => edits((layer) => withFewer(layer, share)))
    .map((share): Remedy => ({
      label: `light ${String(100 * share)} % as many at once in ${names}`,
      commands: inThem((layer) => withFewer(layer, share)),
    }))
  const slower = [2, 4]
    .filter((times) => edits((layer) => slowed(layer, times)))
    .map((times): Remedy => ({
      label: `play ${names} ${String(times)} times slower`,
      commands: inThem((layer) => slowed(layer, times)),
    }))
  const limited = shares.flatMap((less): Remedy[] => {
    const share = percent(plan.limit * shareOf(peakA) * less)
    return share < 5
      ? []
      : [
          {
            label: `limit brightness to ${String(share)} % in all shows`,
            commands: [{ do: 'set-limit', limit: share / 100 }],
          },
        ]
  })
  const larger = nextSizeUp(given, { ...supply, loadA: peakA })
  return [held, dimmed, fewer, slower, limited, larger === undefined ? [] : [larger]]
}
