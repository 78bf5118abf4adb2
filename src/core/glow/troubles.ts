import type { Show } from '../plan/plan'
import type { CompiledShow } from './compile'
import { mostFlashes } from './flash'
import { FlashWatch } from './flashing'
import {
  framesOf,
  mayGiveOf,
  sentBy,
  sentLight,
  startedFps,
  visitOf,
  watchFlashes,
  type PlayGiven,
  type ShowRun,
} from './play'
import { ShowFeed } from './show-feed'

/** What makes a show unfit to be played: too many flashes, or more than a supply should give, by its id. */
export type Trouble =
  | { readonly kind: 'flashes' }
  | { readonly kind: 'over-supply'; readonly supply: string }

/** More than this counts as more than a supply should give, A. */
export const slightlyA = 1e-6

/**
 * What is wrong with a show, each as soon as it is certain, some of it perhaps twice: the same that `playWhole` finds. Only frames in which
 * a supply could be over are solved, so that this takes a part of the time.
 *
 * @param ready the show, made ready
 */
export function* troublesOf(
  given: PlayGiven,
  show: Show,
  ready: CompiledShow,
  run: ShowRun,
): Generator<Trouble, void> {
  const { framesPerSecond } = run
  const flash = new FlashWatch(ready.field)
  const sent = new Float64Array(ready.field.count * 4)
  // The same lights, whichever of the scenes is played.
  const over = new OverWatch(given, ready)
  for (const { player } of framesOf(ready, run)) {
    yield* over.in(sentBy(player))
    sentLight(player, sent)
    flash.add(sent, player.sceneNumber)
  }
  if (flash.worst(framesPerSecond).perSecond > mostFlashes) yield { kind: 'flashes' }
  for (const scene of show.scenes) {
    if (scene.start === undefined) continue
    const { ready: alone, seconds } = visitOf(given, show, scene)
    for (const { player } of framesOf(alone, { seconds, framesPerSecond: startedFps }))
      yield* over.in(sentBy(player))
    if (watchFlashes(alone, { seconds, framesPerSecond }).perSecond > mostFlashes)
      yield { kind: 'flashes' }
  }
}

/** Watches frames for supplies that should not give so much. */
class OverWatch {
  private readonly feed: ShowFeed
  private readonly mayGiveA: number[]

  constructor(
    private readonly given: PlayGiven,
    show: CompiledShow,
  ) {
    this.feed = new ShowFeed(given, show.field)
    this.mayGiveA = mayGiveOf(given).map((amperes) => (amperes ?? Infinity) + slightlyA)
  }

  /** Supplies that a frame is too much for; each is told once. */
  *in(byteAt: ReturnType<typeof sentBy>): Generator<Trouble, void> {
    for (const at of this.feed.over(byteAt, this.mayGiveA)) {
      this.mayGiveA[at] = Infinity
      const supply = this.given.supplies[at]?.slot.id
      if (supply !== undefined) yield { kind: 'over-supply', supply }
    }
  }
}
