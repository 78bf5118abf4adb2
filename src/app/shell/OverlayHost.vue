<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { overlay } from '../stores/overlay'

const SearchDialog = defineAsyncComponent(() => import('./SearchDialog.vue'))
const HelpSheet = defineAsyncComponent(() => import('./HelpSheet.vue'))
const MergeSheet = defineAsyncComponent(() => import('./MergeSheet.vue'))
const SnapshotSheet = defineAsyncComponent(() => import('./SnapshotSheet.vue'))
const NotesSheet = defineAsyncComponent(() => import('../notes/NotesSheet.vue'))
const ShortGuide = defineAsyncComponent(() => import('./ShortGuide.vue'))

function close(): void {
  overlay.value = undefined
}
</script>

<template>
  <SearchDialog v-if="overlay === 'search'" @close="close" />
  <HelpSheet v-else-if="overlay === 'help'" @close="close" />
  <ShortGuide v-else-if="overlay === 'guide'" @close="close" />
  <MergeSheet v-else-if="overlay === 'merge'" @close="close" />
  <NotesSheet v-else-if="overlay === 'notes'" @close="close" />
  <SnapshotSheet v-else-if="overlay === 'snapshots'" @close="close" />
</template>
