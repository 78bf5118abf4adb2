<script setup lang="ts">
import { computed } from 'vue'
import { mixedColour } from '../../core/glow/colour'
import type { LitRun } from '../../core/load/lights'
import { hasOwnPins } from '../../core/load/lit-colours'

/** LEDs of several colours: how bright each is, and what they make together. */
const { lit } = defineProps<{ lit: LitRun }>()
const emit = defineEmits<{ mix: [levels: number[]] }>()

const tints = computed(() => lit.colours.map(({ tint }) => tint))
const canMix = computed(() => hasOwnPins(lit))
const levels = computed(() =>
  lit.colours.map((_, index) => (canMix.value ? (lit.settings.mix?.[index] ?? 1) : 1)),
)
/** Every set of colours that can be lit together, one by one first. */
const sets = computed(() =>
  Array.from({ length: 2 ** tints.value.length - 1 }, (_, index) =>
    tints.value.map((_tint, at) => ((index + 1) & (1 << at)) > 0),
  )
    .toSorted((a, b) => a.filter(Boolean).length - b.filter(Boolean).length)
    .map((isLit) => ({
      name: lit.colours.flatMap(({ name }, at) => (isLit[at] ? [name] : [])).join(' + '),
      colour: mixedColour(tints.value, isLit.map(Number)),
      levels: isLit.map(Number),
    })),
)
const mixed = computed(() => mixedColour(tints.value, levels.value))

function set(index: number, event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const level = event.target.valueAsNumber / 100
  emit(
    'mix',
    levels.value.map((own, at) => (at === index ? level : own)),
  )
}
</script>

<template>
  <div class="mt-2 flex items-start gap-3 text-[12px] text-bench-soft">
    <span
      class="mt-0.5 size-11 shrink-0 rounded-md border border-bench-line"
      :style="{ background: mixed }"
      role="img"
      :aria-label="`They look like ${mixed}`"
    />
    <div v-if="canMix" class="min-w-0 flex-1">
      <label
        v-for="(colour, index) in lit.colours"
        :key="colour.name"
        class="flex items-center gap-2"
      >
        <span class="w-18 shrink-0">{{ colour.name }}</span>
        <input
          class="min-w-0 flex-1 accent-glow"
          type="range"
          min="0"
          max="100"
          :value="Math.round((levels[index] ?? 1) * 100)"
          :aria-valuetext="`${String(Math.round((levels[index] ?? 1) * 100))} %`"
          @change="set(index, $event)"
        />
        <span class="w-10 text-right tabular-nums">
          {{ Math.round((levels[index] ?? 1) * 100) }} %
        </span>
      </label>
      <div class="mt-1.5 flex flex-wrap gap-1.5">
        <button
          v-for="one in sets"
          :key="one.name"
          class="size-6 rounded-full border border-bench-line max-[899px]:size-11"
          :style="{ background: one.colour }"
          :title="one.name"
          :aria-label="`Light ${one.name}`"
          @click="emit('mix', one.levels)"
        />
      </div>
    </div>
    <p v-else class="self-center">
      All colours are lit together. With each colour on a pin, or on PWM sink boards, the program
      mixes them.
    </p>
  </div>
</template>
