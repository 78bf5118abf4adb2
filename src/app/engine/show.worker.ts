import './as-written-here'
import { expose, transfer } from 'comlink'
import { balanceOf, Look, luxOf, show as shownAs, type Tape } from '../../core/glow/look'
import type { Flashing } from '../../core/glow/flashing'
import {
  InputTape,
  LiveFlashes,
  lengthOf,
  readyShow,
  sentBy,
  type InputEvent,
} from '../../core/glow/play'
import { Player } from '../../core/glow/player'
import { ShowFeed } from '../../core/glow/show-feed'
import type { Box } from '../../core/measure/geometry'
import { FaultInShow, type FaultyRuns } from '../../core/mend/in-show'
import type { Plan, Show } from '../../core/plan/plan'
import type { WorkedPlan } from '../../core/derived'
import { worked } from '../../core/worked'

/** What the page has to know of a show before its first frame. */
export interface OpenShow {
  readonly seconds: number
  /** Something of the plan can be dimmed by a program. */
  readonly canPlay: boolean
}

/** What of the drawing a picture shows, and where its lights are, mm. */
export interface Shape {
  readonly x: Float32Array
  readonly y: Float32Array
  readonly box: Box
  /** Cells of the wall. */
  readonly columns: number
  readonly rows: number
  readonly tapes: readonly Tape[]
}

/** How a frame is looked at: exposure in stops, and the white that counts as neutral, K. */
export interface Eye {
  readonly stops: number
  readonly kelvin: number
  /** How fast it plays: 1 is as it will run. */
  readonly speed: number
}

/** A frame as the page draws it. */
export interface ShownFrame {
  readonly ms: number
  readonly shape: Shape
  /** Red, green and blue of each light, 0–255. */
  readonly lights: Uint8ClampedArray
  /** The wall, red, green, blue and 255 a cell. */
  readonly wall: Uint8ClampedArray
  readonly supplyA: readonly number[]
  readonly scene: string
  /** How far the program's limiter dims it: 1 where it does nothing. */
  readonly limitedTo: number
  /** How what was shown lately flashes, as fast as it plays. */
  readonly flashing: Flashing
  /** The lowest volts of a run that is fed, V. */
  readonly lowestV: number | undefined
}

/** Cells of the wall across; as many down as the drawing is high. */
const columns = 144

interface Open {
  readonly given: WorkedPlan
  readonly player: Player
  readonly feed: ShowFeed
  readonly flashes: LiveFlashes
}

class ShowService {
  private open: Open | undefined
  private look: Look | undefined
  private shape: Shape | undefined
  private aspect = 2
  private tape: InputTape | undefined
  private fault: FaultInShow | undefined
  private last = -1
  private events = 0

  /** Makes a show ready; frames that are asked for from now on are its. */
  load(plan: Plan, show: Show): OpenShow {
    const given = worked(plan)
    const ready = readyShow(given, show)
    const player = new Player(ready)
    this.open = {
      given,
      player,
      feed: new ShowFeed(given, ready.field),
      flashes: new LiveFlashes(player),
    }
    this.last = -1
    this.fault = undefined
    this.reshape(this.aspect)
    return {
      seconds: lengthOf(ready),
      canPlay: ready.field.lanes.length > 0,
    }
  }

  /** Looks at the drawing in a picture of this width by its height. */
  reshape(aspect: number): void {
    this.aspect = aspect
    if (this.open === undefined) return
    const { given, player } = this.open
    const box = roomy(given.layout.box, aspect)
    const rows = Math.max(8, Math.min(160, Math.round((columns * box.height) / box.width)))
    this.look = new Look(given, player.show.field, { box, columns, rows })
    this.shape = { x: this.look.x, y: this.look.y, box, columns, rows, tapes: this.look.tapes }
  }

  /** What looks wrong while it plays from now on. */
  suppose(runs: FaultyRuns): void {
    const { open } = this
    if (open !== undefined) this.fault = new FaultInShow(runs, 1000 * lengthOf(open.player.show))
  }

  /** The frame at a time, with all that the inputs said until then; going back plays from the start again. */
  frame(
    ms: number,
    events: readonly InputEvent[],
    { stops, kelvin, speed }: Eye,
  ): ShownFrame | undefined {
    const { open, look, shape } = this
    if (open === undefined || look === undefined || shape === undefined) return undefined
    const { player, feed, flashes } = open
    // A tape that grew goes on where it was: what is new on it came later.
    let { tape } = this
    if (tape !== undefined && ms >= this.last && events.length >= this.events && this.last >= 0)
      tape.extend(events)
    else {
      player.restart()
      tape = this.tape = new InputTape(events, player.show)
    }
    this.events = events.length
    this.last = ms
    tape.step(player, ms)
    player.paint(ms)
    const byteAt = sentBy(player)
    const solved = feed.frame(byteAt)
    const { fault } = this
    look.frame(
      byteAt,
      solved?.runs ?? new Map(),
      fault &&
        ((run, light) => {
          fault.alter(run, light, ms)
        }),
    )
    const balance = balanceOf(kelvin)
    const lights = new Uint8ClampedArray(look.light.length)
    shownAs(look.light, { stops, balance, lux: luxOf.light, stride: 3 }, lights)
    const wall = new Uint8ClampedArray((look.wall.length / 3) * 4)
    shownAs(look.wall, { stops, balance, lux: luxOf.wall, stride: 4 }, wall)
    const volts = [...(solved?.runs.values() ?? [])].map(({ minV }) => minV)
    const shownFrame: ShownFrame = {
      ms,
      shape,
      lights,
      wall,
      supplyA: solved?.supplyA ?? [],
      scene: player.scene?.name ?? '',
      limitedTo: player.limitedTo,
      flashing: flashes.seen(ms / speed),
      lowestV: volts.length > 0 ? Math.min(...volts) : undefined,
    }
    return transfer(shownFrame, [lights.buffer, wall.buffer])
  }
}

/** With room for the light around what lies at the edge, and as wide for its height as the picture. */
function roomy({ x, y, width, height }: Box, aspect: number): Box {
  const room = 0.07 * Math.max(width, height, 300)
  const [wide, high] = [width + 2 * room, height + 2 * room]
  const [boxWidth, boxHeight] = [Math.max(wide, high * aspect), Math.max(high, wide / aspect)]
  return {
    x: x + (width - boxWidth) / 2,
    y: y + (height - boxHeight) / 2,
    width: boxWidth,
    height: boxHeight,
  }
}

export type ShowWorker = ShowService
expose(new ShowService())
