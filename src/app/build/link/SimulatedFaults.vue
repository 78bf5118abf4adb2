<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StripFault } from '../../../core/glow/link/board'
import type { LinkPlan } from '../../../core/glow/link/lanes'
import type { BenchLink } from './bench-link'
import type { SimulatedPort } from './simulated-port'
import NumberField from '../../ui/NumberField.vue'
import { named } from '../../ui/option'
import PickField from '../../ui/PickField.vue'
import SliderField from '../../ui/SliderField.vue'
import TickField from '../../ui/TickField.vue'

const { link, bench, port } = defineProps<{
  link: LinkPlan
  bench: BenchLink
  port: SimulatedPort
}>()
const { faults, wire, inputValues } = bench

const at = ref(0)
const lane = computed(() => link.lanes[at.value] ?? link.lanes[0])
const of = <Kind extends StripFault['kind']>(
  kind: Kind,
): Extract<StripFault, { kind: Kind }> | undefined =>
  faults.value.find(
    (one): one is { lane: number; fault: Extract<StripFault, { kind: Kind }> } =>
      one.lane === at.value && one.fault.kind === kind,
  )?.fault
function put(kind: StripFault['kind'], fault: StripFault | undefined): void {
  faults.value = [
    ...faults.value.filter((one) => one.lane !== at.value || one.fault.kind !== kind),
    ...(fault === undefined ? [] : [{ lane: at.value, fault }]),
  ]
}
/** Every order of the letters; of six or more only the planned one. */
function ordersOf(letters: string): string[] {
  if (letters.length <= 1) return [letters]
  return Array.from(letters).flatMap((letter, index) =>
    ordersOf(letters.slice(0, index) + letters.slice(index + 1)).map((rest) => letter + rest),
  )
}
const orders = computed(() => {
  const own = lane.value
  if (own === undefined || own.bytes < 2 || own.bytes > 4) return []
  return [...new Set(ordersOf(own.order))]
})
const lanes = computed(() => link.lanes.map(({ name }, index) => ({ value: index, label: name })))
function setOrder(order: string): void {
  put('order', order === lane.value?.order ? undefined : { kind: 'order', order })
}
const most = computed(() => (lane.value?.count ?? 0) + (lane.value?.spare ?? 0))
/** Numbers count from 1. */
function setNumber(kind: 'dead' | 'broken' | 'length', number: number): void {
  put(kind, kind === 'length' ? { kind, count: number } : { kind, at: number - 1 })
}
const numbers = [
  { kind: 'dead', label: 'Dead pixel' },
  { kind: 'broken', label: 'Deaf from pixel' },
  { kind: 'length', label: 'It has, pixels' },
] as const
function numberOf(kind: (typeof numbers)[number]['kind']): number | undefined {
  const fault = of(kind)
  return fault && (fault.kind === 'length' ? fault.count : fault.at + 1)
}
function setInput(index: number, value: number): void {
  const next = link.inputs.map((_, one) => inputValues.value[one] ?? 0)
  next[index] = value
  inputValues.value = next
}
function setWire(set: Partial<typeof wire.value>): void {
  wire.value = { ...wire.value, ...set }
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[14px]"
    aria-label="The simulated board"
  >
    <h2 class="text-[15px] font-semibold">Faults of the simulated board</h2>
    <p class="mt-1 text-bench-soft">Give the strip a fault, then find it from above.</p>
    <div v-if="lane" class="mt-2 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
      <PickField
        class="text-[13px] text-bench-soft"
        label="Lane"
        width="w-full"
        :options="lanes"
        :value="at"
        @pick="at = $event"
      />
      <PickField
        v-if="orders.length > 1"
        class="text-[13px] text-bench-soft"
        label="Colour order"
        width="w-full"
        :options="named(orders)"
        :value="of('order')?.order ?? lane.order"
        @pick="setOrder"
      />
      <NumberField
        v-for="{ kind, label } in numbers"
        :key="kind"
        class="text-[13px] text-bench-soft"
        :label="label"
        width="w-full"
        placeholder="none"
        :value="numberOf(kind)"
        :least="1"
        :most="most"
        is-whole
        is-optional
        @set="setNumber(kind, $event)"
        @clear="put(kind, undefined)"
      />
    </div>
    <SliderField
      v-for="(input, index) in link.inputs"
      :key="input.id"
      class="mt-2 text-[13px] text-bench-soft"
      :label="input.name"
      width="w-40"
      :value="inputValues[index] ?? 0"
      :least="0"
      :most="65_535"
      @set="setInput(index, $event)"
    />
    <p class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <TickField
        label="noise on the wire"
        :is-on="wire.isNoisy"
        @set="(isNoisy) => setWire({ isNoisy })"
      />
      <TickField
        label="it hears nothing"
        :is-on="wire.isDeaf"
        @set="(isDeaf) => setWire({ isDeaf })"
      />
      <button class="button-quiet" @click="port.pull()">Pull its plug</button>
    </p>
  </section>
</template>
