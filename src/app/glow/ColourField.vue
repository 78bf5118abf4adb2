<script setup lang="ts">
import { computed, ref } from 'vue'
import { readColour, screenColour } from '../../core/glow/colour'

const { label, value } = defineProps<{ label: string; value: string }>()
const emit = defineEmits<{ set: [value: string] }>()

const light = computed(() => readColour(value))
/** What was typed and is no colour: it stays until it is one. */
const wrong = ref<string>()

function type(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const text = event.target.value.trim()
  const isRead = readColour(text) !== undefined
  wrong.value = isRead ? undefined : text
  if (isRead) emit('set', text)
}
function pick(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  wrong.value = undefined
  emit('set', event.target.value)
}
</script>

<!-- A colour chosen by eye, or typed: `#ffb46b`, `2700 K` or `duty 255 120 0`. -->
<template>
  <span class="flex flex-wrap items-center gap-1.5">
    <input
      type="color"
      class="h-7 w-9 rounded border border-bench-line bg-bench p-0.5"
      :value="light ? screenColour(light) : '#000000'"
      :aria-label="`${label}, by eye`"
      @change="pick"
    />
    <input
      v-shown="wrong ?? value"
      class="field w-32 py-1"
      :aria-label="`${label}, typed`"
      :aria-invalid="wrong !== undefined"
      @change="type"
    />
    <span v-if="wrong !== undefined" class="basis-full text-[12px] text-stop">
      “{{ wrong }}” is no colour: such as #ffb46b, 2700 K, or duty 255 120 0
    </span>
  </span>
</template>
