<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, shallowRef, useTemplateRef } from 'vue'
import { faultKindNames } from '../../core/mend/kind-names'
import { plural } from '../../core/quantity/format'
import tasks from '../../../demo/practice/faults.json'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import MeterCard from './MeterCard.vue'
import MeterDiagram from './MeterDiagram.vue'
import PaintTape from './PaintTape.vue'
import PickList from './PickList.vue'
import { dueKinds, keptMemory, ratingOf, remember } from './practice-memory'
import { useMeter } from './use-meter'
import { usePractice } from './use-practice'
import { useOpenPlan } from '../stores/use-open-plan'

const plan = useOpenPlan()

const MendRoom = defineAsyncComponent(() => import('./MendRoom.vue'))

const practice = usePractice()
const { hidden, named, moves, problem, isBusy } = practice
const memory = ref(keptMemory())
const due = computed(() =>
  dueKinds(memory.value, new Date()).filter(({ kind }) =>
    (faultKindNames as readonly string[]).includes(kind),
  ),
)
const title = ref('')

async function begin(
  name: string,
  want: { fault?: string | undefined; kind?: string | undefined },
  planName?: string,
): Promise<void> {
  title.value = name
  let own = plan.value
  if (planName !== undefined) {
    const { plans: demos } = await import('../stores/demos')
    own = demos.find((demo) => demo.name === planName) ?? plan.value
  }
  shownPlan.value = own
  await practice.hide(own, want)
}
/** That the fault is hidden in. */
const shownPlan = shallowRef(plan.value)
const views = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'room', label: 'Room' },
  { value: 'diagram', label: 'Diagram' },
] as const
const view = ref<(typeof views)[number]['value']>('tapes')

const area = useTemplateRef<HTMLElement>('area')
const { width } = useElementSize(area)
const nameWidth = computed(() => (width.value < 640 ? 0 : 120))
const room = computed(() => Math.max(160, width.value - nameWidth.value - 40))
const longest = computed(() => Math.max(1, ...(hidden.value?.runs ?? []).map(({ count }) => count)))
const widthOf = (count: number): number =>
  nameWidth.value === 0
    ? room.value
    : Math.max(Math.min(room.value, 120), (room.value * count) / longest.value)

const meter = useMeter(practice, () => hidden.value?.opens ?? [], practice.note)

const tries = computed(() =>
  (hidden.value?.tries ?? []).map(({ id, title: text }) => ({ id, text })),
)
const tried = ref<string>()
async function tryOut(): Promise<void> {
  const one = hidden.value?.tries.find(({ id }) => id === tried.value)
  if (one === undefined) return
  const outcome = await practice.tryOut(one.id)
  if (outcome !== undefined) practice.note({ text: one.title, outcome, minutes: one.minutes })
}

const cause = ref<string>()
const spent = computed(() => moves.value.reduce((sum, { minutes }) => sum + minutes, 0))
async function nameIt(): Promise<void> {
  const { value } = hidden
  if (cause.value === undefined || value === undefined) return
  await practice.nameIt(cause.value)
  if (named.value !== undefined)
    memory.value = remember(
      memory.value,
      value.kind,
      ratingOf(named.value.isRight, spent.value, value.best.minutes),
      new Date(),
    )
}
function leave(): void {
  practice.stop()
  meter.clear()
  view.value = 'tapes'
  tried.value = cause.value = undefined
}
const minutesText = (minutes: number): string => plural(Math.round(minutes), 'minute')
</script>

<template>
  <p
    v-if="problem"
    class="rounded-lg border border-stop/70 bg-stop/10 px-4 py-2 text-[14px]"
    role="alert"
  >
    No fault could be hidden: {{ problem }}.
  </p>
  <div v-if="hidden === undefined" class="min-h-0 flex-1 overflow-y-auto">
    <p class="mb-3 max-w-prose text-[14px] text-bench-soft">
      A fault is hidden; you look, measure, try things and name it. Your minutes are held against
      the best course. What was hard comes back.
    </p>
    <p v-if="isBusy" class="py-6 text-bench-soft" role="status">Hiding a fault …</p>
    <template v-else>
      <div class="flex flex-wrap gap-2">
        <button
          type="button"
          class="button-main min-h-9 max-[899px]:min-h-11"
          @click="begin(`A fault in ${plan.name}`, {})"
        >
          Hide one in this plan
        </button>
        <button
          v-for="{ kind } in due.slice(0, 3)"
          :key="kind"
          type="button"
          class="button-quiet max-[899px]:min-h-11"
          @click="begin('One that was hard before', { kind })"
        >
          One that was hard is due again
        </button>
      </div>
      <h2 class="mt-5 mb-2 text-[14px] font-semibold">Ten to begin with, the easy ones first</h2>
      <ol class="grid gap-2 sm:grid-cols-2">
        <li v-for="task in tasks" :key="task.title">
          <button
            type="button"
            class="min-h-11 w-full rounded-lg border border-bench-line bg-bench-raised px-4 py-2 text-left hover:border-glow"
            @click="begin(task.title, { fault: task.fault, kind: task.kind }, task.plan)"
          >
            <span class="block text-[15px] font-semibold">{{ task.title }}</span>
            <span class="text-[13px] text-bench-soft">
              {{ task.plan }} · grade {{ task.grade }} of 5
            </span>
          </button>
        </li>
      </ol>
    </template>
  </div>
  <div v-else class="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto">
    <div class="flex flex-wrap items-center gap-3">
      <h2 class="min-w-0 flex-1 text-[17px] font-bold">{{ title }}</h2>
      <p class="text-[14px] text-bench-soft" role="status">
        {{ plural(moves.length, 'test') }}, {{ minutesText(spent) }}
      </p>
      <SegmentedChoice v-model="view" label="What is shown" :options="views" />
      <button type="button" class="button-quiet max-[899px]:min-h-11" @click="leave">
        Another one
      </button>
    </div>
    <MeterDiagram v-if="view === 'diagram'" :plan="shownPlan" :source="practice" :meter="meter" />
    <MendRoom
      v-else-if="view === 'room'"
      :plan="shownPlan"
      :runs="hidden.runs"
      :look="hidden.seen"
    />
    <section
      v-show="view === 'tapes'"
      ref="area"
      class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      aria-label="What is seen"
    >
      <div
        v-for="run in hidden.runs"
        :key="run.id"
        class="grid items-center gap-x-2"
        :style="{ gridTemplateColumns: nameWidth === 0 ? '1fr' : `${nameWidth}px 1fr` }"
      >
        <p class="truncate text-[14px]">{{ run.name }}</p>
        <PaintTape
          :run="run"
          :painted="hidden.seen[run.id] ?? []"
          :width="widthOf(run.count)"
          is-read-only
          @point="(pixel) => meter.pointAtTape(run.id, pixel)"
        />
      </div>
    </section>
    <div v-if="named === undefined" class="grid gap-3 min-[900px]:grid-cols-2">
      <MeterCard
        :meter="meter"
        :tips="hidden.tips"
        :opens="hidden.opens"
        :is-busy="isBusy"
        point-at="a tape or the diagram"
      />
      <section
        class="rounded-lg border border-bench-line bg-bench-raised p-4"
        aria-label="Try and name"
      >
        <h3 class="mb-2 text-[14px] font-semibold">Try something</h3>
        <form class="flex gap-2" @submit.prevent="tryOut">
          <PickList v-model="tried" class="min-w-0 flex-1" :items="tries" label="What" :most="30" />
          <button
            class="button-quiet max-[899px]:min-h-11"
            :disabled="tried === undefined || isBusy"
          >
            Do it
          </button>
        </form>
        <h3 class="mt-4 mb-2 text-[14px] font-semibold">Name the cause</h3>
        <form class="flex gap-2" @submit.prevent="nameIt">
          <PickList
            v-model="cause"
            class="min-w-0 flex-1"
            :items="hidden.causes"
            label="Which fault"
            :most="30"
          />
          <button
            class="button-main min-h-9 max-[899px]:min-h-11"
            :disabled="cause === undefined || isBusy"
          >
            That is it
          </button>
        </form>
      </section>
    </div>
    <section
      v-else
      class="rounded-lg border p-4"
      :class="named.isRight ? 'border-ok' : 'border-stop'"
      role="status"
    >
      <h3 class="text-[18px] font-bold">
        {{ named.isRight ? 'Right.' : 'No.' }} {{ named.cause }}
      </h3>
      <p class="mt-1 text-[14px]">
        You: {{ plural(moves.length, 'test') }} in {{ minutesText(spent) }}. The best course:
        {{ plural(hidden.best.tests, 'test') }} in {{ minutesText(hidden.best.minutes) }}.
      </p>
      <ol class="mt-2 list-decimal pl-5 text-[14px]">
        <li v-for="step in named.mend.steps" :key="step">{{ step }}</li>
      </ol>
    </section>
    <section v-if="moves.length > 0" class="text-[13px]">
      <h3 class="text-bench-soft">What you did</h3>
      <ol>
        <li v-for="(move, index) in moves" :key="index">
          {{ move.text }}: <span class="font-semibold">{{ move.outcome }}</span>
        </li>
      </ol>
    </section>
  </div>
</template>
