<script setup lang="ts">
import { computed } from 'vue'
import { figureText, workingText, type Figure } from '../../core/quantity/figure'
import type { Plan } from '../../core/plan/plan'
import type { Tally } from '../../core/tally'
import { sceneLabel } from '../../core/roll'
import { useSpotlight } from '../stores/spotlight'
import VerdictStamp from './VerdictStamp.vue'

const { plan, tally } = defineProps<{ plan: Plan; tally: Tally | undefined }>()

const spotlight = useSpotlight()
const isEmpty = computed(() => tally?.roll.length === 0)

const isLit = (about: readonly string[]): boolean =>
  about.length > 0 && about.length < 3 && about.some((id) => spotlight.lit.has(id))

/** A click goes to the run that the figure came from, where it is a single one. */
function follow(figure: Figure): void {
  const [id] = figure.about
  if (figure.about.length !== 1 || id === undefined) return
  spotlight.choose(id)
  document.getElementById(`line-${id}`)?.focus()
}
</script>

<template>
  <aside
    class="on-paper roll-edge overflow-y-auto bg-roll pt-4 pr-5 pb-8 pl-5 font-mono text-[12.5px] leading-[18px] text-paper-ink"
    aria-label="Tally"
    tabindex="0"
  >
    <h2 class="text-center tracking-[0.25em]">TALLY</h2>
    <p class="mt-2 mb-1 text-center text-[11px] text-paper-soft">
      {{ sceneLabel(plan) }} · each line shows its sum
    </p>

    <p v-if="isEmpty" class="mt-8 text-center text-paper-soft">
      Jot a length and its sums are printed here.
    </p>

    <section v-for="section in tally?.roll" :key="section.id" class="mt-4">
      <h3
        class="mb-1.5 border-b border-dashed border-paper-soft/50 pb-1 text-[11.5px] tracking-wide text-paper-soft uppercase"
      >
        {{ section.title }}
      </h3>
      <dl>
        <div
          v-for="figure in section.figures"
          :key="figure.id"
          class="-mx-1.5 flex items-baseline justify-between gap-3 rounded-[3px] px-1.5"
          :class="[
            isLit(figure.about) && 'bg-marker',
            figure.isTotal &&
              'mt-0.5 mb-1 rounded-none border-t border-paper-ink pt-0.5 font-semibold',
            figure.about.length === 1 && 'cursor-pointer',
          ]"
          :tabindex="figure.about.length === 1 ? 0 : undefined"
          :title="figure.rule"
          :data-figure="figure.id"
          @pointerenter="spotlight.light(figure.about)"
          @pointerleave="spotlight.dim"
          @focus="spotlight.light(figure.about)"
          @blur="spotlight.dim"
          @click="follow(figure)"
          @keydown.enter="follow(figure)"
        >
          <dt class="min-w-0 break-words">
            {{ figure.label }}
            <span
              v-if="!figure.isTotal"
              :class="figure.label === '' ? '' : 'text-paper-soft'"
              class="whitespace-nowrap"
              >{{ workingText(figure, plan.units) }}</span
            >
          </dt>
          <dd class="shrink-0 whitespace-nowrap">{{ figureText(figure, plan.units) }}</dd>
        </div>
      </dl>
      <VerdictStamp v-for="verdict in section.verdicts" :key="verdict.id" :verdict="verdict" />
    </section>
  </aside>
</template>
