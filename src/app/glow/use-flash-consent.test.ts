import { effectScope, nextTick, ref, shallowRef } from 'vue'
import { describe, expect, it } from 'vitest'
import type { Flashing } from '../../core/glow/flashing'
import type { Show } from '../../core/plan/plan'
import { scene, showOf } from '../../testing/shows'
import type { ShownFrame } from '../engine/show.worker'
import { useFlashConsent } from './use-flash-consent'

const flashes = (perSecond: number): Flashing => ({ perSecond, worst: undefined })

describe('nothing that flashes above the limit plays before somebody agrees', () => {
  const begin = () => {
    const show = shallowRef<Show | undefined>(showOf(scene([])))
    const flashing = shallowRef<Flashing | undefined>(flashes(0))
    const [frame, isPlaying] = [shallowRef<ShownFrame>(), ref(false)]
    const consent = effectScope().run(() => useFlashConsent({ frame, isPlaying }, show, flashing))!
    const see = async (perSecond: number): Promise<void> => {
      frame.value = { flashing: flashes(perSecond) } as ShownFrame
      await nextTick()
    }
    return { show, flashing, isPlaying, consent, see }
  }

  it('asks first, plays once it is agreed to, and asks again for another show', async () => {
    const { show, flashing, isPlaying, consent, see } = begin()
    expect(consent.mayPlay()).toBe(true)
    flashing.value = flashes(4)
    expect([consent.mayPlay(), consent.asked.value?.isLive]).toEqual([false, false])
    consent.close()
    expect([consent.asked.value, isPlaying.value]).toEqual([undefined, false])
    consent.mayPlay()
    consent.agree()
    expect([isPlaying.value, consent.mayPlay()]).toEqual([true, true])
    await see(9)
    expect(isPlaying.value).toBe(true)
    show.value = showOf(scene([], { id: 'other' }))
    expect(consent.mayPlay()).toBe(false)
  })

  it('stops what begins to flash while it is shown, at the limit and not below it', async () => {
    const { isPlaying, consent, see } = begin()
    await see(7)
    // Nothing was played: a frame that is looked at is no show.
    expect(consent.asked.value).toBeUndefined()
    isPlaying.value = true
    await see(3)
    expect(isPlaying.value).toBe(true)
    await see(4)
    expect(isPlaying.value).toBe(false)
    expect(consent.asked.value).toEqual({ flashing: flashes(4), isLive: true })
  })

  it('stops where it is found out while the show plays', async () => {
    const { flashing, isPlaying } = begin()
    isPlaying.value = true
    flashing.value = flashes(5)
    await nextTick()
    expect(isPlaying.value).toBe(false)
  })
})
