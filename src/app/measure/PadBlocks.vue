<script setup lang="ts">
import type { Reading } from '../../core/measure/jot'
import type { Line } from '../../core/plan/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import type { PadBlock } from './pad-parts'
import PadLine from './PadLine.vue'

const { blocks, readings, ownVolts, noted } = defineProps<{
  blocks: readonly PadBlock[]
  readings: ReadonlyMap<string, Reading>
  ownVolts: (line: Line) => number | undefined
  noted: ReadonlySet<string>
}>()
const plan = useOpenPlan()

/** How high a block should be until it has been drawn, in rows: what is not understood has a second one. */
const rowsOf = ({ lines }: PadBlock): number =>
  lines.reduce((sum, { id }) => sum + (readings.get(id)?.kind === 'error' ? 2 : 1), 0)
</script>

<!-- Lines that are far from view: plain text, by the block, that the browser skips until it is looked for. -->
<template>
  <div
    v-for="block in blocks"
    :key="block.at"
    v-memo="[block, plan.units, plan.notes, plan.defaults.stripId, plan.own.strips]"
    class="block print:[content-visibility:visible]"
    :style="{ containIntrinsicBlockSize: `auto calc(${rowsOf(block)} * var(--pad-row))` }"
    hidden="until-found"
    :data-at="block.at"
  >
    <PadLine
      v-for="(line, index) in block.lines"
      :key="line.id"
      :line="line"
      :number="block.at + index + 1"
      :reading="readings.get(line.id)"
      :units="plan.units"
      :own-volts="ownVolts(line)"
      :is-lit="false"
      :is-chosen="false"
      :is-only="false"
      :is-near="false"
      :is-noted="noted.has(line.id)"
    />
  </div>
</template>
