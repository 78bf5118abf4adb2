<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { proxy } from 'comlink'
import {
  computed,
  defineAsyncComponent,
  nextTick,
  ref,
  shallowRef,
  useTemplateRef,
  watch,
} from 'vue'
import { goesByClock, minuteOf, timeOfDay } from '../../core/glow/by-clock'
import { sceneAlone, type InputEvent } from '../../core/glow/play'
import type { Box } from '../../core/measure/geometry'
import { usualShow } from '../../core/glow/usual-show'
import { emptyPlan } from '../../core/plan/empty'
import type { Show } from '../../core/plan/plan'
import type { EarlyShow } from '../engine/jobs.worker'
import { useJob } from '../engine/use-job'
import PlanFrame from '../shell/PlanFrame.vue'
import { useAddress } from '../shell/address'
import { saveBlob } from '../shell/save-text'
import { useSheetView } from '../shell/use-sheet-view'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import ActionMenu from '../ui/ActionMenu.vue'
import RenameField from '../ui/RenameField.vue'
import { useHeardPlan } from '../stores/use-heard-plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import DuskStage from './DuskStage.vue'
import EyeRow from './EyeRow.vue'
import TapeStage from './TapeStage.vue'
import { freeId, runNames, showIn } from './layer-words'
import ShowRoll from './ShowRoll.vue'
import ShowTimeline from './ShowTimeline.vue'
import { openIn, withLayer, withScene } from './show-edit'
import { useFilm } from './use-film'
import { useFlashConsent } from './use-flash-consent'
import { framesPerSecond, usualEye, useShow } from './use-show'
import { fixed } from '../../core/quantity/format'

const AmpereChart = defineAsyncComponent(() => import('./AmpereChart.vue'))
const ShowEditor = defineAsyncComponent(() => import('./ShowEditor.vue'))
const BoardView = defineAsyncComponent(() => import('./BoardView.vue'))
const FlashConsent = defineAsyncComponent(() => import('./FlashConsent.vue'))

const store = usePlanStore()
const notices = useNotices()

const views = [
  { value: 'play', label: 'Play' },
  { value: 'edit', label: 'Scenes' },
  { value: 'board', label: 'Board' },
] as const
type View = (typeof views)[number]['value']
const { sheet, view } = useSheetView<View>(views, 'play')

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

const shownId = useAddress<string | undefined>('show', undefined)
const show = computed<Show | undefined>(() =>
  store.plan === undefined ? undefined : (showIn(store.plan.shows, shownId.value) ?? usualShow),
)
const isOwn = computed(() => (store.plan?.shows.length ?? 0) > 0)
const runs = computed(() =>
  runNames(store.measured.runs.map(({ line, name }) => ({ id: line.id, name }))),
)

/** What is open in the editor. */
const sceneId = useAddress<string | undefined>('scene', undefined)
const layerId = ref<string>()

const stages = [
  { value: 'room', label: 'Room' },
  { value: 'tapes', label: 'Tapes' },
  { value: 'grid', label: 'Grid' },
] as const
const stageView = ref<(typeof stages)[number]['value']>('room')
const [daylight, stops, kelvin] = [
  ref(0),
  ref<number>(usualEye.stops),
  ref<number>(usualEye.kelvin),
]
const areLightsOff = ref(false)
/** Of the picture: its width by its height. */
const aspect = ref(2)
/** While a scene is edited it plays alone. */
const staged = computed<Show | undefined>(() => {
  const { value } = show
  const { scene } = openIn(value, sceneId.value, layerId.value)
  if (view.value !== 'edit' || value === undefined || scene === undefined) return value
  return sceneAlone(value, scene)
})
const player = useShow(
  () => playedPlan.value,
  () => staged.value,
  () => ({ stops: stops.value, kelvin: kelvin.value }),
  aspect,
)
const { open, frame, problem, isPlaying, ms, values, events } = player

/** Evening, when most shows have begun. */
const usualMinute = 20 * 60
/** The minute of the day of a show that goes by the clock. */
const minute = ref(usualMinute)
const isByClock = computed(() => show.value !== undefined && goesByClock(show.value))
const clockInput = computed(() => store.plan?.signal.inputs.length ?? 0)
const setOut = (): readonly InputEvent[] =>
  isByClock.value ? [[0, clockInput.value, minute.value]] : []
watch(
  [isByClock, clockInput, shownId],
  () => {
    player.forget(setOut())
  },
  { immediate: true },
)
const isTouched = computed(() => events.value.length > setOut().length)
function setTime(event: Event): void {
  const next = event.target instanceof HTMLInputElement ? minuteOf(event.target.value) : undefined
  if (next === undefined) return
  minute.value = next
  player.touch(clockInput.value, next)
}
function setLimited(event: Event): void {
  if (!(event.target instanceof HTMLInputElement) || show.value === undefined) return
  put({ ...show.value, isLimited: event.target.checked }, 'hold supplies to their limits')
}

const early = shallowRef<EarlyShow>()
const flashing = computed(() => early.value?.flashing)
const job = useJob(
  () => playedPlan.value ?? emptyPlan('', 'line'),
  (service, plan, tell, current: Show) =>
    service.show(
      plan,
      current,
      { framesPerSecond, events: [...events.value] },
      tell,
      proxy((known: EarlyShow) => {
        early.value = known
      }),
    ),
)
const { result: verdicts, progress } = job
/** What the show comes to; remedies come last, once they have been tried. */
const told = computed(() => {
  const known = early.value?.told
  return progress.value === undefined && known !== undefined && verdicts.value !== undefined
    ? { ...known, verdicts: verdicts.value }
    : known
})
// Touches are played through once the hand has left them for a moment.
let later: ReturnType<typeof setTimeout> | undefined
watch(
  [playedPlan, show, events],
  ([plan, current], [planBefore, before]) => {
    if (plan === undefined || current === undefined) return
    if (current !== before) early.value = undefined
    else if (plan !== planBefore && early.value !== undefined)
      early.value = { flashing: early.value.flashing }
    clearTimeout(later)
    later = setTimeout(() => {
      job.start(current)
    }, 400)
  },
  { immediate: true },
)

const waiting = computed(() => {
  if (open.value?.canPlay === false) return 'nothing to play'
  return flashing.value === undefined ? 'looking for flashes …' : undefined
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

function edit(scene: string, layer: string): void {
  sceneId.value = scene
  layerId.value = layer
  view.value = 'edit'
}
/** Lanes by their ids. */
const lanes = computed(
  () => new Map((store.tally?.signal.lanes ?? []).map(({ id, name }) => [id, name] as const)),
)
/** What is open in the editor. */
const edited = computed(() => openIn(show.value, sceneId.value, layerId.value))
const zone = computed(() => {
  const on = view.value === 'edit' ? edited.value.layer?.on : undefined
  return on !== undefined && on !== 'all' && 'zone' in on ? on.zone : undefined
})
function setZone(next: Box): void {
  const { scene, layer } = edited.value
  if (show.value === undefined || scene === undefined || layer === undefined) return
  const placed = withLayer(scene, { ...layer, on: { zone: next } })
  put(withScene(show.value, placed), 'where it plays')
}
function put(next: Show, label: string): void {
  store.commit([{ do: 'put-show', show: next }], { label })
  shownId.value = next.id
}
function addShow(): void {
  const shows = store.plan?.shows ?? []
  const id = freeId('show', shows)
  put({ ...usualShow, id, name: `Show ${String(shows.length + 1)}` }, 'a new show')
  view.value = 'edit'
}
function copyShow(): void {
  if (show.value === undefined) return
  const id = freeId('show', store.plan?.shows ?? [])
  put({ ...show.value, id, name: `${show.value.name} copy` }, 'copy the show')
}
function removeShow(): void {
  const { value } = show
  if (value === undefined) return
  store.commit([{ do: 'remove-show', show: value.id }], { label: `remove ${value.name}` })
  notices.done(`Removed: ${value.name}.`, store.undo)
}
const isRenaming = ref(false)
function rename(name?: string): void {
  isRenaming.value = false
  if (name !== undefined && show.value !== undefined)
    put({ ...show.value, name }, 'rename the show')
}
const stage = useTemplateRef<{ picture: () => HTMLCanvasElement | null }>('stage')
function savePicture(): void {
  stage.value?.picture()?.toBlob((blob) => {
    if (blob !== null) saveBlob(`${store.plan?.name ?? 'plan'} at dusk.png`, blob)
  })
}
const filming = useFilm(player, {
  picture: () => stage.value?.picture() ?? undefined,
  failed: (text) => {
    notices.show({ kind: 'problem', text })
  },
})
const { filmed } = filming
async function saveFilm(): Promise<void> {
  if (!consent.mayPlay()) return
  stageView.value = 'room'
  view.value = 'play'
  await nextTick()
  const blob = await filming.make()
  if (blob !== undefined) saveBlob(`${show.value?.name ?? 'show'}.gif`, blob)
}
const actions = computed(() => [
  { label: 'New show', run: addShow },
  { label: 'Copy this show', run: copyShow },
  ...(isOwn.value
    ? [
        { label: 'Rename it', run: () => (isRenaming.value = true) },
        { label: 'Remove it', run: removeShow },
      ]
    : []),
  { label: 'Save the picture', run: savePicture },
  { label: 'Save a moving picture', run: () => void saveFilm() },
])
const hasSensors = computed(() => (store.plan?.signal.inputs.length ?? 0) > 0)

/** Of all supplies in the frame that is shown, A. */
const amperes = computed(() => frame.value?.supplyA.reduce((sum, one) => sum + one, 0) ?? 0)

/** Space plays and pauses, wherever no field or button has it. */
useEventListener('keydown', (event) => {
  if (event.key !== ' ' || event.target !== document.body) return
  event.preventDefault()
  if (waiting.value === undefined) play()
})
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
      <RenameField v-if="isRenaming && show" :name="show.name" @end="rename" />
      <label v-else-if="store.plan && store.plan.shows.length > 1" class="text-[13px]">
        <span class="sr-only">Show</span>
        <select
          class="field w-auto max-w-52 py-1"
          :value="show?.id"
          @change="shownId = ($event.target as HTMLSelectElement).value"
        >
          <option v-for="one in store.plan.shows" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </select>
      </label>
      <ActionMenu :actions="actions">Show</ActionMenu>
      <SegmentedChoice
        v-model="view"
        class="max-[899px]:hidden"
        label="What is shown"
        :options="views"
      />
    </template>
    <template #paper="{ plan }">
      <ShowRoll
        v-if="show && open?.canPlay"
        :plan="plan"
        :show="show"
        :told="told"
        :flashing="flashing"
        :progress="progress"
        :is-touched="isTouched"
      />
    </template>
    <template #default="{ plan, shows }">
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
        <p
          v-if="!open"
          class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
          role="status"
        >
          Making the show ready …
        </p>
        <template v-else>
          <div
            v-show="view !== 'board'"
            class="relative flex min-h-0 flex-col max-[899px]:gap-2"
            :class="
              view === 'edit'
                ? 'h-[30%] shrink-0 max-[899px]:h-auto'
                : 'flex-1 max-[899px]:flex-none'
            "
          >
            <SegmentedChoice
              v-if="view === 'play'"
              v-model="stageView"
              class="self-start min-[900px]:absolute min-[900px]:top-2 min-[900px]:left-2 min-[900px]:z-10"
              label="Shown as"
              :options="stages"
            />
            <p
              v-if="filmed !== undefined"
              class="night flex items-center gap-3 rounded-lg bg-bench-raised px-3 py-1 text-[13px] text-bench-ink min-[900px]:absolute min-[900px]:top-2 min-[900px]:right-2 min-[900px]:z-10"
              role="status"
            >
              Moving picture … {{ Math.round(100 * filmed) }} %
              <button class="button-quiet" @click="filming.cancel">Cancel</button>
            </p>
            <TapeStage
              v-if="view === 'play' && stageView !== 'room'"
              class="min-h-0 flex-1"
              :plan="plan"
              :values="values"
              :frame="frame"
              :as="stageView"
              @touch="player.touch"
            />
            <DuskStage
              v-show="view === 'edit' || stageView === 'room'"
              ref="stage"
              class="relative min-h-0 flex-1 max-[899px]:h-auto"
              :plan="plan"
              :frame="frame"
              :daylight="daylight"
              :values="values"
              :are-lights-off="areLightsOff"
              :zone="zone"
              @zone="setZone"
              @touch="player.touch"
              @shape="aspect = $event"
            />
          </div>
          <p
            v-if="view === 'edit' && open.canPlay"
            class="-mt-1 flex items-center gap-3 text-[12.5px] text-bench-soft"
          >
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
          <EyeRow
            v-show="view === 'play'"
            v-model:daylight="daylight"
            v-model:stops="stops"
            v-model:kelvin="kelvin"
            v-model:are-lights-off="areLightsOff"
            :is-room="stageView === 'room'"
          >
            <label v-if="isByClock" class="flex items-center gap-1.5">
              Time of day
              <input
                v-shown="timeOfDay(minute)"
                type="time"
                class="field w-auto py-0.5"
                @change="setTime"
              />
            </label>
            <label
              v-if="open.canPlay"
              class="flex items-center gap-1.5"
              title="The program dims a frame that would draw more of a supply than it may give"
            >
              <input
                type="checkbox"
                class="accent-glow"
                :checked="show?.isLimited ?? false"
                @change="setLimited"
              />
              limit the current
              <span v-if="frame && frame.limitedTo < 1" class="text-glow">
                to {{ Math.floor(100 * frame.limitedTo) }} %
              </span>
            </label>
          </EyeRow>
          <p
            v-if="!open.canPlay"
            class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[14px]"
          >
            Nothing in this plan can be played: its light is on whenever power is. Pixels can be,
            single lights on pins, and plain strip on a dimmer: choose one on the Measure page.
          </p>
          <ShowTimeline
            v-else-if="show && view === 'play'"
            :show="show"
            :player="player"
            :played="told?.played"
            :runs="runs"
            :waiting="waiting"
            :is-touched="isTouched"
            @play="play"
            @forget="player.forget(setOut())"
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
          <AmpereChart
            v-if="told && view === 'play' && open.canPlay"
            :played="told.played"
            :ms="ms"
            @seek="player.seek"
          />
          <div
            v-else-if="view === 'play' && open.canPlay"
            class="grid h-[158px] shrink-0 place-items-center rounded-lg bg-bench-raised text-bench-soft"
            role="status"
          >
            Amperes are worked out … {{ Math.round(100 * (progress ?? 0)) }} %
          </div>
          <ShowEditor
            v-if="show && view === 'edit' && frame"
            v-model:scene="sceneId"
            v-model:layer="layerId"
            :plan="plan"
            :show="show"
            :runs="runs"
            :lanes="lanes"
            :room="frame.shape.box"
            @put="put"
          />
          <BoardView v-if="show && view === 'board'" :plan="plan" :show="show" :told="told" />
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
