<script setup lang="ts">
import { useField } from 'vee-validate'
import { computed, shallowRef } from 'vue'
import { amountText, readAmount } from '../../core/quantity/amount'
import type { Unit } from '../../core/quantity/format'
import type { Option } from './option'

const {
  name,
  type = 'text',
  unit,
} = defineProps<{
  name: string
  label: string
  type?: 'text' | 'number' | 'select' | 'colour'
  unit?: string
  hint?: string
  options?: readonly Option[]
}>()

const { value, errorMessage, handleBlur } = useField<string | number | undefined>(() => name)

/** Units that may be written behind a number, or another of the same kind: `1.2 A` where it counts in mA. */
const readable: readonly Unit[] = ['mm', 'V', 'A', 'mA', 'W', 'Ω']
const readsIn = computed((): Unit => readable.find((one) => one === unit) ?? '')

/** What is typed and is no number: it stays, and the form is not taken. */
const wrong = shallowRef<{ readonly text: string; readonly problem: string }>()
const shown = computed(() => {
  if (wrong.value !== undefined) return wrong.value.text
  return typeof value.value === 'number' ? amountText(value.value, readsIn.value) : value.value
})
const problem = computed(() => wrong.value?.problem ?? errorMessage.value)

function onInput(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const text = event.target.value
  wrong.value = undefined
  if (type !== 'number') value.value = text
  // An emptied field is no number, not an empty text.
  else if (text.trim() === '') value.value = undefined
  else {
    const read = readAmount(text, readsIn.value)
    value.value = read.ok ? read.value : Number.NaN
    if (!read.ok) wrong.value = { text, problem: read.message }
  }
}
</script>

<!-- A field of a form whose values are checked by a schema. -->
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
      v-shown="shown"
      class="field"
      :class="[problem && 'border-stop', type === 'colour' && 'h-8 px-1 py-0.5']"
      :name="name"
      :type="type === 'colour' ? 'color' : 'text'"
      :inputmode="type === 'number' ? 'decimal' : undefined"
      :role="type === 'number' ? 'spinbutton' : undefined"
      :aria-valuenow="typeof value === 'number' && !Number.isNaN(value) ? value : undefined"
      :autocomplete="type === 'number' ? 'off' : undefined"
      :aria-invalid="problem !== undefined"
      @input="onInput"
      @blur="handleBlur"
    />
    <span v-if="problem" class="mt-1 block text-[12px] text-stop">{{ problem }}</span>
    <span v-else-if="hint" class="mt-1 block text-[12px] text-bench-soft">{{ hint }}</span>
  </label>
</template>
