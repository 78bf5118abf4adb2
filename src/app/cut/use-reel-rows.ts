import { computed, type ComputedRef } from 'vue'
import type { Reel, StripReels } from '../../core/cut/reels'
import type { Strip } from '../../core/plan/parts'
import { useGradual } from '../ui/use-gradual'

/** A reel with its number among those of its strip, from 1. */
export interface ReelRow {
  readonly strip: Strip
  readonly reel: Reel
  readonly number: number
}

/** The reels of all strips, appearing row by row where there are many; those of one strip at a time. */
export function useReelRows(
  reels: () => readonly StripReels[],
): ComputedRef<(strip: Strip) => readonly ReelRow[]> {
  const all = computed(() =>
    reels().flatMap(({ strip, reels: bins }) =>
      bins.map((reel, index): ReelRow => ({ strip, reel, number: index + 1 })),
    ),
  )
  const there = useGradual(() => all.value)
  return computed(() => (strip) => there.value.filter((row) => row.strip === strip))
}
