<script setup lang="ts">
import { NotebookPen } from '@lucide/vue'
import { computed } from 'vue'
import type { NoteAbout } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import { openNotes } from '../stores/note-about'
import { usePlanStore } from '../stores/plan'
import { notesOn } from './about'

const { about, name } = defineProps<{ about: NoteAbout; name: string }>()
const store = usePlanStore()
const count = computed(() => notesOn(store.plan?.notes ?? [], about).length)
</script>

<template>
  <button
    type="button"
    class="link-quiet inline-flex items-center gap-1"
    :aria-label="`${count === 0 ? 'Add a note' : plural(count, 'note')} on ${name}`"
    @click="openNotes(about)"
  >
    <NotebookPen :size="13" aria-hidden="true" />
    <span>{{ count === 0 ? 'note' : plural(count, 'note') }}</span>
  </button>
</template>
