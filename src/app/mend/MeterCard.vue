<script setup lang="ts">
import { computed } from 'vue'
import type { OpenPlace } from '../../core/mend/meter'
import { openMinutes } from '../../core/mend/practice'
import type { TipPlace } from '../../core/mend/tips'
import { plural } from '../../core/quantity/format'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import PickList from './PickList.vue'
import type { Meter, TipName } from './use-meter'
import TickField from '../ui/TickField.vue'

const { meter, tips, opens, isBusy, pointAt } = defineProps<{
  meter: Meter
  /** Every place that has a name. */
  tips: readonly TipPlace[]
  opens: readonly OpenPlace[]
  isBusy: boolean
  /** Where tips are put down by pointing, in words. */
  pointAt: string
}>()
const { mode, isBright, next, rail, shown, hint } = meter

const modes = [
  { value: 'V', label: 'V, power on' },
  { value: 'Ω', label: 'Ω, power off' },
  { value: 'A', label: 'A, in between' },
] as const
const tipNames = [
  { value: 'red', label: 'Red tip' },
  { value: 'black', label: 'Black tip' },
] as const
const railNames = [
  { value: 'plus', label: 'plus' },
  { value: 'minus', label: 'minus' },
] as const

const textOf = ({
  id,
  name,
}: {
  readonly id: string
  readonly name: string
}): {
  readonly id: string
  readonly text: string
} => ({ id, text: name })
/** … and those that were pointed at between them. */
const items = computed(() =>
  [
    ...new Map(
      [...tips, meter.tips.red.value, meter.tips.black.value].flatMap((tip) =>
        tip === undefined || (mode.value === 'V' && tip.at.kind === 'signal')
          ? []
          : [[tip.id, tip] as const],
      ),
    ).values(),
  ].map(textOf),
)
const choose = (tip: TipName, id: string | undefined): void => {
  meter.hold(
    tip,
    tips.find((one) => one.id === id),
  )
}
const opened = computed({
  get: () => meter.opened.value?.id,
  set: (id) => {
    meter.openAt(opens.find((one) => one.id === id))
  },
})
</script>

<template>
  <section class="rounded-lg border border-bench-line bg-bench-raised p-4" aria-label="Meter">
    <h2 class="mb-2 text-[14px] font-semibold">
      Hold the meter
      <span class="font-normal text-bench-soft">or point at {{ pointAt }}</span>
    </h2>
    <form class="grid gap-2" @submit.prevent="meter.read">
      <div class="flex flex-wrap items-center gap-2">
        <SegmentedChoice v-model="mode" label="What is measured" :options="modes" />
        <TickField
          v-if="mode !== 'Ω'"
          class="min-h-6 text-[13px]"
          label="full white"
          :is-on="isBright"
          @set="isBright = $event"
        />
      </div>
      <template v-if="mode === 'A'">
        <PickList v-model="opened" :items="opens.map(textOf)" label="In the plus of" :most="40" />
        <p class="text-[13px] text-bench-soft">
          Power off, the plus opened, the meter’s 10 A socket in between, power on.
          {{ plural(openMinutes, 'minute') }} each time.
        </p>
      </template>
      <template v-else>
        <div
          v-for="{ value: tip, label } in tipNames"
          :key="tip"
          class="grid grid-cols-[58px_1fr] items-center"
        >
          <span class="flex items-center gap-1.5 text-[13px]" aria-hidden="true">
            <span
              class="size-3 rounded-full border border-white"
              :class="tip === 'red' ? 'bg-[#d92d20]' : 'bg-[#15161c]'"
            />{{ tip }}
          </span>
          <PickList
            :model-value="meter.tips[tip].value?.id"
            :items="items"
            :label="`${label} on`"
            :most="40"
            @update:model-value="choose(tip, $event)"
          />
        </div>
        <div class="flex flex-wrap items-center gap-x-3 gap-y-2 text-[13px] text-bench-soft">
          <span>Put down next by pointing:</span>
          <SegmentedChoice v-model="next" label="Tip that is put down next" :options="tipNames" />
          <template v-if="mode === 'Ω'">
            <span>on a tape’s</span>
            <SegmentedChoice v-model="rail" label="Rail of a tape" :options="railNames" />
          </template>
        </div>
      </template>
      <p v-if="hint" class="text-[13px] text-warn" role="status">{{ hint }}</p>
      <p class="flex items-center gap-3">
        <button
          class="button-main min-h-9 max-[899px]:min-h-11"
          :disabled="!meter.isHeld.value || isBusy"
        >
          Read it
        </button>
        <output class="font-mono text-[22px] text-data" aria-live="polite">{{
          shown ?? '– – –'
        }}</output>
      </p>
    </form>
  </section>
</template>
