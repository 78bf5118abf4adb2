<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed } from 'vue'
import { stripOf } from '../../core/parts/find-strips'
import { workingText } from '../../core/quantity/figure'
import { formatLength } from '../../core/quantity/format'
import { bareTexts, sleeveText } from '../../core/wire/ends-text'
import type { Tally } from '../../core/tally'
import { blocksById, placeText } from '../../formats/csv-wires'
import { wireTint } from '../../formats/svg-diagram'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { drawnPieces, tapeScale } from '../tape/tape'
import { litWires, placeName, runOfChoice, type WireChoice } from './wire-choice'

const { runs, wiring, choice } = defineProps<{
  runs: Tally['runs']
  wiring: Tally['wiring']
  choice: WireChoice
}>()
const emit = defineEmits<{ choose: [choice: WireChoice] }>()
const plan = useOpenPlan()

const { parts } = storeToRefs(usePlanStore())
const blocks = computed(() => blocksById(wiring))
const wire = computed(() =>
  choice.kind === 'wire' ? wiring.wires.find(({ name }) => name === choice.name) : undefined,
)
const there = computed(() => {
  const lit = litWires(wiring.wires, choice)
  return wiring.wires.filter(({ name }) => lit.has(name))
})
const place = computed(() => (choice.kind === 'place' ? placeName(wiring.blocks, choice.id) : ''))

/** The run's tape with the place where the wire meets it. */
const tapePx = 300
const tape = computed(() => {
  const found = runOfChoice(wiring, choice)
  const run = runs.find(({ id }) => id === found?.run)
  if (found === undefined || run === undefined) return undefined
  const { cutPitchMm } = stripOf(parts.value, run.stripId)
  const scale = tapeScale([run], tapePx)
  const pieces = drawnPieces(run.pieces, scale)
  const pad = found.pad === 'end' ? run.groups : found.pad
  let before = 0
  let x = 0
  for (const { piece, stripX } of pieces) {
    x = stripX + Math.min(pad - before, piece.groups) * cutPitchMm * scale
    if (pad <= before + piece.groups) break
    before += piece.groups
  }
  return { run, pieces, x }
})
</script>

<template>
  <section
    class="flex flex-wrap items-center gap-x-5 gap-y-1 rounded-lg border border-glow/60 bg-bench/95 shadow-xl shadow-black/60 px-3.5 py-2 text-[12.5px]"
    aria-label="What is chosen"
    aria-live="polite"
  >
    <template v-if="wire">
      <div class="min-w-[240px] flex-1">
        <p class="flex items-center gap-2 font-semibold" data-testid="chosen-wire">
          <span
            class="inline-block h-2 w-6 rounded border border-bench-soft"
            :style="{ background: wireTint[wire.colour] }"
          />
          {{ wire.name }} · {{ placeText(blocks, wire.from) }} → {{ placeText(blocks, wire.to) }}
        </p>
        <p class="text-bench-soft">
          {{ formatLength(wire.lengthMm, plan.units) }} =
          {{ workingText(wire.working, plan.units) }} · {{ wire.gauge.name }} {{ wire.colour }} ·
          bare {{ bareTexts(wire, plan.units).join(' and ')
          }}<template v-if="wire.sleeveMm !== null">
            · sleeve {{ sleeveText(wire, plan.units) }}</template
          ><template v-for="part in wire.inLine" :key="part.kind">
            · {{ part.kind }} {{ part.text }}</template
          >
        </p>
      </div>
    </template>
    <div v-else class="min-w-[240px] flex-1">
      <p class="font-semibold">{{ place }}</p>
      <p class="flex flex-wrap gap-x-2 text-bench-soft">
        <button
          v-for="one in there.slice(0, 12)"
          :key="one.name"
          class="link-quiet"
          @click="emit('choose', { kind: 'wire', name: one.name })"
        >
          {{ one.name }} {{ one.role }}
        </button>
        <span v-if="there.length > 12">and {{ there.length - 12 }} more</span>
      </p>
    </div>
    <div v-if="tape" class="leading-tight">
      <p class="text-[12px] text-bench-soft">{{ tape.run.name }}</p>
      <svg
        :width="tapePx + 16"
        height="30"
        class="block overflow-visible"
        role="img"
        :aria-label="`Where it meets ${tape.run.name}`"
      >
        <rect
          v-for="{ piece, stripX, stripWidth } in tape.pieces"
          :key="piece.name"
          :x="stripX"
          y="12"
          :width="stripWidth"
          height="9"
          rx="1.5"
          class="fill-[#3d372f] stroke-bench-line"
        />
        <path :d="`M${tape.x} 11l-5 -8h10z`" class="fill-glow" />
      </svg>
    </div>
  </section>
</template>
