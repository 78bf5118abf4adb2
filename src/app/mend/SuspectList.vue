<script setup lang="ts">
import { plural } from '../../core/quantity/format'
import type { Ranking, ShownSuspect } from '../engine/mend.worker'
import { percent } from './looks'

const { ranking, isEmpty } = defineProps<{
  ranking: Ranking
  /** Nothing is painted yet. */
  isEmpty: boolean
}>()
const chosen = defineModel<string | undefined>('chosen', { required: true })

function choose({ id }: ShownSuspect): void {
  chosen.value = chosen.value === id ? undefined : id
}
</script>

<template>
  <section
    class="flex min-h-0 flex-col rounded-lg border border-bench-line bg-bench-raised"
    aria-label="Suspects"
  >
    <h2 class="px-4 pt-3 text-[14px] font-semibold">
      Suspects
      <span v-if="isEmpty" class="font-normal text-bench-soft">before anything is seen</span>
    </h2>
    <ul class="min-h-0 flex-1 overflow-y-auto px-2 pt-1 pb-2">
      <li v-for="suspect in ranking.suspects" :key="suspect.id">
        <button
          type="button"
          class="w-full rounded-md px-2 py-1.5 text-left hover:bg-bench-high"
          :class="chosen === suspect.id && 'bg-bench-high'"
          :aria-pressed="chosen === suspect.id"
          @click="choose(suspect)"
        >
          <span class="flex items-baseline gap-2">
            <span class="min-w-0 flex-1 text-[14px]">
              <span class="font-semibold">{{ suspect.title }}</span>
              <span class="text-bench-soft">, {{ suspect.where }}</span>
            </span>
            <span class="font-semibold whitespace-nowrap">{{ percent(suspect.probability) }}</span>
          </span>
          <span class="mt-1 block h-1 rounded bg-bench-line">
            <span
              class="block h-1 rounded bg-glow"
              :style="{ width: `${String(Math.max(1, 100 * suspect.probability))}%` }"
            ></span>
          </span>
          <span v-if="suspect.same.length > 0" class="mt-0.5 block text-[12px] text-bench-soft">
            looks the same: {{ suspect.same[0]?.title.toLowerCase() }}, {{ suspect.same[0]?.where
            }}{{ suspect.same.length > 1 ? ` and ${String(suspect.same.length - 1)} more` : '' }}
          </span>
        </button>
      </li>
      <li
        v-if="ranking.others.count > 0"
        class="flex justify-between px-2 py-1.5 text-[13px] text-bench-soft"
      >
        <span>{{ plural(ranking.others.count, 'other') }}</span>
        <span>{{ percent(ranking.others.probability) }}</span>
      </li>
    </ul>
    <div
      v-if="ranking.isOdd"
      class="m-2 mt-0 rounded-md border border-warning/60 p-3 text-[13px]"
      role="status"
    >
      <p class="font-semibold text-warning">No single fault goes with all of this.</p>
      <p class="mt-1 text-bench-soft">Look again at what is painted; or it is two at once:</p>
      <ul class="mt-1">
        <li v-for="pair in ranking.two" :key="pair.a + pair.b" class="mt-1">
          {{ pair.a }} <span class="text-bench-soft">with</span> {{ pair.b }}
          <span class="text-bench-soft">{{ percent(pair.probability) }} of pairs</span>
        </li>
      </ul>
    </div>
  </section>
</template>
