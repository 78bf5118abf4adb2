import { useElementSize } from '@vueuse/core'
import { computed, type ComputedRef, type Ref } from 'vue'
import type { TallyRun } from '../../core/tally'
import { usePlanStore } from '../stores/plan'
import { useScrolled } from '../ui/use-gradual'
import { tapeScale } from './tape'

/** Runs with strip in them, set out as tapes to one ruler in an area of the page. */
export function useTapes(
  area: Ref<HTMLElement | null>,
  /** Kept free at the right, px. */
  right: number,
  /** Room for the names at the left where the window is wide enough, px. */
  names: number,
): {
  runs: ComputedRef<readonly TallyRun[]>
  /** How many are not there yet, and whether their place is near, for a `ListRest`. */
  runsLeft: ComputedRef<number>
  areRunsNear: Ref<boolean>
  nameWidth: ComputedRef<number>
  tapeWidth: ComputedRef<number>
  /** px a mm */
  scale: ComputedRef<number>
} {
  const store = usePlanStore()
  const { width } = useElementSize(area)
  // In a narrow window the name stands above its tape.
  const nameWidth = computed(() => (width.value < 560 ? 0 : names))
  const tapeWidth = computed(() => Math.max(120, width.value - nameWidth.value - right))
  const all = computed(() => store.tally?.runs.filter(({ pieces }) => pieces.length > 0) ?? [])
  const scale = computed(() => tapeScale(all.value, tapeWidth.value))
  // Not before there is a width to draw them in.
  const {
    shown: runs,
    rest: runsLeft,
    isNear: areRunsNear,
  } = useScrolled(() => (width.value > 0 ? all.value : []), 6)
  return { runs, runsLeft, areRunsNear, nameWidth, tapeWidth, scale }
}
