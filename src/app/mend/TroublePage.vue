<script setup lang="ts">
import { releaseProxy, wrap } from 'comlink'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import {
  sinceWhen,
  whatChanged,
  whatLights,
  whichBoard,
  whichLight,
  type Answers,
  type FirstGuess,
} from '../../core/mend/five-questions'
import { messageOf } from '../../core/quantity/message-of'
import type { MendWorker } from '../engine/mend.worker'
import { percent } from './looks'
import PickField from '../ui/PickField.vue'

const questions = [
  { key: 'lights', text: 'What lights?', options: whatLights },
  { key: 'light', text: 'Which light, on which volts?', options: whichLight },
  { key: 'board', text: 'Which board?', options: whichBoard },
  { key: 'since', text: 'Since when?', options: sinceWhen },
  { key: 'changed', text: 'What was changed?', options: whatChanged },
] as const

const answers = ref<Answers>({
  lights: 'nothing',
  light: 'pixels-5v',
  board: '3v3',
  since: 'first',
  changed: 'nothing',
})
const worker = new Worker(new URL('../engine/mend.worker.ts', import.meta.url), {
  type: 'module',
  name: 'trouble',
})
const service = wrap<MendWorker>(worker)
const guesses = shallowRef<readonly FirstGuess[]>()
const problem = ref<string>()
worker.addEventListener('error', ({ message }) => {
  problem.value = message || 'its worker could not be started'
})
let asked = 0
watch(
  answers,
  async (given) => {
    const mine = (asked += 1)
    try {
      const found = await service.guess({ ...given })
      if (mine === asked) guesses.value = found
    } catch (error) {
      problem.value = messageOf(error)
    }
  },
  { immediate: true, deep: true },
)
onScopeDispose(() => {
  service[releaseProxy]()
  worker.terminate()
})
const mostShown = 6
</script>

<template>
  <main class="overflow-y-auto px-4 py-6 sm:px-8">
    <div class="mx-auto max-w-4xl">
      <h1 class="text-xl font-bold">Something is wrong?</h1>
      <p class="mt-1 mb-5 max-w-prose text-[14px] text-bench-soft">
        Five answers are enough for a first guess.
        <RouterLink class="underline" :to="{ name: 'plans' }">With a plan</RouterLink>
        its Mend page knows every joint, and says where to hold the meter.
      </p>
      <form class="grid gap-3 sm:grid-cols-2" @submit.prevent>
        <PickField
          v-for="question in questions"
          :key="question.key"
          class="text-[13px] text-bench-soft"
          :label="question.text"
          width="w-full text-[15px] max-[899px]:min-h-11"
          :options="
            Object.entries(question.options).map(([value, { text }]) => ({ value, label: text }))
          "
          :value="answers[question.key]"
          @pick="answers = { ...answers, [question.key]: $event }"
        />
      </form>
      <p v-if="problem" class="mt-4 text-stop" role="alert">
        This could not be worked out: {{ problem }}.
      </p>
      <p v-else-if="!guesses" class="mt-6 text-bench-soft" role="status">Working it out …</p>
      <ol v-else class="mt-6 grid gap-2.5" aria-label="What it may be">
        <li
          v-for="guess in guesses.slice(0, mostShown)"
          :key="guess.kind"
          class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
        >
          <p class="flex items-baseline gap-3">
            <span class="min-w-0 flex-1 text-[16px] font-semibold">{{ guess.title }}</span>
            <span class="font-semibold">{{ percent(guess.probability) }}</span>
          </p>
          <span class="mt-1 block h-1 rounded bg-bench-line">
            <span
              class="block h-1 rounded bg-glow"
              :style="{ width: `${String(Math.max(1, 100 * guess.probability))}%` }"
            ></span>
          </span>
          <ol class="mt-2 list-decimal pl-5 text-[14px]">
            <li v-for="step in guess.mend.steps" :key="step">{{ step }}</li>
          </ol>
          <p class="mt-1 text-[13px] text-bench-soft">Proof: {{ guess.mend.proof }}</p>
        </li>
      </ol>
      <p class="mt-4 text-[13px] text-bench-soft">
        ⚠ Extra-low voltage only. Power off before you touch a joint; mains wiring is for a licensed
        electrician.
      </p>
    </div>
  </main>
</template>
