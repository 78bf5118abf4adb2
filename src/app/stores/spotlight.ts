import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** What the pointer or the focus is on, lit up on pad, drawing and roll alike; and the line that is chosen. */
export const useSpotlight = defineStore('spotlight', () => {
  const lit = shallowRef<ReadonlySet<string>>(new Set())
  const chosen = shallowRef<string | undefined>()
  const destination = shallowRef<{ readonly line: string } | undefined>()
  return {
    lit,
    chosen,
    destination,
    /** It is pointed at, or chosen. */
    isLit: (id: string): boolean => lit.value.has(id) || chosen.value === id,
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
