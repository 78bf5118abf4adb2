<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent, ref } from 'vue'
import { divideCommands, separateCommands } from '../../core/measure/line-edits'
import { placesOf } from '../../core/measure/layout'
import { halvesOf, runsOfParts } from '../../core/measure/several'
import type { Command } from '../../core/plan/commands'
import { mostLines } from '../../core/plan/usual'
import { stripOf } from '../../core/parts/find-strips'
import { plural } from '../../core/quantity/format'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import ActionMenu from '../ui/ActionMenu.vue'

const plan = useOpenPlan()

const LikeDialog = defineAsyncComponent(() => import('./LikeDialog.vue'))

const store = usePlanStore()
const spotlight = useSpotlight()
const notices = useNotices()
const isSharing = ref(false)

const run = computed(() => store.measured.runs.find(({ id }) => id === spotlight.chosen))
const reading = computed(
  () => store.measured.lines.find(({ line }) => line.id === run.value?.id)?.reading,
)
const parts = computed(() =>
  run.value === undefined || reading.value?.kind !== 'run'
    ? undefined
    : runsOfParts(run.value.line.text, reading.value, run.value.name),
)
const halves = computed(() => {
  const place = placesOf(store.layout).get(run.value?.id ?? '')
  if (run.value === undefined || reading.value?.kind !== 'run' || place === undefined)
    return undefined
  const { cutPitchMm } = stripOf(store.parts, run.value.line.stripId ?? plan.value.defaults.stripId)
  return halvesOf(reading.value, run.value.name, place, cutPitchMm)
})

const newId = (): string => nanoid(8)
function take(commands: readonly Command[], label: string): void {
  store.commit(commands, { label })
  notices.done(`${label}.`, store.undo)
}
function separate(texts: readonly string[]): void {
  if (run.value === undefined) return
  if (plan.value.lines.length + texts.length - 1 > mostLines) {
    notices.show({ kind: 'problem', text: `A pad holds ${String(mostLines)} lines.` })
    return
  }
  take(
    separateCommands(plan.value, run.value.id, texts, newId),
    `${plural(texts.length, 'run')} of ${run.value.name}`,
  )
}
function divide(): void {
  if (run.value === undefined || halves.value === undefined) return
  const lanes = (store.tally?.signal?.lanes ?? []).map(({ id, name, runs }) => ({
    id,
    name,
    lines: runs.map((one) => one.id),
  }))
  take(
    divideCommands(plan.value, run.value.id, halves.value, lanes, newId),
    `${run.value.name} divided in two`,
  )
}

const actions = computed(() => [
  ...(parts.value === undefined
    ? []
    : [
        {
          label: `Make ${plural(parts.value.length, 'run')} of it`,
          run: () => {
            separate(parts.value ?? [])
          },
        },
      ]),
  ...(halves.value === undefined
    ? []
    : [{ label: 'Divide it in two, for two lanes', run: divide }]),
  {
    label: 'Its light and mount for other lines …',
    run: () => {
      isSharing.value = true
    },
  },
])
</script>

<template>
  <ActionMenu v-if="run" :actions="actions" :name="`More for ${run.name}`" is-above is-on-paper>
    <span class="max-w-28 truncate">{{ run.name }}</span>
  </ActionMenu>
  <LikeDialog v-if="isSharing && run" :run="run" @close="isSharing = false" />
</template>
