<script setup lang="ts">
import { useField } from 'vee-validate'

const { name, type = 'text' } = defineProps<{
  name: string
  label: string
  type?: 'text' | 'number' | 'select' | 'colour'
  unit?: string
  hint?: string
  options?: readonly { readonly value: string; readonly label: string }[]
}>()

const { value, errorMessage, handleBlur } = useField<string | number | undefined>(() => name)

/** An emptied number field is no number, not an empty text. */
function onInput(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  value.value =
    type === 'number'
      ? Number.isNaN(event.target.valueAsNumber)
        ? undefined
        : event.target.valueAsNumber
      : event.target.value
}
</script>

<template>
  <label class="block text-[13px]">
    <span class="mb-1 flex justify-between text-bench-soft">
      <span>{{ label }}</span><span v-if="unit">{{ unit }}</span>
    </span>
    <select v-if="type === 'select'" v-model="value" class="field" :name="name">
      <option v-for="option in options" :key="option.value" :value="option.value">
        {{ option.label }}
      </option>
    </select>
    <input
      v-else
      class="field"
      :class="[errorMessage && 'border-stop', type === 'colour' && 'h-8 px-1 py-0.5']"
      :name="name"
      :type="type === 'colour' ? 'color' : type"
      step="any"
      :value="value"
      :aria-invalid="errorMessage !== undefined"
      @input="onInput"
      @blur="handleBlur"
    />
    <span v-if="errorMessage" class="mt-1 block text-[12px] text-stop">{{ errorMessage }}</span>
    <span v-else-if="hint" class="mt-1 block text-[12px] text-bench-soft">{{ hint }}</span>
  </label>
</template>
