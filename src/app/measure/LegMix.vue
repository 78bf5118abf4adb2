<script setup lang="ts">
import { computed } from 'vue'
import { mixedColour } from '../../core/glow/colour'
import type { LitRun } from '../../core/load/lights'
import { hasOwnPins } from '../../core/load/lit-colours'
import SliderField from '../ui/SliderField.vue'

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

const percents = computed(() => levels.value.map((level) => Math.round(100 * level)))
function set(index: number, percent: number): void {
  const level = percent / 100
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
      <SliderField
        v-for="(colour, index) in lit.colours"
        :key="colour.name"
        :label="colour.name"
        :value="percents[index] ?? 100"
        :least="0"
        :most="100"
        width="w-40"
        is-at-rest
        :aria-valuetext="`${String(percents[index] ?? 100)} %`"
        @set="set(index, $event)"
      >
        <span class="w-10 text-right tabular-nums">{{ percents[index] ?? 100 }} %</span>
      </SliderField>
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
