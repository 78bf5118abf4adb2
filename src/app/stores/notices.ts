import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** Something to tell that has no place on the page: at the bottom, until it is closed or replaced. */
export interface Notice {
  /** What was done goes by itself; a problem and an offer stay. */
  readonly kind: 'done' | 'problem' | 'offer'
  readonly text: string
  /** More lines, such as what is wrong in a file. */
  readonly details?: readonly string[]
  readonly actions?: readonly { readonly label: string; readonly run: () => void }[]
}

export const useNotices = defineStore('notices', () => {
  const current = shallowRef<Notice | undefined>()
  return {
    current,
    show: (notice: Notice): void => {
      current.value = notice
    },
    /** Says what was just done, with the way back. */
    done: (text: string, undo: () => void): void => {
      current.value = { kind: 'done', text, actions: [{ label: 'Undo', run: undo }] }
    },
    close: (): void => {
      current.value = undefined
    },
  }
})
