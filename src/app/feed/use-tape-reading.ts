import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { weakestAt } from '../../core/feed/brightness'
import { groupDraw, loadsPerGroup } from '../../core/load/group-draw'
import type { Strip } from '../../core/plan/parts'
import { formatQuantity } from '../../core/quantity/format'

export interface TapeReading {
  /** The load that the pointer, or the keys, are on. */
  readonly pointed: Ref<number | undefined>
  readonly reading: ComputedRef<
    { readonly x: number; readonly volts: number; readonly text: string } | undefined
  >
  /** The pointer is at a place of the tape, px. */
  readonly pointAt: (x: number) => void
  /** Goes on by so many loads. */
  readonly step: (by: number) => void
  /** The pad beside the load that is read; behind the last load where none is. */
  readonly pad: () => number
  readonly leave: () => void
}

/** Reads one light of a run on its tape: its volts, what it draws, and what is left of its brightness. */
export function useTapeReading(of: {
  readonly strip: () => Strip
  /** Where each load stands, px from left to right. */
  readonly places: () => Float64Array
  readonly volts: () => ArrayLike<number> | undefined
  /** Of each channel, 0–1. */
  readonly duties: () => readonly number[]
}): TapeReading {
  const pointed = ref<number>()
  const last = (): number => of.places().length - 1
  return {
    pointed,
    reading: computed(() => {
      const at = pointed.value
      const volts = at === undefined ? undefined : of.volts()?.[at]
      if (at === undefined || volts === undefined) return undefined
      const strip = of.strip()
      const { channelMa, idleMa } = groupDraw(strip)
      const duties = of.duties()
      const fullMa = channelMa.reduce((sum, mA, index) => sum + mA * (duties[index] ?? 0), idleMa)
      const share = Math.min(1, weakestAt(strip, volts))
      const what = strip.light.kind === 'pixels' ? 'px' : 'group'
      return {
        x: of.places()[at] ?? 0,
        volts,
        text: `${what} ${String(at + 1)} · ${formatQuantity(volts, 'V')} · ${formatQuantity(fullMa * share, 'mA')} · ${formatQuantity(share, '%')}`,
      }
    }),
    pointAt: (x) => {
      pointed.value = nearest(of.places(), x)
    },
    step: (by) => {
      pointed.value = Math.max(0, Math.min(last(), (pointed.value ?? -1) + by))
    },
    pad: () => Math.round(((pointed.value ?? last()) + 0.5) / loadsPerGroup(of.strip())),
    leave: () => {
      pointed.value = undefined
    },
  }
}

/** The index of the place nearest to `x`, of places that rise; `undefined` where there is none. */
function nearest(places: Float64Array, x: number): number | undefined {
  if (places.length === 0) return undefined
  let [low, high] = [0, places.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((places[middle] ?? 0) < x) low = middle
    else high = middle
  }
  return Math.abs((places[low] ?? 0) - x) < Math.abs((places[high] ?? 0) - x) ? low : high
}
