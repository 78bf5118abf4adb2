<script setup lang="ts">
import { ArrowDown, ArrowUp } from '@lucide/vue'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Progress } from '../../core/build/progress'
import type { Step } from '../../core/build/step'
import { formatQuantity } from '../../core/quantity/format'
import { useAfterPaint } from '../ui/use-after-paint'
import { kindNames, minutesText, timeOf } from './words'

const { steps, progress, current, canMove } = defineProps<{
  steps: readonly Step[]
  progress: Progress
  current: string | undefined
  /** Steps that fit into the time at hand. */
  fitting: ReadonlySet<string>
  canMove?: boolean
}>()
const emit = defineEmits<{ go: [step: string]; move: [step: string, by: -1 | 1] }>()

/** Rows that are shown around the step at hand; more when asked for. */
const most = 300
const from = ref(0)
/** The step at hand comes first; the way to it a frame later. */
const isPainted = useAfterPaint()
const shown = computed(() => (isPainted.value ? steps.slice(from.value, from.value + most) : []))
const list = useTemplateRef<HTMLElement>('list')
watch(
  () => [current, steps.length, isPainted.value] as const,
  async ([id]) => {
    const at = steps.findIndex((step) => step.id === id)
    if (at >= 0 && (at < from.value || at >= from.value + most))
      from.value = Math.max(0, at - Math.floor(most / 2))
    await nextTick()
    list.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)
const curing = computed(() => new Map(progress.curing.map((one) => [one.step.id, one.untilMs])))
function stateOf({ id, minutes }: Step): string {
  const until = curing.value.get(id)
  if (until !== undefined) return `until ${timeOf(until)}`
  if (progress.done.has(id)) return '✓'
  if (progress.skipped.has(id)) return 'skipped'
  return minutesText(minutes)
}
</script>

<template>
  <div
    class="min-h-0 overflow-y-auto rounded-lg bg-bench-raised p-2"
    tabindex="0"
    role="group"
    aria-label="The order of the work"
  >
    <button
      v-if="from > 0"
      class="button-quiet mb-1 w-full justify-center"
      @click="from = Math.max(0, from - most)"
    >
      {{ from }} earlier steps
    </button>
    <ol ref="list">
      <!-- Rows out of view are not set out until they come into it. -->
      <li
        v-for="step in shown"
        :key="step.id"
        class="flex items-stretch [contain-intrinsic-size:auto_2.1rem] [content-visibility:auto]"
      >
        <button
          class="grid -outline-offset-2 min-h-8 min-w-0 flex-1 items-center grid-cols-[4.6rem_minmax(0,1fr)_auto] gap-2 rounded-md border-l-3 px-2 py-1 text-left text-[13px] leading-snug hover:bg-bench-high max-sm:min-h-11"
          :class="[
            step.id === current ? 'border-glow bg-bench-high' : 'border-transparent',
            (progress.done.has(step.id) || progress.skipped.has(step.id)) &&
              step.id !== current &&
              '[&_span]:text-bench-soft',
          ]"
          :aria-current="step.id === current ? 'step' : undefined"
          @click="emit('go', step.id)"
        >
          <span class="text-bench-soft">{{ kindNames[step.kind] }}</span>
          <span class="min-w-0">{{ step.title }}</span>
          <span
            class="text-right whitespace-nowrap"
            :class="
              curing.has(step.id)
                ? 'text-warning'
                : progress.done.has(step.id)
                  ? 'text-ok'
                  : fitting.has(step.id)
                    ? 'text-glow'
                    : 'text-bench-soft'
            "
            :title="formatQuantity(step.minutes, 'min')"
            >{{ stateOf(step) }}</span
          >
        </button>
        <span
          v-if="canMove && !progress.done.has(step.id) && !progress.skipped.has(step.id)"
          class="flex shrink-0 items-center"
        >
          <button
            class="grid size-7 place-items-center rounded text-bench-soft hover:bg-bench-high max-sm:size-11"
            :aria-label="`Earlier: ${step.title}`"
            @click="emit('move', step.id, -1)"
          >
            <ArrowUp :size="15" />
          </button>
          <button
            class="grid size-7 place-items-center rounded text-bench-soft hover:bg-bench-high max-sm:size-11"
            :aria-label="`Later: ${step.title}`"
            @click="emit('move', step.id, 1)"
          >
            <ArrowDown :size="15" />
          </button>
        </span>
      </li>
    </ol>
    <button
      v-if="from + most < steps.length"
      class="button-quiet mt-1 w-full justify-center"
      @click="from += most"
    >
      {{ steps.length - from - most }} later steps
    </button>
  </div>
</template>
