<script setup lang="ts">
import { computed } from 'vue'
import { mixText } from '../../core/plan/mix-text'
import type { UsePlace } from '../../core/plan/choices'
import type { Plan, SolarBox, Use } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import { usePlanStore } from '../stores/plan'
import { numberOf } from './value-of'

const { plan } = defineProps<{ plan: Plan }>()

const store = usePlanStore()

/** What the sums make of it: what nothing dims is at full, whatever the minutes say. */
const counted = computed(() => {
  const own = new Set(
    store.tally?.supplies.filter(({ loadA }) => loadA > 0).map(({ dims }) => dims) ?? [],
  )
  const [only] = own
  return mixText(
    plan,
    own.size === 1 && only !== undefined ? only : own.size === 0 ? 'all' : 'some',
  )
})
const placeNames: Readonly<Record<UsePlace, string>> = {
  worn: 'it is worn on the body',
  children: 'children play with it',
  mains: 'it goes in beside sockets or mains wiring',
}
function setWhere(place: UsePlace): void {
  const where = plan.use.where ?? []
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
/** Each with the most that it may be, and what it is shown in: per cent are a hundred times the share. */
const solarFields = [
  ['panelW', 'Panel, W', 5_000, 1],
  ['sunHours', 'Peak sun hours a day', 24, 1],
  ['batteryWh', 'Its battery, Wh', 100_000, 1],
  ['usableShare', 'Of it usable, %', 1, 100],
  ['chargeEfficiency', 'Charging keeps, %', 1, 100],
] as const
function setSolar(key: keyof SolarBox, most: number, factor: number, event: Event): void {
  const { solar } = plan.use
  if (solar === undefined) return
  const least = factor === 1 ? 0 : 0.01
  const value = Math.min(most, Math.max(least, numberOf(event) / factor))
  setUse({ solar: { ...solar, [key]: value } })
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
      <label>
        Of an hour, at full white
        <span class="flex items-center gap-1.5">
          <input
            v-shown="plan.use.mix.fullWhite"
            type="number"
            min="0"
            max="60"
            class="field block w-20"
            @change="
              setUse({ mix: { ...plan.use.mix, fullWhite: Math.min(60, numberOf($event)) } })
            "
          />
          min
        </span>
      </label>
      <label>
        and at the level
        <span class="flex items-center gap-1.5">
          <input
            v-shown="plan.use.mix.level"
            type="number"
            min="0"
            max="60"
            class="field block w-20"
            @change="setUse({ mix: { ...plan.use.mix, level: Math.min(60, numberOf($event)) } })"
          />
          min, idle the rest
        </span>
      </label>
      <label>
        Hours a day
        <input
          v-shown="plan.use.hoursADay"
          type="number"
          min="0"
          max="24"
          class="field block w-20"
          @change="setUse({ hoursADay: Math.min(24, numberOf($event)) })"
        />
      </label>
      <label>
        Price of a kWh
        <input
          v-shown="plan.use.pricePerKwh"
          type="number"
          min="0"
          step="0.01"
          class="field block w-20"
          @change="setUse({ pricePerKwh: Math.min(100, numberOf($event)) })"
        />
      </label>
      <label>
        A battery has to last, h
        <input
          v-shown="plan.use.batteryHours"
          type="number"
          min="0.1"
          step="0.5"
          class="field block w-20"
          @change="numberOf($event) > 0 && setUse({ batteryHours: numberOf($event) })"
        />
      </label>
    </div>
    <p class="mt-2 text-[12.5px] text-bench-soft" data-testid="counted">
      Energy, batteries and warmth count it <b class="text-bench-ink">{{ counted }}</b>,
      {{ plan.use.hoursADay }} h a day.
    </p>
    <label class="mt-3 flex items-center gap-2">
      <input
        type="checkbox"
        class="accent-glow"
        :checked="plan.use.solar !== undefined"
        @change="setUse({ solar: plan.use.solar === undefined ? usualSolar : undefined })"
      />
      a solar panel charges its battery
    </label>
    <div v-if="plan.use.solar" class="mt-2 grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
      <label v-for="[key, label, most, factor] in solarFields" :key="key">
        {{ label }}
        <input
          v-shown="Math.round(plan.use.solar[key] * factor * 1000) / 1000"
          type="number"
          min="0"
          step="any"
          class="field block w-20"
          @change="setSolar(key, most, factor, $event)"
        />
      </label>
      <p class="col-span-2 text-[12.5px]">
        What a day of a show takes, and whether the panel carries it, is told on the Glow page.
      </p>
    </div>
    <fieldset class="mt-3 grid gap-1.5">
      <legend class="mb-1 text-bench-soft">Where care is due</legend>
      <label v-for="(label, place) in placeNames" :key="place" class="flex items-center gap-2">
        <input
          type="checkbox"
          class="accent-glow"
          :checked="plan.use.where?.includes(place) === true"
          @change="setWhere(place)"
        />
        {{ label }}
      </label>
    </fieldset>
  </section>
</template>
