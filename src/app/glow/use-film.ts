import { nextTick, onScopeDispose, ref, type Ref } from 'vue'
import { messageOf } from '../../core/quantity/message-of'
import type { ShowPlayer } from './use-show'

export interface Filming {
  /** How far a moving picture is, 0–1; `undefined` while none is made. */
  readonly filmed: Ref<number | undefined>
  /** The show from its start as a moving picture; `undefined` where it was cancelled or failed. */
  readonly make: () => Promise<Blob | undefined>
  readonly cancel: () => void
}

/** Makes a moving picture of what a player shows, frame by frame. */
export function useFilm(
  player: ShowPlayer,
  {
    picture,
    failed,
  }: {
    readonly picture: () => HTMLCanvasElement | undefined
    readonly failed: (text: string) => void
  },
): Filming {
  const filmed = ref<number>()
  const cancel = (): void => {
    filmed.value = undefined
  }
  async function make(): Promise<Blob | undefined> {
    if (filmed.value !== undefined) return undefined
    filmed.value = 0
    try {
      const { film, filmFps, longestFilmS } = await import('./film')
      const seconds = Math.min(longestFilmS, player.lengthMs.value / 1000)
      const frames = Math.max(1, Math.floor(seconds * filmFps))
      return await film(frames, async (frame) => {
        await player.hold((1000 * frame) / filmFps)
        await nextTick()
        if (filmed.value === undefined) return undefined
        filmed.value = (frame + 1) / frames
        return picture()
      })
    } catch (error) {
      failed(`The moving picture could not be made: ${messageOf(error)}`)
      return undefined
    } finally {
      cancel()
      player.release()
    }
  }
  onScopeDispose(cancel)
  return { filmed, make, cancel }
}
