<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed, onScopeDispose, ref } from 'vue'
import type { Note } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import { noteAbout, noteDraftOf } from '../stores/note-about'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { usePlanParts } from '../stores/plan-parts'
import { useSpotlight } from '../stores/spotlight'
import PickField from '../ui/PickField.vue'
import SheetDialog from '../ui/SheetDialog.vue'
import { aboutKey, notesOn, subjectsOf } from './about'
import PhotoRow from './PhotoRow.vue'

const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const spotlight = useSpotlight()
const notices = useNotices()
const parts = usePlanParts()
onScopeDispose(() => {
  noteAbout.value = undefined
})

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const dateOf = (at: string): string => {
  const time = Date.parse(at)
  return Number.isNaN(time) ? '' : when.format(time)
}

const subjects = computed(() =>
  store.plan === undefined
    ? []
    : subjectsOf(store.plan, store.measured.runs, parts.value, [
        ...(store.tally?.supplies ?? []).map(({ partId }) => partId),
        store.tally?.signal?.board?.id ?? null,
      ]),
)
const names = computed(
  () => new Map(subjects.value.map(({ about, name }) => [aboutKey(about), name])),
)
const options = computed(() => [...names.value].map(([value, label]) => ({ value, label })))
const nameOf = ({ about }: Pick<Note, 'about'>): string =>
  names.value.get(aboutKey(about)) ??
  (about.kind === 'run' ? 'a line that is gone' : 'a part that the plan no longer uses')

const chosenRun = spotlight.chosen
const startKey = aboutKey(
  noteAbout.value ??
    (chosenRun !== undefined && store.measured.runs.some(({ id }) => id === chosenRun)
      ? { kind: 'run', line: chosenRun }
      : { kind: 'plan' }),
)
const subjectKey = ref(names.value.has(startKey) ? startKey : 'plan')
const { text, photos } = noteDraftOf(store.id ?? '')
const isMine = computed(() => store.access === 'mine')

/** All notes, the newest first; where they were opened for one thing, those on it first. */
const notes = computed(() => {
  const all = (store.plan?.notes ?? []).toSorted((a, b) => b.at.localeCompare(a.at))
  const wanted = noteAbout.value
  if (wanted === undefined) return all
  const own = notesOn(all, wanted)
  return [...own, ...all.filter((note) => !own.includes(note))]
})

function put(note: Note, label: string): void {
  store.commit([{ do: 'put-note', note }], { label })
}
function add(): void {
  const about = subjects.value.find((one) => aboutKey(one.about) === subjectKey.value)?.about
  const written = text.value.trim()
  if (about === undefined || (written === '' && photos.value.length === 0)) return
  put(
    {
      id: nanoid(8),
      about,
      text: written,
      at: new Date().toISOString(),
      photos: [...photos.value],
    },
    'write a note',
  )
  text.value = ''
  photos.value = []
}

const editing = ref<string>()
const edited = ref('')
function edit(note: Note): void {
  keepEdit()
  editing.value = note.id
  edited.value = note.text
}
/** What was typed is kept however the field is left. */
function keepEdit(): void {
  const note = store.plan?.notes.find(({ id }) => id === editing.value)
  if (note !== undefined && edited.value.trim() !== note.text)
    put({ ...note, text: edited.value.trim(), at: new Date().toISOString() }, 'change a note')
  editing.value = undefined
}
onScopeDispose(keepEdit)
function remove(note: Note): void {
  store.commit([{ do: 'remove-note', note: note.id }], { label: 'delete a note' })
  notices.done('The note is deleted.', store.undo)
}
</script>

<template>
  <SheetDialog title="Notes" width="max-w-2xl" @close="emit('close')">
    <form class="grid gap-2" @submit.prevent="add">
      <PickField
        label="On"
        layout="beside"
        class="text-bench-soft"
        :options="options"
        :value="subjectKey"
        @pick="subjectKey = $event"
      />
      <label class="text-bench-soft">
        Note
        <textarea
          v-model="text"
          class="field mt-1 min-h-20 w-full"
          maxlength="4000"
          placeholder="Plaster crumbles here: screws, no glue"
        />
      </label>
      <div class="flex flex-wrap items-center gap-2">
        <PhotoRow of="this note" :photos="photos" @photos="photos = $event" />
        <button
          class="button-main ml-auto min-h-9 max-sm:min-h-11"
          :disabled="!isMine || (text.trim() === '' && photos.length === 0)"
        >
          Keep the note
        </button>
      </div>
    </form>
    <p v-if="notes.length === 0" class="mt-4 text-bench-soft">
      No note yet. What the wall, the shelf or a part taught you stays with the plan and its file.
    </p>
    <template v-else>
      <h3 class="mt-5 mb-2 font-semibold">{{ plural(notes.length, 'note') }}</h3>
      <ul class="grid max-h-[48vh] gap-2 overflow-y-auto" tabindex="0" aria-label="Notes kept">
        <li
          v-for="note in notes"
          :key="note.id"
          class="rounded-lg border border-bench-line px-3 py-2"
        >
          <div class="flex flex-wrap items-baseline gap-x-2">
            <h4 class="min-w-0 flex-1 truncate font-semibold">{{ nameOf(note) }}</h4>
            <p class="text-[12px] text-bench-soft">{{ dateOf(note.at) }}</p>
          </div>
          <textarea
            v-if="editing === note.id"
            v-model="edited"
            class="field mt-1 min-h-20 w-full"
            maxlength="4000"
            :aria-label="`Note on ${nameOf(note)}`"
            @blur="keepEdit"
          />
          <p v-else class="mt-0.5 whitespace-pre-wrap">{{ note.text }}</p>
          <PhotoRow
            v-if="note.photos.length > 0 || editing === note.id"
            class="mt-2"
            of="this note"
            :photos="note.photos"
            @photos="put({ ...note, photos: [...$event] }, 'photos of a note')"
          />
          <div class="mt-1 flex justify-end gap-2">
            <button
              v-if="editing !== note.id"
              type="button"
              class="button-quiet max-sm:min-h-11"
              :disabled="!isMine"
              :aria-label="`Change the note on ${nameOf(note)}`"
              @click="edit(note)"
            >
              Change
            </button>
            <button
              type="button"
              class="button-quiet max-sm:min-h-11"
              :disabled="!isMine"
              :aria-label="`Delete the note on ${nameOf(note)}`"
              @click="remove(note)"
            >
              Delete
            </button>
          </div>
        </li>
      </ul>
    </template>
  </SheetDialog>
</template>
