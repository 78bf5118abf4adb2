<script setup lang="ts">
import { Trash2, X } from '@lucide/vue'
import type { Furniture } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import TextField from '../ui/TextField.vue'

const { thing } = defineProps<{ thing: Furniture }>()
const emit = defineEmits<{ close: [] }>()

const store = usePlanStore()
const plan = useOpenPlan()

function put(set: Partial<Furniture>): void {
  store.commit([{ do: 'put-furniture', furniture: { ...thing, ...set } }], {
    label: `change ${thing.name}`,
    key: `thing.${thing.id}`,
  })
}
const sides = [
  { key: 'widthMm', label: 'Width' },
  { key: 'heightMm', label: 'Height' },
] as const
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
    <TextField
      class="col-span-2 text-bench-soft"
      label="Name"
      :value="thing.name"
      :most="60"
      @set="(name) => put({ name })"
    />
    <LengthField
      v-for="{ key, label } in sides"
      :key="key"
      class="text-bench-soft"
      :label="label"
      :mm="thing[key]"
      :least="0.1"
      :most="1_000_000"
      :units="plan.units"
      is-required
      @set="(mm) => mm !== undefined && put({ [key]: mm })"
    />
    <NumberField
      class="text-bench-soft"
      label="Turned, °"
      :value="thing.place.degrees"
      :least="-360"
      :most="360"
      :step="5"
      width="w-full"
      @set="(degrees) => put({ place: { ...thing.place, degrees } })"
    />
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
