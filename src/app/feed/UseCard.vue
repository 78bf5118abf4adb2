<script setup lang="ts">
import { computed } from 'vue'
import { mixText } from '../../core/plan/mix-text'
import type { UsePlace } from '../../core/plan/choices'
import type { SolarBox, Use } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import NumberField from '../ui/NumberField.vue'
import TickField from '../ui/TickField.vue'

const plan = useOpenPlan()

const store = usePlanStore()

/** What the sums make of it: what nothing dims is at full, whatever the minutes say. */
const counted = computed(() => {
  const own = new Set(
    store.tally?.supplies.filter(({ loadA }) => loadA > 0).map(({ dims }) => dims) ?? [],
  )
  const [only] = own
  return mixText(
    plan.value,
    own.size === 1 && only !== undefined ? only : own.size === 0 ? 'all' : 'some',
  )
})
const placeNames: Readonly<Record<UsePlace, string>> = {
  worn: 'it is worn on the body',
  children: 'children play with it',
  mains: 'it goes in beside sockets or mains wiring',
}
function setWhere(place: UsePlace): void {
  const where = plan.value.use.where ?? []
  setUse({
    where: where.includes(place) ? where.filter((one) => one !== place) : [...where, place],
  })
}
/** *Typical* of a small garden box: half of its battery is used, a plain controller charges it. */
const usualSolar: SolarBox = {
  panelW: 10,
  sunHours: 2.5,
  chargeEfficiency: 0.6,
  batteryWh: 84,
  usableShare: 0.5,
}
const solarFields = [
  { key: 'panelW', label: 'Panel', unit: 'W', least: 0, most: 5_000 },
  { key: 'sunHours', label: 'Peak sun hours a day', unit: '', least: 0, most: 24 },
  { key: 'batteryWh', label: 'Its battery', unit: 'Wh', least: 0, most: 100_000 },
  { key: 'usableShare', label: 'Of it usable', unit: '%', least: 0.01, most: 1 },
  { key: 'chargeEfficiency', label: 'Charging keeps', unit: '%', least: 0.01, most: 1 },
] as const
function setSolar(key: keyof SolarBox, value: number): void {
  const { solar } = plan.value.use
  if (solar !== undefined) setUse({ solar: { ...solar, [key]: value } })
}
function setUse(set: Settable<Use>): void {
  store.commit([{ do: 'set-use', use: set }], { label: 'how it is used', key: 'use' })
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="How it is used"
  >
    <h2 class="mb-2 font-semibold">How it is used</h2>
    <div class="grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
      <NumberField
        label="Of an hour, at full white"
        unit="min"
        :value="plan.use.mix.fullWhite"
        :least="0"
        :most="60"
        @set="(fullWhite) => setUse({ mix: { ...plan.use.mix, fullWhite } })"
      />
      <NumberField
        label="and at the level"
        unit="min"
        :value="plan.use.mix.level"
        :least="0"
        :most="60"
        @set="(level) => setUse({ mix: { ...plan.use.mix, level } })"
      >
        min, idle the rest
      </NumberField>
      <NumberField
        label="Hours a day"
        :value="plan.use.hoursADay"
        :least="0"
        :most="24"
        @set="(hoursADay) => setUse({ hoursADay })"
      />
      <NumberField
        label="Price of a kWh"
        unit="price"
        :value="plan.use.pricePerKwh"
        :least="0"
        :most="100"
        :step="0.01"
        @set="(pricePerKwh) => setUse({ pricePerKwh })"
      />
      <NumberField
        label="A battery has to last"
        :value="plan.use.batteryHours"
        :least="0.1"
        :most="10_000"
        :step="0.5"
        @set="(batteryHours) => setUse({ batteryHours })"
      >
        h
      </NumberField>
    </div>
    <p class="mt-2 text-[12.5px] text-bench-soft" data-testid="counted">
      Energy, batteries and warmth count it <b class="text-bench-ink">{{ counted }}</b>,
      {{ plan.use.hoursADay }} h a day.
    </p>
    <TickField
      class="mt-3"
      label="a solar panel charges its battery"
      :is-on="plan.use.solar !== undefined"
      @set="(isOn) => setUse({ solar: isOn ? usualSolar : undefined })"
    />
    <div v-if="plan.use.solar" class="mt-2 grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
      <NumberField
        v-for="{ key, label, unit, least, most } in solarFields"
        :key="key"
        :label="label"
        :unit="unit"
        :value="plan.use.solar[key]"
        :least="least"
        :most="most"
        @set="setSolar(key, $event)"
      />
      <p class="col-span-2 text-[12.5px]">
        The Glow page shows what a day of a show takes, and whether the panel carries it.
      </p>
    </div>
    <fieldset class="mt-3 grid gap-1.5">
      <legend class="mb-1 text-bench-soft">Extra care is needed if</legend>
      <TickField
        v-for="(label, place) in placeNames"
        :key="place"
        :label="label"
        :is-on="plan.use.where?.includes(place) === true"
        @set="setWhere(place)"
      />
    </fieldset>
  </section>
</template>
