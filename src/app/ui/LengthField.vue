<script setup lang="ts">
import { ref } from 'vue'
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'

const {
  label,
  mm,
  least = 0,
  most,
  units,
  isRequired,
} = defineProps<{
  label: string
  /** What it says now; nothing where it is not known. */
  mm: number | undefined
  least?: number
  most: number
  units: LengthUnits
  /** It cannot be emptied. */
  isRequired?: boolean
}>()
const emit = defineEmits<{ set: [mm: number | undefined] }>()

const problem = ref('')

/** Takes a length with or without its unit; what cannot be taken stays in the field, and says why. */
function take(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const text = event.target.value.trim()
  problem.value = ''
  if (text === '' && !isRequired) {
    emit('set', undefined)
    return
  }
  const read = /^0+$/.test(text) ? { ok: true as const, mm: 0 } : readLength(text)
  if (!read.ok) problem.value = `“${text}”: ${read.message}`
  else if (read.mm < least || read.mm > most)
    problem.value = `“${text}”: from ${formatLength(least, units)} to ${formatLength(most, units)}.`
  else emit('set', read.mm)
}
</script>

<template>
  <label class="text-bench-soft">
    {{ label }}
    <input
      v-shown="mm === undefined ? '' : formatLength(mm, units)"
      class="field mt-0.5 font-mono"
      placeholder="none"
      :aria-invalid="problem !== ''"
      @change="take"
    />
    <span v-if="problem" class="mt-1 block text-stop" role="alert">{{ problem }}</span>
  </label>
</template>
