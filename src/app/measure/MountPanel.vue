<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { brightnessOf, lightShare, runLux } from '../../core/glow/run-light'
import type { MeasuredRun } from '../../core/measure/measure'
import { bends, covers, dampnesses, facings, surfaces } from '../../core/plan/choices'
import type { Strip } from '../../core/plan/parts'
import { hidesDots } from '../../core/parts/mounted'
import { profileOf } from '../../core/parts/profiles'
import { formatQuantity, significant } from '../../core/quantity/format'
import { lightPitchMm } from '../../core/parts/light-pitch'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePart } from '../stores/use-parts'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import { named } from '../ui/option'
import PickField from '../ui/PickField.vue'
import TickField from '../ui/TickField.vue'
import { useRunSettings } from './run-settings'
import BlendStrip from './BlendStrip.vue'
import MountSection from './MountSection.vue'
import { facingWords } from './facing-words'

const { run, strip } = defineProps<{ run: MeasuredRun; strip: Strip }>()

const MountingParts = defineAsyncComponent(() => import('./MountingParts.vue'))

const store = usePlanStore()
const plan = useOpenPlan()
const warmth = usePart('warmth')
const { own, mount, set, setMount } = useRunSettings(() => run)

const profile = computed(() => profileOf(own.value, mount.value.profile))
/** Where the cover is, also while it is dragged. */
const depth = ref(mount.value.coverMm)
watch(
  () => mount.value.coverMm,
  (mm) => {
    depth.value = mm
  },
)

/** Choices in words; the first of each is what is usual. */
const fields = [
  { key: 'surface', label: 'Stuck to', options: named(surfaces) },
  {
    key: 'facing',
    label: 'Light goes',
    options: facings.map((value) => ({ value, label: facingWords[value] })),
  },
  {
    key: 'bend',
    label: 'Bent',
    options: bends.map((value) => ({
      value,
      label: { flat: 'flat, over its thin way', edgewise: 'edgewise' }[value],
    })),
  },
  { key: 'cover', label: 'Cover', options: named(covers) },
  { key: 'damp', label: 'Place', options: named(dampnesses) },
] as const

const riseK = computed(() => warmth.value?.find(({ id }) => id === run.id)?.riseK)
const tallied = computed(() => store.tally?.runs.find(({ id }) => id === run.id))
const lux = computed(() => {
  const { aboveMm } = mount.value
  if (aboveMm === undefined || !tallied.value?.placedMm) return undefined
  if (strip.lumensPerM === 0) return undefined
  return runLux({
    segments: run.segments,
    litMm: tallied.value.litMm,
    lumensPerM: strip.lumensPerM,
    share: lightShare(plan.value, { run, strip }),
    heightM: aboveMm / 1000,
  })
})
/** At which brightness, and behind what, it is counted. */
const countedAt = computed(() => {
  const bright = brightnessOf(plan.value, { run, strip })
  return [
    bright < 1 ? `at ${formatQuantity(bright, '%')}` : 'at full brightness',
    ...(mount.value.cover === 'none' ? [] : [`behind its ${mount.value.cover} cover`]),
  ].join(' ')
})
/** Against today's, in stops: each is twice as bright. */
const steps = computed(() => {
  const today = mount.value.todayLux
  if (lux.value === undefined || today === undefined) return undefined
  const by = Math.log2(lux.value / today)
  const times = significant(2 ** Math.abs(by), 2)
  if (Math.abs(by) < 0.15) return 'about as bright as today'
  return by > 0
    ? `${times} × today’s, ${significant(by, 2)} stops brighter`
    : `today’s ÷ ${times}, ${significant(-by, 2)} stops dimmer`
})
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="link-quiet">how it is mounted</PopoverButton>
    <PopoverPanel
      class="absolute bottom-full left-0 z-30 mb-2 max-h-[70vh] w-[460px] max-sm:fixed max-sm:inset-x-3 max-sm:bottom-3 max-sm:mb-0 max-sm:w-auto overflow-y-auto rounded-lg border border-bench-line bg-bench-high p-4 text-[13px] text-bench-ink shadow-xl shadow-black/60"
    >
      <h3 class="mb-2 font-semibold">
        {{ run.name }}
        <span class="font-normal text-bench-soft">· seen from its end</span>
      </h3>
      <MountSection
        v-model:depth="depth"
        :strip="strip"
        :mount="mount"
        :profile="profile"
        :rise-k="riseK"
        :goes="facingWords[mount.facing]"
        :units="plan.units"
        @put="(coverMm) => setMount({ coverMm }, 'cover')"
      />
      <LengthField
        v-if="mount.cover !== 'none'"
        class="mb-2 text-bench-soft"
        label="From the lights to the cover"
        layout="beside"
        width="w-24"
        :mm="mount.coverMm"
        :least="0.1"
        :most="10_000"
        :units="plan.units"
        is-required
        @set="(coverMm) => setMount({ coverMm }, 'cover')"
      />
      <BlendStrip v-if="hidesDots(mount)" :pitch-mm="lightPitchMm(strip)" :depth-mm="depth" />
      <p v-else class="text-[12px] text-bench-soft">
        Bare or behind clear glass each light is seen: {{ significant(lightPitchMm(strip)) }} mm
        apart. A frosted or opal cover as far away as that makes a line of them.
      </p>
      <div class="mt-3 grid grid-cols-2 gap-x-4 gap-y-2">
        <PickField
          v-for="{ key, label, options } in fields"
          :key="key"
          class="text-bench-soft"
          :label="label"
          :name="key"
          width="w-full"
          :options="options"
          :value="mount[key]"
          @pick="(value) => setMount({ [key]: value }, label.toLowerCase())"
        />
        <LengthField
          class="text-bench-soft"
          label="Kept free at each end"
          :mm="run.line.endMm"
          :most="10_000"
          :units="plan.units"
          placeholder="0"
          @set="(mm) => set({ endMm: mm || undefined }, 'ends')"
        />
        <TickField
          label="in a sealed sleeve"
          :is-on="mount.hasSleeve || strip.isSealed"
          :disabled="strip.isSealed"
          @set="(hasSleeve) => setMount({ hasSleeve }, 'sleeve')"
        />
        <TickField
          label="cut ends capped and sealed"
          :is-on="mount.hasCaps"
          @set="(hasCaps) => setMount({ hasCaps }, 'end caps')"
        />
        <TickField
          class="col-span-2"
          label="turned round: the wire enters at the end that is measured last"
          :is-on="run.line.isTurned === true"
          @set="(isTurned) => set({ isTurned: isTurned || undefined }, 'direction')"
        />
      </div>

      <MountingParts :run="run" />

      <h4 class="mt-4 mb-1.5 font-semibold">How bright below it?</h4>
      <div class="grid grid-cols-2 gap-x-4">
        <LengthField
          class="text-bench-soft"
          label="Height above the surface"
          :mm="mount.aboveMm"
          :least="1"
          :most="20_000"
          :units="plan.units"
          placeholder="450"
          @set="(aboveMm) => setMount({ aboveMm }, 'height')"
        />
        <NumberField
          class="text-bench-soft"
          label="Today’s light there, lux"
          :value="mount.todayLux"
          :least="0.1"
          :most="100_000"
          :step="10"
          is-optional
          width="w-full"
          placeholder="150"
          @set="(todayLux) => setMount({ todayLux }, 'today’s light')"
          @clear="setMount({ todayLux: undefined }, 'today’s light')"
        />
      </div>
      <p v-if="lux !== undefined" class="mt-1.5 text-[12px] text-bench-soft">
        <b class="text-[15px] text-bench-ink">{{ formatQuantity(lux, 'lx') }}</b> at its brightest
        place, {{ countedAt }}<template v-if="steps">: {{ steps }}</template>
      </p>
      <p
        v-else-if="mount.aboveMm !== undefined && strip.lumensPerM === 0"
        class="mt-1.5 text-[12px] text-bench-soft"
      >
        No lumens are known of {{ strip.name }}: give a strip of your own with them.
      </p>
    </PopoverPanel>
  </Popover>
</template>
