<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { isPlugged } from '../../core/route/plugs'
import { lightSettings } from '../../core/load/lights'
import type { MeasuredRun } from '../../core/measure/measure'
import { ships } from '../../core/parts/find'
import { stripOf } from '../../core/parts/find-strips'
import type { Command } from '../../core/plan/commands'
import type { LightPart } from '../../core/plan/parts'
import type { Lights } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity, plural } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePlanParts } from '../stores/plan-parts'
import { useShelf } from '../stores/shelf'
import { keptOf, newToPlan, offeredOf } from '../parts/kept'
import NumberField from '../ui/NumberField.vue'
import PartList, { type PartOption } from '../ui/PartList.vue'
import PickField from '../ui/PickField.vue'
import TickField from '../ui/TickField.vue'
import SwitchPlace from './SwitchPlace.vue'

const { run } = defineProps<{ run: MeasuredRun }>()
const plan = useOpenPlan()

const PlugsDialog = defineAsyncComponent(() => import('./PlugsDialog.vue'))
const MatrixPinsDialog = defineAsyncComponent(() => import('./MatrixPinsDialog.vue'))
const LightsMount = defineAsyncComponent(() => import('./LightsMount.vue'))
const LegMix = defineAsyncComponent(() => import('./LegMix.vue'))
const NodesDialog = defineAsyncComponent(() => import('./NodesDialog.vue'))
const OwnLightDialog = defineAsyncComponent(() => import('../parts/OwnLightDialog.vue'))

const store = usePlanStore()
const parts = usePlanParts()
const shelf = useShelf()
const open = ref<'plugs' | 'pins' | 'nodes' | 'own'>()
const lights = computed(() => run.line.lights)
const settings = computed(() => lightSettings(plan.value, lights.value))
const part = computed(() => parts.value.lights.find(({ id }) => id === lights.value?.part))
const tallied = computed(() => store.tally?.runs.find(({ id }) => id === run.id))
const lit = computed(() => tallied.value?.lit ?? undefined)
/** Pixel nodes hang there where nothing else is said to, and the run's strip is one of them. */
const strip = computed(() => stripOf(store.parts, run.line.stripId ?? plan.value.defaults.stripId))
const onWire = computed(() =>
  lights.value === undefined && strip.value.nodesPerString !== undefined ? strip.value : undefined,
)

/** Own lights of other plans are offered too; choosing one takes it into this plan. */
const kept = computed(() => keptOf(shelf.parts, 'light'))
const offered = computed(() => offeredOf(kept.value, parts.value.lights))
const options = computed((): PartOption[] => [
  ...offered.value.map(({ id, name, kind, volts, mA, leds, legs }) => ({
    id,
    name,
    group: !ships(id)
      ? 'Your own'
      : legs !== undefined
        ? 'LEDs of several colours'
        : kind === 'led'
          ? 'Bare LEDs'
          : 'With a resistor in them',
    facts: [formatQuantity(volts, 'V'), formatQuantity(mA, 'mA'), plural(leds, 'LED')],
  })),
  ...store.parts.strips.flatMap(({ id, name, nodesPerString, volts, light, cutPitchMm }) =>
    nodesPerString === undefined
      ? []
      : [
          {
            id,
            name,
            group: 'Pixels on wire',
            facts: [
              formatQuantity(volts, 'V'),
              light.kind === 'pixels'
                ? formatQuantity(
                    light.channels.reduce((sum, { fullMa }) => sum + fullMa, 0),
                    'mA',
                  )
                : '',
              `every ${formatLength(cutPitchMm, plan.value.units)}`,
            ],
          },
        ],
  ),
])

function set(change: Settable<Lights>, label: string): void {
  const now = lights.value
  if (now === undefined) return
  store.commit(
    [{ do: 'set-lines', lines: [run.id], set: { lights: withSet<Lights>(now, change) } }],
    { label: `${label} of ${run.name}`, key: `lights.${run.id}.${label}` },
  )
}
function lengthen(isOn: boolean): void {
  const isLengthened = isOn || undefined
  store.commit([{ do: 'set-lines', lines: [run.id], set: { isLengthened } }], {
    label: `wire between the nodes of ${run.name}`,
  })
}
function choose(id: string): void {
  const isNodes = store.parts.strips.some((one) => one.id === id)
  const light = newToPlan(id, kept.value, parts.value.lights)
  const commands: Command[] = isNodes
    ? [
        { do: 'set-strip', line: run.id, strip: id },
        { do: 'set-lines', lines: [run.id], set: { lights: undefined } },
      ]
    : [
        ...(light === undefined ? [] : [{ do: 'own-light' as const, light }]),
        { do: 'set-lines', lines: [run.id], set: { lights: { ...lights.value, part: id } } },
      ]
  store.commit(commands, { label: `lights of ${run.name}` })
}
function add(light: LightPart): void {
  void shelf.keepPart({ id: light.id, kind: 'light', part: light })
  store.commit(
    [
      { do: 'own-light', light },
      { do: 'set-lines', lines: [run.id], set: { lights: { ...lights.value, part: light.id } } },
    ],
    { label: `a light of your own: ${light.name}` },
  )
}
const resistors = [
  { value: 'each', label: 'each its own' },
  { value: 'shared', label: 'one for all' },
  { value: 'none', label: 'none' },
] as const
const drives = [
  { value: 'always', label: 'always on' },
  { value: 'switch', label: 'a switch in the minus' },
  { value: 'pins', label: 'each on a pin' },
  { value: 'sink', label: 'PWM sink boards' },
  { value: 'matrix', label: 'a scanned matrix' },
  { value: 'charlie', label: 'between pins, fewest pins' },
  { value: 'driver', label: 'a driver chip' },
] as const
/** What LEDs with a leg in common can hang on; another that was chosen before stays to be seen. */
const offeredDrives = computed(() => {
  const { legs } = part.value ?? {}
  if (legs === undefined) return drives
  return drives.filter(
    ({ value }) =>
      value === settings.value.drive ||
      ['always', 'switch', 'pins'].includes(value) ||
      (value === 'sink' && legs.common === 'plus'),
  )
})
const workers = [
  { value: 'pin', label: 'a pin' },
  { value: 'button', label: 'a button' },
] as const
const switches = [
  { value: 'transistor', label: 'transistor' },
  { value: 'mosfet', label: 'MOSFET' },
] as const
const places = [
  { value: 'minus', label: 'minus' },
  { value: 'plus', label: 'plus' },
] as const
const scans = [
  { value: 'row', label: 'row by row' },
  { value: 'led', label: 'LED by LED' },
] as const
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Single lights"
  >
    <div class="mb-1.5 flex items-baseline gap-2 text-[13px]">
      <h2 class="truncate text-bench-soft">
        Single lights · <span class="text-bench-ink">{{ run.name }}</span>
      </h2>
      <button class="link-quiet ml-auto shrink-0 text-[12px]" @click="open = 'own'">
        add your own
      </button>
    </div>
    <PartList
      label="Single lights"
      :shown="part?.name ?? onWire?.name ?? 'choose what hangs there'"
      :columns="['volts', 'current', '']"
      :options="options"
      :model-value="lights?.part ?? onWire?.id ?? ''"
      @update:model-value="choose"
    />
    <div
      v-if="part"
      class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1.5 text-[12px] text-bench-soft"
    >
      <template v-if="part.kind === 'led'">
        <NumberField
          v-if="!part.legs"
          label="In series"
          layout="beside"
          width="w-12 max-sm:w-16"
          :value="settings.inSeries"
          :least="1"
          :most="20"
          is-whole
          @set="(inSeries) => set({ inSeries }, 'series')"
        />
        <PickField
          layout="beside"
          label="Resistor"
          :options="resistors"
          :value="settings.resistor"
          @pick="(resistor) => set({ resistor }, 'resistor')"
        />
      </template>
      <PickField
        layout="beside"
        label="Driven by"
        :options="offeredDrives"
        :value="settings.drive"
        @pick="(drive) => set({ drive }, 'drive')"
      />
      <template v-if="settings.drive === 'switch'">
        <PickField
          layout="beside"
          label="worked by"
          :options="workers"
          :value="settings.by"
          @pick="(by) => set({ by }, 'switch')"
        />
        <template v-if="settings.by === 'pin'">
          <PickField
            layout="beside"
            label="with a"
            :options="switches"
            :value="settings.switchWith"
            @pick="(switchWith) => set({ switchWith }, 'switch')"
          />
          <PickField
            layout="beside"
            label="in the"
            :options="places"
            :value="settings.switchIn"
            @pick="(switchIn) => set({ switchIn }, 'switch')"
          />
        </template>
      </template>
      <template v-if="settings.drive === 'matrix'">
        <PickField
          layout="beside"
          label="scanned"
          :options="scans"
          :value="settings.scan"
          @pick="(scan) => set({ scan }, 'scan')"
        />
        <NumberField
          label="each for"
          layout="beside"
          width="w-18"
          unit="µs"
          :value="settings.dwellUs"
          :least="1"
          :most="1_000_000"
          :step="100"
          @set="(dwellUs) => set({ dwellUs }, 'scan')"
        />
      </template>
    </div>
    <SwitchPlace
      v-if="part && settings.drive === 'switch' && settings.by === 'pin'"
      :at="settings.switchIn"
    />
    <LegMix v-if="lit && part?.legs" :lit="lit" @mix="(mix) => set({ mix }, 'colours')" />
    <div class="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[12.5px]">
      <p v-if="lit" data-testid="lit-answer">
        <template v-for="colour in lit.colours" :key="colour.name">
          <template v-if="colour.resistor">
            {{ colour.resistors }} × <b>{{ formatQuantity(colour.resistor.pickOhm, 'Ω') }}</b
            >{{ colour.name && ` ${colour.name}` }} ·
            {{ formatQuantity(colour.stringA * 1000, 'mA') }} each ·
          </template>
        </template>
        <b>{{ formatQuantity(lit.peakA, 'A') }}</b> at {{ formatQuantity(lit.supplyV, 'V') }}
      </p>
      <div v-else-if="onWire" data-testid="lit-answer">
        <b>{{
          plural(tallied?.pieces.length ?? 0, run.line.isLengthened ? 'length' : 'string')
        }}</b>
        · {{ formatQuantity(tallied?.pixels ?? 0, 'px') }} on a lane
        <TickField
          class="text-[12px] text-bench-soft"
          label="solder wire in where the string’s own is too short"
          :is-on="run.line.isLengthened === true"
          @set="lengthen"
        />
      </div>
      <p v-else class="text-bench-soft">
        Choose a kind of light: until then {{ plural(run.lights.length, 'light') }} add nothing to
        the sums.
      </p>
      <span class="ml-auto flex gap-3 text-[12px]">
        <button v-if="lit && part?.lead" class="link-quiet" @click="open = 'plugs'">
          {{ isPlugged(lit) ? 'splitters and plugs' : 'plugs' }}
        </button>
        <button v-if="lit?.settings.drive === 'matrix'" class="link-quiet" @click="open = 'pins'">
          which pins
        </button>
        <LightsMount :run="run" :can-be-held="run.line.isLengthened === true" />
        <button class="link-quiet" @click="open = 'nodes'">
          {{ run.line.node ? 'its nodes' : 'more in each light' }}
        </button>
      </span>
    </div>
    <PlugsDialog
      v-if="open === 'plugs' && lit"
      :run="run"
      :lit="lit"
      @close="open = undefined"
      @set="set"
    />
    <MatrixPinsDialog
      v-if="open === 'pins' && lit"
      :run="run"
      :lit="lit"
      @close="open = undefined"
      @order="(circle) => set({ circle }, 'order of the pins')"
      @counts="(countsFrom) => set({ countsFrom }, 'which way the pins count')"
    />
    <NodesDialog v-if="open === 'nodes'" :run="run" @close="open = undefined" />
    <OwnLightDialog
      v-if="open === 'own'"
      :like="part ?? (parts.lights[0] as LightPart)"
      @close="open = undefined"
      @add="add"
    />
  </section>
</template>
