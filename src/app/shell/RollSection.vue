<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '../../core/quantity/figure'
import type { LengthUnits } from '../../core/quantity/format'
import type { RollSection } from '../../core/roll/section'
import { useSpotlight } from '../stores/spotlight'
import ListRest from '../ui/ListRest.vue'
import { useScrolled } from '../ui/use-gradual'
import RollLine from './RollLine.vue'
import VerdictStamp from './VerdictStamp.vue'

const { section } = defineProps<{ section: RollSection; units: LengthUnits }>()

const spotlight = useSpotlight()
// A section of a plan of hundreds of runs has hundreds of lines. What they come to is there at once.
const {
  shown: figures,
  rest: figuresLeft,
  isNear: areFiguresNear,
} = useScrolled(() => section.figures, 15)
const totals = computed(() =>
  section.figures.slice(figures.value.length).filter(({ isTotal }) => isTotal),
)
const {
  shown: verdicts,
  rest: verdictsLeft,
  isNear: areVerdictsNear,
} = useScrolled(() => section.verdicts, 4)

const isLit = (about: readonly string[]): boolean =>
  about.length > 0 && about.length < 3 && about.some((id) => spotlight.lit.has(id))

/** A click goes to the run that the figure came from, where it is a single one. */
function follow({ about }: Figure): void {
  const [id] = about
  if (about.length !== 1 || id === undefined) return
  spotlight.goTo(id)
}
</script>

<template>
  <section class="mt-4" :data-section="section.id">
    <h3
      class="mb-1.5 border-b border-dashed border-paper-soft/50 pb-1 text-[12px] tracking-wide text-paper-soft uppercase"
    >
      {{ section.title }}
    </h3>
    <dl>
      <RollLine
        v-for="figure in figures"
        :key="figure.id"
        v-memo="[figure, units, isLit(figure.about)]"
        :figure="figure"
        :units="units"
        :is-lit="isLit(figure.about)"
        @light="spotlight.light(figure.about)"
        @dim="spotlight.dim"
        @follow="follow(figure)"
      />
    </dl>
    <ListRest v-model="areFiguresNear" :rows="figuresLeft" :row-px="18" />
    <dl v-if="totals.length > 0">
      <RollLine
        v-for="figure in totals"
        :key="figure.id"
        :figure="figure"
        :units="units"
        :is-lit="isLit(figure.about)"
        @light="spotlight.light(figure.about)"
        @dim="spotlight.dim"
        @follow="follow(figure)"
      />
    </dl>
    <VerdictStamp v-for="verdict in verdicts" :key="verdict.id" :verdict="verdict" />
    <ListRest v-model="areVerdictsNear" :rows="verdictsLeft" :row-px="90" />
  </section>
</template>
