import type { FedPlan } from '../feed/fed-plan'
import { headroomOf, mayGive } from '../feed/supplies'
import type { Scene, Show } from '../plan/plan'
import { withSet } from '../plan/with-set'
import { showBoard, type ShowBoard } from './board-needs'
import { compileShow, hasClock, type CompiledShow } from './compile'
import { fieldOf, hasWhite, type FieldRun } from './field'
import { FlashWatch, type Flashing } from './flashing'
import { limiterOf } from './limiter'
import { dayMinutes, Player } from './player'
import { ShowFeed } from './show-feed'

/** What a show is played on. */
export type PlayGiven = Pick<
  FedPlan,
  | 'plan'
  | 'cutRuns'
  | 'volts'
  | 'leads'
  | 'loads'
  | 'lit'
  | 'fit'
  | 'lanes'
  | 'circuit'
  | 'layout'
  | 'supplies'
>

/** What an input said from a time on: ms, its number among the plan's inputs, 0 to 65535. */
export type InputEvent = readonly [ms: number, input: number, value: number]

/** A show made ready for the lights of a plan. */
export const readyShow = (
  given: Pick<PlayGiven, 'plan' | 'cutRuns' | 'lit' | 'lanes' | 'layout' | 'supplies'>,
  show: Show,
): CompiledShow => {
  const field = fieldOf(given)
  return compileShow(show, field, {
    lanes: given.lanes,
    inputs: given.plan.signal.inputs,
    limit: given.plan.limit,
    limiter: show.isLimited === true ? limiterOf(field, given) : undefined,
  })
}

/** A show that nobody stops: once through its scenes in their turn, at least this long, at most that long, s. */
const [leastS, mostS] = [10, 120]

/** How long a show is looked at where nobody says, s. */
export const lengthOf = ({ scenes, turns }: Pick<CompiledShow, 'scenes' | 'turns'>): number =>
  Math.min(
    mostS,
    Math.max(leastS, turns.reduce((sum, at) => sum + (scenes[at]?.lengthMs ?? 0), 0) / 1000),
  )

/** When a frame is, ms. */
export const frameMs = (frame: number, framesPerSecond: number): number =>
  Math.floor((1000 * frame) / framesPerSecond)

/**
 * Plays with recorded inputs: each reaches the show at its own time, whichever frames are drawn.
 */
export class InputTape {
  private next = 0
  readonly values: Uint16Array

  constructor(
    private events: readonly InputEvent[],
    show: Pick<CompiledShow, 'inputs' | 'scenes'>,
  ) {
    const count = show.inputs.length
    this.values = new Uint16Array(count + (hasClock(show) ? 1 : 0)).fill(dayMinutes, count)
  }

  /** Goes on with a longer tape whose first events are the same. */
  extend(events: readonly InputEvent[]): void {
    this.events = events
  }

  /** Steps a player up to a time. */
  step(player: Player, ms: number): void {
    for (;;) {
      const event = this.events[this.next]
      if (event === undefined || event[0] > ms) break
      if (event[0] > 0) player.step(event[0] - 1, this.values)
      this.values[event[1]] = event[2]
      this.next += 1
    }
    player.step(ms, this.values)
  }
}

/** What is sent for one channel of an element of what a player painted, 0–255. */
export const sentBy =
  (player: Player) =>
  ({ channels }: FieldRun, element: number, channel: number): number =>
    player.sent(channels[channel] ?? 'none', hasWhite(channels), element)

/** What each supply should give at most by the plan's rules, A; `null` of one without a part. */
export const mayGiveOf = ({
  plan,
  supplies,
}: Pick<PlayGiven, 'plan' | 'supplies'>): (number | null)[] =>
  supplies.map(({ part }) => (part === undefined ? null : mayGive(part, headroomOf(plan))))

/** What a show comes to. */
export interface Played {
  readonly seconds: number
  readonly framesPerSecond: number
  readonly meanA: number
  readonly peakA: number
  readonly peakAtS: number
  readonly whPerHour: number
  readonly supplies: readonly PlayedSupply[]
  /** Amperes of each supply, frame by frame. */
  readonly curve: readonly Float64Array[]
  /** The scene that played, by its number in the show, frame by frame. */
  readonly scenes: Uint8Array
  /** What the program's limiter did: the share of the frames that it dimmed, and how far at the most; `undefined` where it is off. */
  readonly limited: { readonly share: number; readonly lowest: number } | undefined
  /** Frames that the feed has no answer for. */
  readonly unsolved: number
  readonly problems: CompiledShow['problems']
}

export interface PlayedSupply {
  readonly id: string
  readonly name: string
  readonly volts: number
  readonly ratedA: number | null
  /** What it should give at most by the plan's rules, A. */
  readonly mayGiveA: number | null
  /** What the program may let draw of it beyond what is drawn anyway, mA. */
  readonly limitMa: number | null
  readonly meanA: number
  readonly peakA: number
  readonly peakAtS: number
}

/** For how long a show is played, how finely, and what is touched meanwhile. */
export interface ShowRun {
  readonly seconds?: number | undefined
  readonly framesPerSecond: number
  readonly events?: readonly InputEvent[] | undefined
}

const frameCount = (
  show: CompiledShow,
  { seconds = lengthOf(show), framesPerSecond }: ShowRun,
): number => Math.max(1, Math.round(seconds * framesPerSecond))

/** Plays a show from its start: each frame once it is painted. */
export function* framesOf(
  show: CompiledShow,
  run: ShowRun,
): Generator<{ readonly frame: number; readonly ms: number; readonly player: Player }, void> {
  const player = new Player(show)
  const tape = new InputTape(run.events ?? [], show)
  const frames = frameCount(show, run)
  for (let frame = 0; frame < frames; frame += 1) {
    const ms = frameMs(frame, run.framesPerSecond)
    tape.step(player, ms)
    player.paint(ms)
    yield { frame, ms, player }
  }
}

/**
 * Plays a show from its start, frame by frame, each with its volts solved; yields the share that is done.
 *
 * Amperes are those of the solved feed at the bytes that are sent.
 */
export function* play(
  given: PlayGiven,
  show: CompiledShow,
  run: ShowRun,
): Generator<number, Played> {
  const { framesPerSecond } = run
  const feed = new ShowFeed(given, show.field)
  const frames = frameCount(show, run)
  const curve = given.supplies.map(() => new Float64Array(frames))
  const scenes = new Uint8Array(frames)
  let unsolved = 0
  const limited = { frames: 0, lowest: 1 }
  for (const { frame, player } of framesOf(show, run)) {
    scenes[frame] = player.sceneNumber
    const { limitedTo } = player
    if (limitedTo < 1) limited.frames += 1
    limited.lowest = Math.min(limited.lowest, limitedTo)
    const solved = feed.frame(sentBy(player))
    if (solved === undefined) unsolved += 1
    for (const [at, amperes] of (solved?.supplyA ?? []).entries()) {
      const own = curve[at]
      if (own !== undefined) own[frame] = amperes
    }
    if (frame % 25 === 24) yield (frame + 1) / frames
  }
  const total = new Float64Array(frames)
  for (const own of curve)
    for (const [frame, amperes] of own.entries()) total[frame] = (total[frame] ?? 0) + amperes
  const all = peakOf(total, framesPerSecond)
  const mayGiveA = mayGiveOf(given)
  const supplies = given.supplies.map(({ slot, volts, ratedA, limitA }, at): PlayedSupply => ({
    id: slot.id,
    name: slot.name,
    volts,
    ratedA,
    mayGiveA: mayGiveA[at] ?? null,
    limitMa: limitA === null ? null : Math.floor(limitA * 1000 + 1e-6),
    ...peakOf(curve[at] ?? new Float64Array(frames), framesPerSecond),
  }))
  return {
    seconds: frames / framesPerSecond,
    framesPerSecond,
    ...all,
    whPerHour: supplies.reduce((sum, { volts, meanA }) => sum + volts * meanA, 0),
    supplies,
    curve,
    scenes,
    limited: show.limiter && { share: limited.frames / frames, lowest: limited.lowest },
    unsolved,
    problems: show.problems,
  }
}

/** Plays a show without its amperes, for its flashes alone: much faster. */
export function watchFlashes(show: CompiledShow, run: ShowRun): Flashing {
  const flash = new FlashWatch(show.field)
  const sent = new Float64Array(show.field.count * 4)
  for (const { player } of framesOf(show, run)) {
    sentLight(player, sent)
    flash.add(sent, player.sceneNumber)
  }
  return flash.worst(run.framesPerSecond)
}

/** A scene that does not come in its turn is looked at this long, s. */
const longestVisitS = 30

/** A scene as a show of its own, that begins at once. */
export const sceneAlone = (show: Show, scene: Scene): Show => ({
  ...show,
  scenes: [withSet(scene, { start: undefined })],
})

/** A scene that an input or the clock starts, made ready to be played by itself, and for how long. */
export const visitOf = (
  given: Parameters<typeof readyShow>[0],
  show: Show,
  scene: Scene,
): { readonly ready: CompiledShow; readonly seconds: number } => ({
  ready: readyShow(given, sceneAlone(show, scene)),
  seconds: Math.min(longestVisitS, scene.seconds),
})

/** A scene that an input or the clock starts, by its number in the show, as it does when it is played by itself. */
export interface StartedScene {
  readonly scene: number
  readonly played: Played
}

/** What a show comes to as it is played, and in the scenes that only an input or the clock starts. */
export interface PlayedShow {
  readonly played: Played
  /** Its scenes in their turn, while nothing is touched and the clock starts none. */
  readonly inTurn: Played
  readonly started: readonly StartedScene[]
  /** As it is played, and at worst: in the scenes that something starts too. */
  readonly flashingAsPlayed: Flashing
  readonly flashing: Flashing
  readonly board: ShowBoard | undefined
}

/** Frames a second at which a scene is looked at for its amperes alone. */
export const startedFps = 10

/** Plays by itself each scene that an input or the clock starts. */
export const playStarted = (given: PlayGiven, show: Show): StartedScene[] =>
  show.scenes.flatMap((scene, number): StartedScene[] => {
    if (scene.start === undefined) return []
    const { ready, seconds } = visitOf(given, show, scene)
    const played = toEnd(play(given, ready, { seconds, framesPerSecond: startedFps }))
    return [{ scene: number, played }]
  })

/** A show as it plays while nothing is touched and the clock starts no scene. @param played as it was played */
const playInTurn = (
  given: PlayGiven,
  ready: CompiledShow,
  { events = [], ...run }: ShowRun,
  played: Played,
): Played =>
  events.length === 0 ? played : toEnd(play(given, ready, { ...run, framesPerSecond: startedFps }))

/** How far playing a whole show is, 0–1, and how it flashes, which is known first. */
export interface WholeStep {
  readonly done: number
  readonly flashing: Flashing
}

/** Plays a show with everything that it is judged by, and tells how far it is. */
export function* playSteps(
  given: PlayGiven,
  show: Show,
  run: ShowRun,
): Generator<WholeStep, PlayedShow> {
  const ready = readyShow(given, show)
  const flashingAsPlayed = watchFlashes(ready, run)
  const flashing = showFlashes(given, show, flashingAsPlayed, run)
  yield { done: 0, flashing }
  const playing = play(given, ready, run)
  let step = playing.next()
  for (; step.done !== true; step = playing.next()) yield { done: step.value, flashing }
  const played = step.value
  return {
    played,
    inTurn: playInTurn(given, ready, run, played),
    started: playStarted(given, show),
    flashingAsPlayed,
    flashing,
    board: showBoard(ready, given),
  }
}

/** … in one go. */
export const playWhole = (given: PlayGiven, show: Show, run: ShowRun): PlayedShow =>
  toEnd(playSteps(given, show, run))

/**
 * How a show flashes at worst: as it is played, and in each scene that an input or the clock starts, played by itself.
 *
 * @param asPlayed what `watchFlashes` tells of it
 */
export function showFlashes(
  given: Parameters<typeof readyShow>[0],
  show: Show,
  asPlayed: Flashing,
  { framesPerSecond }: Pick<ShowRun, 'framesPerSecond'>,
): Flashing {
  let worst = asPlayed
  for (const [number, scene] of show.scenes.entries()) {
    if (scene.start === undefined) continue
    const { ready, seconds } = visitOf(given, show, scene)
    const own = watchFlashes(ready, { framesPerSecond, seconds })
    if (own.perSecond > worst.perSecond)
      worst = { ...own, worst: own.worst && { ...own.worst, scene: number } }
  }
  return worst
}

/**
 * Watches what is shown for flashes, at the times at which it is seen: each frame stays until the next one comes. Of the last two seconds
 * or so the worst is told.
 */
export class LiveFlashes {
  private watch: FlashWatch
  private readonly sent: Float64Array
  private last: number | undefined

  constructor(private readonly player: Player) {
    this.watch = new FlashWatch(player.show.field, liveFps)
    this.sent = new Float64Array(player.show.field.count * 4)
  }

  /** After a frame was painted. @param ms when it is seen; after a gap, or backwards, it begins anew */
  seen(ms: number): Flashing {
    const slot = 1000 / liveFps
    if (this.last === undefined || ms < this.last || ms > this.last + longestGapMs) {
      this.watch = new FlashWatch(this.player.show.field, liveFps)
      this.last = ms - slot
    }
    sentLight(this.player, this.sent)
    for (; this.last + slot <= ms; this.last += slot)
      this.watch.add(this.sent, this.player.sceneNumber)
    return this.watch.worst(liveFps)
  }
}
/** Frames a second at which what is shown is watched; a longer pause than this is none that is seen as one show, ms. */
const [liveFps, longestGapMs] = [50, 250]

/** What is seen of the light that is sent: white where a run has no colours of its own. */
export function sentLight(player: Player, sent: Float64Array): void {
  player.sentShares(sent)
  for (const run of player.show.field.runs) if (!run.channels.includes('red')) whiten(run, sent)
}

function whiten({ from, count }: FieldRun, sent: Float64Array): void {
  for (let at = 4 * from; at < 4 * (from + count); at += 4) {
    const brightest = Math.max(sent[at] ?? 0, sent[at + 1] ?? 0, sent[at + 2] ?? 0)
    sent.fill(Math.min(1, brightest + (sent[at + 3] ?? 0)), at, at + 3)
    sent[at + 3] = 0
  }
}

function peakOf(
  amperes: Float64Array,
  framesPerSecond: number,
): Pick<PlayedSupply, 'meanA' | 'peakA' | 'peakAtS'> {
  let [sum, at] = [0, 0]
  for (const [frame, one] of amperes.entries()) {
    sum += one
    if (one > (amperes[at] ?? 0) + 1e-12) at = frame
  }
  return { meanA: sum / amperes.length, peakA: amperes[at] ?? 0, peakAtS: at / framesPerSecond }
}

/** Runs a generator to its end. */
export function toEnd<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next()
    if (step.done === true) return step.value
  }
}
