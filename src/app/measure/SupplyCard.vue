<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { headroomOf } from '../../core/feed/supplies'
import type { Command } from '../../core/plan/commands'
import type { SupplyPart } from '../../core/plan/parts'
import { formatQuantity, significant } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePlanParts } from '../stores/plan-parts'
import { useShelf } from '../stores/shelf'
import { keptOf, newToPlan, offeredOf } from '../parts/kept'
import NoteButton from '../notes/NoteButton.vue'
import PartList, { type PartOption } from '../ui/PartList.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import { byName } from '../ui/option'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const OwnSupplyDialog = defineAsyncComponent(() => import('../parts/OwnSupplyDialog.vue'))

const store = usePlanStore()
const parts = usePlanParts()
const shelf = useShelf()
const isAdding = ref(false)
const kept = computed(() => keptOf(shelf.parts, 'supply'))
const chosenId = ref<string>()

const slots = computed(() => byName(plan.value.supplies))
const slot = computed(
  () => plan.value.supplies.find(({ id }) => id === chosenId.value) ?? plan.value.supplies[0],
)
const supply = computed(() => tally?.supplies.find(({ id }) => id === slot.value?.id))

const kindNames: Readonly<Record<SupplyPart['kind'], string>> = {
  'usb-port': 'USB ports',
  'usb-c': 'USB-C power delivery',
  brick: 'Wall bricks',
  enclosed: 'Enclosed, ready-made',
  computer: 'Recycled computer supplies',
  'board-pin': 'A board’s own pin',
  'boosted-cell': 'Boosted cells',
  'power-bank': 'Power banks',
  battery: 'Batteries',
}
const options = computed((): PartOption[] => {
  const own = new Set([...plan.value.own.supplies, ...kept.value].map(({ id }) => id))
  const volts = supply.value?.volts
  // Those of the right volts come first; the others are a mistake to be made knowingly.
  const ordered = offeredOf(kept.value, parts.value.supplies).toSorted(
    (a, b) => Number(b.volts === volts) - Number(a.volts === volts) || a.volts - b.volts,
  )
  return [
    { id: 'auto', name: 'Pick one for me', facts: [], group: 'By the sums' },
    ...ordered.map((part) => ({
      id: part.id,
      name: part.name,
      group: own.has(part.id)
        ? 'Your own'
        : `${kindNames[part.kind]}, ${formatQuantity(part.volts, 'V')}`,
      facts: [`${significant(part.ratedA)} A`, `${significant(part.ratedA * part.volts)} W`],
    })),
  ]
})
const shown = computed(() => {
  if (supply.value === undefined) return '…'
  const { part } = supply.value
  if (slot.value?.part !== 'auto') return part ?? 'None'
  if (part !== null) return `Picked: ${part}`
  return supply.value.loadA > 0 ? 'None is large enough' : 'Pick one for me'
})

const share = computed(() => {
  const { loadA = 0, ratedA = null } = supply.value ?? {}
  return ratedA === null ? 0 : loadA / ratedA
})
const tone = computed(() => {
  const { loadA = 0, needA = 0, ratedA = null } = supply.value ?? {}
  if (loadA === 0) return { bar: 'bg-bench-line', text: '' }
  if (ratedA === null || loadA > ratedA * (1 + 1e-9)) return { bar: 'bg-stop', text: 'text-stop' }
  return needA > ratedA * (1 + 1e-9)
    ? { bar: 'bg-warning', text: 'text-warning' }
    : { bar: 'bg-ok', text: '' }
})
const mark = computed(() => 1 - headroomOf(plan.value))

function take(id: string): Command[] {
  const own = newToPlan(id, kept.value, parts.value.supplies)
  return own === undefined ? [] : [{ do: 'own-supply', supply: own }]
}

function choose(part: string): void {
  if (slot.value === undefined) return
  store.commit([...take(part), { do: 'pick-supply', supply: slot.value.id, part }], {
    label: `choose ${slot.value.name}`,
  })
}

function add(part: SupplyPart): void {
  store.commit([{ do: 'own-supply', supply: part }], { label: `add ${part.name}` })
  void shelf.keepPart({ id: part.id, kind: 'supply', part })
  choose(part.id)
}

function remove(): void {
  if (slot.value === undefined) return
  store.commit([{ do: 'remove-supply', supply: slot.value.id }], {
    label: `remove ${slot.value.name}`,
  })
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Supply"
  >
    <div class="mb-1.5 flex items-baseline gap-2 text-[13px] text-bench-soft">
      <h2>Supply</h2>
      <div class="ml-auto flex gap-3 text-[12px]">
        <button v-if="slots.length > 1" class="link-quiet" @click="remove">remove</button>
        <NoteButton
          v-if="supply?.partId"
          :about="{ kind: 'part', part: supply.partId }"
          :name="supply.part ?? supply.name"
        />
        <button class="link-quiet" @click="isAdding = true">add your own</button>
      </div>
    </div>
    <SegmentedChoice
      v-if="slots.length > 1"
      class="mb-1.5"
      label="Which supply"
      :options="slots"
      :model-value="slot?.id ?? ''"
      @update:model-value="(id) => (chosenId = id)"
    />
    <PartList
      label="Supply"
      :shown="shown"
      :columns="['gives', 'power']"
      :options="options"
      :model-value="slot?.part ?? 'auto'"
      @update:model-value="choose"
    />
    <div class="mt-2 flex items-center gap-3">
      <p class="whitespace-nowrap">
        <b class="text-[17px]" :class="tone.text">{{
          formatQuantity(supply?.loadA ?? null, 'A')
        }}</b>
        <span v-if="supply?.ratedA" class="ml-1.5 text-[13px] text-bench-soft">
          of {{ significant(supply.ratedA) }} A · {{ formatQuantity(share, '%') }}
        </span>
      </p>
      <div class="relative h-1.5 flex-1 rounded-full bg-bench-line" aria-hidden="true">
        <div
          class="h-full rounded-full"
          :class="tone.bar"
          :style="{ width: `${Math.min(100, share * 100)}%` }"
        />
        <div
          v-if="mark < 1"
          class="absolute -top-1 h-3.5 w-0.5 bg-bench-ink"
          :style="{ left: `${mark * 100}%` }"
        />
      </div>
    </div>
    <OwnSupplyDialog v-if="isAdding" @close="isAdding = false" @add="add" />
  </section>
</template>
