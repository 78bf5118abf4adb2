<script setup lang="ts">
import { computed, ref } from 'vue'
import type { LitRun } from '../../core/load/lights'
import type { MeasuredRun } from '../../core/measure/measure'
import { circleOrder, pinCircle, swapped, type CirclePin } from '../../core/lanes/pin-circle'
import { usePlanStore } from '../stores/plan'
import ChoiceList from '../ui/ChoiceList.vue'
import SheetDialog from '../ui/SheetDialog.vue'

const { run, lit } = defineProps<{ run: MeasuredRun; lit: LitRun }>()
const emit = defineEmits<{
  close: []
  order: [circle: number[] | undefined]
  counts: [from: 'below' | undefined]
}>()

const store = usePlanStore()
const order = computed(() => circleOrder(lit.rows, lit.columns, run.line.lights?.circle))
const from = computed(() => run.line.lights?.countsFrom ?? 'top')
const pins = computed(() => pinCircle(lit.rows, lit.columns, run.line.lights?.circle, from.value))
const views = [
  { title: 'from the top', of: 'topDegrees' },
  { title: 'from the bottom', of: 'bottomDegrees' },
] as const

const sides = [
  { value: 'top', label: 'clockwise from the top' },
  { value: 'below', label: 'clockwise from below, at the pins' },
] as const

/** Pins of the board by `row 1`, `column 3`. */
const boardPins = computed(
  () =>
    new Map(
      store.tally?.signal?.pins
        .filter(({ need: { of } }) => of.kind === 'light' && of.run === run.id)
        .map(({ need, pin }) => [need.line, pin?.name]),
    ),
)
const boardPin = ({ kind, of }: CirclePin): string =>
  boardPins.value.get(`${kind} ${String(of)}`) ?? '–'

/** Row and column, from 1, of the LED that is looked at. */
const looked = ref<readonly [row: number, column: number]>([1, 1])
const isLooked = ({ kind, of }: CirclePin): boolean => looked.value[kind === 'row' ? 0 : 1] === of
const pinsOf = computed(() => pins.value.filter(isLooked))

const radius = computed(() => Math.max(58, Math.min(96, pins.value.length * 6)))
const size = computed(() => radius.value * 2 + 70)
function place(degrees: number, at: number): { x: number; y: number } {
  const angle = (degrees * Math.PI) / 180
  return { x: size.value / 2 + at * Math.sin(angle), y: size.value / 2 - at * Math.cos(angle) }
}

/** The pin that changes over with the next one that is chosen. */
const held = ref<number>()
function hold(index: number): void {
  if (held.value === undefined || held.value === index) {
    held.value = held.value === index ? undefined : index
    return
  }
  emit('order', swapped(order.value, held.value, index))
  held.value = undefined
}
</script>

<template>
  <SheetDialog :title="`Pins of ${run.name}`" @close="emit('close')">
    <p class="mb-3 text-bench-soft">
      The pins count clockwise from the mark, seen from one side; turned over they count the other
      way. Choose two pins to change over what they take, as your part has it.
    </p>
    <ChoiceList
      class="mb-3"
      label="From which side your part counts"
      :options="sides"
      :model-value="from"
      @update:model-value="(side) => emit('counts', side === 'below' ? side : undefined)"
    />
    <div class="flex flex-wrap justify-around gap-4">
      <figure v-for="view in views" :key="view.title" class="text-center">
        <svg
          :width="size"
          :height="size"
          role="group"
          :aria-label="`Pins ${view.title}`"
          class="mx-auto block"
        >
          <circle
            :cx="size / 2"
            :cy="size / 2"
            :r="radius"
            class="fill-bench stroke-bench-line"
            stroke-width="2"
          />
          <path
            :d="`M${size / 2} ${size / 2 - radius - 2}l-6 -11h12z`"
            class="fill-warning"
            aria-hidden="true"
          />
          <g
            v-for="(pin, index) in pins"
            :key="pin.number"
            :role="view.of === 'topDegrees' ? 'button' : undefined"
            :tabindex="view.of === 'topDegrees' ? 0 : undefined"
            :aria-label="`Pin ${pin.number}: ${pin.label}`"
            :aria-pressed="view.of === 'topDegrees' ? held === index : undefined"
            @click="hold(index)"
            @keydown.enter.prevent="hold(index)"
            @keydown.space.prevent="hold(index)"
          >
            <circle
              :cx="place(pin[view.of], radius).x"
              :cy="place(pin[view.of], radius).y"
              r="10"
              :class="[
                pin.kind === 'row' ? 'fill-data' : 'fill-glow',
                held === index ? 'stroke-bench-ink' : 'stroke-bench',
                isLooked(pin) || held === index ? '' : 'opacity-55',
              ]"
              stroke-width="2.5"
            />
            <text
              :x="place(pin[view.of], radius).x"
              :y="place(pin[view.of], radius).y + 3.5"
              text-anchor="middle"
              class="pointer-events-none fill-bench text-[12px] font-bold"
            >
              {{ pin.number }}
            </text>
            <text
              :x="place(pin[view.of], radius + 23).x"
              :y="place(pin[view.of], radius + 23).y + 4"
              text-anchor="middle"
              class="pointer-events-none font-mono text-[12px]"
              :class="isLooked(pin) ? 'fill-bench-ink font-bold' : 'fill-bench-soft'"
            >
              {{ pin.label }}
            </text>
          </g>
        </svg>
        <figcaption class="text-[12px] text-bench-soft">{{ view.title }}</figcaption>
      </figure>
      <figure>
        <table class="mx-auto border-separate border-spacing-1" aria-label="LEDs">
          <tbody>
            <tr v-for="row in lit.rows" :key="row">
              <td v-for="column in lit.columns" :key="column">
                <button
                  type="button"
                  class="block size-4 rounded-full"
                  :class="looked[0] === row && looked[1] === column ? 'bg-glow' : 'bg-bench-line'"
                  :aria-label="`LED in row ${row}, column ${column}`"
                  @pointerenter="looked = [row, column]"
                  @focus="looked = [row, column]"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <figcaption class="mt-2 max-w-48 text-[12px] text-bench-soft" data-testid="led-pins">
          The LED in row {{ looked[0] }}, column {{ looked[1] }} is between
          <template v-for="(pin, index) in pinsOf" :key="pin.number">
            <template v-if="index > 0"> and </template>
            <b class="text-bench-ink">pin {{ pin.number }}</b> ({{ pin.label }}, board
            {{ boardPin(pin) }})</template
          >
        </figcaption>
      </figure>
    </div>
    <button
      v-if="run.line.lights?.circle"
      class="link-quiet mt-3 text-[12px]"
      @click="emit('order', undefined)"
    >
      rows first, then columns, again
    </button>
  </SheetDialog>
</template>
