import { shallowRef } from 'vue'

/** What a step wants to be lit: taken over by the bench link once it is there. */
export const linkAim = shallowRef<{ readonly lane: number; readonly at: number }>()
