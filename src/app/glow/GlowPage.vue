<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue'
import { fixed } from '../../core/quantity/format'
import PlanFrame from '../shell/PlanFrame.vue'
import { useSheetView } from '../shell/use-sheet-view'
import { usePlanStore } from '../stores/plan'
import { useHeardPlan } from '../stores/use-heard-plan'
import JobProblem from '../ui/JobProblem.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TickField from '../ui/TickField.vue'
import TimeField from '../ui/TimeField.vue'
import { runNames } from './layer-words'
import ShowMenu from './ShowMenu.vue'
import ShowRoll from './ShowRoll.vue'
import ShowStage from './ShowStage.vue'
import ShowTimeline from './ShowTimeline.vue'
import { useFlashConsent } from './use-flash-consent'
import { useOwnShows } from './use-own-shows'
import { useSceneEditor } from './use-scene-editor'
import { usualEye, useShow, type Eye } from './use-show'
import { useShowClock } from './use-show-clock'
import { useShowSums } from './use-show-sums'
import NothingYet from '../shell/NothingYet.vue'

const AmpereChart = defineAsyncComponent(() => import('./AmpereChart.vue'))
const ShowEditor = defineAsyncComponent(() => import('./ShowEditor.vue'))
const BoardView = defineAsyncComponent(() => import('./BoardView.vue'))
const FlashConsent = defineAsyncComponent(() => import('./FlashConsent.vue'))

const store = usePlanStore()
const views = [
  { value: 'play', label: 'Play' },
  { value: 'edit', label: 'Scenes' },
  { value: 'board', label: 'Board' },
] as const
const { sheet, view } = useSheetView(views, 'play')

/** Noting a minute of building does not begin a show anew. */
const playedPlan = useHeardPlan([
  'build',
  'buy',
  'use',
  'name',
  'units',
  'offcuts',
  'mends',
  'notes',
  'upkeep',
])
const ownShows = useOwnShows()
const { show, put } = ownShows
const { sceneId, layerId, staged, zone, setZone } = useSceneEditor(
  show,
  () => view.value === 'edit',
  put,
)
const eye = ref<Eye>(usualEye)
/** Of the picture: its width by its height. */
const aspect = ref(2)
const player = useShow(
  () => playedPlan.value,
  () => staged.value,
  () => eye.value,
  aspect,
)
const { open, frame, problem, isPlaying, ms, events } = player
const { isByClock, minute, setMinute, isTouched, forget } = useShowClock(
  player,
  show,
  () => store.plan?.signal.inputs.length ?? 0,
)
const sums = useShowSums(playedPlan, show, events)
const { results, flashing, progress, problem: sumsProblem } = sums

const waiting = computed(() => {
  if (open.value?.canPlay === false) return 'nothing to play'
  if (flashing.value !== undefined) return undefined
  return sumsProblem.value === undefined ? 'looking for flashes …' : 'its flashes are not known'
})
const consent = useFlashConsent(player, show, flashing)
const { asked } = consent
function play(): void {
  if (isPlaying.value) isPlaying.value = false
  else if (consent.mayPlay()) {
    if (ms.value >= player.lengthMs.value - 1) player.seek(0)
    isPlaying.value = true
  }
}
/** Space plays and pauses, wherever no field or button has it. */
useEventListener('keydown', (event) => {
  if (event.key !== ' ' || event.target !== document.body) return
  event.preventDefault()
  if (waiting.value === undefined) play()
})

function edit(scene: string, layer: string): void {
  sceneId.value = scene
  layerId.value = layer
  view.value = 'edit'
}
function setLimited(isLimited: boolean): void {
  if (show.value !== undefined) put({ ...show.value, isLimited }, 'hold supplies to their limits')
}
const stage = useTemplateRef<{ savePicture: () => void; saveFilm: () => Promise<void> }>('stage')
async function saveFilm(): Promise<void> {
  if (!consent.mayPlay()) return
  view.value = 'play'
  await stage.value?.saveFilm()
}

const runs = computed(() =>
  runNames(store.measured.runs.map(({ line, name }) => ({ id: line.id, name }))),
)
/** Lanes by their ids. */
const lanes = computed(
  () => new Map((store.tally?.signal?.lanes ?? []).map(({ id, name }) => [id, name] as const)),
)
const hasSensors = computed(() => (store.plan?.signal.inputs.length ?? 0) > 0)
/** Of all supplies in the frame that is shown, A. */
const amperes = computed(() => frame.value?.supplyA.reduce((sum, one) => sum + one, 0) ?? 0)
</script>

<template>
  <PlanFrame
    v-model:sheet="sheet"
    stage="glow"
    title="Glow"
    :hint="hasSensors ? 'Touch a sensor; drag the daylight.' : 'Play it; drag the daylight.'"
    :sheets="views"
  >
    <template #tools>
      <ShowMenu
        :shows="ownShows"
        @added="view = 'edit'"
        @picture="stage?.savePicture()"
        @film="saveFilm"
      />
      <SegmentedChoice
        v-model="view"
        class="max-[899px]:hidden"
        label="What is shown"
        :options="views"
      />
    </template>
    <template #paper>
      <ShowRoll
        v-if="show && open?.canPlay"
        :show="show"
        :results="results"
        :flashing="flashing"
        :progress="progress"
        :has-failed="sumsProblem !== undefined"
        :is-touched="isTouched"
      />
    </template>
    <template #default="{ shows }">
      <div
        v-if="shows(view)"
        class="flex min-h-0 flex-1 flex-col gap-3 max-[899px]:overflow-y-auto"
      >
        <p
          v-if="problem"
          class="rounded-lg border border-stop/70 bg-stop/10 px-4 py-2 text-[14px]"
          role="alert"
        >
          The show cannot be played: {{ problem }}
        </p>
        <JobProblem
          what="What the show takes could not be worked out"
          :problem="sumsProblem"
          @again="sums.again"
        />
        <p
          v-if="!open || !show"
          class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
          role="status"
        >
          Making the show ready …
        </p>
        <NothingYet v-else-if="store.measured.runs.length === 0" what="Nothing to play yet" />
        <template v-else>
          <div v-show="view !== 'board'" class="contents">
            <ShowStage
              ref="stage"
              v-model:eye="eye"
              :show="show"
              :player="player"
              :is-editing="view === 'edit'"
              :zone="zone"
              @zone="setZone"
              @shape="aspect = $event"
            >
              <TimeField
                v-if="isByClock"
                label="Time of day"
                layout="beside"
                :minute="minute"
                @set="setMinute"
              />
              <TickField
                v-if="open.canPlay"
                label="limit the current"
                title="The program dims a frame that would draw more of a supply than it may give"
                :is-on="show.isLimited ?? false"
                @set="setLimited"
              >
                limit the current
                <span v-if="frame && frame.limitedTo < 1" class="text-glow">
                  to {{ Math.floor(100 * frame.limitedTo) }} %
                </span>
              </TickField>
            </ShowStage>
          </div>
          <p
            v-if="!open.canPlay"
            class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[14px]"
          >
            Nothing in this plan can be played: its light is on whenever power is. Pixels can be,
            single lights on pins, and plain strip on a dimmer: choose one on the Measure page.
          </p>
          <template v-else-if="view === 'play'">
            <ShowTimeline
              :show="show"
              :player="player"
              :played="results?.played"
              :runs="runs"
              :waiting="waiting"
              :is-touched="isTouched"
              @play="play"
              @forget="forget"
              @edit="edit"
            >
              <template v-if="frame">
                {{ frame.scene }} · {{ fixed(amperes, 2) }} A<template
                  v-if="frame.lowestV !== undefined"
                >
                  · {{ fixed(frame.lowestV, 2) }} V at the lowest</template
                >
              </template>
            </ShowTimeline>
            <div class="h-[173px] shrink-0 rounded-lg bg-bench-raised">
              <AmpereChart v-if="results" :played="results.played" :ms="ms" @seek="player.seek" />
              <p v-else class="grid h-full place-items-center text-bench-soft" role="status">
                <template v-if="sumsProblem !== undefined">Amperes are not known.</template>
                <template v-else
                  >Amperes are worked out … {{ Math.round(100 * (progress ?? 0)) }} %</template
                >
              </p>
            </div>
          </template>
          <template v-else-if="view === 'edit'">
            <p class="-mt-1 flex items-center gap-3 text-[12.5px] text-bench-soft">
              <button
                class="button-quiet w-20 justify-center"
                :disabled="waiting !== undefined"
                @click="play"
              >
                {{ isPlaying ? 'Pause' : 'Play' }}
              </button>
              This scene alone<template v-if="waiting"> · {{ waiting }}</template>
              <span v-if="frame" class="ml-auto"> {{ fixed(amperes, 2) }} A </span>
            </p>
            <ShowEditor
              v-if="frame"
              v-model:scene="sceneId"
              v-model:layer="layerId"
              :show="show"
              :runs="runs"
              :lanes="lanes"
              :room="frame.shape.box"
              @put="put"
            />
          </template>
          <BoardView v-if="view === 'board'" :show="show" :results="results" />
        </template>
      </div>
      <FlashConsent
        v-if="asked"
        :flashing="asked.flashing"
        :is-live="asked.isLive"
        @close="consent.close"
        @agree="consent.agree"
      />
    </template>
  </PlanFrame>
</template>
