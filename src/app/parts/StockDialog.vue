<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { Strip } from '../../core/plan/parts'
import { readLength } from '../../core/quantity/length'
import FormDialog from '../ui/FormDialog.vue'
import NumberField from '../ui/NumberField.vue'
import { rounded } from '../../core/quantity/format'

const { strip } = defineProps<{ strip: Strip }>()
const emit = defineEmits<{ close: []; change: [strip: Strip] }>()

interface Row {
  length: string
  price: number | undefined
}
const rowsOf = (list: Strip['reels']): Row[] =>
  list.map(({ lengthMm, price }) => ({ length: `${rounded(lengthMm / 1000, 6)} m`, price }))

const lists = ref({ reels: rowsOf(strip.reels), prewired: rowsOf(strip.prewired) })
const splice = ref(String(strip.spliceMm))
const error = ref<string>()
const sections = [
  { key: 'reels', title: 'Reels that can be had' },
  { key: 'prewired', title: 'Lengths with wires and plugs on them' },
] as const

const read = (rows: readonly Row[]): Strip['reels'] | undefined => {
  const list = rows.map(({ length, price }) => ({ read: readLength(length), price }))
  return list.every((row) => row.read.ok && row.price !== undefined)
    ? list.flatMap(({ read: length, price }) =>
        length.ok && price !== undefined ? [{ lengthMm: length.mm, price }] : [],
      )
    : undefined
}
const result = computed(() => ({
  reels: read(lists.value.reels),
  prewired: read(lists.value.prewired),
}))

function save(): void {
  const { reels, prewired } = result.value
  const spliceMm = readLength(splice.value)
  if (reels === undefined || prewired === undefined || !spliceMm.ok) {
    error.value = 'Each needs a length, such as 5 m, and a price of 0 or more.'
    return
  }
  if (reels.length === 0) {
    error.value = 'At least one reel: without any there is nothing to cut from.'
    return
  }
  emit('change', { ...strip, reels, prewired, spliceMm: spliceMm.mm })
}
</script>

<template>
  <FormDialog title="What is sold" action="Keep" @close="emit('close')" @submit="save">
    <p class="col-span-2 text-[13px] text-bench-soft">{{ strip.name }}, in this plan</p>
    <section v-for="{ key, title } in sections" :key="key" class="col-span-2">
      <h3 class="mb-1 text-[13px] font-semibold">{{ title }}</h3>
      <div v-for="(row, index) in lists[key]" :key="index" class="mb-1 flex gap-2">
        <input
          v-model="row.length"
          class="field w-32 font-mono"
          :aria-label="`${title}: length ${index + 1}`"
        />
        <NumberField
          :label="`${title}: price ${index + 1}`"
          layout="unseen"
          width="w-28"
          unit="price"
          :value="row.price"
          :least="0"
          :most="1_000_000"
          is-optional
          @set="row.price = $event"
          @clear="row.price = undefined"
        />
        <button
          type="button"
          class="button-quiet px-2"
          :aria-label="`${title}: remove ${row.length}`"
          @click="lists[key].splice(index, 1)"
        >
          <Trash2 :size="14" />
        </button>
      </div>
      <button
        type="button"
        class="button-quiet"
        @click="lists[key].push({ length: '', price: undefined })"
      >
        <Plus :size="14" /> another length
      </button>
    </section>
    <label class="col-span-2 text-[13px] text-bench-soft">
      Soldered together at the factory every
      <input v-model="splice" class="field mt-1 w-32 font-mono" />
    </label>
    <p v-if="error" role="alert" class="col-span-2 text-[13px] text-stop">{{ error }}</p>
  </FormDialog>
</template>
