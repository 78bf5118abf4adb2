<script setup lang="ts">
import { computed } from 'vue'
import { amountText, readAmount } from '../../core/quantity/amount'
import { fixed, type Unit } from '../../core/quantity/format'
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'
import { useTyped, type Typed } from './use-typed'

const {
  value,
  unit = '',
  least,
  most,
  step = 1,
  isWhole,
  isOptional,
  layout = 'above',
  width = 'w-20',
} = defineProps<{
  label: string
  value: number | undefined
  /** What a bare number counts in; with `%` the value is a share. */
  unit?: Unit
  least: number
  most: number
  /** By how much the arrow keys change it, in the unit that is shown. */
  step?: number
  isWhole?: boolean
  /** It may be emptied. */
  isOptional?: boolean
  layout?: FieldLayout
  width?: string
}>()
const emit = defineEmits<{ set: [value: number]; clear: [] }>()
defineOptions({ inheritAttrs: false })

function show(number: number | undefined): string {
  if (number === undefined) return ''
  const isCents = unit === 'price' && Math.abs(number * 100 - Math.round(number * 100)) < 1e-6
  return isCents ? fixed(number, 2) : amountText(Number(number.toPrecision(6)), unit)
}

/** What one of the shown unit is worth. */
const each = computed(() => (unit === '%' ? 0.01 : 1))
const shownUnit = computed(() => (unit === 'price' ? '' : unit))

function read(text: string): Typed<number | undefined> {
  if (text.trim() === '') return { ok: true, value: undefined }
  const amount = readAmount(text, unit)
  if (!amount.ok) return amount
  if (isWhole && !Number.isInteger(amount.value))
    return { ok: false, message: `“${text}”: a whole number is expected` }
  if (amount.value < least || amount.value > most)
    return {
      ok: false,
      message: `“${text}”: from ${show(least)} to ${show(most)} ${shownUnit.value}`.trim(),
    }
  return amount
}
const typed = useTyped<number | undefined>({
  value: () => value,
  show,
  read,
  take: (number) => {
    if (number === undefined) emit('clear')
    else emit('set', number)
  },
  isRequired: () => !isOptional,
})

/** The arrow keys count on from what stands in the field. */
function onKey(event: KeyboardEvent): void {
  const by = { ArrowUp: step, ArrowDown: -step }[event.key]
  if (by === undefined || !(event.target instanceof HTMLInputElement)) return
  event.preventDefault()
  const now = readAmount(event.target.value, unit)
  const next = (now.ok ? now.value : (value ?? least)) + by * each.value
  event.target.value = show(Math.min(most, Math.max(least, next)))
  event.target.dispatchEvent(new Event('change'))
}
</script>

<!-- A number with its unit, typed as people write it: `3,5`, `350 mA`, `4k7`. One outside its bounds is told, never changed. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout" :problem="typed.problem()">
    <input
      v-shown="typed.text()"
      v-bind="controlAttrs($attrs, layout, label)"
      class="field px-1.5 py-1"
      :class="width"
      role="spinbutton"
      autocomplete="off"
      :inputmode="least < 0 ? 'text' : isWhole ? 'numeric' : 'decimal'"
      :aria-valuenow="value === undefined ? undefined : value / each"
      :aria-valuemin="least / each"
      :aria-valuemax="most / each"
      :aria-invalid="typed.problem() !== undefined"
      @change="typed.onChange"
      @keydown="onKey"
    />
    <template #after><slot>{{ shownUnit }}</slot></template>
  </FieldFrame>
</template>
