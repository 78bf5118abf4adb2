<script setup lang="ts">
import { computed } from 'vue'
import type { Flashing } from '../../core/glow/flashing'
import type { Show } from '../../core/plan/plan'
import { cellFigures, dayFigures, limiterFigures, showFigures } from '../../core/roll/show'
import type { ShowResults } from '../engine/jobs.worker'
import VerdictStamp from '../shell/VerdictStamp.vue'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import ShowFigures from './ShowFigures.vue'

const { show, results, flashing, progress, hasFailed, isTouched } = defineProps<{
  show: Show
  results: ShowResults | undefined
  flashing: Flashing | undefined
  /** How far the sums of the show are, 0–1. */
  progress: number | undefined
  /** They do not come: the page says why. */
  hasFailed: boolean
  /** Sensors were touched while it played. */
  isTouched: boolean
}>()
const plan = useOpenPlan()

const store = usePlanStore()
const figures = computed(() =>
  results === undefined
    ? []
    : [
        ...showFigures(results.played),
        ...limiterFigures(results.played),
        ...cellFigures(results.cells),
      ],
)
const days = computed(() => (results === undefined ? [] : dayFigures(results.day)))
const heading =
  'mb-1.5 border-b border-dashed border-paper-soft/50 pb-1 text-[12px] tracking-wide text-paper-soft uppercase'

/** Mean brightness of the show, as the share of what can be dimmed: the level at which the Feed page reckons with it. */
const mix = computed(() => {
  const supply = results?.played.supplies[0]
  const full = store.tally?.supplies.find(({ id }) => id === supply?.id)?.currentA
  if (supply === undefined || full === undefined) return undefined
  const dimmed = full['full-white'] - full.idle
  if (dimmed <= 0) return undefined
  const level = ((supply.meanA - full.idle) / dimmed) * plan.value.limit
  return Math.round(100 * Math.min(1, Math.max(0, level))) / 100
})
function takeMix(): void {
  if (mix.value === undefined) return
  store.commit(
    [
      { do: 'set-level', level: mix.value },
      { do: 'set-use', use: { mix: { fullWhite: 0, level: 60 } } },
    ],
    { label: `use the mean of “${show.name}” on the Feed page` },
  )
}
</script>

<template>
  <section class="mt-4">
    <h3 :class="heading">This show{{ isTouched ? ', as you touched it' : '' }}</h3>
    <p v-if="results === undefined" class="min-h-[54px] text-paper-soft" role="status">
      <template v-if="hasFailed">not worked out</template>
      <template v-else>Played through once … {{ Math.round((progress ?? 0) * 100) }} %</template>
    </p>
    <ShowFigures v-else :figures="figures" :units="plan.units" />
    <p v-if="mix !== undefined" class="mt-1">
      <button
        class="text-left text-[12px] underline decoration-dotted underline-offset-3"
        @click="takeMix"
      >
        use its mean on the Feed page: {{ Math.round(100 * mix) }} %
      </button>
    </p>
    <VerdictStamp
      v-for="verdict in results?.verdicts.filter(({ code }) => code !== 'flash-rate')"
      :key="verdict.id"
      :verdict="verdict"
      :fixes="verdict.remedies"
    />
    <p
      v-if="results && results.verdicts.length > 0 && progress !== undefined"
      class="mt-1 text-paper-soft"
      role="status"
    >
      looking for possible fixes … {{ Math.round(progress * 100) }} %
    </p>
  </section>
  <section v-if="results" class="mt-4">
    <h3 :class="heading">A day</h3>
    <ShowFigures :figures="days" :units="plan.units" />
  </section>
  <section class="mt-4">
    <h3 :class="heading">Flashing</h3>
    <p v-if="flashing === undefined" class="text-paper-soft">
      {{ hasFailed ? 'not known' : 'Looking for flashes …' }}
    </p>
    <p v-else-if="flashing.perSecond <= 3">
      {{
        flashing.perSecond === 0
          ? 'nothing flashes'
          : `at most ${String(flashing.perSecond)} a second`
      }}
      <span class="text-paper-soft">· 3 are the limit</span>
    </p>
    <p v-else-if="results === undefined" class="text-stop-paper">
      {{ flashing.perSecond }} flashes a second: looking for fixes …
    </p>
    <VerdictStamp
      v-for="verdict in results?.verdicts.filter(({ code }) => code === 'flash-rate')"
      :key="verdict.id"
      :verdict="verdict"
      :fixes="verdict.remedies"
    />
    <template v-if="results && results.played.problems.length > 0">
      <h3 class="mt-4" :class="heading">Not as it says</h3>
      <ul>
        <li
          v-for="(problem, index) in results.played.problems"
          :key="index"
          class="text-warning-paper"
        >
          {{ problem.message }}
        </li>
      </ul>
    </template>
  </section>
</template>
