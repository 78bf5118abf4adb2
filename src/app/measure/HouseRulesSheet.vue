<script setup lang="ts">
import ChoiceList from '../ui/ChoiceList.vue'
import NumberField from '../ui/NumberField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TickField from '../ui/TickField.vue'
import { corners, gaps, lowLogics, roundings, series, sizings } from './house-rules'
import LeadRules from './LeadRules.vue'
import { useRules } from './use-rules'

const { rules, set } = useRules()
</script>

<!-- The plan's schools and limits, each with who prefers it and why. -->
<template>
  <div class="grid gap-3 text-[13px]">
    <div>
      <ChoiceList
        label="Cut to the marks"
        :options="roundings"
        :model-value="rules.rounding"
        @update:model-value="(rounding) => set({ rounding }, 'rounding')"
      />
      <div class="mt-2 flex items-center justify-between gap-2 px-1">
        A gap lies at the
        <SegmentedChoice
          label="Place of the gap"
          :options="gaps"
          :model-value="rules.gap"
          @update:model-value="(gap) => set({ gap }, 'place of the gap')"
        />
      </div>
    </div>
    <ChoiceList
      label="At corners"
      :options="corners"
      :model-value="rules.corners"
      @update:model-value="(next) => set({ corners: next }, 'corners')"
    />
    <div>
      <ChoiceList
        label="Size the supply for"
        :options="sizings"
        :model-value="rules.sizing"
        @update:model-value="(sizing) => set({ sizing }, 'supply size')"
      />
      <NumberField
        class="mt-2 px-1"
        label="Headroom"
        layout="beside"
        width="w-16"
        unit="%"
        :value="rules.headroom"
        :least="0"
        :most="0.5"
        :step="5"
        :disabled="rules.sizing !== 'full-white'"
        @set="(headroom) => set({ headroom }, 'headroom')"
      >
        % of the supply kept free
      </NumberField>
    </div>
    <ChoiceList
      label="Where the board’s logic is low"
      :options="lowLogics"
      :model-value="rules.lowLogic"
      @update:model-value="(lowLogic) => set({ lowLogic }, 'low logic')"
    />
    <LeadRules />
    <fieldset class="grid gap-2">
      <legend class="mb-1 font-semibold">Resistors of LEDs</legend>
      <TickField
        label="One for several side by side"
        about="Fewer parts; the LED with the lowest volts takes the most. The warning stays."
        :is-on="rules.lightResistor === 'shared'"
        @set="(isOn) => set({ lightResistor: isOn ? 'shared' : 'each' }, 'resistors of LEDs')"
      />
      <div class="flex items-center gap-2">
        <SegmentedChoice
          label="Values of resistors"
          :options="series"
          :model-value="rules.eSeries"
          @update:model-value="(eSeries) => set({ eSeries }, 'values of resistors')"
        />
        ±
        <NumberField
          label="Tolerance of resistors"
          layout="unseen"
          width="w-16"
          unit="%"
          :value="rules.tolerance"
          :least="0"
          :most="0.5"
          @set="(tolerance) => set({ tolerance }, 'tolerance of resistors')"
        />
      </div>
    </fieldset>
  </div>
</template>
