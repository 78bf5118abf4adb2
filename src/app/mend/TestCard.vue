<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Outcome, Test } from '../../core/mend/next-test'
import { allAnswer, walkText, type WalkOutcome } from '../../core/mend/walk'
import { readAmount } from '../../core/quantity/amount'
import type { DoneTest } from './mend-case'
import { percent } from './looks'

const { tests, openBits, done, isBusy } = defineProps<{
  tests: readonly Test[]
  openBits: number
  done: readonly DoneTest[]
  isBusy: boolean
}>()
const emit = defineEmits<{
  /** A meter's figure, in V or A. */
  read: [test: Test, value: number]
  outcome: [test: Test, outcome: Pick<Outcome, 'id' | 'text'>]
  /** What was to be looked at is painted as it is. */
  looked: [test: Test]
  skip: [test: Test]
  back: [index: number]
}>()

const chosenId = ref<string>()
const test = computed(() => tests.find(({ id }) => id === chosenId.value) ?? tests[0])
const rest = computed(() => tests.filter(({ id }) => id !== test.value?.id))
const [typed, problem] = [ref(''), ref('')]
watch(
  () => test.value?.id,
  () => {
    typed.value = ''
    problem.value = ''
  },
)
const unit = computed(() => (test.value?.point?.what === 'current' ? 'A' : 'V'))
const heading = useTemplateRef<HTMLElement>('heading')
function toNext(): void {
  chosenId.value = undefined
  typed.value = ''
  problem.value = ''
  // The next test stands where this one was.
  void nextTick(() => heading.value?.focus())
}

function read(): void {
  if (test.value === undefined) return
  const result = readAmount(typed.value.trim(), unit.value)
  if (!result.ok) {
    problem.value = `${result.message}, such as 4.6 ${unit.value}`
    return
  }
  emit('read', test.value, result.value)
  toNext()
}
function say(outcome: Pick<Outcome, 'id' | 'text'>): void {
  if (test.value !== undefined) emit('outcome', test.value, outcome)
  toNext()
}
/** Of a light that wanders: the number of the first that does not answer. */
function sayFirst(): void {
  const most = test.value?.lights ?? 0
  const number = /^\d+$/.test(typed.value.trim()) ? Number(typed.value.trim()) : NaN
  if (!(number >= 1 && number <= most)) {
    problem.value = `a number from 1 to ${String(most)}`
    return
  }
  sayWalk(String(number - 1))
}
const sayWalk = (outcome: WalkOutcome): void => {
  say({ id: outcome, text: walkText(outcome) })
}
/** How much of what is still open among the suspects a test settles, on average. */
const settled = ({ bits }: Test): string =>
  bits >= 0.995 * openBits ? 'all' : percent(bits / openBits)
const meansText = ({ leaves, means }: Outcome): string =>
  leaves > 0 && means !== '' ? `then first: ${means} (${percent(leaves)})` : ''
const likely = computed(() =>
  (test.value?.outcomes ?? [])
    .toSorted((a, b) => b.chance - a.chance)
    .slice(0, test.value?.kind === 'see' || test.value?.kind === 'walk' ? 3 : 4),
)
</script>

<template>
  <section
    class="flex min-h-0 flex-col gap-3 overflow-y-auto rounded-lg border border-bench-line bg-bench-raised p-4 sm:p-5"
    aria-label="Next test"
  >
    <template v-if="test">
      <p class="text-[13px] text-bench-soft">
        Next test ·
        {{ test.minutes < 1 ? 'under a minute' : `${String(Math.round(test.minutes))} min` }} ·
        settles {{ settled(test) }} of the question
        <span v-if="test.opens" class="text-warning">· opens a joint</span>
        · power {{ test.power }}
      </p>
      <h2 ref="heading" tabindex="-1" class="text-[18px] leading-6 font-bold outline-none">
        {{ test.title }}
      </h2>
      <p class="text-[14px] text-bench-soft">{{ test.how }}</p>

      <template v-if="test.kind === 'meter'">
        <form class="flex flex-wrap items-start gap-2" @submit.prevent="read">
          <label class="grow text-[13px] text-bench-soft">
            What the meter shows, {{ unit }}
            <input
              v-model="typed"
              class="field mt-1 w-full text-[16px]"
              inputmode="decimal"
              autocomplete="off"
              :aria-invalid="problem !== ''"
              :aria-describedby="problem === '' ? undefined : 'reading-problem'"
            />
          </label>
          <button class="button-main mt-6 min-h-9 max-[899px]:min-h-11">Enter</button>
          <p v-if="problem" id="reading-problem" class="w-full text-[13px] text-stop" role="alert">
            {{ problem }}
          </p>
        </form>
        <ul class="grid gap-2 sm:grid-cols-2">
          <li
            v-for="outcome in likely"
            :key="outcome.id"
            class="border-l-2 border-data/70 pl-3 text-[13px]"
          >
            <span class="font-semibold">{{ outcome.text }}</span>
            <span class="ml-1.5 text-bench-soft">{{ percent(outcome.chance) }}</span>
            <span class="block text-bench-soft">{{ meansText(outcome) }}</span>
          </li>
        </ul>
      </template>
      <template v-else-if="test.kind === 'see' || test.kind === 'walk'">
        <ul class="text-[13px] text-bench-soft">
          <li v-for="outcome in likely" :key="outcome.id">
            <span class="text-bench-ink">{{ outcome.text }}</span>
            {{ percent(outcome.chance) }} · {{ meansText(outcome) }}
          </li>
        </ul>
        <form
          v-if="test.kind === 'walk'"
          class="flex flex-wrap items-end gap-2"
          novalidate
          @submit.prevent="sayFirst"
        >
          <button
            type="button"
            class="button-main min-h-9 max-[899px]:min-h-11"
            @click="sayWalk(allAnswer)"
          >
            Every one answers
          </button>
          <label class="text-[13px] text-bench-soft">
            The first that does not, 1 to {{ test.lights }}
            <input
              v-model="typed"
              class="field mt-1 block w-32 text-[16px]"
              inputmode="numeric"
              autocomplete="off"
              :aria-invalid="problem !== ''"
              :aria-describedby="problem === '' ? undefined : 'reading-problem'"
            />
          </label>
          <button class="button-quiet min-h-9 max-[899px]:min-h-11">Enter</button>
          <p v-if="problem" id="reading-problem" class="w-full text-[13px] text-stop" role="alert">
            {{ problem }}
          </p>
        </form>
        <p v-else>
          <button
            type="button"
            class="button-main min-h-9 max-[899px]:min-h-11"
            @click="(emit('looked', test), toNext())"
          >
            It is painted as I see it
          </button>
        </p>
      </template>
      <ul v-else class="grid gap-2 sm:grid-cols-2">
        <li v-for="outcome in test.outcomes" :key="outcome.id">
          <button
            type="button"
            class="min-h-11 w-full rounded-md border border-bench-line px-3 py-2 text-left text-[14px] hover:border-glow"
            @click="say(outcome)"
          >
            <span class="font-semibold">{{ outcome.text }}</span>
            <span class="ml-1.5 text-bench-soft">{{ percent(outcome.chance) }}</span>
            <span class="block text-[12.5px] text-bench-soft">{{ meansText(outcome) }}</span>
          </button>
        </li>
      </ul>
      <p>
        <button
          type="button"
          class="button-quiet max-[899px]:min-h-11"
          @click="(emit('skip', test), toNext())"
        >
          Can’t do this one
        </button>
      </p>
      <div v-if="rest.length > 0" class="text-[13px]">
        <h3 class="text-bench-soft">Or rather</h3>
        <ul>
          <li v-for="other in rest" :key="other.id">
            <button
              type="button"
              class="min-h-6 py-1 text-left underline decoration-dotted underline-offset-3 hover:text-glow"
              @click="chosenId = other.id"
            >
              {{ other.title }}
            </button>
            <span class="ml-1.5 text-bench-soft">
              settles {{ settled(other) }},
              {{
                other.minutes < 1 ? 'under a minute' : `${String(Math.round(other.minutes))} min`
              }}
            </span>
          </li>
        </ul>
      </div>
    </template>
    <p v-else-if="isBusy" class="text-bench-soft" role="status">Working out what tells most …</p>
    <p v-else class="text-bench-soft">
      No test is left that would tell much more. Mend the first suspect, and see whether that was
      it.
    </p>
    <div v-if="done.length > 0" class="mt-auto border-t border-bench-line pt-3 text-[13px]">
      <h3 class="text-bench-soft">Done</h3>
      <ol>
        <li v-for="(one, index) in done" :key="index" class="flex items-baseline gap-2 py-0.5">
          <span class="min-w-0 flex-1">
            {{ one.test }}: <span class="font-semibold">{{ one.outcome }}</span>
          </span>
          <button
            v-if="index === done.length - 1"
            type="button"
            class="min-h-6 underline decoration-dotted underline-offset-3"
            @click="emit('back', index)"
          >
            take back
          </button>
        </li>
      </ol>
    </div>
  </section>
</template>
