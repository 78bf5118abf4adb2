import { shallowRef } from 'vue'

/** What lies over the page and belongs to none of them. */
export const overlay = shallowRef<
  'search' | 'help' | 'guide' | 'merge' | 'snapshots' | 'notes' | undefined
>()
