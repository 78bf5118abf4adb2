<script setup lang="ts">
import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { explained } from './explained'
import type { Word } from './glossary'

const { text } = defineProps<{ text: string }>()

const parts = computed(() => explained(text))

/** What is being explained, and where it stands in the window, px. */
const open = shallowRef<{ word: Word; left: number; top: number; isAbove: boolean }>()
/** As wide as it may become, px. */
const widthPx = 260

function show(word: Word, element: HTMLElement): void {
  const { left, top, bottom } = element.getBoundingClientRect()
  const isAbove = bottom + 120 > innerHeight
  open.value = {
    word,
    isAbove,
    left: Math.max(8, Math.min(left, innerWidth - widthPx - 8)),
    top: isAbove ? top - 4 : bottom + 4,
  }
}
function hide(): void {
  open.value = undefined
}
function touch(word: Word, { currentTarget }: Event): void {
  if (currentTarget instanceof HTMLElement) show(word, currentTarget)
}

let pointed: readonly [Word, HTMLElement] | undefined
// Whoever passes over a word does not ask for it.
const rest = useTimeoutFn(
  () => {
    if (pointed !== undefined) show(...pointed)
  },
  400,
  { immediate: false },
)
function point(word: Word, { currentTarget, pointerType }: PointerEvent): void {
  if (pointerType !== 'mouse' || !(currentTarget instanceof HTMLElement)) return
  pointed = [word, currentTarget]
  rest.start()
}
function leave(): void {
  rest.stop()
  hide()
}

// There are hundreds of these texts on a long roll: only the one that is open listens.
const listening = computed(() => (open.value === undefined ? undefined : window))
useEventListener(listening, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape') hide()
})
useEventListener(listening, ['scroll', 'pointerdown'], hide, { capture: true, passive: true })
</script>

<!-- Words of the glossary are explained where they are pointed at or touched; by keys the help has them all, those of the page first. -->
<template>
  <template v-for="(part, index) in parts" :key="index"
    ><span
      v-if="part.word"
      class="cursor-help underline decoration-current/40 decoration-dotted underline-offset-3"
      :data-word="part.word.word"
      @pointerenter="point(part.word, $event)"
      @pointerleave="leave"
      @click.stop="touch(part.word, $event)"
      >{{ part.text }}</span
    ><template v-else>{{ part.text }}</template></template
  >
  <Teleport v-if="open" to="body">
    <p
      role="tooltip"
      class="pointer-events-none fixed z-50 rounded-lg border border-bench-line bg-bench-high px-3 py-2 font-sans text-[13px] leading-snug text-bench-ink shadow-xl"
      :class="open.isAbove && '-translate-y-full'"
      :style="{ left: `${open.left}px`, top: `${open.top}px`, maxWidth: `${widthPx}px` }"
    >
      <b>{{ open.word.word }}</b><br />{{ open.word.means }}
    </p>
  </Teleport>
</template>
