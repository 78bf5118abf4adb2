<script setup lang="ts">
import { Trash2, X } from '@lucide/vue'
import type { Furniture } from '../../core/plan/plan'
import { readLength } from '../../core/quantity/length'
import { usePlanStore } from '../stores/plan'

const { thing } = defineProps<{ thing: Furniture }>()
const emit = defineEmits<{ close: [] }>()

const store = usePlanStore()

function put(set: Partial<Furniture>): void {
  store.commit([{ do: 'put-furniture', furniture: { ...thing, ...set } }], {
    label: `change ${thing.name}`,
    key: `thing.${thing.id}`,
  })
}
function length(event: Event, key: 'widthMm' | 'heightMm'): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const read = readLength(event.target.value)
  event.target.setCustomValidity(read.ok ? '' : read.message)
  event.target.reportValidity()
  if (read.ok) put({ [key]: read.mm })
}
function text(event: Event): void {
  if (event.target instanceof HTMLInputElement) put({ name: event.target.value.slice(0, 60) })
}
function turn(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const degrees = Math.max(-360, Math.min(360, event.target.valueAsNumber || 0))
  put({ place: { ...thing.place, degrees } })
}
function remove(): void {
  store.commit([{ do: 'remove-furniture', furniture: thing.id }], { label: `remove ${thing.name}` })
  emit('close')
}
</script>

<template>
  <div
    class="absolute top-12 right-2 z-20 grid w-[190px] grid-cols-2 gap-2 rounded-lg border border-bench-line bg-bench-high p-2.5 text-[12px] shadow-lg shadow-black/50"
    role="group"
    :aria-label="`${thing.name}, furniture`"
  >
    <label class="col-span-2 text-bench-soft">
      Name
      <input v-shown="thing.name" class="field mt-0.5" maxlength="60" @change="text" />
    </label>
    <label class="text-bench-soft">
      Width
      <input
        v-shown="Math.round(thing.widthMm * 10) / 10"
        class="field mt-0.5 font-mono"
        @change="length($event, 'widthMm')"
      />
    </label>
    <label class="text-bench-soft">
      Height
      <input
        v-shown="Math.round(thing.heightMm * 10) / 10"
        class="field mt-0.5 font-mono"
        @change="length($event, 'heightMm')"
      />
    </label>
    <label class="text-bench-soft">
      Turned, °
      <input
        v-shown="thing.place.degrees"
        type="number"
        step="5"
        class="field mt-0.5"
        @change="turn"
      />
    </label>
    <div class="flex items-end justify-end gap-1.5">
      <button class="button-quiet px-2" aria-label="Remove it" @click="remove">
        <Trash2 :size="14" />
      </button>
      <button class="button-quiet px-2" aria-label="Close" @click="emit('close')">
        <X :size="14" />
      </button>
    </div>
  </div>
</template>
