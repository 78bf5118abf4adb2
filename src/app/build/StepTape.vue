<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../core/build/step'
import type { PlanAnswers } from '../engine/follow-plan'

const { step, runs } = defineProps<{ step: Step; runs: PlanAnswers['runs'] }>()

/** More runs than this are a place, and are shown on the drawing alone. */
const most = 3
/** Runs with the pieces that the step is about; all of a run's where it names none of them. */
const tapes = computed(() => {
  const about = new Set(step.about)
  return runs.flatMap(({ id, name, pieces }) => {
    const placed = pieces.filter(({ groups }) => groups > 0)
    const named = placed.filter((piece) => about.has(piece.name))
    if (placed.length === 0 || (!about.has(id) && named.length === 0)) return []
    const lit = new Set((named.length > 0 ? named : placed).map((piece) => piece.name))
    return [
      {
        id,
        name,
        pieces: placed.map((piece) => ({
          name: piece.name,
          groups: piece.groups,
          isLit: lit.has(piece.name),
        })),
      },
    ]
  })
})
</script>

<!-- The tape of what the step is about, with its pieces lit. -->
<template>
  <div v-if="tapes.length > 0 && tapes.length <= most" class="flex max-w-[34rem] flex-col gap-2">
    <div
      v-for="tape in tapes"
      :key="tape.id"
      role="img"
      :aria-label="`${tape.name}: ${tape.pieces
        .filter(({ isLit }) => isLit)
        .map(({ name }) => name)
        .join(', ')} of ${tape.pieces.map(({ name }) => name).join(', ')}`"
    >
      <div class="flex gap-0.5">
        <div
          v-for="piece in tape.pieces"
          :key="piece.name"
          class="min-w-0"
          :style="{ flexGrow: piece.groups, flexBasis: 0 }"
        >
          <span
            class="block truncate text-[13px]"
            :class="piece.isLit ? 'font-semibold' : 'text-bench-soft'"
            >{{ piece.name }}</span
          >
          <span
            class="block h-3 rounded-sm border"
            :class="piece.isLit ? 'border-glow bg-glow' : 'border-bench-line bg-bench'"
          ></span>
        </div>
      </div>
    </div>
  </div>
</template>
