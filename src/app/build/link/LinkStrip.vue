<script setup lang="ts">
import { computed } from 'vue'
import { screenColour } from '../../../core/glow/colour'
import { full } from '../../../core/glow/fixed'
import { largest } from '../../../core/quantity/extremes'

const { bytes, channels, from, count, marked, chosen, label } = defineProps<{
  /** Light of each element by channel, from the lane's first on. */
  bytes: Uint8Array
  channels: string
  from: number
  count: number
  /** Elements with a mark, on the lane. */
  marked?: ReadonlySet<number>
  chosen?: number
  label: string
}>()
const emit = defineEmits<{ pick: [at: number] }>()

/** Dim light is shown lighter than it is, so that it can be told from none. */
const brightest = computed(() => largest(bytes, 1))
const letters: Readonly<Record<string, readonly [number, number, number]>> = {
  R: [1, 0, 0],
  G: [0, 1, 0],
  B: [0, 0, 1],
  W: [1, 0.95, 0.85],
  A: [1, 0.6, 0.1],
}
const colours = computed(() =>
  Array.from({ length: count }, (_, index) => {
    let [red, green, blue] = [0, 0, 0]
    for (const [channel, letter] of Array.from(channels).entries()) {
      const byte = bytes[(from + index) * channels.length + channel] ?? 0
      const [r, g, b] = letters[letter] ?? [1, 1, 1]
      const share = (byte * full) / brightest.value
      red += r * share
      green += g * share
      blue += b * share
    }
    return red + green + blue === 0
      ? undefined
      : screenColour([Math.min(full, red), Math.min(full, green), Math.min(full, blue), 0])
  }),
)
function pick(event: MouseEvent): void {
  const at = event.target instanceof HTMLElement ? event.target.dataset.at : undefined
  if (at !== undefined) emit('pick', Number(at))
}
</script>

<!-- Pixels of a run as squares in the order of the data; a click takes one. By keys the number beside it is typed or stepped. -->
<template>
  <div class="flex flex-wrap gap-[3px]" role="img" :aria-label="label" @click="pick">
    <span
      v-for="(colour, index) in colours"
      :key="index"
      class="size-3.5 rounded-[3px] border"
      :class="[
        from + index === chosen ? 'border-glow outline-2 outline-glow' : 'border-bench-line',
        marked?.has(from + index) && 'marked',
      ]"
      :data-at="from + index"
      :data-lit="colour === undefined ? undefined : colour"
      :style="{ backgroundColor: colour ?? 'var(--color-bench)' }"
    ></span>
  </div>
</template>

<style scoped>
.marked {
  background-image: linear-gradient(
    45deg,
    transparent 44%,
    var(--color-stop) 44%,
    var(--color-stop) 56%,
    transparent 56%
  );
}
</style>
