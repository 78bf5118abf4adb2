<script setup lang="ts">
import type { Reel } from '../../core/cut/reels'
import { formatLength, type LengthUnits } from '../../core/quantity/format'

const { reel, longestMm } = defineProps<{
  reel: Reel
  number: number
  /** Length of the longest reel: all are drawn to one scale. */
  longestMm: number
  units: LengthUnits
  lit: ReadonlySet<string>
}>()
const emit = defineEmits<{ point: [runId: string | undefined] }>()

const share = (mm: number): string => `${String((mm / longestMm) * 100)}%`
</script>

<template>
  <div class="mb-1.5 flex items-center gap-3">
    <p class="w-24 shrink-0 text-[12px] text-bench-soft">
      {{ reel.kind === 'reel' ? `reel ${String(number)}` : 'from the drawer' }} ·
      {{ formatLength(reel.lengthMm, units === 'mm' ? 'cm' : units) }}
    </p>
    <div class="min-w-0 flex-1">
      <div class="flex h-6 overflow-hidden rounded" :style="{ width: share(reel.lengthMm) }">
        <div
          v-for="cut in reel.cuts"
          :key="`${cut.piece} ${cut.part}`"
          class="grid min-w-0 place-items-center overflow-hidden border-r-2 border-bench-raised text-[12px] font-semibold whitespace-nowrap"
          :class="lit.has(cut.runId) ? 'bg-glow text-bench' : 'bg-[#5a4a30] text-[#fff3d6]'"
          :style="{ width: `${(cut.lengthMm / reel.lengthMm) * 100}%` }"
          :title="`${cut.piece}: groups ${cut.fromGroup} to ${cut.toGroup}, ${formatLength(cut.lengthMm, units)}`"
          @pointerenter="emit('point', cut.runId)"
          @pointerleave="emit('point', undefined)"
        >
          {{ cut.piece }}<template v-if="cut.parts > 1">.{{ cut.part }}</template>
        </div>
        <div
          class="leftover grid min-w-0 flex-1 place-items-center overflow-hidden text-[12px] whitespace-nowrap text-bench-soft"
        >
          {{ reel.leftoverMm >= 0.05 * longestMm ? formatLength(reel.leftoverMm, units) : '' }}
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.leftover {
  background: repeating-linear-gradient(-45deg, #ffffff0d 0 4px, transparent 4px 9px);
}
</style>
