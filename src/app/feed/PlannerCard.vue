<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FeedAnswer, FeedGoal, FeedWish } from '../../core/feed/planner'
import { wireOf } from '../../core/parts/wires'
import { formatQuantity } from '../../core/quantity/format'
import { useNotices } from '../stores/notices'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useJob } from '../engine/use-job'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import JobProblem from '../ui/JobProblem.vue'

const plan = useOpenPlan()

const store = usePlanStore()
const price = usePrice()
const notices = useNotices()
const {
  result: found,
  progress,
  problem,
  start,
  stop,
} = useJob(
  () => plan.value,
  (service, job, tell, goal: FeedGoal) => service.planFeeds(job, goal, tell),
)

const kind = ref<FeedGoal['kind']>('brightness')
const share = ref(0.95)
const volts = ref(4.2)
const goal = computed((): FeedGoal =>
  kind.value === 'volts'
    ? { kind: 'volts', atLeast: volts.value }
    : { kind: 'brightness', atLeast: share.value },
)
const kinds = [
  { value: 'brightness', label: 'bright to' },
  { value: 'volts', label: 'above' },
] as const
const wishNames: Readonly<Record<FeedWish, string>> = {
  'fewest-joints': 'fewest joints',
  'thinnest-wire': 'thinnest wire',
  cheapest: 'cheapest',
}
const nameOf = (id: string): string => store.measured.runs.find((run) => run.id === id)?.name ?? id

/** What would be different, run by run. */
const differences = ({ feeds }: FeedAnswer): string =>
  [...feeds]
    .map(([id, own]) => {
      const names = [
        ...new Set(own.map(({ wire }) => wireOf(wire ?? plan.value.defaults.wire).name)),
      ]
      return `${nameOf(id)}: ${String(own.length)} ${own.length === 1 ? 'feed' : 'feeds'} of ${names.join(', ')}`
    })
    .join(' · ')

function apply(answer: FeedAnswer): void {
  store.commit(answer.commands, { label: 'planned feeds' })
  notices.done(`Fed anew: ${formatQuantity(answer.worstV, 'V')} at the worst.`, store.undo)
}
</script>

<template>
  <section
    class="relative rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5 text-[13px]"
    aria-label="Plan it for me"
  >
    <h2 class="mb-1.5 text-bench-soft">Plan it for me</h2>
    <div class="mb-1.5 flex flex-wrap items-center gap-2">
      keep every light
      <PickField
        label="What is kept"
        layout="unseen"
        :options="kinds"
        :value="kind"
        @pick="kind = $event"
      />
      <NumberField
        v-if="kind === 'brightness'"
        label="Per cent of full brightness"
        layout="unseen"
        width="w-14"
        unit="%"
        :value="share"
        :least="0.3"
        :most="1"
        @set="share = $event"
      />
      <NumberField
        v-else
        label="Volts"
        layout="unseen"
        width="w-14"
        unit="V"
        :value="volts"
        :least="1"
        :most="60"
        :step="0.1"
        @set="volts = $event"
      />
      <button
        v-if="progress === undefined"
        class="button-main ml-auto px-2.5 py-1"
        @click="start(goal)"
      >
        Plan
      </button>
      <button v-else class="button-quiet ml-auto" @click="stop">
        Stop, {{ Math.round(progress * 100) }} %
      </button>
    </div>
    <JobProblem
      v-if="problem !== undefined"
      what="The search ended without an answer"
      :problem="problem"
      @again="start(goal)"
    />
    <p v-else-if="!found" class="text-[12.5px] text-bench-soft">
      Two or three ways, each solved before it is shown: fewest joints, thinnest wire, cheapest.
    </p>
    <p
      v-else-if="found.answers.length === 0 && found.hopeless.length === 0"
      class="text-[12.5px] text-ok"
    >
      Every light keeps that already.
    </p>
    <p v-if="found && found.hopeless.length > 0" class="text-[12.5px] text-warning">
      Out of reach for {{ found.hopeless.map(nameOf).join(', ') }}: more than the supply gives
      there.
    </p>
    <ul
      v-if="found && found.answers.length > 0"
      class="absolute right-0 bottom-full z-20 mb-1.5 w-[min(560px,calc(100vw-24px))] rounded-lg border border-bench-line bg-bench-high p-2 shadow-xl shadow-black/60"
      aria-label="Ways to feed it"
    >
      <li
        v-for="answer in found.answers"
        :key="answer.wish"
        class="flex items-center gap-3 border-b border-bench-line px-2 py-2 last:border-0"
      >
        <div class="min-w-0 flex-1">
          <p>
            <b>{{ answer.wishes.map((wish) => wishNames[wish]).join(', ') }}</b>
            <span class="ml-2 text-ok">{{ formatQuantity(answer.worstV, 'V') }} worst</span>
            <span class="ml-2 text-bench-soft">
              {{ answer.addedFeeds >= 0 ? '+' : '−' }}{{ Math.abs(answer.addedFeeds) }} feeds,
              {{ answer.addedCost >= 0 ? '+' : '−' }}{{ price(Math.abs(answer.addedCost)) }}
            </span>
          </p>
          <p class="truncate text-[12px] text-bench-soft" :title="differences(answer)">
            {{ differences(answer) }}
          </p>
        </div>
        <button class="button-main px-2.5 py-1" @click="apply(answer)">Take it</button>
      </li>
    </ul>
  </section>
</template>
