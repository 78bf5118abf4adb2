<script setup lang="ts">
import { GripVertical, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Reading } from '../../core/measure/jot'
import type { Line } from '../../core/plan/plan'
import { mostCharacters } from '../../core/plan/usual'
import { formatJotted, plural, type LengthUnits } from '../../core/quantity/format'

const { line, reading, units, ownVolts } = defineProps<{
  line: Line
  /** Its place on the pad, from 1. */
  number: number
  reading: Reading | undefined
  units: LengthUnits
  /** Volts of the line's own strip, where it is not the plan's. */
  ownVolts: number | undefined
  isLit: boolean
  isChosen: boolean
  isNoted: boolean
  /** The pad's only line: an example shows how to begin. */
  isOnly: boolean
  /** In view or nearly so. Others are plain text, which is much cheaper for each frame. */
  isNear: boolean
}>()

const emit = defineEmits<{
  text: [text: string]
  enter: []
  /** Several lines at once, with what stood in this one around them. */
  pasteLines: [text: string]
  remove: []
  /** Move the line by so many places. */
  move: [by: number]
  /** Move the cursor by so many lines. */
  go: [by: number]
  choose: []
  notes: []
  point: [isOn: boolean]
}>()

/** What was understood: of several equal edges how many and how long, so that a count taken for a length is seen. */
const understood = computed(() => {
  if (reading?.kind !== 'run') return ''
  const { shape, segments, lights, wantedMm } = reading
  if (lights.length > 0) return plural(lights.length, 'light')
  const each = segments[0]?.lengthMm ?? 0
  const areEqual = shape === 'edge' && segments.every(({ lengthMm }) => lengthMm === each)
  return areEqual && segments.length > 1
    ? `${String(segments.length)} × ${formatJotted(each, units)}`
    : formatJotted(wantedMm, units)
})
const error = computed(() => (reading?.kind === 'error' ? reading.message : undefined))

function onInput(event: Event): void {
  if (event.target instanceof HTMLInputElement) emit('text', event.target.value)
}

function onPaste(event: ClipboardEvent): void {
  const pasted = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\r\n]/.test(pasted) || !(event.target instanceof HTMLInputElement)) return
  event.preventDefault()
  const { value, selectionStart, selectionEnd } = event.target
  const whole = value.slice(0, selectionStart ?? 0) + pasted + value.slice(selectionEnd ?? 0)
  emit('pasteLines', whole)
}

function onKey(event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (by !== undefined) {
    event.preventDefault()
    if (event.altKey) emit('move', by)
    else emit('go', by)
  } else if (event.key === 'Enter' && !event.isComposing) emit('enter')
  else if (event.key === 'Backspace' && line.text === '') {
    event.preventDefault()
    emit('remove')
  }
}
</script>

<template>
  <div
    class="group/line relative focus-within:shadow-[inset_3px_0_0_var(--color-stop-paper)]"
    :class="[(isLit || isChosen) && 'bg-marker/80', error && 'text-stop-paper']"
    :data-at="number - 1"
    @pointerenter="emit('point', true)"
    @pointerleave="emit('point', false)"
  >
    <!-- Contained: what is typed in one row does not lay out thousands of others. -->
    <div class="flex h-(--pad-row) items-center contain-size contain-layout contain-style">
      <span
        class="grip grid h-full w-6 shrink-0 cursor-grab touch-none place-items-center text-paper-soft opacity-0 pointer-coarse:opacity-100 group-hover/line:opacity-100"
        title="Drag to move the line (Alt with the arrow keys does too)"
      >
        <GripVertical v-if="isNear" :size="14" aria-hidden="true" />
      </span>
      <span v-if="!isNear" class="min-w-0 flex-1 truncate">{{ line.text }}</span>
      <input
        v-else
        :id="`line-${line.id}`"
        class="h-full min-w-0 flex-1 bg-transparent outline-none placeholder:text-paper-soft"
        :value="line.text"
        :placeholder="isOnly ? 'shelf 650' : ''"
        :aria-label="`Line ${String(number)}`"
        :aria-invalid="error !== undefined"
        :aria-describedby="error === undefined ? undefined : `error-${line.id}`"
        :maxlength="mostCharacters"
        spellcheck="false"
        autocomplete="off"
        autocapitalize="off"
        @input="onInput"
        @keydown="onKey"
        @paste="onPaste"
        @focus="emit('choose')"
      />
      <span
        v-if="ownVolts !== undefined"
        class="ml-1.5 rounded-sm border border-current px-1 text-[12px] leading-[15px] text-paper-soft"
        >{{ ownVolts }} V</span
      >
      <button
        v-if="isNoted"
        class="ml-1.5 h-full min-w-6 shrink-0 text-paper-soft"
        title="There is a note on this line"
        :aria-label="`Notes on line ${String(number)}`"
        tabindex="-1"
        @click="emit('notes')"
      >
        ✎
      </button>
      <span class="ml-2 shrink-0 text-paper-soft" data-testid="understood">{{ understood }}</span>
      <button
        v-if="isNear"
        class="mx-1 grid size-6 shrink-0 place-items-center rounded text-paper-soft opacity-0 pointer-coarse:opacity-100 group-hover/line:opacity-100 hover:text-stop-paper focus-visible:opacity-100"
        :aria-label="`Remove line ${String(number)}`"
        tabindex="-1"
        @click="emit('remove')"
      >
        <X :size="13" />
      </button>
    </div>
    <p
      v-if="error !== undefined"
      :id="`error-${line.id}`"
      class="flex min-h-(--pad-row) items-center pr-3 pl-9 text-[12px] leading-(--pad-row)"
      data-testid="line-error"
    >
      {{ error }}
    </p>
  </div>
</template>
