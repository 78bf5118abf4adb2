<script setup lang="ts">
import { ArrowLeft, Check, Pause, Play, SkipForward, TriangleAlert } from '@lucide/vue'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { isReadAt, type Expected } from '../../core/build/readings'
import type { Progress } from '../../core/build/progress'
import type { Step } from '../../core/build/step'
import type { LogEntry, LoggedReading } from '../../core/plan/plan'
import { lackingFor } from '../../core/buy/lacking'
import { fewNames } from '../../core/quantity/few-names'
import { formatQuantity } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePart } from '../stores/use-parts'
import LinkAim from './link/LinkAim.vue'
import JointPicture from './JointPicture.vue'
import PlacePicture from './PlacePicture.vue'
import StepMeter from './StepMeter.vue'
import StepSwaps from './StepSwaps.vue'
import StepTape from './StepTape.vue'
import StepWires from './StepWires.vue'
import PhotoRow from '../notes/PhotoRow.vue'
import type { Clock } from './use-clock'
import TroubleList from './TroubleList.vue'
import { kindNames, minutesText, timeOf } from './words'
import ExplainedText from '../shell/ExplainedText.vue'
import { fieldText } from '../ui/field-text'
import NumberField from '../ui/NumberField.vue'
import JobProblem from '../ui/JobProblem.vue'

const { step, steps, entry, progress, expected, meterProblem, fresh, clock, canSleep } =
  defineProps<{
    step: Step
    steps: readonly Step[]
    entry: LogEntry | undefined
    progress: Progress
    /** What the meter should say, once it is known, or why it could not be worked out. */
    expected: Expected | undefined
    meterProblem: string | undefined
    fresh: readonly string[]
    clock: Clock
    /** Nothing keeps the screen awake while the clock runs. */
    canSleep: boolean
  }>()
const emit = defineEmits<{
  done: []
  undone: []
  skip: [why: string]
  wrong: []
  note: [text: string]
  photos: [ids: string[]]
  minutes: [minutes: number]
  readings: [readings: LoggedReading[]]
  go: [step: string]
  link: []
  askMeter: []
}>()
const plan = useOpenPlan()

const BookDialog = defineAsyncComponent(() => import('../buy/BookDialog.vue'))

const store = usePlanStore()
const wiring = usePart('wiring')
const index = computed(() => steps.findIndex(({ id }) => id === step.id))
const before = computed(() => steps[index.value - 1])
const next = computed(() =>
  steps
    .slice(index.value + 1)
    .find(({ id }) => !progress.done.has(id) && !progress.skipped.has(id)),
)
const isDone = computed(() => progress.done.has(step.id))
const isSkipped = computed(() => progress.skipped.has(step.id))
const lacking = computed(() =>
  step.needs
    .filter((id) => !progress.done.has(id) && !progress.skipped.has(id))
    .flatMap((id) => steps.filter((one) => one.id === id)),
)
const receipt = usePart('receipt')
const unbought = computed(() =>
  receipt.value === undefined || isDone.value
    ? []
    : lackingFor(step, receipt.value, plan.value.buy).map(({ name }) => name),
)
const wet = computed(() => progress.curing.filter((one) => step.needs.includes(one.step.id)))
const placeName = computed(() => {
  const run = store.tally?.runs.find(({ id }) => id === step.place)
  return run?.name ?? plan.value.supplies.find(({ id }) => step.about.includes(id))?.name ?? ''
})
const hasPicture = computed(() => step.kind === 'joint' && step.joints.length > 0)
const drawing = computed(() => store.tally?.facts?.shelf.drawing)
const isRead = computed(() => isReadAt(step))
const showsMeter = computed(() => isRead.value && expected !== undefined)

/** The last step settles the drawer: it is done once that is. */
const isBooking = ref(false)
function done(): void {
  if (step.kind === 'book' && plan.value.buy.isBooked !== true) isBooking.value = true
  else emit('done')
}

const isSkipping = ref(false)
const why = ref('')
const reason = useTemplateRef<HTMLInputElement>('reason')
async function askWhy(): Promise<void> {
  isSkipping.value = true
  await nextTick()
  reason.value?.focus()
}
function skip(): void {
  if (why.value.trim() === '') return
  emit('skip', why.value.trim().slice(0, 400))
}
watch(
  () => step.id,
  () => {
    isSkipping.value = false
    isBooking.value = false
    why.value = ''
  },
)
function setNote(event: Event): void {
  emit('note', fieldText(event).slice(0, 4000))
}
</script>

<template>
  <section
    class="flex min-h-0 min-w-0 flex-1 flex-col gap-3"
    aria-label="The step at hand"
    :data-step="step.id"
  >
    <div
      class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3.5 sm:px-6 sm:py-5"
      tabindex="0"
      role="group"
      aria-label="What to do"
    >
      <div class="flex items-center gap-3 text-[15px] text-bench-soft">
        <span data-testid="step-number">{{ index + 1 }} of {{ steps.length }}</span>
        <span v-if="placeName">· {{ placeName }}</span>
        <span>· {{ kindNames[step.kind] }}</span>
        <button
          class="ml-auto flex h-11 items-center gap-2 rounded-md px-2 font-mono text-[18px]"
          :class="clock.isRunning.value ? 'text-glow' : 'text-bench-soft'"
          :aria-label="clock.isRunning.value ? 'Stop the clock' : 'Start the clock'"
          :title="clock.isRunning.value ? 'Stop the clock' : 'Start the clock'"
          @click="clock.toggle()"
        >
          <Pause v-if="clock.isRunning.value" :size="18" />
          <Play v-else :size="18" />
          {{ clock.text.value }}
        </button>
      </div>
      <p v-if="canSleep && clock.isRunning.value" class="text-[13px] text-bench-soft" role="status">
        The screen may go dark while you work: this browser, or this address, does not let it be
        kept awake.
      </p>
      <p v-if="clock.wasLeft.value" class="text-[13px] text-warning" role="status">
        The clock stopped by itself while this page was left. Start it when you go on.
      </p>
      <h2 class="mt-1 text-[24px] leading-tight font-bold text-balance sm:text-[30px]">
        {{ step.title }}
      </h2>
      <p v-if="isDone" class="mt-2 text-[16px] font-semibold text-ok">
        Done{{ entry?.minutes ? ` in ${minutesText(entry.minutes)}` : '' }}
      </p>
      <p v-else-if="isSkipped" class="mt-2 text-[16px] text-warning">Skipped: {{ entry?.why }}</p>
      <p v-else-if="lacking.length > 0" class="mt-2 text-[15px] text-warning" role="status">
        Its turn comes after
        <button class="link-quiet prints" @click="emit('go', lacking[0]?.id ?? '')">
          {{ lacking[0]?.title }}</button
        >{{ lacking.length > 1 ? ` and ${String(lacking.length - 1)} more` : '' }}.
      </p>
      <p v-else-if="wet.length > 0" class="mt-2 text-[15px] text-warning" role="status">
        Still drying until {{ timeOf(Math.max(...wet.map(({ untilMs }) => untilMs))) }}:
        {{ wet[0]?.step.title }}.
      </p>

      <p v-if="unbought.length > 0" class="mt-2 text-[14px] text-bench-soft">
        Not ticked as bought: {{ fewNames(unbought) }}.
        <RouterLink class="link-quiet" :to="{ name: 'buy' }">Go to the bill</RouterLink>
      </p>

      <div
        class="mt-4 grid gap-x-8 gap-y-5"
        :class="showsMeter && 'lg:grid-cols-[minmax(0,1fr)_minmax(0,20rem)]'"
      >
        <div class="flex min-w-0 flex-col gap-4">
          <div
            v-if="step.threads.length > 0"
            class="rounded-lg border border-warning/70 bg-warning/10 px-4 py-3 text-[16px]"
          >
            <h3 class="font-bold text-warning">Threaded on before?</h3>
            <p>{{ step.threads.join(' · ') }}</p>
          </div>
          <ul
            v-if="step.how.length > 0 && step.phase !== 'cut-wire'"
            class="flex flex-col gap-1 text-[16px] leading-snug"
          >
            <li v-for="text in step.how" :key="text"><ExplainedText :text="text" /></li>
          </ul>
          <StepWires v-if="step.phase === 'cut-wire' && wiring" :step="step" :wiring="wiring" />
          <StepSwaps v-if="wiring" :step="step" :wiring="wiring" />
          <JointPicture v-if="hasPicture && wiring" :step="step" :wiring="wiring" />
          <LinkAim v-if="step.kind === 'test'" :step="step" @open="emit('link')" />
          <StepTape v-if="store.tally" :step="step" :runs="store.tally.runs" />
          <PlacePicture
            v-if="drawing && step.kind !== 'joint'"
            :drawing="drawing"
            :about="step.about"
          />
          <ul
            v-if="step.cautions.length > 0"
            class="flex flex-col gap-1 text-[14px] text-bench-soft"
          >
            <li v-for="text in step.cautions" :key="text" class="flex gap-2">
              <TriangleAlert :size="15" class="mt-0.5 shrink-0 text-warning" aria-hidden="true" />
              <span><ExplainedText :text="text" /></span>
            </li>
          </ul>
          <p class="text-[14px] text-bench-soft">
            About {{ formatQuantity(step.minutes, 'min') }} · {{ step.tool
            }}<template v-if="step.waitMin > 0">
              · then {{ formatQuantity(step.waitMin, 'min') }} to dry or run</template
            ><template v-if="!step.undoable"> · cannot be undone</template>
          </p>
        </div>
        <StepMeter
          v-if="showsMeter && expected"
          :step="step"
          :expected="expected"
          :entry="entry"
          :fresh="fresh"
          @readings="emit('readings', $event)"
        />
        <JobProblem
          v-else-if="isRead && meterProblem !== undefined"
          what="What the meter should say could not be worked out"
          :problem="meterProblem"
          @again="emit('askMeter')"
        />
        <p v-else-if="isRead" class="text-bench-soft" role="status">
          Working out what the meter should say …
        </p>
      </div>

      <div v-if="entry && entry.trouble.length > 0" class="mt-4 text-[14px]">
        <TroubleList :trouble="entry.trouble" />
      </div>
      <div class="mt-4 flex flex-wrap items-start gap-x-6 gap-y-3">
        <label class="min-w-[14rem] flex-1 text-[13px] text-bench-soft">
          Note
          <textarea
            v-shown="entry?.note ?? ''"
            class="field mt-1 text-[15px]"
            rows="1"
            maxlength="4000"
            @change="setNote"
          ></textarea>
        </label>
        <NumberField
          v-if="entry"
          class="text-[13px] text-bench-soft"
          label="Minutes"
          width="w-24"
          :value="Math.round(entry.minutes * 10) / 10"
          :least="0"
          :most="100_000"
          @set="emit('minutes', $event)"
        />
      </div>
      <PhotoRow
        class="mt-4"
        of="this step"
        :photos="entry?.photos ?? []"
        @photos="emit('photos', $event)"
      />
    </div>

    <BookDialog v-if="isBooking" @close="isBooking = false" @booked="emit('done')" />
    <form
      v-if="isSkipping"
      class="flex flex-wrap items-center gap-2"
      novalidate
      @submit.prevent="skip"
    >
      <label class="min-w-0 flex-1">
        <span class="sr-only">Why it is skipped</span>
        <input
          ref="reason"
          v-model="why"
          class="field h-12 text-[15px]"
          maxlength="400"
          placeholder="Why? Such as: came pre-wired"
          @keydown.esc="isSkipping = false"
        />
      </label>
      <button type="submit" class="button-main h-12" :disabled="why.trim() === ''">Skip it</button>
      <button type="button" class="button-quiet h-12" @click="isSkipping = false">Cancel</button>
    </form>
    <div v-else class="grid grid-cols-[auto_minmax(0,1fr)_auto_auto] gap-2">
      <button
        class="button-quiet h-14 px-3.5 max-sm:px-2.5"
        :disabled="!before"
        aria-label="Back to the step before"
        @click="before && emit('go', before.id)"
      >
        <ArrowLeft :size="18" /> <span class="max-sm:hidden">Back</span>
      </button>
      <button
        v-if="isDone || isSkipped"
        class="button-quiet h-14 justify-center text-[16px]"
        @click="emit('undone')"
      >
        Not done after all
      </button>
      <button
        v-else
        class="button-main h-14 min-w-0 justify-center text-[17px]"
        data-testid="done"
        @click="done"
      >
        <Check :size="20" class="shrink-0" />
        <span class="truncate">Done{{ next ? ` · next: ${next.title}` : '' }}</span>
      </button>
      <button
        class="button-quiet h-14 px-3.5 max-sm:px-2.5"
        :disabled="isDone || isSkipped"
        aria-label="Skip this step"
        @click="askWhy"
      >
        <SkipForward :size="18" /> <span class="max-sm:hidden">Skip</span>
      </button>
      <button
        class="button-quiet h-14 px-3.5 text-stop max-sm:px-2.5"
        aria-label="It went wrong"
        @click="emit('wrong')"
      >
        <TriangleAlert :size="18" /> <span class="max-sm:hidden">It went wrong</span>
      </button>
    </div>
  </section>
</template>
