<script setup lang="ts">
import { useMediaQuery, useWakeLock } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { jointsSince } from '../../core/build/progress'
import type { LogEntry, LoggedReading } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import PlanFrame from '../shell/PlanFrame.vue'
import { useSheetView } from '../shell/use-sheet-view'
import { usePlanStore } from '../stores/plan'
import { usePart } from '../stores/use-parts'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import OrderRail from './OrderRail.vue'
import StepCard from './StepCard.vue'
import { useBuild } from './use-build'
import { useClock } from './use-clock'
import NothingYet from '../shell/NothingYet.vue'

const TemplatesView = defineAsyncComponent(() => import('./TemplatesView.vue'))
const LogView = defineAsyncComponent(() => import('./LogView.vue'))
const OrderView = defineAsyncComponent(() => import('./OrderView.vue'))
const BenchLinkView = defineAsyncComponent(() => import('./link/BenchLinkView.vue'))
const TroubleDialog = defineAsyncComponent(() => import('./TroubleDialog.vue'))

const store = usePlanStore()
const build = useBuild(() => store.plan)
const { order, progress, log, step, chosen, meter, meterProblem } = build
const wiring = usePart('wiring')

const views = [
  { value: 'step', label: 'Step' },
  { value: 'order', label: 'Order' },
  { value: 'log', label: 'Log' },
  { value: 'templates', label: 'Templates' },
  { value: 'link', label: 'Bench link' },
] as const
type View = (typeof views)[number]['value']
const { sheet, view } = useSheetView<View>(views, 'step')
/** Where there is room the order stands beside the step. */
const isWide = useMediaQuery('(min-width: 1180px)')
const none: ReadonlySet<string> = new Set()

const clock = useClock(() => store.id)
watch(
  () => step.value?.id,
  (id) => {
    if (id !== undefined) clock.restart(id, log.value.get(id)?.minutes)
  },
)
// The screen stays awake while the clock runs.
const wakeLock = useWakeLock()
const canSleep = ref(false)
watch(clock.isRunning, async (isRunning) => {
  try {
    await (isRunning ? wakeLock.request('screen') : wakeLock.release())
    canSleep.value = isRunning && !wakeLock.isSupported.value
  } catch {
    canSleep.value = isRunning
  }
})

const fresh = computed(() => {
  const { plan } = store
  if (plan === undefined || !order.value || !progress.value || !step.value) return []
  const ids = new Set(jointsSince(plan, order.value.steps, progress.value, step.value.id))
  return [
    ...new Set(
      (wiring.value?.joints ?? []).filter(({ id }) => ids.has(id)).map(({ where }) => where),
    ),
  ]
})

const isWrong = ref(false)
const now = (): string => new Date().toISOString()
function go(id: string): void {
  chosen.value = id
  view.value = 'step'
}
function note(set: Partial<LogEntry>, label: string): void {
  if (step.value !== undefined) build.note(step.value, set, label)
}
/** What was counted for the step, to tenths. */
const counted = (): number => Math.round(clock.minutes.value * 10) / 10

function done(): void {
  if (step.value === undefined) return
  note({ state: 'done', at: now(), minutes: counted() }, `done: ${step.value.title}`)
  chosen.value = undefined
}
function undone(): void {
  note({ state: 'open' }, `not done: ${step.value?.title ?? ''}`)
}
function skip(why: string): void {
  note({ state: 'skipped', why, at: now() }, `skipped: ${step.value?.title ?? ''}`)
  chosen.value = undefined
}
function keepTrouble(trouble: { what: string; fix: string }): void {
  const known = log.value.get(step.value?.id ?? '')?.trouble ?? []
  note({ trouble: [...known, trouble], at: now(), minutes: counted() }, 'what went wrong')
  isWrong.value = false
}
const keepReadings = (readings: LoggedReading[]): void => {
  note({ readings }, 'a reading')
}
</script>

<template>
  <PlanFrame
    v-model:sheet="sheet"
    stage="build"
    title="Build"
    hint="One step after another. What you note here goes with the plan."
    :sheets="views"
  >
    <template #tools>
      <SegmentedChoice
        v-model="view"
        class="max-[899px]:hidden"
        label="What is shown"
        :options="views"
      />
    </template>
    <template #default="{ shows }">
      <template v-if="shows(view)">
        <p
          v-if="!order || !progress"
          class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
          role="status"
        >
          Putting the steps in order …
        </p>
        <NothingYet v-else-if="order.steps.length === 0" what="Nothing to build yet" />
        <template v-else>
          <details
            v-if="progress.toUndo.length > 0"
            class="rounded-lg border border-warning/70 bg-warning/10 px-4 py-2 text-[14px]"
          >
            <summary class="cursor-pointer font-semibold text-warning">
              The plan changed: {{ plural(progress.toUndo.length, 'thing') }} that
              {{ progress.toUndo.length === 1 ? 'was' : 'were' }} built
              {{ progress.toUndo.length === 1 ? 'has' : 'have' }} to be undone
            </summary>
            <ul class="mt-1">
              <li v-for="entry in progress.toUndo" :key="entry.step">Undo: {{ entry.title }}</li>
            </ul>
          </details>
          <OrderView
            v-if="view === 'order'"
            :order="order"
            :progress="progress"
            :current="step?.id"
            @go="go"
          />
          <LogView v-else-if="view === 'log'" :steps="order.steps" @go="go" />
          <TemplatesView v-else-if="view === 'templates'" />
          <BenchLinkView v-else-if="view === 'link'" />
          <div
            v-else-if="step"
            class="grid min-h-0 flex-1 gap-3"
            :class="isWide && 'grid-cols-[17rem_minmax(0,1fr)]'"
          >
            <OrderRail
              v-if="isWide"
              :steps="order.steps"
              :progress="progress"
              :current="step.id"
              :fitting="none"
              @go="go"
            />
            <StepCard
              :step="step"
              :steps="order.steps"
              :entry="log.get(step.id)"
              :progress="progress"
              :expected="meter"
              :meter-problem="meterProblem"
              :fresh="fresh"
              :clock="clock"
              :can-sleep="canSleep"
              @done="done"
              @undone="undone"
              @skip="skip"
              @wrong="isWrong = true"
              @note="note({ note: $event }, 'a note')"
              @photos="note({ photos: $event }, 'photos')"
              @minutes="note({ minutes: $event }, 'minutes')"
              @readings="keepReadings"
              @ask-meter="build.askMeter"
              @link="view = 'link'"
              @go="go"
            />
          </div>
        </template>
        <TroubleDialog
          v-if="isWrong && step"
          :step="step"
          :fresh="fresh"
          @close="isWrong = false"
          @keep="keepTrouble"
        />
      </template>
    </template>
  </PlanFrame>
</template>
