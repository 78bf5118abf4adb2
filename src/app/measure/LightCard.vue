<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { changedCounts } from '../../core/measure/counted'
import { stripOf } from '../../core/parts/find-strips'
import type { Strip } from '../../core/plan/parts'
import type { Command } from '../../core/plan/commands'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import { useNotices } from '../stores/notices'
import { useShelf } from '../stores/shelf'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import { keptOf, newToPlan, offeredOf } from '../parts/kept'
import NoteButton from '../notes/NoteButton.vue'
import PartList, { type PartOption } from '../ui/PartList.vue'

const plan = useOpenPlan()

const MountPanel = defineAsyncComponent(() => import('./MountPanel.vue'))
const SingleLights = defineAsyncComponent(() => import('./SingleLights.vue'))
const OwnStripDialog = defineAsyncComponent(() => import('../parts/OwnStripDialog.vue'))

const store = usePlanStore()
const shelf = useShelf()
const spotlight = useSpotlight()
const notices = useNotices()
const isAdding = ref(false)
const kept = computed(() => keptOf(shelf.parts, 'strip'))

/** The chosen line's run, as far as it lights something. */
const run = computed(() => store.measured.runs.find(({ id }) => id === spotlight.chosen))
const stripId = computed(() => run.value?.line.stripId ?? plan.value.defaults.stripId)
const strip = computed(() => stripOf(store.parts, stripId.value))
/** What a note from here is on: the chosen run, or else the strip. */
const noted = computed(() =>
  run.value === undefined
    ? { about: { kind: 'part', part: stripId.value } as const, name: strip.value.name }
    : { about: { kind: 'run', line: run.value.id } as const, name: run.value.name },
)
const hasOthers = computed(
  () =>
    stripId.value !== plan.value.defaults.stripId ||
    plan.value.lines.some((line) => line.stripId !== undefined),
)

/** Own parts of other plans are offered too; choosing one takes it into this plan. */
const offered = computed(() => offeredOf(kept.value, store.parts.strips))
const options = computed(() => {
  const own = new Set([...plan.value.own.strips, ...kept.value].map(({ id }) => id))
  return offered.value.map((part): PartOption => {
    const { light } = part
    const volts = formatQuantity(part.volts, 'V')
    const groupName =
      light.kind === 'plain'
        ? `Plain, ${volts}`
        : part.nodesPerString === undefined
          ? `${volts} pixels`
          : 'Pixel nodes on wire'
    return {
      id: part.id,
      name: part.name,
      group: own.has(part.id) ? 'Your own' : groupName,
      facts: [
        light.kind === 'pixels' ? `${String(light.perM)} px/m` : `${String(light.ledsPerM)}/m`,
        formatQuantity(part.nameplateWPerM, 'W/m', plan.value.units),
        formatLength(part.cutPitchMm, plan.value.units),
      ],
    }
  })
})
const facts = computed(() => {
  const { light, volts, nameplateWPerM, cutPitchMm } = strip.value
  const density =
    light.kind === 'pixels' ? `${String(light.perM)} px/m` : `${String(light.ledsPerM)} LEDs/m`
  return [
    formatQuantity(volts, 'V'),
    density,
    formatQuantity(nameplateWPerM, 'W/m', plan.value.units),
    `cut every ${formatLength(cutPitchMm, plan.value.units)}`,
    ...(light.kind === 'plain' && light.channels.some(({ kelvin }) => kelvin !== undefined)
      ? [`${light.channels.map(({ kelvin }) => String(kelvin ?? '?')).join(' and ')} K`]
      : []),
  ].join(' · ')
})

function take(id: string): Command[] {
  const strip = newToPlan(id, kept.value, store.parts.strips)
  return strip === undefined ? [] : [{ do: 'own-strip', strip }]
}

function choose(id: string): void {
  const target: Command =
    run.value === undefined
      ? { do: 'set-default-strip', strip: id }
      : {
          do: 'set-strip',
          line: run.value.id,
          strip: id === plan.value.defaults.stripId ? undefined : id,
        }
  commit([...take(id), target], `light of ${run.value?.name ?? 'the plan'}`)
}
/** A run that was given by its pixels is as long as they are on its strip: where that changes it is said. */
function commit(commands: readonly Command[], label: string): void {
  const before = store.measured.runs
  store.commit(commands, { label })
  const [first, ...more] = changedCounts(before, store.measured.runs, plan.value.units)
  if (first !== undefined)
    notices.show({
      kind: 'done',
      text: first,
      details: more,
      actions: [{ label: 'Undo', run: () => void store.undo() }],
    })
}

function useEverywhere(): void {
  const everyLine = plan.value.lines
    .filter((line) => line.stripId !== undefined)
    .map((line): Command => ({ do: 'set-strip', line: line.id, strip: undefined }))
  commit(
    [{ do: 'set-default-strip', strip: stripId.value }, ...everyLine],
    'one light for every run',
  )
}

function add(part: Strip): void {
  store.commit([{ do: 'own-strip', strip: part }], { label: `add ${part.name}` })
  void shelf.keepPart({ id: part.id, kind: 'strip', part })
  choose(part.id)
}
</script>

<template>
  <SingleLights v-if="run && run.lights.length > 0" :run="run" />
  <section
    v-else
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Light"
  >
    <div class="mb-1.5 flex items-baseline gap-2 text-[13px]">
      <h2 class="truncate text-bench-soft">
        Light · <span class="text-bench-ink">{{ run?.name ?? 'every new line' }}</span>
      </h2>
      <div class="ml-auto flex shrink-0 gap-3 text-[12px]">
        <button v-if="hasOthers" class="link-quiet" @click="useEverywhere">use everywhere</button>
        <NoteButton v-bind="noted" />
        <button class="link-quiet" @click="isAdding = true">add your own</button>
      </div>
    </div>
    <PartList
      label="Light"
      :shown="strip.name"
      :columns="['density', 'power', 'cut pitch']"
      :options="options"
      :model-value="stripId"
      @update:model-value="choose"
    />
    <div class="mt-2.5 flex gap-3 text-[12px] text-bench-soft">
      <p class="min-w-0 flex-1 truncate" :title="facts">{{ facts }}</p>
      <MountPanel v-if="run && run.segments.length > 0" :run="run" :strip="strip" />
    </div>
    <OwnStripDialog v-if="isAdding" @close="isAdding = false" @add="add" />
  </section>
</template>
