<script setup lang="ts">
import { fixings } from '../../core/plan/choices'
import { fixingNames } from './fixing-names'
import type { Corners, GapPlace, LowLogic, Rounding, Sizing } from '../../core/plan/choices'
import { gaugesFor } from '../../core/parts/wires'
import { eSeriesNames } from '../../core/plan/choices'
import type { Plan, Rules } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import LengthField from '../ui/LengthField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

const { plan } = defineProps<{ plan: Plan }>()

const store = usePlanStore()

const roundings: readonly { value: Rounding; label: string; who: string }[] = [
  {
    value: 'inside',
    label: 'Stay inside',
    who: 'Never hangs over; leaves a gap of less than a group.',
  },
  {
    value: 'nearest',
    label: 'Nearest mark',
    who: 'Smallest error; may hang over by half a group.',
  },
  { value: 'cover', label: 'Cover the end', who: 'No dark end; the strip folds or hangs over.' },
]
const sizings: readonly { value: Sizing; label: string; who: string }[] = [
  {
    value: 'full-white',
    label: 'Full white and headroom',
    who: 'Runs cool and is safe with any pattern.',
  },
  {
    value: 'next-size',
    label: 'Full white, next size up',
    who: 'Smaller; enough where white is rare.',
  },
  {
    value: 'scenes',
    label: 'What the level scene draws',
    who: 'Smallest; the program must hold the limit.',
  },
]

const lowLogics: readonly { value: LowLogic; label: string; who: string }[] = [
  { value: 'buffer', label: 'A buffer', who: 'Sure, and reaches five metres; one more part.' },
  {
    value: 'diode',
    label: 'A diode before the first pixel',
    who: 'Cheapest; gives the first pixel up.',
  },
  {
    value: 'lower-supply',
    label: 'Lower the strip’s supply',
    who: 'No part at all; a little dimmer, and only where there is a trimmer.',
  },
  { value: '5v-board', label: 'A 5 V board', who: 'For those who have one in the drawer.' },
  { value: 'try', label: 'Try it and see', who: 'Often works on the bench; the warning stays.' },
]
const corners: readonly { value: Corners; label: string; who: string }[] = [
  {
    value: 'jump',
    label: 'Cut and jump',
    who: 'Flat corners, a jumper wire at each; most joints.',
  },
  { value: 'fold', label: 'Fold on', who: 'No joints; the fold needs room and a soft strip.' },
]
const gaps: readonly { value: GapPlace; label: string }[] = [
  { value: 'far', label: 'far end' },
  { value: 'shared', label: 'shared' },
  { value: 'near', label: 'near end' },
]

const setCorners = (value: Corners): void => {
  store.commit([{ do: 'set-rules', rules: { corners: value } }], { label: 'corners' })
}
const setGap = (value: GapPlace): void => {
  store.commit([{ do: 'set-rules', rules: { gap: value } }], { label: 'place of the gap' })
}
const setRounding = (rounding: Rounding): void => {
  store.commit([{ do: 'set-rules', rules: { rounding } }], { label: 'rounding' })
}
const setLowLogic = (lowLogic: LowLogic): void => {
  store.commit([{ do: 'set-rules', rules: { lowLogic } }], { label: 'low logic' })
}
const setSizing = (sizing: Sizing): void => {
  store.commit([{ do: 'set-rules', rules: { sizing } }], { label: 'supply size' })
}
const seriesOptions = eSeriesNames.map((value) => ({ value, label: value }))
const wireOptions = gaugesFor(plan.units).map(({ id, name, limitA }) => ({
  id,
  text: `${name}, ${String(limitA)} A`,
}))
const percentOf = (event: Event, least: number, most: number): number | undefined => {
  if (!(event.target instanceof HTMLInputElement)) return undefined
  const share = event.target.valueAsNumber / 100
  return Number.isNaN(share) ? undefined : Math.min(most, Math.max(least, share))
}
function setLed(rules: Partial<Pick<Rules, 'lightResistor' | 'eSeries' | 'tolerance'>>): void {
  store.commit([{ do: 'set-rules', rules }], { label: 'resistors of LEDs', key: 'led' })
}
function setTolerance(event: Event): void {
  const tolerance = percentOf(event, 0, 0.5)
  if (tolerance !== undefined) setLed({ tolerance })
}
function setSlack(event: Event): void {
  const slack = percentOf(event, 0, 1)
  if (slack !== undefined)
    store.commit([{ do: 'set-rules', rules: { slack } }], { label: 'slack', key: 'slack' })
}
function setSlackEnd(slackEndMm: number | undefined): void {
  if (slackEndMm !== undefined)
    store.commit([{ do: 'set-rules', rules: { slackEndMm } }], { label: 'slack at the ends' })
}
function setCable(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const cableWires = Math.min(50, Math.max(2, Math.round(event.target.valueAsNumber)))
  if (!Number.isNaN(cableWires))
    store.commit([{ do: 'set-rules', rules: { cableWires } }], { label: 'cables', key: 'cable' })
}
function setSpare(event: Event): void {
  const spare = percentOf(event, 0, 1)
  if (spare !== undefined)
    store.commit([{ do: 'set-rules', rules: { spare } }], { label: 'spares', key: 'spare' })
}
function setFixing(event: Event): void {
  const fixing = fixings.find(
    (one) => event.target instanceof HTMLSelectElement && one === event.target.value,
  )
  if (fixing !== undefined)
    store.commit([{ do: 'set-rules', rules: { fixing } }], { label: 'what holds strips' })
}
function setKeep(event: Event): void {
  const share = percentOf(event, 0.1, 1)
  if (share !== undefined)
    store.commit([{ do: 'set-rules', rules: { keep: share } }], {
      label: 'when a light has faded',
      key: 'keep',
    })
}
function setWire(event: Event): void {
  if (event.target instanceof HTMLSelectElement)
    store.commit([{ do: 'set-default-wire', wire: event.target.value }], { label: 'usual wire' })
}
function setHeadroom(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const headroom = Math.min(0.5, Math.max(0, Number(event.target.value) / 100 || 0))
  store.commit([{ do: 'set-rules', rules: { headroom } }], { label: 'headroom', key: 'headroom' })
}
</script>

<!-- The plan's schools and limits, each with who prefers it and why. -->
<template>
  <div>
    <fieldset>
      <legend class="mb-1.5 font-semibold">Cut to the marks</legend>
      <label
        v-for="option in roundings"
        :key="option.value"
        class="flex gap-2.5 rounded px-1 py-1 text-[13px] hover:bg-bench-line"
      >
        <input
          type="radio"
          name="rounding"
          class="mt-0.5 accent-glow"
          :checked="plan.rules.rounding === option.value"
          @change="setRounding(option.value)"
        />
        <span>
          {{ option.label }}<br /><span class="text-[12px] text-bench-soft">{{ option.who }}</span>
        </span>
      </label>
    </fieldset>
    <div class="mt-2 flex items-center justify-between gap-2 px-1 text-[13px]">
      A gap lies at the
      <SegmentedChoice
        label="Place of the gap"
        :options="gaps"
        :model-value="plan.rules.gap"
        @update:model-value="setGap"
      />
    </div>
    <fieldset class="mt-3">
      <legend class="mb-1.5 font-semibold">At corners</legend>
      <label
        v-for="option in corners"
        :key="option.value"
        class="flex gap-2.5 rounded px-1 py-1 text-[13px] hover:bg-bench-line"
      >
        <input
          type="radio"
          name="corners"
          class="mt-0.5 accent-glow"
          :checked="plan.rules.corners === option.value"
          @change="setCorners(option.value)"
        />
        <span>
          {{ option.label }}<br /><span class="text-[12px] text-bench-soft">{{ option.who }}</span>
        </span>
      </label>
    </fieldset>
    <fieldset class="mt-3">
      <legend class="mb-1.5 font-semibold">Size the supply for</legend>
      <label
        v-for="option in sizings"
        :key="option.value"
        class="flex gap-2.5 rounded px-1 py-1 text-[13px] hover:bg-bench-line"
      >
        <input
          type="radio"
          name="sizing"
          class="mt-0.5 accent-glow"
          :checked="plan.rules.sizing === option.value"
          @change="setSizing(option.value)"
        />
        <span>
          {{ option.label }}<br /><span class="text-[12px] text-bench-soft">{{ option.who }}</span>
        </span>
      </label>
    </fieldset>
    <label class="mt-3 flex items-center gap-2 text-[13px]">
      Headroom
      <input
        v-shown="Math.round(plan.rules.headroom * 100)"
        type="number"
        min="0"
        max="50"
        step="5"
        class="field w-20"
        :disabled="plan.rules.sizing !== 'full-white'"
        @change="setHeadroom"
      />
      % of the supply kept free
    </label>
    <fieldset class="mt-3">
      <legend class="mb-1.5 font-semibold">Where the board’s logic is low</legend>
      <label
        v-for="option in lowLogics"
        :key="option.value"
        class="flex gap-2.5 rounded px-1 py-1 text-[13px] hover:bg-bench-line"
      >
        <input
          type="radio"
          name="low-logic"
          class="mt-0.5 accent-glow"
          :checked="plan.rules.lowLogic === option.value"
          @change="setLowLogic(option.value)"
        />
        <span>
          {{ option.label }}<br /><span class="text-[12px] text-bench-soft">{{ option.who }}</span>
        </span>
      </label>
    </fieldset>
    <fieldset class="mt-3 grid gap-2 text-[13px]">
      <legend class="mb-1 font-semibold">Leads and light</legend>
      <label class="flex items-center gap-2">
        Leads are of
        <select class="field w-36 px-1.5 py-1" :value="plan.defaults.wire" @change="setWire">
          <option v-for="wire in wireOptions" :key="wire.id" :value="wire.id">
            {{ wire.text }}
          </option>
        </select>
      </label>
      <p class="text-[12px] text-bench-soft">
        Thick enough for most runs. One gauge for all is simplest to buy and solder; for wires
        hidden in a groove, choose a gauge for each lead on the feed page.
      </p>
      <label class="flex items-center gap-2">
        Slack
        <input
          v-shown="Math.round(plan.rules.slack * 100)"
          type="number"
          min="0"
          max="100"
          step="5"
          class="field w-16 px-1.5 py-1"
          @change="setSlack"
        />
        % longer than on the drawing
      </label>
      <LengthField
        label="More at each end, to strip and solder it"
        :mm="plan.rules.slackEndMm"
        :most="1000"
        :units="plan.units"
        is-required
        @set="setSlackEnd"
      />
      <label class="flex items-center gap-2 px-1 py-1">
        Wires home come in cables of
        <input
          v-shown="plan.rules.cableWires"
          type="number"
          min="2"
          max="50"
          class="field w-16 px-1.5 py-1"
          @change="setCable"
        />
      </label>
      <label class="flex items-center gap-2 px-1 py-1">
        Strips are held by
        <select class="field w-auto py-1" :value="plan.rules.fixing" @change="setFixing">
          <option v-for="one in fixings" :key="one" :value="one">{{ fixingNames[one] }}</option>
        </select>
      </label>
      <label class="flex items-center gap-2 px-1 py-1">
        Small parts are bought with
        <input
          v-shown="Math.round(plan.rules.spare * 100)"
          type="number"
          min="0"
          max="100"
          class="field w-16 px-1.5 py-1"
          @change="setSpare"
        />
        % spare
      </label>
      <p class="text-[12px] text-bench-soft">
        The last row always wants more: a tenth where the way is clear, a fifth around corners.
      </p>
      <label class="flex items-center gap-2">
        Faded below
        <input
          v-shown="Math.round(plan.rules.keep * 100)"
          type="number"
          min="10"
          max="100"
          step="5"
          class="field w-16 px-1.5 py-1"
          @change="setKeep"
        />
        % of the weakest colour
      </label>
      <p class="text-[12px] text-bench-soft">
        Most eyes see a fifth less; for photographs and white walls take 95.
      </p>
    </fieldset>
    <fieldset class="mt-3 grid gap-2 text-[13px]">
      <legend class="mb-1 font-semibold">Resistors of LEDs</legend>
      <label class="flex gap-2.5">
        <input
          type="checkbox"
          class="mt-0.5 accent-glow"
          :checked="plan.rules.lightResistor === 'shared'"
          @change="
            setLed({ lightResistor: plan.rules.lightResistor === 'shared' ? 'each' : 'shared' })
          "
        />
        <span>
          One for several side by side<br /><span class="text-[12px] text-bench-soft"
            >Fewer parts; the LED with the lowest volts takes the most. The warning stays.</span
          >
        </span>
      </label>
      <div class="flex items-center gap-2">
        <SegmentedChoice
          label="Values of resistors"
          :options="seriesOptions"
          :model-value="plan.rules.eSeries"
          @update:model-value="(eSeries) => setLed({ eSeries })"
        />
        <label class="flex items-center gap-2">
          ±
          <input
            v-shown="Math.round(plan.rules.tolerance * 100)"
            type="number"
            min="0"
            max="50"
            class="field w-16 px-1.5 py-1"
            aria-label="Tolerance of resistors, %"
            @change="setTolerance"
          />
          %
        </label>
      </div>
    </fieldset>
  </div>
</template>
