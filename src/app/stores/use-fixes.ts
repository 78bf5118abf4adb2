import { computed, watch, type ComputedRef } from 'vue'
import type { Fixes } from '../../core/choose/fixes'
import { usePlanStore } from './plan'

/** Fixes of verdicts that are shown, by the verdicts' ids, as far as they are found. They are looked for as long as they are shown. */
export function useFixes(ids: () => readonly string[]): ComputedRef<Fixes> {
  const store = usePlanStore()
  watch(
    ids,
    (shown, _, onCleanup) => {
      for (const id of shown) onCleanup(store.wantFixes(id))
    },
    { immediate: true },
  )
  return computed(() => store.tally?.fixes ?? {})
}
