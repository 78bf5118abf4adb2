<script setup lang="ts">
import { Check, Copy, Download } from '@lucide/vue'
import { useClipboard } from '@vueuse/core'
import { computed, ref } from 'vue'
import { csv } from '../../formats/csv'
import { saveTable } from '../shell/save-table'
import { saveText } from '../shell/save-text'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import { usePart } from '../stores/use-parts'
import { useOpenPlan } from '../stores/use-open-plan'

const plan = useOpenPlan()

const texts = usePart('program')
const kinds = [
  { value: 'header', label: 'C header' },
  { value: 'json', label: 'JSON' },
  { value: 'pixels', label: 'Pixel map' },
] as const
const kind = ref<(typeof kinds)[number]['value']>('header')
const files = {
  header: { ending: 'h', type: 'text/plain' },
  json: { ending: 'json', type: 'application/json' },
  pixels: { ending: 'csv', type: 'text/csv' },
} as const
const text = computed(() => {
  const made = texts.value?.[kind.value]
  return typeof made === 'object' ? csv(made) : (made ?? '')
})
const { copy, copied } = useClipboard({ legacy: true })

function save(): void {
  const made = texts.value?.[kind.value]
  if (typeof made === 'object') {
    saveTable(`${plan.value.name} ${kind.value}`, made)
    return
  }
  const { ending, type } = files[kind.value]
  saveText(`${plan.value.name} ${kind.value}.${ending}`, text.value, type)
}
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-2">
    <div class="flex flex-wrap items-center gap-2">
      <SegmentedChoice v-model="kind" label="File" :options="kinds" />
      <button class="button-quiet ml-auto" :disabled="text === ''" @click="copy(text)">
        <component :is="copied ? Check : Copy" :size="14" /> {{ copied ? 'Copied' : 'Copy' }}
      </button>
      <button class="button-quiet" :disabled="text === ''" @click="save">
        <Download :size="14" /> Save
      </button>
    </div>
    <pre
      class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised px-4 py-3 font-mono text-[12px] leading-[18px]"
      tabindex="0"
      role="region"
      aria-label="Preview"
      data-testid="program"
      >{{ text }}</pre>
  </div>
</template>
