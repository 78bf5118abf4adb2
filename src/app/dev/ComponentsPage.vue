<script setup lang="ts">
import { ref } from 'vue'
import { theme, themes } from '../stores/theme'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import FieldStates from './FieldStates.vue'
import FormStates from './FormStates.vue'
import MenuStates from './MenuStates.vue'
import PaperStates from './PaperStates.vue'

const widths = [
  { value: '100%', label: 'Whole' },
  { value: '390px', label: 'Phone' },
] as const
const width = ref<(typeof widths)[number]['value']>('100%')
</script>

<!-- Every component of src/app/ui in every state, in development only: `npm run dev`, then /components. -->
<template>
  <main class="overflow-y-auto px-6 py-5">
    <div class="mb-5 flex flex-wrap items-center gap-4">
      <h1 class="text-xl font-bold">Components</h1>
      <SegmentedChoice v-model="theme" label="Theme" :options="themes" />
      <SegmentedChoice v-model="width" label="Width" :options="widths" />
    </div>
    <div class="grid gap-6" :style="{ maxWidth: width }">
      <FieldStates />
      <FormStates />
      <MenuStates />
      <PaperStates />
    </div>
  </main>
</template>
