<script setup lang="ts">
import { ChevronFirst, ChevronLast, ChevronLeft, ChevronRight } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { byteOf } from '../../../core/glow/field'
import { full } from '../../../core/glow/fixed'
import type { LinkPlan } from '../../../core/glow/link/lanes'
import { leastMs, litBytes, type Colour, type Lit } from '../../../core/glow/link/protocol'
import { usePlanStore } from '../../stores/plan'
import SegmentedChoice from '../../ui/SegmentedChoice.vue'
import { useLinkTime, type BenchLink } from './bench-link'
import { linkAim } from './link-aim'
import LinkFinds from './LinkFinds.vue'
import LinkStrip from './LinkStrip.vue'
import { useLinkMarks } from './link-marks'
import NumberField from '../../ui/NumberField.vue'
import PickField from '../../ui/PickField.vue'

const { link, bench } = defineProps<{ link: LinkPlan; bench: BenchLink }>()

const store = usePlanStore()
const runs = computed(() =>
  link.lanes.flatMap((lane, at) => lane.runs.map((run) => ({ ...run, lane: at, on: lane }))),
)
const pickedRun = ref<string>()
const run = computed(() => runs.value.find(({ id }) => id === pickedRun.value) ?? runs.value[0])
const lane = computed(() => run.value?.on)
/** A pixel of the lane, from 0. */
const at = ref(0)
watch(
  () => run.value?.id,
  () => {
    const own = run.value
    if (own !== undefined && (at.value < own.from || at.value >= own.from + own.count))
      at.value = own.from
  },
  { immediate: true },
)

const modes = [
  { value: 'light', label: 'This pixel' },
  { value: 'first', label: 'Up to it' },
  { value: 'all', label: 'All' },
  { value: 'count', label: 'Count up' },
  { value: 'chase', label: 'Chase' },
] as const
const mode = ref<(typeof modes)[number]['value']>('light')
const levels = [
  { value: '0.05', label: '5 %' },
  { value: '0.2', label: '20 %' },
  { value: '1', label: '100 %' },
] as const
const level = ref<(typeof levels)[number]['value']>('0.2')
const colour = ref('white')
const colours = computed(() => {
  const own = lane.value
  if (own === undefined || own.bytes === 1) return [{ value: 'white', label: 'On' }]
  return [
    { value: 'white', label: 'White' },
    ...own.channelNames.map((label, index) => ({ value: String(index), label })),
  ]
})
/** Bytes of a colour at the chosen level, the plan's limit included. */
function bytesOf(name: string): Colour {
  const own = lane.value
  const byte = byteOf(Number(level.value) * full, Math.round(link.limit * 65_536))
  const ownWhite = own?.bytes === 4 ? own.channels.indexOf('W') : -1
  return Array.from({ length: own?.bytes ?? 0 }, (_, index) => {
    if (name !== 'white') return index === Number(name) ? byte : 0
    return ownWhite < 0 || ownWhite === index ? byte : 0
  })
}
/** So fast that a lane is through in a few seconds, and never so fast that it flashes. */
const stepMs = computed(() => Math.max(leastMs(lane.value ?? { count: 1 }), 60))

function wanted(): Lit | undefined {
  const own = run.value
  if (own === undefined) return undefined
  const common = { lane: own.lane, colour: bytesOf(colour.value) }
  switch (mode.value) {
    case 'light':
      return { word: 'light', at: at.value, ...common }
    case 'first':
      return { word: 'first', at: at.value + 1, ...common }
    case 'all':
      return { word: 'all', ...common }
    default:
      return { word: mode.value, ms: stepMs.value, ...common }
  }
}
async function send(): Promise<void> {
  const next = wanted()
  if (next !== undefined) await bench.light(next)
}
const isOpen = computed(() => bench.status.value === 'open')
const isOn = computed(() => isOpen.value && bench.lit.value.word !== 'off')
// What a step wants to be lit is taken over once its run is known.
watch(
  [linkAim, runs],
  ([aim]) => {
    if (aim === undefined) return
    const found = runs.value.find(
      ({ lane: own, from, count }) => own === aim.lane && aim.at >= from && aim.at < from + count,
    )
    if (found === undefined) return
    linkAim.value = undefined
    pickedRun.value = found.id
    at.value = aim.at
    mode.value = 'light'
    void send()
  },
  { immediate: true },
)
// Once something is lit, what is chosen follows at once.
watch([run, at, mode, level, colour], () => {
  if (isOn.value) void send()
})

function step(to: number): void {
  const own = run.value
  if (own === undefined) return
  at.value = Math.min(own.from + mostInRun.value - 1, Math.max(own.from, to))
  if (isOpen.value && !isOn.value) void send()
}
const isLastRun = computed(() => {
  const own = run.value
  return own?.on.count === (own?.from ?? 0) + (own?.count ?? 0)
})
const runOptions = computed(() =>
  runs.value.map(({ id, name, on }) => ({ value: id, label: `${name} · ${on.name}` })),
)
/** Pixels that can be lit in the run: behind the lane's last one there may be more than the plan says. */
const mostInRun = computed(
  () => (run.value?.count ?? 1) + (isLastRun.value ? (run.value?.on.spare ?? 0) : 0),
)
const inRun = computed(() => at.value - (run.value?.from ?? 0) + 1)
const piece = computed(
  () =>
    run.value?.pieces.find(({ from, count }) => at.value >= from && at.value < from + count)?.name,
)
const isBeyond = computed(() => run.value !== undefined && inRun.value > run.value.count)

const marks = useLinkMarks(() => store.id ?? '')
const marked = computed(() => new Set(marks.of(run.value?.id ?? '').dark))

const now = useLinkTime(
  () => isOpen.value && (bench.lit.value.word === 'count' || bench.lit.value.word === 'chase'),
)
/** The time that is shown, ms: what was just lit is not older than that. */
const shownMs = computed(() => Math.max(now.value, bench.litSince.value))
const sent = computed(() => {
  const own = run.value
  if (own === undefined || !isOpen.value) return new Uint8Array()
  return litBytes(bench.lit.value, own.lane, own.on, shownMs.value - bench.litSince.value)
})
const shownBytes = computed(() => {
  const own = run.value
  return own && bench.strip.value?.board.seen(own.lane, shownMs.value)
})
/** As many pixels as the simulated strip has there, or as the plan says. */
const stripCount = computed(() => {
  const own = run.value
  if (own === undefined) return 0
  if (!isLastRun.value || shownBytes.value === undefined) return own.count
  return Math.max(0, shownBytes.value.length / own.on.bytes - own.from)
})
/** So many are drawn at a time, around the chosen one. */
const mostShown = 600
const shownFrom = computed(() => {
  const first = run.value?.from ?? 0
  const last = first + stripCount.value
  return Math.max(first, Math.min(at.value - mostShown / 2, last - mostShown))
})
const shownCount = computed(() => Math.min(mostShown, stripCount.value))
</script>

<template>
  <div v-if="run && lane" class="grid gap-3 xl:grid-cols-[minmax(0,1fr)_24rem]">
    <section
      class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      aria-label="Light it"
    >
      <div class="flex flex-wrap items-end gap-x-4 gap-y-2">
        <PickField
          class="min-w-[10rem] flex-1 text-[13px] text-bench-soft"
          label="Run"
          width="w-full"
          data-testid="link-run"
          :options="runOptions"
          :value="run.id"
          @pick="pickedRun = $event"
        />
        <SegmentedChoice v-model="colour" label="Colour" :options="colours" />
        <SegmentedChoice v-model="level" label="Level" :options="levels" />
      </div>
      <div class="mt-3 flex flex-wrap items-center gap-2">
        <button class="button-quiet h-11" aria-label="First pixel" @click="step(run.from)">
          <ChevronFirst :size="18" />
        </button>
        <button class="button-quiet h-11" aria-label="One back" @click="step(at - 1)">
          <ChevronLeft :size="18" />
        </button>
        <NumberField
          label="Pixel"
          layout="unseen"
          width="h-11 w-20 text-center font-mono text-[18px]"
          :value="inRun"
          :least="1"
          :most="mostInRun"
          is-whole
          @set="step(run.from + $event - 1)"
        />
        <button class="button-quiet h-11" aria-label="One on" @click="step(at + 1)">
          <ChevronRight :size="18" />
        </button>
        <button
          class="button-quiet h-11"
          aria-label="Last pixel"
          @click="step(run.from + run.count - 1)"
        >
          <ChevronLast :size="18" />
        </button>
        <p class="text-[14px]" data-testid="link-place">
          <template v-if="isBeyond">
            {{ inRun - run.count }} beyond the plan’s {{ run.count }}
          </template>
          <template v-else>
            of {{ run.count }}<template v-if="piece"> · piece {{ piece }}</template>
          </template>
          <span class="text-bench-soft"> · number {{ at }} in the program</span>
        </p>
      </div>
      <div
        v-if="run.pieces.length > 1"
        class="mt-2 flex flex-wrap items-center gap-1.5 text-[13px] text-bench-soft"
      >
        Last of
        <button
          v-for="one in run.pieces"
          :key="one.name"
          class="button-quiet slim"
          @click="step(one.from + one.count - 1)"
        >
          {{ one.name }}
        </button>
      </div>
      <div class="mt-3 flex flex-wrap items-center gap-2">
        <SegmentedChoice v-model="mode" label="What is lit" :options="modes" />
        <button class="button-main" :disabled="!isOpen" @click="send">Light it</button>
      </div>
      <p class="mt-3 text-[13px] text-bench-soft">
        {{
          shownBytes ? 'What the simulated strip shows' : 'What should be lit, in the data’s order'
        }}<template v-if="stripCount > mostShown">
          · {{ mostShown }} of {{ stripCount }}, around the chosen one</template
        >
      </p>
      <LinkStrip
        class="night mt-1.5 rounded-md"
        data-testid="link-strip"
        :bytes="shownBytes ?? sent"
        :channels="lane.channels"
        :from="shownFrom"
        :count="shownCount"
        :marked="marked"
        :chosen="at"
        :label="`Pixels of ${run.name}: number ${inRun} is chosen`"
        @pick="step"
      />
    </section>
    <LinkFinds
      :key="run.id"
      :run="run"
      :lane="lane"
      :bench="bench"
      :at="at"
      :marks="marks"
      :is-last-run="isLastRun"
      :colour-bytes="bytesOf"
    />
  </div>
</template>
