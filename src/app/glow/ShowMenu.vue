<script setup lang="ts">
import { computed, ref } from 'vue'
import { useOpenPlan } from '../stores/use-open-plan'
import ActionMenu from '../ui/ActionMenu.vue'
import PickField from '../ui/PickField.vue'
import RenameField from '../ui/RenameField.vue'
import type { OwnShows } from './use-own-shows'
import { byName } from '../ui/option'

const { shows } = defineProps<{ shows: OwnShows }>()
const emit = defineEmits<{
  /** A show was added, to be made. */
  added: []
  picture: []
  film: []
}>()

const plan = useOpenPlan()
const { show, isOwn } = shows
const names = computed(() => byName(plan.value.shows))
const isRenaming = ref(false)
function rename(name?: string): void {
  isRenaming.value = false
  if (name !== undefined) shows.rename(name)
}
function add(): void {
  shows.add()
  emit('added')
}
const actions = computed(() => [
  { label: 'New show', run: add },
  { label: 'Copy this show', run: shows.copy },
  ...(isOwn.value
    ? [
        { label: 'Rename it', run: () => (isRenaming.value = true) },
        { label: 'Remove it', run: shows.remove },
      ]
    : []),
  {
    label: 'Save the picture',
    run: () => {
      emit('picture')
    },
  },
  {
    label: 'Save a moving picture',
    run: () => {
      emit('film')
    },
  },
])
</script>

<!-- Which show is open, and what can be done with it. -->
<template>
  <RenameField v-if="isRenaming && show" :name="show.name" @end="rename" />
  <PickField
    v-else-if="names.length > 1"
    label="Show"
    layout="unseen"
    width="w-auto max-w-52"
    :options="names"
    :value="show?.id"
    @pick="(id) => id !== undefined && shows.open(id)"
  />
  <ActionMenu :actions="actions">Show</ActionMenu>
</template>
