<script setup lang="ts">
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import { plural } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { caseLabel } from '../../core/roll/case-label'
import { withVerdicts } from '../../core/roll/section'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { sectionsBeside, type StageName } from './stages'

const { tally, stage } = defineProps<{
  tally: PlanAnswers | undefined
  /** The page it stands beside: the roll is cut off to what that page is about. */
  stage: StageName
}>()
const plan = useOpenPlan()

// Sections are printed once the figures have come: so may the code for it.
const RollSection = defineAsyncComponent(() => import('./RollSection.vue'))
const PutRightSheet = defineAsyncComponent(() => import('./PutRightSheet.vue'))

const scroller = useTemplateRef<HTMLElement>('scroller')

const store = usePlanStore()
const kinds = computed(() => sectionsBeside(stage))
watch(
  kinds,
  (shown) => {
    store.showSections(shown)
  },
  { immediate: true },
)
/** Until the sections of this page have come, those of the page before are not shown beside it. */
const sections = computed(() => {
  const roll = tally?.roll
  if (roll === undefined) return undefined
  return withVerdicts(
    kinds.value.flatMap((kind) => roll[kind] ?? []),
    tally?.verdicts ?? [],
  )
})
/** Nothing will be printed: what has not come yet does not count as empty. */
const isEmpty = computed(
  () =>
    sections.value?.length === 0 && kinds.value.every((kind) => tally?.roll?.[kind] !== undefined),
)

/** How many of each grade, gravest first; a click brings the first of them into view. */
const grades = computed(() =>
  (['stop', 'warning', 'note'] as const)
    .map((grade) => ({
      grade,
      verdicts:
        sections.value?.flatMap(({ verdicts }) =>
          verdicts.filter((verdict) => verdict.grade === grade),
        ) ?? [],
    }))
    .filter(({ verdicts }) => verdicts.length > 0),
)
const tones = {
  stop: 'text-stop-paper',
  warning: 'text-warning-paper',
  note: 'text-note-paper',
} as const

/** Whether anything on any page can be mended. */
const isToMend = computed(
  () =>
    tally?.verdicts?.some(({ grade, remedies }) => grade !== 'note' && remedies.length > 0) ===
    true,
)
const isPuttingRight = ref(false)

/** Brings a verdict into view. One of a long list is there once the list has been scrolled to it. */
async function show(id: string): Promise<void> {
  const of = sections.value?.find(({ verdicts }) => verdicts.some((verdict) => verdict.id === id))
  const section = scroller.value?.querySelector(`[data-section="${of?.id ?? ''}"]`)
  const find = (): Element | null | undefined => section?.querySelector(`[data-verdict-id="${id}"]`)
  let rest: Element | null | undefined
  while (
    find() == null &&
    (rest = section?.querySelector(':scope > [data-list-rest]:last-child')) != null
  ) {
    rest.scrollIntoView({ block: 'nearest' })
    await new Promise(requestAnimationFrame)
  }
  find()?.scrollIntoView({ block: 'nearest' })
}
</script>

<template>
  <aside
    class="on-paper roll-edge relative min-h-0 bg-roll font-mono text-[12.5px] leading-[18px] text-paper-ink"
    aria-label="Tally"
  >
    <div
      ref="scroller"
      class="h-full overflow-y-auto px-5 pt-4 pb-8"
      tabindex="0"
      role="group"
      aria-label="The sums"
    >
      <h2 class="text-center tracking-[0.25em]">TALLY</h2>
      <p class="mt-2 mb-1 text-center text-[12px] text-paper-soft">
        {{ caseLabel(plan) }} · each line shows its sum
      </p>
      <!-- It has its place before the verdicts have come, and where there are none: the sums below must not move. -->
      <div
        v-if="tally && tally.runs.length > 0"
        class="flex min-h-[50px] flex-col items-center justify-center text-[12px]"
      >
        <p v-if="grades.length > 0" class="flex justify-center gap-4 font-semibold">
          <button
            v-for="{ grade, verdicts } in grades"
            :key="grade"
            class="underline decoration-dotted underline-offset-3"
            :class="tones[grade]"
            @click="verdicts[0] && show(verdicts[0].id)"
          >
            {{ plural(verdicts.length, grade) }}
          </button>
        </p>
        <p v-else class="text-paper-soft">{{ tally.verdicts ? 'no warnings here' : '…' }}</p>
        <button
          v-if="isToMend"
          class="to-press mt-1.5 rounded border border-paper-ink/40 px-2 py-0.5 font-semibold hover:border-paper-ink"
          @click="isPuttingRight = true"
        >
          Put it right …
        </button>
      </div>
      <slot />
      <p v-if="isEmpty" class="mt-8 text-center text-paper-soft">
        Jot a length and its sums are printed here.
      </p>
      <RollSection
        v-for="section in sections"
        :key="section.id"
        :section="section"
        :units="plan.units"
      />
    </div>
    <PutRightSheet v-if="isPuttingRight" @close="isPuttingRight = false" />
  </aside>
</template>
