import { ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import type { NoteAbout } from '../../core/plan/plan'
import { overlay } from './overlay'

/** What the notes were opened for, until they are closed; `undefined` for all of them. */
export const noteAbout = shallowRef<NoteAbout>()

interface NoteDraft {
  readonly text: Ref<string>
  readonly photos: ShallowRef<readonly string[]>
}
const drafts = new Map<string, NoteDraft>()

/** The note that is being written on a plan: closing the sheet loses nothing of it. */
export function noteDraftOf(planId: string): NoteDraft {
  const draft = drafts.get(planId) ?? { text: ref(''), photos: shallowRef<readonly string[]>([]) }
  drafts.set(planId, draft)
  return draft
}

export function openNotes(about?: NoteAbout): void {
  noteAbout.value = about
  overlay.value = 'notes'
}
