import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** What the pointer or the focus is on, lit up on pad, drawing and roll alike; and the line that is chosen. */
export const useSpotlight = defineStore('spotlight', () => {
  const lit = shallowRef<ReadonlySet<string>>(new Set())
  const chosen = shallowRef<string | undefined>()
  return {
    lit,
    chosen,
    light: (ids: readonly string[]): void => {
      lit.value = new Set(ids)
    },
    dim: (): void => {
      lit.value = new Set()
    },
    choose: (id: string | undefined): void => {
      chosen.value = id
    },
  }
})
