<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Box } from '../../core/measure/geometry'
import type { NumberParameter, Parameter } from '../../core/glow/pattern'
import { patternOf, patterns } from '../../core/glow/patterns'
import type { Plan, ShowLayer } from '../../core/plan/plan'
import { heldNumber } from '../ui/held-number'
import PickField from '../ui/PickField.vue'
import ColourField from './ColourField.vue'

const { plan, layer, runs, lanes, room } = defineProps<{
  plan: Plan
  layer: ShowLayer
  runs: ReadonlyMap<string, string>
  /** Lanes of the plan by their ids, with their names. */
  lanes: ReadonlyMap<string, string>
  /** What the picture shows, mm. */
  room: Box
}>()
const emit = defineEmits<{ set: [layer: ShowLayer, label: string]; remove: [] }>()

const pattern = computed(() => patternOf(layer.pattern))
const set = (more: Partial<ShowLayer>, label: string): void => {
  emit('set', { ...layer, ...more }, label)
}
const setValue = (parameter: Parameter, value: ShowLayer['set'][string]): void => {
  set({ set: { ...layer.set, [parameter.id]: value } }, parameter.name.toLowerCase())
}

/** Runs that the layer is on; all of them where it is on everything. */
const chosen = computed(() => (layer.on !== 'all' && 'runs' in layer.on ? layer.on.runs : []))
const chosenLanes = computed(() =>
  layer.on !== 'all' && 'lanes' in layer.on ? layer.on.lanes : [],
)
const toggled = (chosenIds: readonly string[], id: string): string[] =>
  chosenIds.includes(id) ? chosenIds.filter((one) => one !== id) : [...chosenIds, id]
function toggle(id: string): void {
  const next = toggled(chosen.value, id)
  set({ on: next.length === 0 ? 'all' : { runs: next } }, 'where it plays')
}
function toggleLane(id: string): void {
  const next = toggled(chosenLanes.value, id)
  set({ on: next.length === 0 ? 'all' : { lanes: next } }, 'where it plays')
}
const zone = computed(() => (layer.on !== 'all' && 'zone' in layer.on ? layer.on.zone : undefined))
function takeZone(): void {
  // The left half of the room, to be drawn anew.
  const { x, y, width, height } = room
  const [left, top, wide, high] = [x, y, width / 2, height].map(Math.round)
  if (left === undefined || top === undefined || !wide || !high) return
  set({ on: { zone: { x: left, y: top, width: wide, height: high } } }, 'where it plays')
}
const zoneFields = [
  ['x', 'Left, mm', -1_000_000],
  ['y', 'Top, mm', -1_000_000],
  ['width', 'Width, mm', 1],
  ['height', 'Height, mm', 1],
] as const
function setZone(key: (typeof zoneFields)[number][0], least: number, event: Event): void {
  if (zone.value === undefined) return
  const held = heldNumber(event, { before: zone.value[key], least, most: 1_000_000 })
  if (held !== undefined) set({ on: { zone: { ...zone.value, [key]: held } } }, 'where it plays')
}

const units: Readonly<Record<string, string>> = {
  mm: 'mm',
  'mm/s': 'mm/s',
  s: 's',
  share: '%',
  count: '',
}
/** Shares are told in per cent. */
const factor = ({ unit }: NumberParameter): number => (unit === 'share' ? 100 : 1)
const numberOf = ({ id, usual }: NumberParameter): number => {
  const value = layer.set[id]
  return typeof value === 'number' ? value : usual
}
function setNumber(parameter: NumberParameter, event: Event): void {
  const { least, most } = parameter
  const before = numberOf(parameter)
  const held = heldNumber(event, { before, least, most, factor: factor(parameter) })
  if (held !== undefined) setValue(parameter, held)
}
const textOf = (parameter: Extract<Parameter, { kind: 'colour' | 'choice' }>): string => {
  const value = layer.set[parameter.id]
  return typeof value === 'string' ? value : parameter.usual
}
const coloursOf = (parameter: Extract<Parameter, { kind: 'palette' }>): readonly string[] => {
  const value = layer.set[parameter.id]
  return typeof value === 'object' ? value : parameter.usual
}
const inputOf = (parameter: Parameter): string => {
  const value = layer.set[parameter.id]
  return typeof value === 'string' ? value : ''
}
const inputOptions = computed(() => [
  ['', 'nothing'] as const,
  ...plan.signal.inputs.map(({ id, name }) => [id, name] as const),
])
</script>

<template>
  <div class="grid gap-3 text-[13px]">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <PickField
        label="Pattern"
        :options="[
          ...(pattern ? [] : [[layer.pattern, `“${layer.pattern}”, not known here`] as const]),
          ...patterns.map(({ id, name }) => [id, name] as const),
        ]"
        :value="layer.pattern"
        @pick="set({ pattern: $event }, 'another pattern')"
      />
      <PickField
        label="Runs"
        :options="[
          ['each', 'along each run by itself'],
          ['joined', 'along all of them in a row'],
          ['room', 'across the room'],
        ]"
        :value="layer.axis"
        @pick="set({ axis: $event }, 'which way it runs')"
      />
      <label v-if="layer.axis === 'room'" class="block">
        Turned by, °
        <input
          v-shown="layer.degrees ?? 0"
          type="number"
          class="field block w-20 py-1"
          min="-360"
          max="360"
          @change="
            set(
              {
                degrees: Math.min(
                  360,
                  Math.max(-360, Number(($event.target as HTMLInputElement).value) || 0),
                ),
              },
              'turn it',
            )
          "
        />
      </label>
      <PickField
        label="On what is below"
        :options="[
          ['add', 'adds'],
          ['lighten', 'the brighter one wins'],
          ['over', 'covers'],
        ]"
        :value="layer.blend"
        @pick="set({ blend: $event }, 'how it blends')"
      />
      <label class="block">
        Strength {{ Math.round(100 * layer.opacity) }} %
        <input
          type="range"
          class="block h-[30px] w-28 accent-glow"
          min="0"
          max="100"
          :value="Math.round(100 * layer.opacity)"
          @change="
            set(
              { opacity: ($event.target as HTMLInputElement).valueAsNumber / 100 },
              'its strength',
            )
          "
        />
      </label>
      <span class="ml-auto flex gap-2">
        <button
          class="button-quiet"
          @click="
            set({ isOff: layer.isOff ? undefined : true }, layer.isOff ? 'play it' : 'leave it out')
          "
        >
          {{ layer.isOff ? 'Play it' : 'Leave it out' }}
        </button>
        <button class="button-quiet" @click="emit('remove')">Remove</button>
      </span>
    </div>
    <p v-if="pattern" class="text-bench-soft">{{ pattern.about }}</p>
    <p v-else class="text-warning">
      This version does not know the pattern. It is kept as it is; choose another one to see
      something.
    </p>
    <fieldset>
      <legend class="mb-1 text-bench-soft">Plays on</legend>
      <div class="flex flex-wrap gap-1.5">
        <button
          class="button-quiet"
          :class="layer.on === 'all' && 'border-glow text-glow'"
          :aria-pressed="layer.on === 'all'"
          @click="set({ on: 'all' }, 'where it plays')"
        >
          everything
        </button>
        <button
          v-for="[id, name] in runs"
          :key="id"
          class="button-quiet"
          :class="chosen.includes(id) && 'border-glow text-glow'"
          :aria-pressed="chosen.includes(id)"
          @click="toggle(id)"
        >
          {{ name }}
        </button>
        <template v-if="lanes.size > 1">
          <button
            v-for="[id, name] in lanes"
            :key="`lane ${id}`"
            class="button-quiet"
            :class="chosenLanes.includes(id) && 'border-glow text-glow'"
            :aria-pressed="chosenLanes.includes(id)"
            @click="toggleLane(id)"
          >
            lane {{ name }}
          </button>
        </template>
        <button
          class="button-quiet"
          :class="zone && 'border-glow text-glow'"
          :aria-pressed="zone !== undefined"
          @click="takeZone"
        >
          part of the room
        </button>
      </div>
      <div v-if="zone" class="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <label v-for="[key, label, least] in zoneFields" :key="key" class="block">
          {{ label }}
          <input
            v-shown="zone[key]"
            type="number"
            class="field block w-24 py-1"
            @change="setZone(key, least, $event)"
          />
        </label>
        <span class="pb-1.5 text-bench-soft">or drag over the picture</span>
      </div>
    </fieldset>
    <div v-if="pattern" class="flex flex-wrap items-start gap-x-5 gap-y-3">
      <template v-for="parameter in pattern.parameters" :key="parameter.id">
        <label v-if="parameter.kind === 'number'" class="block">
          {{ parameter.name
          }}<template v-if="units[parameter.unit]">, {{ units[parameter.unit] }}</template>
          <input
            v-shown="Math.round(numberOf(parameter) * factor(parameter) * 1000) / 1000"
            type="number"
            class="field block w-28 py-1"
            step="any"
            :title="`${parameter.least * factor(parameter)} to ${parameter.most * factor(parameter)}`"
            @change="setNumber(parameter, $event)"
          />
        </label>
        <PickField
          v-else-if="parameter.kind === 'choice'"
          :label="parameter.name"
          :options="parameter.options.map((one) => [one, one] as const)"
          :value="textOf(parameter)"
          @pick="setValue(parameter, $event)"
        />
        <PickField
          v-else-if="parameter.kind === 'input'"
          :label="parameter.name"
          :options="inputOptions"
          :value="inputOf(parameter)"
          @pick="setValue(parameter, $event)"
        />
        <div v-else-if="parameter.kind === 'colour'">
          {{ parameter.name }}
          <ColourField
            :label="parameter.name"
            :value="textOf(parameter)"
            @set="setValue(parameter, $event)"
          />
        </div>
        <div v-else>
          {{ parameter.name }}
          <ul class="grid gap-1">
            <li
              v-for="(one, index) in coloursOf(parameter)"
              :key="index"
              class="flex items-center gap-1"
            >
              <ColourField
                :label="`${parameter.name} ${index + 1}`"
                :value="one"
                @set="setValue(parameter, coloursOf(parameter).with(index, $event))"
              />
              <button
                v-if="coloursOf(parameter).length > 1"
                class="button-quiet px-1.5"
                :aria-label="`Remove colour ${index + 1}`"
                @click="setValue(parameter, coloursOf(parameter).toSpliced(index, 1))"
              >
                <X :size="13" />
              </button>
            </li>
          </ul>
          <button
            v-if="coloursOf(parameter).length < 8"
            class="button-quiet mt-1"
            @click="setValue(parameter, [...coloursOf(parameter), '#ffffff'])"
          >
            <Plus :size="13" /> Colour
          </button>
        </div>
      </template>
    </div>
  </div>
</template>
