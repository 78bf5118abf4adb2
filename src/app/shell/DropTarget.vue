<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { usePlanFiles } from './plan-files'

const { importPlan } = usePlanFiles()
const isOver = ref(false)

const holdsFile = (event: DragEvent): boolean =>
  event.dataTransfer?.types.includes('Files') === true

useEventListener('dragover', (event: DragEvent) => {
  if (!holdsFile(event)) return
  event.preventDefault()
  isOver.value = true
})
useEventListener('dragleave', (event: DragEvent) => {
  if (event.relatedTarget === null) isOver.value = false
})
useEventListener('drop', (event: DragEvent) => {
  isOver.value = false
  const [file] = event.dataTransfer?.files ?? []
  if (file === undefined) return
  event.preventDefault()
  void importPlan(file)
})
</script>

<template>
  <div
    v-if="isOver"
    class="pointer-events-none fixed inset-3 z-40 grid place-items-center rounded-2xl border-2 border-dashed border-glow bg-bench/80 text-lg"
  >
    Drop a plan file to put it on the shelf
  </div>
</template>
