<script setup lang="ts">
import { nanoid } from 'nanoid'
import { defineAsyncComponent } from 'vue'
import { RouterLink } from 'vue-router'
import type { ShownFault } from '../engine/mend.worker'
import PlanFrame from '../shell/PlanFrame.vue'
import { useSheetView } from '../shell/use-sheet-view'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useHeardPlan } from '../stores/use-heard-plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import FindView from './FindView.vue'
import { placeText, saidWords, stateText } from './looks'
import MendRoll from './MendRoll.vue'
import { useMend } from './use-mend'
import NothingYet from '../shell/NothingYet.vue'

const MendLog = defineAsyncComponent(() => import('./MendLog.vue'))
const UpkeepView = defineAsyncComponent(() => import('./UpkeepView.vue'))
const PracticeView = defineAsyncComponent(() => import('./PracticeView.vue'))

const store = usePlanStore()
const notices = useNotices()

const views = [
  { value: 'find', label: 'Find it' },
  { value: 'log', label: 'Log' },
  { value: 'upkeep', label: 'Upkeep' },
  { value: 'practice', label: 'Practice' },
] as const
type View = (typeof views)[number]['value']
const { sheet, view } = useSheetView<View>(views, 'find')

const heardPlan = useHeardPlan([
  'buy',
  'use',
  'name',
  'units',
  'offcuts',
  'shows',
  'notes',
  'upkeep',
])
const mend = useMend(
  () => store.id,
  () => heardPlan.value,
)
const { open, ranking, problem, trouble, forget } = mend

/** What was seen, in a line of the log. */
function symptomText(): string {
  const { seen } = trouble.value
  const painted = (open.value?.runs ?? []).flatMap((run) =>
    (seen.runs[run.id] ?? [])
      .filter(([, , state]) => state !== 'right')
      .map((stretch) => `${placeText(run, stretch)} ${stateText(stretch)}`),
  )
  return [...painted, ...saidWords(seen)].join('; ').slice(0, 1_000) || 'nothing was painted'
}

function mended({ id, kind, title, where }: ShownFault, did: string, minutes: number): void {
  const entry = {
    id: nanoid(8),
    at: new Date().toISOString(),
    symptom: symptomText(),
    tests: trouble.value.done.slice(-100).map(({ test, outcome }) => ({ test, outcome })),
    fault: id,
    kind,
    cause: `${title}, ${where}`.slice(0, 400),
    mend: did,
    minutes: Math.max(0, Number.isFinite(minutes) ? minutes : 0),
  }
  store.commit([{ do: 'put-mend', mend: entry }], { label: 'note what was mended' })
  forget()
  view.value = 'log'
  notices.done(`Noted: ${entry.cause}.`, store.undo)
}
</script>

<template>
  <PlanFrame
    v-model:sheet="sheet"
    stage="mend"
    title="Mend"
    hint="Paint what you see; hold the tips where it says."
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
    <template #paper>
      <MendRoll
        v-if="open && open.runs.length > 0 && ranking && view === 'find'"
        :open="open"
        :ranking="ranking"
        :trouble="trouble"
      />
    </template>
    <template #default="{ shows }">
      <p
        v-if="problem"
        class="rounded-lg border border-stop/70 bg-stop/10 px-4 py-2 text-[14px]"
        role="alert"
      >
        This could not be worked out: {{ problem }}. Nothing that you painted is lost; reload the
        page to try again.
      </p>
      <template v-if="shows(view)">
        <NothingYet v-if="view === 'find' && open?.runs.length === 0" what="Nothing to mend yet"
          >, or
          <RouterLink class="link-quiet" :to="{ name: 'trouble' }"
            >find a fault without a plan</RouterLink
          >.</NothingYet
        >
        <FindView v-else-if="view === 'find'" :mend="mend" @mended="mended" />
        <MendLog v-else-if="view === 'log'" />
        <UpkeepView v-else-if="view === 'upkeep'" />
        <PracticeView v-else />
      </template>
    </template>
  </PlanFrame>
</template>
