import { ref, shallowRef } from 'vue'
import type { NoteAbout } from '../../core/plan/plan'
import { overlay } from './overlay'

/** What the notes were opened for, until they are closed; `undefined` for all of them. */
export const noteAbout = shallowRef<NoteAbout>()

/** A note that is being written: closing the sheet loses nothing of it. */
export const noteDraft = { text: ref(''), photos: shallowRef<readonly string[]>([]) }

export function openNotes(about?: NoteAbout): void {
  noteAbout.value = about
  overlay.value = 'notes'
}
