<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { Music } from '@lucide/vue'
import { computed } from 'vue'
import { keyStep } from '../../core/glow/pattern'
import { tuneAt } from '../../core/glow/tune'
import type { Input } from '../../core/plan/plan'
import SliderField from '../ui/SliderField.vue'

const { input, value } = defineProps<{
  input: Input
  /** What it says, 0–65535. */
  value: number
}>()
const emit = defineEmits<{ touch: [value: number] }>()

const full = 65_535
/** What is on or off, and while it is held; the rest is turned. */
const isHeld = computed(() => ['motion', 'button', 'tilt', 'proximity'].includes(input.kind))
const share = computed(() => value / full)
const words: Readonly<Record<Input['kind'], string>> = {
  motion: 'someone moves',
  button: 'pressed',
  tilt: 'tilted',
  proximity: 'something on it',
  knob: 'turned to',
  light: 'daylight',
  distance: 'as near as',
  sound: 'as loud as',
  remote: 'key held',
}
const text = computed(() =>
  isHeld.value
    ? value > 0
      ? words[input.kind]
      : input.name
    : `${input.name} ${String(Math.round(share.value * 100))} %`,
)

// The tune that ships stands for music in the room.
let since = 0
const { isActive, pause, resume } = useIntervalFn(
  () => {
    emit('touch', tuneAt(performance.now() - since))
  },
  80,
  { immediate: false },
)
function toggleTune(): void {
  since = performance.now()
  if (isActive.value) {
    pause()
    emit('touch', 0)
  } else resume()
}

/** Says something for as long as it is held, with the pointer, the space bar or the enter key. */
function holding(to: number) {
  const isHolding = ({ key }: KeyboardEvent): boolean => key === ' ' || key === 'Enter'
  const release = (): void => {
    emit('touch', 0)
  }
  return {
    pointerdown: (event: PointerEvent) => {
      if (event.currentTarget instanceof HTMLElement)
        event.currentTarget.setPointerCapture(event.pointerId)
      emit('touch', to)
    },
    pointerup: release,
    pointercancel: release,
    keydown: (event: KeyboardEvent) => {
      if (!isHolding(event)) return
      event.preventDefault()
      if (!event.repeat) emit('touch', to)
    },
    keyup: (event: KeyboardEvent) => {
      if (isHolding(event)) release()
    },
    blur: () => {
      if (value > 0) release()
    },
  }
}
function turn(percent: number): void {
  emit('touch', Math.round((percent / 100) * full))
}
</script>

<!-- A thing in the room that can be touched: held with the pointer or the space bar, or turned. -->
<template>
  <button
    v-if="isHeld"
    type="button"
    class="flex min-h-6 touch-none items-center gap-1.5 rounded-full border bg-bench/80 py-1 pr-2.5 pl-1.5 text-[12px] whitespace-nowrap max-[899px]:min-h-11"
    :class="value > 0 ? 'border-glow text-glow' : 'border-bench-soft/60 text-bench-ink'"
    :aria-label="`${input.name}: hold to trigger it`"
    :aria-pressed="value > 0"
    v-on="holding(full)"
  >
    <span
      class="size-3.5 rounded-full border-2"
      :class="value > 0 ? 'border-glow bg-glow' : 'border-bench-soft'"
      aria-hidden="true"
    />
    {{ text }}
  </button>
  <span
    v-else-if="input.kind === 'remote'"
    class="flex items-center gap-1 rounded-full border border-bench-soft/60 bg-bench/80 py-0.5 pr-1.5 pl-2.5 text-[12px]"
    role="group"
    :aria-label="input.name"
  >
    {{ input.name }}
    <button
      v-for="number in 9"
      :key="number"
      type="button"
      class="grid size-6 touch-none place-items-center rounded-full max-[899px]:size-9"
      :class="
        value === number * keyStep ? 'bg-glow text-bench' : 'text-bench-ink hover:bg-bench-line'
      "
      :aria-label="`${input.name}: key ${String(number)}`"
      :aria-pressed="value === number * keyStep"
      v-on="holding(number * keyStep)"
    >
      {{ number }}
    </button>
  </span>
  <span v-else-if="input.kind === 'sound'">
    <button
      type="button"
      class="flex min-h-6 items-center gap-1.5 rounded-full border bg-bench/80 py-1 pr-2.5 pl-1.5 text-[12px] whitespace-nowrap max-[899px]:min-h-11"
      :class="isActive ? 'border-glow text-glow' : 'border-bench-soft/60 text-bench-ink'"
      :aria-pressed="isActive"
      @click="toggleTune"
    >
      <Music :size="14" aria-hidden="true" />
      {{ input.name }}: {{ isActive ? `${Math.round(share * 100)} %` : 'play a tune' }}
    </button>
  </span>
  <span
    v-else
    class="flex min-h-6 items-center gap-1.5 rounded-full border border-bench-soft/60 bg-bench/80 px-2.5 py-1 text-[12px] whitespace-nowrap max-[899px]:min-h-11"
  >
    {{ text }}
    <SliderField
      :label="input.name"
      layout="unseen"
      :value="Math.round(share * 100)"
      :least="0"
      :most="100"
      @set="turn"
    />
  </span>
</template>
