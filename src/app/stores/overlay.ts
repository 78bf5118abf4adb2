import { shallowRef } from 'vue'

/** What lies over the page and belongs to none: the search over everything, the help, the short guide. */
export const overlay = shallowRef<'search' | 'help' | 'guide' | undefined>()
