<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { inputParts } from '../../core/parts/inputs'
import { inputKinds, type InputKind } from '../../core/plan/choices'
import type { Input } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { TallySignal } from '../../core/signal/tally-signal'
import type { PlanAnswers } from '../engine/follow-plan'
import { fieldText } from '../ui/field-text'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import PinSelect from './PinSelect.vue'
import StatusCard from './StatusCard.vue'

const { signal, tally } = defineProps<{
  signal: TallySignal
  tally: PlanAnswers
}>()
const plan = useOpenPlan()

const store = usePlanStore()

const inputs = computed(() => plan.value.signal.inputs)
const commitInputs = (next: readonly Input[], label: string): void => {
  store.commit([{ do: 'set-signal', signal: { inputs: [...next] } }], {
    label,
    key: `input.${label}`,
  })
}
function addInput(kind: InputKind): void {
  const names = new Set(inputs.value.map(({ name }) => name))
  const base = inputParts[kind].name
  let name = base
  for (let number = 2; names.has(name); number += 1) name = `${base} ${String(number)}`
  commitInputs([...inputs.value, { id: nanoid(8), kind, name }], `add a ${base}`)
}
function rename(input: Input, event: Event): void {
  const name = fieldText(event).trim().slice(0, 60)
  if (name !== '')
    commitInputs(
      inputs.value.map((one) => (one.id === input.id ? { ...one, name } : one)),
      `name of ${input.name}`,
    )
}
function remove(input: Input): void {
  commitInputs(
    inputs.value.filter((one) => one.id !== input.id),
    `remove ${input.name}`,
  )
}
/** Plain strips, which can hang on a dimmer. */
const plain = computed(() =>
  tally.runs.filter(
    ({ stripId, groups }) =>
      groups > 0 && store.parts.strips.find(({ id }) => id === stripId)?.light.kind === 'plain',
  ),
)
const dimmerOf = (id: string): string =>
  plan.value.lines.find((line) => line.id === id)?.dimmer ?? ''
function setDimmer(id: string, event: Event): void {
  const name = fieldText(event).trim().slice(0, 40)
  store.commit(
    [{ do: 'set-lines', lines: [id], set: { dimmer: name === '' ? undefined : name } }],
    { label: 'dimmer' },
  )
}
</script>

<template>
  <div class="grid content-start gap-2.5">
    <section
      class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
      aria-label="Sensors and buttons"
    >
      <h2 class="font-semibold">What the board listens to</h2>
      <div class="mt-2 flex flex-wrap gap-1.5">
        <button v-for="kind in inputKinds" :key="kind" class="button-quiet" @click="addInput(kind)">
          <Plus :size="13" /> {{ inputParts[kind].name }}
        </button>
      </div>
      <ul v-if="inputs.length > 0" class="mt-2 grid gap-1">
        <li
          v-for="input in inputs"
          :key="input.id"
          class="flex flex-wrap items-center gap-3 text-[12.5px] text-bench-soft"
        >
          <input
            v-shown="input.name"
            class="field w-56 py-1"
            :aria-label="`Name of ${input.name}`"
            @change="rename(input, $event)"
          />
          {{ inputParts[input.kind].name }} ·
          {{ formatQuantity(inputParts[input.kind].mA, 'mA') }} ·
          {{ inputParts[input.kind].pins.map(({ must }) => must).join(' and ') }}
          <button
            class="rounded p-1 hover:bg-bench-high"
            :aria-label="`Remove ${input.name}`"
            @click="remove(input)"
          >
            <Trash2 :size="14" />
          </button>
        </li>
      </ul>
    </section>
    <section
      v-if="plain.length > 0"
      class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
      aria-label="Dimmers"
    >
      <h2 class="font-semibold">Plain strips</h2>
      <p class="text-[12.5px] text-bench-soft">
        Always on, or dimmed in their minus by a PWM pin for each colour. Strips with the same
        dimmer’s name dim together.
      </p>
      <div class="mt-2 grid gap-1">
        <label
          v-for="run in plain"
          :key="run.id"
          class="flex items-center gap-3 text-[12.5px] text-bench-soft"
        >
          <span class="w-40 truncate text-bench-ink">{{ run.name }}</span>
          <input
            v-shown="dimmerOf(run.id)"
            class="field w-48 py-1"
            placeholder="always on"
            list="dimmer-names"
            :aria-label="`Dimmer of ${run.name}`"
            @change="setDimmer(run.id, $event)"
          />
        </label>
        <datalist id="dimmer-names">
          <option
            v-for="name in new Set(plan.lines.flatMap(({ dimmer }) => dimmer ?? []))"
            :key="name"
            :value="name"
          />
        </datalist>
      </div>
    </section>
    <StatusCard />
    <section
      class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
      aria-label="Pins"
    >
      <h2 class="font-semibold">Pins</h2>
      <p v-if="signal.pins.length === 0" class="mt-1 text-[12.5px] text-bench-soft">
        Nothing in this plan needs a pin.
      </p>
      <table v-else class="mt-1 w-full text-left text-[12.5px]">
        <thead class="text-[12px] text-bench-soft">
          <tr>
            <th class="py-1 font-normal">For</th>
            <th class="py-1 font-normal">Pin</th>
            <th class="py-1 font-normal">Why this one</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="use in signal.pins"
            :key="use.need.id"
            class="border-t border-bench-line"
            :data-need="use.need.id"
          >
            <td class="py-1 pr-3">{{ use.need.name }}</td>
            <td class="py-1 pr-3">
              <PinSelect :use="use" :board="signal.board" />
            </td>
            <td
              class="py-1"
              :class="
                use.pin === undefined || use.isWrongKind
                  ? 'text-stop'
                  : use.isDisturbed
                    ? 'text-warning'
                    : 'text-bench-soft'
              "
            >
              {{ use.reason }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="signal.freePins.length > 0" class="mt-2 text-[12px] text-bench-soft">
        Free: {{ signal.freePins.join(' ') }}
      </p>
    </section>
  </div>
</template>
