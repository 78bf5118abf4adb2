import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** What the pointer or the focus is on, lit up on pad, drawing and roll alike; and the line that is chosen. */
export const useSpotlight = defineStore('spotlight', () => {
  const lit = shallowRef<ReadonlySet<string>>(new Set())
  const chosen = shallowRef<string | undefined>()
  const destination = shallowRef<{ readonly line: string } | undefined>()
  /** What is pointed at, and what is chosen: for those who ask about many. */
  const shining = computed(() =>
    chosen.value === undefined ? lit.value : new Set([...lit.value, chosen.value]),
  )
  return {
    lit,
    shining,
    chosen,
    destination,
    /** It is pointed at, or chosen. */
    isLit: (id: string): boolean => shining.value.has(id),
    light: (ids: readonly string[]): void => {
      lit.value = new Set(ids)
    },
    dim: (): void => {
      lit.value = new Set()
    },
    choose: (id: string | undefined): void => {
      chosen.value = id
    },
    /** Chooses a line and takes the cursor there. */
    goTo: (line: string): void => {
      chosen.value = line
      destination.value = { line }
    },
  }
})
