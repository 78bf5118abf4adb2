<script setup lang="ts">
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'
import { useTyped, type Typed } from './use-typed'

const {
  mm,
  least = 0,
  most,
  units,
  isRequired,
  layout = 'above',
  width = 'w-full',
} = defineProps<{
  label: string
  /** What it says now; nothing where it is not known. */
  mm: number | undefined
  least?: number
  most: number
  units: LengthUnits
  /** It cannot be emptied. */
  isRequired?: boolean
  layout?: FieldLayout
  width?: string
}>()
const emit = defineEmits<{ set: [mm: number | undefined] }>()
defineOptions({ inheritAttrs: false })

const show = (length: number | undefined): string =>
  length === undefined ? '' : formatLength(length, units)

function read(text: string): Typed<number | undefined> {
  const plain = text.trim()
  if (plain === '') return { ok: true, value: undefined }
  const length = /^0+$/.test(plain) ? { ok: true as const, mm: 0 } : readLength(plain)
  if (!length.ok) return length
  if (length.mm < least || length.mm > most)
    return { ok: false, message: `“${plain}”: from ${show(least)} to ${show(most)}.` }
  return { ok: true, value: length.mm }
}
const typed = useTyped<number | undefined>({
  value: () => mm,
  show,
  read,
  take: (length) => {
    emit('set', length)
  },
  isRequired: () => isRequired,
})
</script>

<!-- A length, typed as people say it: `650`, `65 cm`, `4' 6 1/2"`. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout" :problem="typed.problem()">
    <input
      v-shown="typed.text()"
      v-bind="controlAttrs($attrs, layout, label)"
      class="field px-1.5 py-1 font-mono"
      :class="width"
      autocomplete="off"
      :placeholder="typeof $attrs['placeholder'] === 'string' ? $attrs['placeholder'] : 'none'"
      :aria-invalid="typed.problem() !== undefined"
      @change="typed.onChange"
    />
  </FieldFrame>
</template>
