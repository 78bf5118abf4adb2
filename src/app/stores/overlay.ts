import { shallowRef } from 'vue'

/**
 * What lies over the page and belongs to none: the search over everything, the help, the short guide, what was done
 * elsewhere.
 */
export const overlay = shallowRef<'search' | 'help' | 'guide' | 'merge' | undefined>()
