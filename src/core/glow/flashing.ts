import { mostIn } from './flash'
import type { Field } from './field'

/** A part of a run that flashes as one. */
export interface FlashingPart {
  readonly run: string
  /** Along the run, from and up to, mm. */
  readonly fromMm: number
  readonly toMm: number
}

/** How often a show flashes, at worst. */
export interface Flashing {
  readonly perSecond: number
  /** Where, and when that second begins; `undefined` where nothing flashes. */
  readonly worst:
    | (FlashingPart & {
        /** In what was watched. */
        readonly atS: number
        readonly isRed: boolean
        /** The scene that played then, by its number in the show. */
        readonly scene: number
      })
    | undefined
}

/** Each stretch of a run of this length is looked at by itself, mm (handbook 12). */
const stretchMm = 300

/** How far red alone changes for a flash, of 320 (handbook 12). */
const redChange = 20
const redScale = 320
const redShare = 0.8

/** A run, or a stretch of it, with what it showed frame by frame. */
interface Watched extends FlashingPart {
  readonly elements: readonly number[]
  readonly luminance: number[]
  /** R − G − B, and whether that is a saturated red, frame by frame. */
  readonly red: number[]
  readonly isRed: boolean[]
}

/**
 * Watches frames for flashes: luminance is 0.2126 R + 0.7152 G + 0.0722 B of the linear light that is sent, white beside it, meaned over
 * each run and over each 300 mm along it (handbook 12, flash).
 */
export class FlashWatch {
  private readonly watched: Watched[]
  private readonly scenes: number[] = []

  /** @param kept how many frames are looked back on; all of them where nobody says */
  constructor(
    field: Field,
    private readonly kept = Infinity,
  ) {
    this.watched = field.runs.flatMap((run) => {
      const own = [...Array(run.count).keys()].map((at) => run.from + at)
      const lit = own.filter((at) => (field.run[at] ?? -1) >= 0)
      const ends = lit.map((at) => field.along[at] ?? 0)
      const last = ends.reduce((most, one) => Math.max(most, one), 0)
      const whole = watch(run.name, 0, last, lit)
      const stretches = Math.ceil((last + 1) / stretchMm)
      const parts =
        stretches < 2
          ? []
          : [...Array(stretches).keys()].map((part) =>
              watch(
                run.name,
                part * stretchMm,
                (part + 1) * stretchMm,
                lit.filter((at) => Math.floor((field.along[at] ?? 0) / stretchMm) === part),
              ),
            )
      return [whole, ...parts].filter(({ elements }) => elements.length > 0)
    })
  }

  /** @param sent linear red, green, blue and white of each element as it is sent, 0–1 */
  add(sent: Float64Array, scene: number): void {
    this.scenes.push(scene)
    // Shifting a frame out each time would take longer than looking at a few more.
    const old = this.scenes.length > 2 * this.kept ? this.scenes.length - this.kept : 0
    if (old > 0) this.scenes.splice(0, old)
    for (const { elements, luminance, red, isRed } of this.watched) {
      if (old > 0) for (const seen of [luminance, red, isRed]) seen.splice(0, old)
      let [r, g, b, w] = [0, 0, 0, 0]
      for (const at of elements) {
        r += sent[4 * at] ?? 0
        g += sent[4 * at + 1] ?? 0
        b += sent[4 * at + 2] ?? 0
        w += sent[4 * at + 3] ?? 0
      }
      const count = elements.length
      ;[r, g, b, w] = [r / count, g / count, b / count, w / count]
      luminance.push(Math.min(1, 0.2126 * r + 0.7152 * g + 0.0722 * b + w))
      // White adds the same to all three.
      red.push(Math.max(0, r - g - b - w))
      isRed.push(r + w >= redShare * (r + g + b + 3 * w) && r > 0)
    }
  }

  /** What was seen so far. */
  worst(framesPerSecond: number): Flashing {
    let worst: Flashing = { perSecond: 0, worst: undefined }
    for (const watched of this.watched) {
      const { run, fromMm, toMm } = watched
      const any = mostIn(watched.luminance, framesPerSecond)
      const ofRed = redFlashes(watched, framesPerSecond)
      const isRedWorse = ofRed.flashesPerSecond > any.flashesPerSecond
      const { flashesPerSecond, atS } = isRedWorse ? ofRed : any
      if (flashesPerSecond > worst.perSecond)
        worst = {
          perSecond: flashesPerSecond,
          worst: {
            run,
            fromMm,
            toMm,
            atS,
            isRed: isRedWorse,
            scene: this.scenes[Math.round(atS * framesPerSecond)] ?? 0,
          },
        }
    }
    return worst
  }
}

const watch = (
  run: string,
  fromMm: number,
  toMm: number,
  elements: readonly number[],
): Watched => ({ run, fromMm, toMm, elements, luminance: [], red: [], isRed: [] })

/**
 * Flashes of red by itself: changes of max(0, R − G − B) × 320 by more than 20 where either state is a saturated red (handbook 12).
 */
const redFlashes = ({ red, isRed }: Watched, framesPerSecond: number): ReturnType<typeof mostIn> =>
  mostIn(red, framesPerSecond, {
    least: (redChange / redScale) * (1 + 1e-6),
    counts: (before, after) => isRed[before.frame] === true || isRed[after.frame] === true,
  })
