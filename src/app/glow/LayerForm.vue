<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Box } from '../../core/measure/geometry'
import type { NumberParameter, Parameter } from '../../core/glow/pattern'
import { patternOf, patterns } from '../../core/glow/patterns'
import type { ShowLayer } from '../../core/plan/plan'
import type { Unit } from '../../core/quantity/format'
import ColourField from '../ui/ColourField.vue'
import NumberField from '../ui/NumberField.vue'
import { byName, named, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import SliderField from '../ui/SliderField.vue'
import { useOpenPlan } from '../stores/use-open-plan'

const { layer, runs, lanes, room } = defineProps<{
  layer: ShowLayer
  runs: ReadonlyMap<string, string>
  /** Lanes of the plan by their ids, with their names. */
  lanes: ReadonlyMap<string, string>
  /** What the picture shows, mm. */
  room: Box
}>()
const emit = defineEmits<{ set: [layer: ShowLayer, label: string]; remove: [] }>()
const plan = useOpenPlan()

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
  { key: 'x', label: 'Left', least: -1_000_000 },
  { key: 'y', label: 'Top', least: -1_000_000 },
  { key: 'width', label: 'Width', least: 1 },
  { key: 'height', label: 'Height', least: 1 },
] as const
function setZone(key: (typeof zoneFields)[number]['key'], value: number): void {
  if (zone.value !== undefined)
    set({ on: { zone: { ...zone.value, [key]: value } } }, 'where it plays')
}

/** What a parameter is typed in, and what stands behind it. */
const units: Readonly<Record<NumberParameter['unit'], { unit: Unit; text: string }>> = {
  mm: { unit: 'mm', text: 'mm' },
  'mm/s': { unit: '', text: 'mm/s' },
  s: { unit: '', text: 's' },
  share: { unit: '%', text: '%' },
  count: { unit: '', text: '' },
}
const numberOf = ({ id, usual }: NumberParameter): number => {
  const value = layer.set[id]
  return typeof value === 'number' ? value : usual
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
  { value: '', label: 'nothing' },
  ...byName(plan.value.signal.inputs),
])
const patternOptions = computed(() => [
  ...(pattern.value === undefined
    ? [{ value: layer.pattern, label: `“${layer.pattern}”, not known here` }]
    : []),
  ...byName(patterns),
])
const axes: readonly Option<ShowLayer['axis']>[] = [
  { value: 'each', label: 'along each run by itself' },
  { value: 'joined', label: 'along all of them in a row' },
  { value: 'room', label: 'across the room' },
]
const blends: readonly Option<ShowLayer['blend']>[] = [
  { value: 'add', label: 'adds' },
  { value: 'lighten', label: 'the brighter one wins' },
  { value: 'over', label: 'covers' },
]
</script>

<template>
  <div class="grid gap-3 text-[13px]">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
      <PickField
        label="Pattern"
        :options="patternOptions"
        :value="layer.pattern"
        @pick="set({ pattern: $event }, 'another pattern')"
      />
      <PickField
        label="Runs"
        :options="axes"
        :value="layer.axis"
        @pick="set({ axis: $event }, 'which way it runs')"
      />
      <NumberField
        v-if="layer.axis === 'room'"
        label="Turned by, °"
        :value="layer.degrees ?? 0"
        :least="-360"
        :most="360"
        :step="5"
        @set="(degrees) => set({ degrees }, 'turn it')"
      />
      <PickField
        label="On what is below"
        :options="blends"
        :value="layer.blend"
        @pick="set({ blend: $event }, 'how it blends')"
      />
      <SliderField
        :label="`Strength ${Math.round(100 * layer.opacity)} %`"
        layout="above"
        width="h-[30px] w-28"
        :value="Math.round(100 * layer.opacity)"
        :least="0"
        :most="100"
        is-at-rest
        @set="(percent) => set({ opacity: percent / 100 }, 'its strength')"
      />
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
        <NumberField
          v-for="{ key, label, least } in zoneFields"
          :key="key"
          :label="label"
          width="w-24"
          unit="mm"
          :value="zone[key]"
          :least="least"
          :most="1_000_000"
          :step="10"
          @set="setZone(key, $event)"
        />
        <span class="pb-1.5 text-bench-soft">or drag over the picture</span>
      </div>
    </fieldset>
    <div v-if="pattern" class="flex flex-wrap items-start gap-x-5 gap-y-3">
      <template v-for="parameter in pattern.parameters" :key="parameter.id">
        <NumberField
          v-if="parameter.kind === 'number'"
          :label="parameter.name"
          width="w-24"
          :unit="units[parameter.unit].unit"
          :value="numberOf(parameter)"
          :least="parameter.least"
          :most="parameter.most"
          @set="setValue(parameter, $event)"
        >
          {{ units[parameter.unit].text }}
        </NumberField>
        <PickField
          v-else-if="parameter.kind === 'choice'"
          :label="parameter.name"
          :options="named(parameter.options)"
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
