<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { lookedAgain } from '../../core/mend/diagnose'
import { paintedOver } from '../../core/mend/painting'
import type { LightState, When } from '../../core/mend/fault'
import type { Outcome, Test } from '../../core/mend/next-test'
import { readingAt, type Seen } from '../../core/mend/seen'
import { symptoms, type SymptomName } from '../../core/mend/symptoms'
import { formatQuantity } from '../../core/quantity/format'
import type { ShownFault } from '../engine/mend.worker'
import BrushBar from './BrushBar.vue'
import { saidWords } from './looks'
import MendCard from './MendCard.vue'
import PaintTape from './PaintTape.vue'
import PickField from '../ui/PickField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import SuspectList from './SuspectList.vue'
import TestCard from './TestCard.vue'
import type { MendCase } from './mend-case'
import type { MendState } from './use-mend'
import type { Option } from '../ui/option'
import { useOpenPlan } from '../stores/use-open-plan'

const { mend } = defineProps<{ mend: MendState }>()
const emit = defineEmits<{
  mended: [fault: ShownFault, did: string, minutes: number]
}>()

const plan = useOpenPlan()

const MendMeter = defineAsyncComponent(() => import('./MendMeter.vue'))
const MendRoom = defineAsyncComponent(() => import('./MendRoom.vue'))

const { open, ranking, trouble, isRanking, isEmpty, change, forget } = mend
const brush = ref<LightState | 'wipe'>('dark')
const when = ref<When>('always')
const chosenId = ref<string>()
const isMending = ref(false)
const areWordsOpen = ref(false)
const wordsText = computed(() => saidWords(trouble.value.seen).join(', '))

const area = useTemplateRef<HTMLElement>('area')
const { width } = useElementSize(area)
/** In a narrow window the name stands above its tape. */
const nameWidth = computed(() => (width.value < 640 ? 0 : 120))
const buttonWidth = computed(() => (width.value < 640 ? 0 : 92))
const room = computed(() => Math.max(160, width.value - nameWidth.value - buttonWidth.value - 34))
const longest = computed(() => Math.max(1, ...(open.value?.runs ?? []).map(({ count }) => count)))
/** All to one scale, but none so short that it cannot be painted. */
const widthOf = (count: number): number =>
  nameWidth.value === 0
    ? room.value
    : Math.max(Math.min(room.value, 120), (room.value * count) / longest.value)

const places = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'room', label: 'Room' },
  { value: 'meter', label: 'Meter' },
] as const
/** Where it is looked at: painted on tapes, played in the room, or measured. */
const place = ref<(typeof places)[number]['value']>('tapes')
const suspect = computed(() => ranking.value?.suspects.find(({ id }) => id === chosenId.value))
/** A second suspect at the same time. */
const secondId = ref<string>()
const second = computed(() => ranking.value?.suspects.find(({ id }) => id === secondId.value))
const faults = computed((): readonly string[] =>
  [suspect.value, second.value].flatMap((one) => one?.id ?? []),
)
/** What two look like at the same time, once it is worked out. */
const both = shallowRef<Awaited<ReturnType<typeof mend.together>>>()
const look = computed(() => (faults.value.length < 2 ? suspect.value?.look : both.value))
watch(chosenId, () => {
  secondId.value = undefined
})
watch(faults, async (ids) => {
  both.value = undefined
  if (ids.length < 2) return
  const known = await mend.together(ids)
  if (ids === faults.value) both.value = known
})
const others = computed((): Option<string | undefined>[] => [
  { value: undefined, label: 'nothing else' },
  ...(ranking.value?.suspects ?? [])
    .filter(({ id }) => id !== chosenId.value)
    .map(({ id, title, where }) => ({ value: id, label: `${title}, ${where}` })),
])
watch(ranking, (next) => {
  if (next?.suspects.some(({ id }) => id === chosenId.value) === false) {
    chosenId.value = undefined
    isMending.value = false
  }
})
/** Sure enough to begin mending: then it is said so. */
const sureEnough = 0.8
const sure = computed(() =>
  isEmpty.value
    ? undefined
    : ranking.value?.suspects.find(({ probability }) => probability >= sureEnough),
)

const seenWith = (next: Partial<Seen>): Seen => ({ ...trouble.value.seen, ...next })
function paint(run: string, from: number, count: number): void {
  const { runs } = trouble.value.seen
  const painted = paintedOver(
    runs[run] ?? [],
    from,
    count,
    brush.value === 'wipe' ? undefined : brush.value,
    brush.value === 'wipe' || brush.value === 'right' ? undefined : when.value,
  )
  const others = Object.fromEntries(Object.entries(runs).filter(([id]) => id !== run))
  change({
    seen: seenWith({ runs: painted.length === 0 ? others : { ...others, [run]: painted } }),
  })
}
function paintRest(): void {
  const runs = Object.fromEntries(
    (open.value?.runs ?? []).map(({ id, count }) => {
      const own = trouble.value.seen.runs[id] ?? []
      const free = paintedOver([], 0, count, 'right')
      return [
        id,
        own.reduce(
          (all, [from, length, state, at]) => paintedOver(all, from, length, state, at),
          free,
        ),
      ]
    }),
  )
  change({ seen: seenWith({ runs }) })
}
function toggleWord(name: SymptomName): void {
  const { words } = trouble.value.seen
  change({
    seen: seenWith({
      words: words.includes(name) ? words.filter((one) => one !== name) : [...words, name],
    }),
  })
}

const note = ({ title }: Test, outcome: string): Pick<MendCase, 'done'> => ({
  done: [
    ...trouble.value.done,
    {
      test: title,
      outcome,
      before: trouble.value.seen,
      skippedBefore: trouble.value.skipped,
    },
  ],
})
function read(test: Test, value: number): void {
  const { point } = test
  if (point === undefined) return
  const reading = readingAt(point, value)
  change({
    ...note(test, formatQuantity(value, point.what === 'volts' ? 'V' : 'A')),
    seen: seenWith({ readings: [...trouble.value.seen.readings, reading] }),
  })
}
function say(test: Test, { id, text }: Pick<Outcome, 'id' | 'text'>): void {
  change({
    ...note(test, text),
    seen: seenWith({ tests: [...trouble.value.seen.tests, { test: test.id, outcome: id }] }),
  })
}
function looked(test: Test): void {
  const { seen } = trouble.value
  const { run } = test
  if (run === undefined) return
  change({
    ...note(test, 'painted'),
    seen: seenWith({
      again: test.isAgain === true ? { ...seen.again, [run]: seen.runs[run] ?? [] } : seen.again,
      tests: [...seen.tests, { test: test.id, outcome: lookedAgain }],
    }),
  })
}
function skip({ id }: Test): void {
  change({ skipped: [...trouble.value.skipped, id] })
}
function back(index: number): void {
  const one = trouble.value.done[index]
  if (one !== undefined)
    change({
      seen: one.before,
      skipped: one.skippedBefore,
      done: trouble.value.done.slice(0, index),
    })
}
function clear(ids: readonly string[]): void {
  isMending.value = false
  chosenId.value = undefined
  change({ seen: seenWith({ cleared: [...trouble.value.seen.cleared, ...ids] }) })
}
function mended(fault: ShownFault, did: string, minutes: number): void {
  isMending.value = false
  chosenId.value = undefined
  emit('mended', fault, did, minutes)
}
function startMending(id: string): void {
  chosenId.value = id
  isMending.value = true
}
const minutesSoFar = computed(() => (Date.now() - trouble.value.sinceMs) / 60_000)
</script>

<template>
  <div v-if="open" class="flex min-h-0 flex-1 flex-col gap-3 max-[899px]:overflow-y-auto">
    <section
      class="flex flex-col gap-2 rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      aria-label="What you see"
    >
      <div class="flex flex-wrap items-start gap-2">
        <BrushBar
          v-if="place === 'tapes'"
          v-model:brush="brush"
          v-model:when="when"
          class="w-full"
        />
        <p v-else class="min-w-0 flex-1 self-center text-[14px]">
          <template v-if="suspect">
            {{ place === 'meter' ? 'As it would measure' : 'As it would look' }}:
            <b>{{ suspect.title }}</b>, {{ suspect.where
            }}<template v-if="second"> with <b>{{ second.title }}</b>, {{ second.where }}</template>
          </template>
          <template v-else-if="place === 'meter'">
            As it should measure. Choose a suspect to see what a meter shows with that.
          </template>
          <template v-else-if="isEmpty">
            As it should look. Choose a suspect to see it with that.
          </template>
          <template v-else>As it is painted. Choose a suspect to see how that would look.</template>
        </p>
        <SegmentedChoice
          v-model="place"
          class="order-first max-[899px]:w-full"
          label="Where it is shown"
          :options="places"
        />
      </div>
      <MendRoom
        v-if="place === 'room'"
        :plan="plan"
        :runs="open.runs"
        :look="look ?? trouble.seen.runs"
      />
      <MendMeter v-else-if="place === 'meter'" :mend="mend" :faults="faults" />
      <div
        v-show="place === 'tapes'"
        ref="area"
        class="max-h-[34vh] overflow-y-auto max-[899px]:max-h-none"
      >
        <div
          v-for="run in open.runs"
          :key="run.id"
          class="grid items-center gap-x-2"
          :style="{
            gridTemplateColumns:
              nameWidth === 0 ? '1fr auto' : `${nameWidth}px 1fr ${buttonWidth}px`,
          }"
        >
          <p class="truncate text-[14px]" :class="nameWidth === 0 && 'pt-1'">{{ run.name }}</p>
          <p v-if="nameWidth === 0" class="text-right">
            <button
              type="button"
              class="button-quiet min-h-11"
              @click="paint(run.id, 0, run.count)"
            >
              all of it
            </button>
          </p>
          <PaintTape
            :class="nameWidth === 0 && 'col-span-2'"
            :run="run"
            :painted="trouble.seen.runs[run.id] ?? []"
            :expected="look?.[run.id]"
            :width="widthOf(run.count)"
            :is-tall="nameWidth === 0"
            @paint="(from, count) => paint(run.id, from, count)"
          />
          <p v-if="nameWidth > 0" class="text-right">
            <button
              type="button"
              class="to-press min-h-6 text-[12.5px] whitespace-nowrap underline decoration-dotted underline-offset-3 hover:text-glow"
              :aria-label="`Paint all of ${run.name}`"
              @click="paint(run.id, 0, run.count)"
            >
              all of it
            </button>
          </p>
        </div>
      </div>
      <div class="flex flex-wrap items-center gap-2">
        <button
          type="button"
          class="button-quiet max-[899px]:min-h-11"
          :aria-expanded="areWordsOpen"
          @click="areWordsOpen = !areWordsOpen"
        >
          In words
        </button>
        <span class="min-w-0 flex-1 truncate text-[13px] text-bench-soft">{{ wordsText }}</span>
        <RouterLink
          class="button-quiet max-[899px]:min-h-11"
          :to="{ name: 'build', query: { view: 'link' } }"
        >
          Light single pixels
        </RouterLink>
        <button type="button" class="button-quiet max-[899px]:min-h-11" @click="paintRest">
          The rest is right
        </button>
        <button
          type="button"
          class="button-quiet max-[899px]:min-h-11"
          :disabled="isEmpty"
          @click="forget"
        >
          Start over
        </button>
      </div>
      <div v-if="areWordsOpen" class="flex flex-wrap gap-1.5">
        <button
          v-for="symptom in symptoms"
          :key="symptom.name"
          type="button"
          class="min-h-7 rounded-full border px-2.5 text-[12.5px] max-[899px]:min-h-11"
          :class="
            trouble.seen.words.includes(symptom.name)
              ? 'border-glow bg-bench-high text-bench-ink'
              : 'border-bench-line text-bench-soft hover:text-bench-ink'
          "
          :aria-pressed="trouble.seen.words.includes(symptom.name)"
          @click="toggleWord(symptom.name)"
        >
          {{ symptom.text }}
        </button>
      </div>
      <ul v-if="ranking && ranking.issues.length > 0" class="text-[13px] text-stop" role="alert">
        <li v-for="issue in ranking.issues" :key="issue.path">{{ issue.message }}.</li>
      </ul>
    </section>
    <p v-if="open.done < 1" class="text-[13px] text-bench-soft" role="status">
      The likeliest faults are ranked; the rarer ones are still being worked out:
      {{ Math.round(100 * open.done) }} %
    </p>
    <p
      v-if="sure && !isMending"
      class="flex flex-wrap items-center gap-3 rounded-lg border border-glow/60 bg-bench-raised px-4 py-2.5 text-[14px]"
      role="status"
    >
      <span class="min-w-0 flex-1">
        <span class="font-semibold">{{ sure.title }}</span>, {{ sure.where }}: sure enough to mend
        it.
      </span>
      <button type="button" class="button-main max-[899px]:min-h-11" @click="startMending(sure.id)">
        How to mend it
      </button>
    </p>
    <div
      v-if="ranking && ranking.issues.length === 0"
      class="grid min-h-0 flex-1 gap-3 max-[899px]:flex-none min-[900px]:grid-cols-[minmax(240px,320px)_minmax(0,1fr)]"
    >
      <div class="flex min-h-0 flex-col gap-2 max-[899px]:order-2 [&>section]:flex-1">
        <SuspectList v-model:chosen="chosenId" :ranking="ranking" :is-empty="isEmpty" />
        <PickField
          v-if="suspect && !isMending"
          class="min-w-0 text-[13px]"
          layout="beside"
          width="min-w-0 flex-1 max-[899px]:min-h-11"
          label="Together with"
          :options="others"
          :value="secondId"
          @pick="secondId = $event"
        />
        <button
          v-if="suspect && !isMending"
          type="button"
          class="button-quiet justify-center max-[899px]:min-h-11"
          @click="isMending = true"
        >
          How to mend: {{ suspect.title.toLowerCase() }}
        </button>
      </div>
      <MendCard
        v-if="isMending && suspect"
        :suspect="suspect"
        :minutes="minutesSoFar"
        @mended="mended"
        @clear="clear"
        @close="isMending = false"
      />
      <TestCard
        v-else
        :tests="ranking.tests"
        :open-bits="ranking.openBits"
        :done="trouble.done"
        :is-busy="isRanking"
        @read="read"
        @outcome="say"
        @looked="looked"
        @skip="skip"
        @back="back"
      />
    </div>
  </div>
  <p v-else class="grid flex-1 place-items-center text-bench-soft" role="status">
    Working out what each fault would look like …
  </p>
</template>
