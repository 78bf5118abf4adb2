<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '../../core/quantity/figure'
import type { LengthUnits } from '../../core/quantity/format'
import type { RollSection } from '../../core/roll/roll'
import { useSpotlight } from '../stores/spotlight'
import { useGradual } from '../ui/use-gradual'
import RollLine from './RollLine.vue'
import VerdictStamp from './VerdictStamp.vue'

const { section } = defineProps<{ section: RollSection; units: LengthUnits }>()

const spotlight = useSpotlight()
// A section of a plan of hundreds of runs has hundreds of lines. What they come to is there at once.
const first = useGradual(() => section.figures, 15)
const figures = computed(() => [
  ...first.value,
  ...section.figures.slice(first.value.length).filter(({ isTotal }) => isTotal),
])
const verdicts = useGradual(() => section.verdicts, 4)

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
  <section class="mt-4">
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
    <VerdictStamp v-for="verdict in verdicts" :key="verdict.id" :verdict="verdict" />
  </section>
</template>
