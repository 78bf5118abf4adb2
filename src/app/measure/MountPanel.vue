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
import { readLength } from '../../core/quantity/length'
import { lightPitchMm } from '../../core/parts/light-pitch'
import { usePlanStore } from '../stores/plan'
import { usePart } from '../stores/use-parts'
import { useRunSettings } from './run-settings'
import BlendStrip from './BlendStrip.vue'
import MountSection from './MountSection.vue'
import { facingWords } from './facing-words'

const { run, strip } = defineProps<{ run: MeasuredRun; strip: Strip }>()

const MountingParts = defineAsyncComponent(() => import('./MountingParts.vue'))

const store = usePlanStore()
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
  { key: 'surface', label: 'Stuck to', options: surfaces.map((value) => [value, value] as const) },
  {
    key: 'facing',
    label: 'Light goes',
    options: facings.map((value) => [value, facingWords[value]] as const),
  },
  {
    key: 'bend',
    label: 'Bent',
    options: bends.map(
      (value) => [value, { flat: 'flat, over its thin way', edgewise: 'edgewise' }[value]] as const,
    ),
  },
  {
    key: 'cover',
    label: 'Cover',
    options: covers.map((value) => [value, value] as const),
  },
  {
    key: 'damp',
    label: 'Place',
    options: dampnesses.map((value) => [value, value] as const),
  },
] as const

function choose(event: Event, key: (typeof fields)[number]['key'], label: string): void {
  if (event.target instanceof HTMLSelectElement)
    setMount({ [key]: event.target.value }, label.toLowerCase())
}
/** Reads a length into a setting; an emptied field takes the setting away. */
function length(event: Event, put: (mm: number | undefined) => void): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const { value } = event.target
  const read = value.trim() === '' ? { ok: true as const, mm: undefined } : readLength(value)
  const isZero = !read.ok && Number(value) === 0
  event.target.setCustomValidity(read.ok || isZero ? '' : read.message)
  event.target.reportValidity()
  if (isZero) put(undefined)
  else if (read.ok) put(read.mm)
}
const shown = (mm: number | undefined): string =>
  mm === undefined ? '' : String(Math.round(mm * 10) / 10)

const riseK = computed(() => warmth.value?.find(({ id }) => id === run.id)?.riseK)
const tallied = computed(() => store.tally?.runs.find(({ id }) => id === run.id))
const lux = computed(() => {
  const { aboveMm } = mount.value
  const { plan } = store
  if (aboveMm === undefined || plan === undefined || !tallied.value?.placedMm) return undefined
  if (strip.lumensPerM === 0) return undefined
  return runLux({
    segments: run.segments,
    litMm: tallied.value.litMm,
    lumensPerM: strip.lumensPerM,
    share: lightShare(plan, { run, strip }),
    heightM: aboveMm / 1000,
  })
})
/** At which brightness, and behind what, it is counted. */
const countedAt = computed(() => {
  const bright = store.plan === undefined ? 1 : brightnessOf(store.plan, { run, strip })
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
function setToday(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const value = event.target.valueAsNumber
  setMount(value > 0 ? { todayLux: value } : { todayLux: undefined }, 'today’s light')
}
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
        :units="store.plan?.units ?? 'mm'"
        @put="(coverMm) => setMount({ coverMm }, 'cover')"
      />
      <label v-if="mount.cover !== 'none'" class="mb-2 flex items-center gap-2 text-bench-soft">
        From the lights to the cover
        <input
          v-shown="shown(mount.coverMm)"
          class="field w-24 font-mono"
          @change="length($event, (mm) => mm && setMount({ coverMm: mm }, 'cover'))"
        />
      </label>
      <BlendStrip v-if="hidesDots(mount)" :pitch-mm="lightPitchMm(strip)" :depth-mm="depth" />
      <p v-else class="text-[12px] text-bench-soft">
        Bare or behind clear glass each light is seen: {{ significant(lightPitchMm(strip)) }} mm
        apart. A frosted or opal cover as far away as that makes a line of them.
      </p>
      <div class="mt-3 grid grid-cols-2 gap-x-4 gap-y-2">
        <label v-for="{ key, label, options } in fields" :key="key" class="text-bench-soft">
          {{ label }}
          <select
            class="field mt-0.5"
            :name="key"
            :value="mount[key]"
            @change="choose($event, key, label)"
          >
            <option v-for="[value, text] in options" :key="value" :value="value">{{ text }}</option>
          </select>
        </label>
        <label class="text-bench-soft">
          Kept free at each end
          <input
            v-shown="shown(run.line.endMm)"
            class="field mt-0.5 font-mono"
            placeholder="0"
            @change="length($event, (mm) => set({ endMm: mm }, 'ends'))"
          />
        </label>
        <label class="flex items-center gap-2">
          <input
            type="checkbox"
            class="accent-glow"
            :checked="mount.hasSleeve || strip.isSealed"
            :disabled="strip.isSealed"
            @change="setMount({ hasSleeve: !mount.hasSleeve }, 'sleeve')"
          />
          in a sealed sleeve
        </label>
        <label class="flex items-center gap-2">
          <input
            type="checkbox"
            class="accent-glow"
            :checked="mount.hasCaps"
            @change="setMount({ hasCaps: !mount.hasCaps }, 'end caps')"
          />
          cut ends capped and sealed
        </label>
        <label class="col-span-2 flex items-center gap-2">
          <input
            type="checkbox"
            class="accent-glow"
            :checked="run.line.isTurned === true"
            @change="set({ isTurned: run.line.isTurned === true ? undefined : true }, 'direction')"
          />
          turned round: the wire enters at the end that is measured last
        </label>
      </div>

      <MountingParts :run="run" />

      <h4 class="mt-4 mb-1.5 font-semibold">How bright below it?</h4>
      <div class="grid grid-cols-2 gap-x-4">
        <label class="text-bench-soft">
          Height above the surface
          <input
            v-shown="shown(mount.aboveMm)"
            class="field mt-0.5 font-mono"
            placeholder="450"
            @change="length($event, (mm) => setMount({ aboveMm: mm }, 'height'))"
          />
        </label>
        <label class="text-bench-soft">
          Today’s light there, lux
          <input
            v-shown="mount.todayLux"
            type="number"
            min="0"
            class="field mt-0.5"
            placeholder="150"
            @change="setToday"
          />
        </label>
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
