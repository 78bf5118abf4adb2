<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { billUnits, type BillUnit } from '../../core/plan/choices'
import type { OwnBillLine } from '../../core/plan/plan'
import { numberOf } from '../../formats/csv-read'
import FormDialog from '../ui/FormDialog.vue'
import PickField from '../ui/PickField.vue'
import { fixed } from '../../core/quantity/format'

const { line } = defineProps<{ line: OwnBillLine | undefined }>()
const emit = defineEmits<{ close: []; keep: [line: OwnBillLine]; remove: [line: OwnBillLine] }>()

const name = ref(line?.name ?? '')
const need = ref(String(line?.need ?? 1))
const unit = ref<BillUnit>(line?.unit ?? 'piece')
const each = ref(line?.price === undefined ? '' : fixed(line.price, 2))
const problem = ref<string>()
const unitNames = { piece: 'pieces', m: 'metres', sheet: 'sheets' } as const
const units = billUnits.map((value) => ({ value, label: unitNames[value] }))

const result = computed(() => {
  const [count, price] = [numberOf(need.value), numberOf(each.value)]
  if (name.value.trim() === '') return 'a name, such as: spray paint'
  if (count === undefined || count < 0.001 || count > 1_000_000)
    return `how many: “${need.value}” is no number above 0`
  if (each.value.trim() !== '' && (price === undefined || price > 1_000_000))
    return `a price such as 4.50, or none: “${each.value}” is none`
  return {
    id: line?.id ?? nanoid(8),
    name: name.value.trim().slice(0, 120),
    need: count,
    unit: unit.value,
    ...(price !== undefined && { price }),
  }
})
function save(): void {
  if (typeof result.value === 'string') problem.value = result.value
  else emit('keep', result.value)
}
</script>

<template>
  <FormDialog
    :title="line ? 'Your own line' : 'A line of your own'"
    action="Keep"
    :problem="problem"
    @close="emit('close')"
    @submit="save"
  >
    <label class="col-span-2 text-[13px] text-bench-soft">
      What
      <input v-model="name" class="field mt-1" maxlength="120" />
    </label>
    <label class="text-[13px] text-bench-soft">
      How many
      <input v-model="need" inputmode="decimal" class="field mt-1" />
    </label>
    <PickField
      class="text-[13px] text-bench-soft"
      label="Counted in"
      width="w-full"
      :options="units"
      :value="unit"
      @pick="unit = $event"
    />
    <label class="col-span-2 text-[13px] text-bench-soft">
      One costs; nothing where you do not know yet
      <input v-model="each" inputmode="decimal" class="field mt-1 w-32" />
    </label>
    <button
      v-if="line"
      type="button"
      class="link-quiet col-span-2 text-left text-[13px]"
      @click="emit('remove', line)"
    >
      Take this line off the bill
    </button>
  </FormDialog>
</template>
