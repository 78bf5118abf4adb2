<script setup lang="ts">
import { computed } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { containers, type Container } from '../../core/plan/build-choices'
import type { Into, Plan } from '../../core/plan/plan'
import { usualSpareMm } from '../../core/plan/usual'
import LengthField from '../ui/LengthField.vue'
import type { Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import { useRunSettings } from './run-settings'

const { run, units } = defineProps<{ run: MeasuredRun; units: Plan['units'] }>()

const { set } = useRunSettings(() => run)
const into = computed(() => run.line.into)
const ends = [
  { at: 'start', label: 'Hole where the wire enters' },
  { at: 'end', label: 'Hole at the far end' },
] as const

const holeAt = (at: Into['holes'][number]['at']): number | undefined =>
  into.value?.holes.find((hole) => hole.at === at)?.mm
const options: readonly Option<Container | undefined>[] = [
  { value: undefined, label: 'nothing' },
  ...containers.map((value) => ({ value, label: `a ${value}` })),
]
function setWhat(what: Container | undefined): void {
  set(
    {
      into:
        what === undefined
          ? undefined
          : {
              ...(into.value ?? { holes: [{ at: 'start', mm: 8 }], spareMm: usualSpareMm }),
              what,
            },
    },
    'what it goes into',
  )
}
function setHole(at: Into['holes'][number]['at'], mm: number | undefined): void {
  if (into.value === undefined) return
  const others = into.value.holes.filter((hole) => hole.at !== at)
  set(
    { into: { ...into.value, holes: mm === undefined ? others : [...others, { at, mm }] } },
    'hole',
  )
}
function setSpare(spareMm = 0): void {
  if (into.value !== undefined) set({ into: { ...into.value, spareMm } }, 'extra wire')
}
</script>

<template>
  <h4 class="mt-4 mb-1.5 font-semibold">What does it go into?</h4>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
    <PickField
      class="col-span-2"
      label="Its wires are threaded through before they are soldered"
      name="into"
      width="w-full"
      :options="options"
      :value="into?.what"
      @pick="setWhat"
    />
    <template v-if="into">
      <LengthField
        v-for="{ at, label } in ends"
        :key="at"
        :label="label"
        :mm="holeAt(at)"
        :least="0.1"
        :most="1000"
        :units="units"
        @set="setHole(at, $event)"
      />
      <LengthField
        class="col-span-2"
        label="Extra wire at each hole, to thread it and to reach while the lid is open"
        :mm="into.spareMm ?? 0"
        :most="10_000"
        :units="units"
        @set="setSpare($event)"
      />
    </template>
  </div>
</template>
