<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StripFault } from '../../../core/glow/link/board'
import type { LinkPlan } from '../../../core/glow/link/lanes'
import type { BenchLink } from './bench-link'
import type { SimulatedPort } from './simulated-port'

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
function setOrder(event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  const order = event.target.value
  put('order', order === lane.value?.order ? undefined : { kind: 'order', order })
}
const problem = ref('')
/** A number from 1 on, or none. */
function setNumber(kind: 'dead' | 'broken' | 'length', event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const text = event.target.value.trim()
  const most = (lane.value?.count ?? 0) + (lane.value?.spare ?? 0)
  const number = Number(text)
  problem.value = ''
  if (text === '') put(kind, undefined)
  else if (!Number.isInteger(number) || number < 1 || number > most)
    problem.value = `“${text}”: a whole number from 1 to ${String(most)}, or nothing`
  else put(kind, kind === 'length' ? { kind, count: number } : { kind, at: number - 1 })
}
const numbers = [
  { kind: 'dead', label: 'Dead pixel' },
  { kind: 'broken', label: 'Deaf from pixel' },
  { kind: 'length', label: 'It has, pixels' },
] as const
function shown(kind: (typeof numbers)[number]['kind']): string {
  const fault = of(kind)
  if (fault === undefined) return ''
  return String(fault.kind === 'length' ? fault.count : fault.at + 1)
}
function setInput(index: number, event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const next = link.inputs.map((_, one) => inputValues.value[one] ?? 0)
  next[index] = Number(event.target.value)
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
      <label class="text-[13px] text-bench-soft">
        Lane
        <select v-model.number="at" class="field mt-1">
          <option v-for="(one, index) in link.lanes" :key="one.name" :value="index">
            {{ one.name }}
          </option>
        </select>
      </label>
      <label v-if="orders.length > 1" class="text-[13px] text-bench-soft">
        Colour order
        <select class="field mt-1" :value="of('order')?.order ?? lane.order" @change="setOrder">
          <option v-for="one in orders" :key="one">{{ one }}</option>
        </select>
      </label>
      <label v-for="{ kind, label } in numbers" :key="kind" class="text-[13px] text-bench-soft">
        {{ label }}
        <input
          v-shown="shown(kind)"
          class="field mt-1"
          inputmode="numeric"
          placeholder="none"
          @change="setNumber(kind, $event)"
        />
      </label>
    </div>
    <p v-if="problem" class="mt-1 text-[13px] text-stop" role="alert">{{ problem }}</p>
    <label
      v-for="(input, index) in link.inputs"
      :key="input.id"
      class="mt-2 grid grid-cols-[10rem_minmax(0,1fr)] items-center gap-3 text-[13px] text-bench-soft"
    >
      {{ input.name }}
      <input
        type="range"
        class="accent-glow"
        min="0"
        max="65535"
        :value="inputValues[index] ?? 0"
        @input="setInput(index, $event)"
      />
    </label>
    <p class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <label class="flex items-center gap-2">
        <input
          type="checkbox"
          :checked="wire.isNoisy"
          @change="setWire({ isNoisy: !wire.isNoisy })"
        />
        noise on the wire
      </label>
      <label class="flex items-center gap-2">
        <input type="checkbox" :checked="wire.isDeaf" @change="setWire({ isDeaf: !wire.isDeaf })" />
        it hears nothing
      </label>
      <button class="button-quiet" @click="port.pull()">Pull its plug</button>
    </p>
  </section>
</template>
