<script setup lang="ts" generic="Value extends string">
import { useId } from 'vue'
import type { Option } from './option'

defineProps<{ label: string; options: readonly Option[] }>()
const model = defineModel<Value>({ required: true })

const name = useId()
</script>

<!-- One of a few, each with who prefers it and why. -->
<template>
  <fieldset>
    <legend class="mb-1.5 font-semibold">{{ label }}</legend>
    <label
      v-for="option in options"
      :key="option.value"
      class="flex items-start gap-2.5 rounded px-1 py-1 text-[13px] hover:bg-bench-line"
    >
      <input
        v-model="model"
        type="radio"
        :name="name"
        :value="option.value"
        class="mt-0.5 shrink-0 accent-glow"
      />
      <span>
        {{ option.label }}
        <span v-if="option.about" class="block text-[12px] text-bench-soft">
          {{ option.about }}
        </span>
      </span>
    </label>
  </fieldset>
</template>
