<script setup lang="ts">
import { GripVertical, Plus, X } from '@lucide/vue'
import { storeToRefs } from 'pinia'
import { nanoid } from 'nanoid'
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { stripOf } from '../../core/parts/find-strips'
import type { Line, PlanLane } from '../../core/plan/plan'
import { fixed, formatLength, formatQuantity } from '../../core/quantity/format'
import { splitLanes } from '../../core/lanes/lanes'
import type { TallyLane, TallySignal } from '../../core/signal/tally-signal'
import type { LineSettings } from '../../core/plan/commands'
import { fieldText } from '../ui/field-text'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import { useTapes } from '../tape/use-tapes'
import { asPlanned, moveRun, stepRun, withLane, withoutLane } from './lanes-edit'
import LaneTape from './LaneTape.vue'
import LaneRunEditor from './LaneRunEditor.vue'
import PinSelect from './PinSelect.vue'

const { signal } = defineProps<{ signal: TallySignal }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()
const { parts } = storeToRefs(store)

const area = useTemplateRef<HTMLElement>('area')
const { runs, nameWidth, tapeWidth, scale } = useTapes(area, 66, 204)
/** Each lane's runs with their tapes and their lines of the pad. */
const rows = computed(() => {
  const tapes = new Map(runs.value.map((run) => [run.id, run]))
  const lines = new Map(plan.value.lines.map((line) => [line.id, line]))
  return signal.lanes.map((lane) => ({
    lane,
    runs: lane.runs.flatMap((run) => {
      const [tape, line] = [tapes.get(run.id), lines.get(run.id)]
      return tape === undefined || line === undefined
        ? []
        : [{ run, tape, line, strip: stripOf(parts.value, tape.stripId) }]
    }),
  }))
})
const open = shallowRef<string>()

const lanes = computed(() => asPlanned(signal.lanes, plan.value.signal.lanes))
const commitLanes = (next: readonly PlanLane[], label: string): void => {
  store.commit([{ do: 'set-signal', signal: { lanes: [...next] } }], { label })
}
function set(line: string, settings: LineSettings, label: string): void {
  store.commit([{ do: 'set-lines', lines: [line], set: settings }], { label })
}

/** A run was dropped: where it stands now in the list is where it is to be. */
function dropped(
  lane: TallyLane,
  event: { newIndex?: number | undefined; item: HTMLElement },
): void {
  const run = event.item.dataset.laneRun
  if (run !== undefined)
    commitLanes(moveRun(lanes.value, run, lane.id, event.newIndex ?? 0), 'order of the data')
}
/** A grip that is moved by keys keeps the focus when its row has come to its new place. */
let moved: string | undefined
watch(
  () => signal,
  async () => {
    const run = moved
    if (run === undefined) return
    await nextTick()
    moved = undefined
    area.value?.querySelector<HTMLElement>(`[data-grip="${run}"]`)?.focus()
  },
)
function step(run: string, by: 1 | -1): void {
  moved = run
  commitLanes(stepRun(lanes.value, run, by), 'order of the data')
}
function keyOn(event: KeyboardEvent, run: string): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  event.stopPropagation()
  step(run, by as 1 | -1)
}
function rename(lane: TallyLane, event: Event): void {
  const name = fieldText(event).trim()
  if (name !== '')
    commitLanes(
      lanes.value.map((one) => (one.id === lane.id ? { ...one, name: name.slice(0, 40) } : one)),
      'name of a lane',
    )
}
/** As evenly as whole runs allow. */
function even(): void {
  const lines = splitLanes(
    signal.lanes.map((lane) => ({
      ...lane,
      runs: lane.runs.map((run) => ({ ...run, entry: { run } })),
    })),
    signal.lanes.length,
  )
  commitLanes(
    lanes.value.map((lane, index) => ({ ...lane, lines: lines[index]?.lines ?? [] })),
    'lanes as even as can be',
  )
}
const pinUses = (lane: TallyLane) =>
  signal.pins.filter(({ need: { of } }) => of.kind === 'lane' && of.lane === lane.id)
const turned = ({ isTurned }: Line): true | undefined => (isTurned === true ? undefined : true)
const offsetText = (lane: TallyLane, index: number): string => {
  const run = lane.runs[index]
  if (run === undefined) return ''
  return `${formatLength(run.leadMm, plan.value.units)} of data wire from ${index === 0 ? 'the board' : (lane.runs[index - 1]?.name ?? '')}`
}
</script>

<template>
  <div ref="area" class="rounded-lg bg-bench-raised px-4 py-2" role="group" aria-label="Lanes">
    <p v-if="signal.lanes.length === 0" class="py-6 text-center text-bench-soft">
      No pixels, so no data. Plain strips can be dimmed: see Pins.
    </p>
    <section
      v-for="{ lane, runs: own } in rows"
      :key="lane.id"
      class="mb-1 border-b border-bench-line pb-1 last:border-0"
      :aria-label="lane.name"
      :data-lane="lane.id"
    >
      <div class="flex flex-wrap items-center gap-x-3 gap-y-1 pt-1 text-[12.5px] text-bench-soft">
        <input
          v-shown="lane.name"
          class="w-32 rounded bg-transparent px-1 py-0.5 text-[14px] font-semibold text-bench-ink hover:bg-bench-high focus:bg-bench-high"
          maxlength="40"
          :aria-label="`Name of ${lane.name}`"
          @change="rename(lane, $event)"
        />
        <label v-for="use in pinUses(lane)" :key="use.need.id" class="flex items-center gap-1">
          {{ use.need.line === 'clock' ? 'clock' : 'pin' }}
          <PinSelect :use="use" :board="signal.board" />
        </label>
        <span>{{ formatQuantity(lane.pixels, 'px') }}</span>
        <span
          >{{ formatQuantity(lane.frameMs, 'ms') }} a frame,
          {{ Math.floor(lane.framesPerSecond) }}/s</span
        >
        <span
          v-if="lane.level"
          :class="{
            'text-stop': lane.level.grade === 'fail',
            'text-warning': lane.level.grade === 'marginal',
            'text-ok': lane.level.grade === 'good',
          }"
        >
          level {{ lane.level.marginV < 0 ? '−' : '+'
          }}{{ fixed(Math.abs(lane.level.marginV), 2) }} V
        </span>
        <button
          v-if="signal.lanes.length > 1"
          class="ml-auto rounded p-1 hover:bg-bench-high"
          :aria-label="`Take ${lane.name} away; its runs go to the lane beside it`"
          @click="commitLanes(withoutLane(lanes, lane.id), `without ${lane.name}`)"
        >
          <X :size="14" />
        </button>
      </div>
      <VueDraggable
        :model-value="lane.runs.map(({ id }) => id)"
        group="lanes"
        handle="[data-grip]"
        :animation="120"
        :force-fallback="true"
        class="min-h-6"
        @add="(event) => dropped(lane, event)"
        @update="(event) => dropped(lane, event)"
      >
        <div
          v-for="({ run, tape, line, strip }, index) in own"
          :key="run.id"
          class="flex flex-wrap items-start gap-x-2 [contain-intrinsic-size:auto_50px] [content-visibility:auto]"
          :data-lane-run="run.id"
          @pointerenter="spotlight.light([run.id])"
          @pointerleave="spotlight.dim"
        >
          <div
            class="flex items-start gap-1 pt-[9px] leading-tight"
            :style="{ width: nameWidth === 0 ? '100%' : `${nameWidth}px` }"
          >
            <button
              class="to-press mt-0.5 cursor-grab rounded p-0.5 text-bench-soft hover:bg-bench-high hover:text-bench-ink"
              :data-grip="run.id"
              :aria-label="`Move ${run.name}: arrow up or down`"
              title="Drag, or press arrow up and down"
              @keydown="keyOn($event, run.id)"
            >
              <GripVertical :size="14" />
            </button>
            <div class="min-w-0">
              <p
                class="truncate font-semibold"
                :class="spotlight.lit.has(run.id) && 'text-glow'"
                :title="offsetText(lane, index)"
              >
                {{ run.name }}
              </p>
              <p class="flex gap-2 text-[12px] whitespace-nowrap text-bench-soft">
                <button
                  class="link-quiet"
                  :aria-label="`Turn ${run.name} round`"
                  @click="set(run.id, { isTurned: turned(line) }, `turn ${run.name} round`)"
                >
                  turn
                </button>
                <button
                  class="link-quiet"
                  :aria-expanded="open === run.id"
                  :aria-label="`Skip pixels of ${run.name}, or put a plug in its data wire`"
                  @click="open = open === run.id ? undefined : run.id"
                >
                  skip, plug<template v-if="run.extra > 0 || run.dark.length > 0">
                    {{
                      run.extra + run.dark.reduce((sum, [from, to]) => sum + to - from, 0)
                    }}</template
                  >
                </button>
                <button
                  class="link-quiet prints"
                  :class="run.isAgainstArrow && 'text-stop'"
                  :aria-pressed="run.isAgainstArrow"
                  :aria-label="`The data wire of ${run.name} is at its far end`"
                  @click="
                    set(
                      run.id,
                      { isDataAtEnd: run.isAgainstArrow ? undefined : true },
                      `data wire of ${run.name}`,
                    )
                  "
                >
                  {{ run.isAgainstArrow ? 'wire at end' : 'wire at start' }}
                </button>
              </p>
            </div>
          </div>
          <div class="pl-4">
            <LaneTape
              :run="tape"
              :lane="run"
              :strip="strip"
              :scale="scale"
              :width="tapeWidth"
              :is-lit="spotlight.lit.has(run.id)"
            />
          </div>
          <LaneRunEditor
            v-if="open === run.id"
            :line="line"
            :lane="run"
            @set="(skip) => set(run.id, { skip }, `pixels to skip in ${run.name}`)"
            @apart="(dataApart) => set(run.id, { dataApart }, `data wire of ${run.name}`)"
            @close="open = undefined"
          />
        </div>
      </VueDraggable>
    </section>
    <p
      v-if="signal.lanes.length > 0"
      class="flex flex-wrap items-center gap-3 py-1.5 text-[12.5px]"
    >
      <button
        class="button-quiet"
        @click="commitLanes(withLane(lanes, `lane-${nanoid(6)}`), 'one more lane')"
      >
        <Plus :size="14" /> Lane
      </button>
      <button v-if="signal.lanes.length > 1" class="link-quiet" @click="even">
        share the runs out evenly
      </button>
      <span class="text-bench-soft">Drag a run by its grip to another place or lane.</span>
    </p>
  </div>
</template>
