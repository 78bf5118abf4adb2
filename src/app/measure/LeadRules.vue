<script setup lang="ts">
import { computed } from 'vue'
import { gaugesFor } from '../../core/parts/wires'
import { fixings } from '../../core/plan/choices'
import { significant } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import { fixingNames } from './fixing-names'
import { useRules } from './use-rules'

const store = usePlanStore()
const plan = useOpenPlan()
const { rules, set } = useRules()
const gauges = computed(() =>
  gaugesFor(plan.value.units).map(({ id, name, limitA }) => ({
    value: id,
    label: `${name}, ${significant(limitA)} A`,
  })),
)
const fixingOptions = fixings.map((value) => ({ value, label: fixingNames[value] }))
function setWire(wire: string): void {
  store.commit([{ do: 'set-default-wire', wire }], { label: 'usual wire' })
}
</script>

<!-- How leads are cut, what strips are held by, and how many spares are bought. -->
<template>
  <fieldset class="grid gap-2">
    <legend class="mb-1 font-semibold">Leads and light</legend>
    <PickField
      label="Leads are of"
      layout="beside"
      :options="gauges"
      :value="plan.defaults.wire"
      @pick="setWire"
    />
    <p class="text-[12px] text-bench-soft">
      Thick enough for most runs. One gauge for all is simplest to buy and solder; for wires hidden
      in a groove, choose a gauge for each lead on the feed page.
    </p>
    <NumberField
      label="Slack"
      layout="beside"
      width="w-16"
      unit="%"
      :value="rules.slack"
      :least="0"
      :most="1"
      :step="5"
      @set="(slack) => set({ slack }, 'slack')"
    >
      % longer than on the drawing
    </NumberField>
    <LengthField
      label="More at each end, to strip and solder it"
      layout="beside"
      width="w-24"
      :mm="rules.slackEndMm"
      :most="1000"
      :units="plan.units"
      is-required
      @set="(mm) => mm !== undefined && set({ slackEndMm: mm }, 'slack at the ends')"
    />
    <NumberField
      label="Wires home come in cables of"
      layout="beside"
      width="w-16"
      :value="rules.cableWires"
      :least="2"
      :most="50"
      is-whole
      @set="(cableWires) => set({ cableWires }, 'cables')"
    />
    <PickField
      label="Strips are held by"
      layout="beside"
      :options="fixingOptions"
      :value="rules.fixing"
      @pick="(fixing) => set({ fixing }, 'what holds strips')"
    />
    <NumberField
      label="Small parts are bought with"
      layout="beside"
      width="w-16"
      unit="%"
      :value="rules.spare"
      :least="0"
      :most="1"
      @set="(spare) => set({ spare }, 'spares')"
    >
      % spare
    </NumberField>
    <p class="text-[12px] text-bench-soft">
      The last row always wants more: a tenth where the way is clear, a fifth around corners.
    </p>
    <NumberField
      label="Faded below"
      layout="beside"
      width="w-16"
      unit="%"
      :value="rules.keep"
      :least="0.1"
      :most="1"
      :step="5"
      @set="(keep) => set({ keep }, 'when a light has faded')"
    >
      % of the weakest colour
    </NumberField>
    <p class="text-[12px] text-bench-soft">
      Most eyes see a fifth less; for photographs and white walls take 95.
    </p>
  </fieldset>
</template>
