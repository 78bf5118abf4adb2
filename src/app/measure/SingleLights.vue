<script setup lang="ts">
import { computed } from 'vue'
import { lightSettings } from '../../core/load/lights'
import type { MeasuredRun } from '../../core/measure/measure'
import { lightParts } from '../../core/parts/lights'
import type { Lights, Plan } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { formatQuantity } from '../../core/quantity/format'
import { numberOf, valueOf } from '../feed/value-of'
import { usePlanStore } from '../stores/plan'
import PartList, { type PartOption } from '../ui/PartList.vue'
import SwitchPlace from './SwitchPlace.vue'

const { plan, run } = defineProps<{ plan: Plan; run: MeasuredRun }>()

const store = usePlanStore()
const lights = computed(() => run.line.lights)
const settings = computed(() => lightSettings(plan, lights.value))
const part = computed(() => lightParts.find(({ id }) => id === lights.value?.part))
const lit = computed(() => store.tally?.runs.find(({ id }) => id === run.id)?.lit ?? undefined)

const options: PartOption[] = lightParts.map(({ id, name, kind, volts, mA, leds }) => ({
  id,
  name,
  group: kind === 'led' ? 'Bare LEDs' : 'With a resistor in them',
  facts: [
    formatQuantity(volts, 'V'),
    formatQuantity(mA, 'mA'),
    leds === 1 ? '1 LED' : `${String(leds)} LEDs`,
  ],
}))
function set(change: Settable<Lights>, label: string): void {
  const now = lights.value
  if (now === undefined) return
  store.commit(
    [{ do: 'set-lines', lines: [run.id], set: { lights: withSet<Lights>(now, change) } }],
    { label: `${label} of ${run.name}`, key: `lights.${run.id}.${label}` },
  )
}
function choose(id: string): void {
  store.commit(
    [{ do: 'set-lines', lines: [run.id], set: { lights: { ...lights.value, part: id } } }],
    { label: `lights of ${run.name}` },
  )
}
const drives = [
  ['always', 'always on'],
  ['switch', 'a switch in the minus'],
  ['pins', 'each on a pin'],
  ['sink', 'PWM sink boards'],
  ['matrix', 'a scanned matrix'],
  ['charlie', 'between pins, fewest pins'],
  ['driver', 'a driver chip'],
] as const
const setDrive = (event: Event): void => {
  const found = drives.find(([id]) => id === valueOf(event))
  if (found !== undefined) set({ drive: found[0] }, 'drive')
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Single lights"
  >
    <h2 class="mb-1.5 truncate text-[13px] text-bench-soft">
      Single lights · <span class="text-bench-ink">{{ run.name }}</span>
    </h2>
    <PartList
      label="Single lights"
      :shown="part?.name ?? 'choose what hangs there'"
      :columns="['volts', 'current', 'LEDs']"
      :options="options"
      :model-value="lights?.part ?? ''"
      @update:model-value="choose"
    />
    <div
      v-if="part"
      class="mt-2 flex flex-wrap items-end gap-x-3 gap-y-1.5 text-[12px] text-bench-soft"
    >
      <label v-if="part.kind === 'led'">
        In series
        <input
          type="number"
          min="1"
          max="20"
          class="field block w-14 px-1.5 py-1"
          :value="settings.inSeries"
          @change="
            set({ inSeries: Math.min(20, Math.max(1, Math.round(numberOf($event)))) }, 'series')
          "
        />
      </label>
      <label v-if="part.kind === 'led'">
        Resistor
        <select
          class="field block w-auto px-1.5 py-1"
          :value="settings.resistor"
          @change="set({ resistor: valueOf($event) as 'each' }, 'resistor')"
        >
          <option value="each">each its own</option>
          <option value="shared">one for all</option>
          <option value="none">none</option>
        </select>
      </label>
      <label>
        Driven by
        <select class="field block w-auto px-1.5 py-1" :value="settings.drive" @change="setDrive">
          <option v-for="[id, label] in drives" :key="id" :value="id">{{ label }}</option>
        </select>
      </label>
      <template v-if="settings.drive === 'switch'">
        <label>
          worked by
          <select
            class="field block w-auto px-1.5 py-1"
            :value="settings.by"
            @change="set({ by: valueOf($event) as 'pin' }, 'switch')"
          >
            <option value="pin">a pin</option>
            <option value="button">a button</option>
          </select>
        </label>
        <template v-if="settings.by === 'pin'">
          <label>
            with a
            <select
              class="field block w-auto px-1.5 py-1"
              :value="settings.switchWith"
              @change="set({ switchWith: valueOf($event) as 'mosfet' }, 'switch')"
            >
              <option value="transistor">transistor</option>
              <option value="mosfet">MOSFET</option>
            </select>
          </label>
          <label>
            in the
            <select
              class="field block w-auto px-1.5 py-1"
              :value="settings.switchIn"
              @change="set({ switchIn: valueOf($event) as 'minus' }, 'switch')"
            >
              <option value="minus">minus</option>
              <option value="plus">plus</option>
            </select>
          </label>
        </template>
      </template>
      <template v-if="settings.drive === 'matrix'">
        <label>
          scanned
          <select
            class="field block w-auto px-1.5 py-1"
            :value="settings.scan"
            @change="set({ scan: valueOf($event) as 'row' }, 'scan')"
          >
            <option value="row">row by row</option>
            <option value="led">LED by LED</option>
          </select>
        </label>
        <label>
          each for, µs
          <input
            type="number"
            min="10"
            step="100"
            class="field block w-20 px-1.5 py-1"
            :value="settings.dwellUs"
            @change="numberOf($event) > 0 && set({ dwellUs: numberOf($event) }, 'scan')"
          />
        </label>
      </template>
    </div>
    <SwitchPlace
      v-if="part && settings.drive === 'switch' && settings.by === 'pin'"
      :at="settings.switchIn"
    />
    <p v-if="lit" class="mt-2 text-[12.5px]" data-testid="lit-answer">
      <template v-if="lit.resistor">
        {{ lit.resistors }} × <b>{{ formatQuantity(lit.resistor.pickOhm, 'Ω') }}</b> ·
        {{ formatQuantity(lit.stringA * 1000, 'mA') }} each ·
      </template>
      <b>{{ formatQuantity(lit.peakA, 'A') }}</b> at {{ formatQuantity(lit.supplyV, 'V') }}
    </p>
    <p v-else class="mt-2 text-[12.5px] text-bench-soft">
      {{ run.lights.length }} lights draw nothing in the sums until you choose them.
    </p>
  </section>
</template>
