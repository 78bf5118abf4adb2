<script setup lang="ts">
import { computed } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { mounted } from '../../core/parts/mounted'
import { profiles } from '../../core/parts/profiles'
import { sheetMaterialOf, sheetMaterials } from '../../core/parts/sheets'
import { fixings, type Fixing } from '../../core/plan/choices'
import { readLength } from '../../core/quantity/length'
import { usePlanStore } from '../stores/plan'
import { useRunSettings } from './run-settings'
import GoesInto from './GoesInto.vue'
import { fixingNames } from './fixing-names'

const { run } = defineProps<{ run: MeasuredRun }>()

const store = usePlanStore()
const mount = computed(() => mounted(run.line.mount))
const house = computed(() => store.plan?.rules.fixing ?? 'backing')

const { set, setMount } = useRunSettings(() => run)
const valueOf = (event: Event): string =>
  event.target instanceof HTMLSelectElement ? event.target.value : ''
function setProfile(event: Event): void {
  const profile = valueOf(event)
  // What the profile brings takes the place of what was said by hand.
  setMount(
    profile === ''
      ? { profile: undefined }
      : { profile, surface: undefined, coverMm: undefined, backingMm: undefined },
    'profile',
  )
}
function setFixing(event: Event): void {
  const fixing = valueOf(event)
  setMount({ fixing: fixing === '' ? undefined : (fixing as Fixing) }, 'fixing')
}
function setSheet(event: Event): void {
  const material = sheetMaterialOf(valueOf(event))
  set(
    {
      sheet:
        material === undefined ? undefined : { material: material.id, wrapMm: material.wrapMm },
    },
    'sheet',
  )
}
function setWrap(event: Event): void {
  const { sheet } = run.line
  if (!(event.target instanceof HTMLInputElement) || sheet === undefined) return
  const text = event.target.value.trim()
  const read = /^0*$/.test(text) ? { ok: true as const, mm: 0 } : readLength(text)
  const isGood = read.ok && read.mm <= 1000
  event.target.setCustomValidity(isGood ? '' : 'A length up to 1 m, such as 40')
  event.target.reportValidity()
  if (isGood) set({ sheet: { ...sheet, wrapMm: read.mm } }, 'sheet')
}
</script>

<template>
  <h4 class="mt-4 mb-1.5 font-semibold">What holds it, and what covers it?</h4>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2">
    <label class="text-bench-soft">
      Profile
      <select class="field mt-0.5" name="profile" :value="mount.profile ?? ''" @change="setProfile">
        <option value="">none</option>
        <option v-for="{ id, name } in profiles" :key="id" :value="id">{{ name }}</option>
      </select>
    </label>
    <label class="text-bench-soft">
      Held by
      <select
        class="field mt-0.5"
        name="fixing"
        :value="run.line.mount?.fixing ?? ''"
        :disabled="mount.profile !== undefined || mount.surface === 'air'"
        @change="setFixing"
      >
        <option value="">{{ fixingNames[house] }} (house rule)</option>
        <option v-for="one in fixings" :key="one" :value="one">{{ fixingNames[one] }}</option>
      </select>
    </label>
    <label class="text-bench-soft">
      Sheet over what it goes round
      <select
        class="field mt-0.5"
        name="sheet"
        :value="run.line.sheet?.material ?? ''"
        @change="setSheet"
      >
        <option value="">none</option>
        <option v-for="{ id, name } in sheetMaterials" :key="id" :value="id">{{ name }}</option>
      </select>
    </label>
    <label v-if="run.line.sheet" class="text-bench-soft">
      Wrapped round the edge by
      <input
        v-shown="String(run.line.sheet.wrapMm)"
        class="field mt-0.5 font-mono"
        @change="setWrap"
      />
    </label>
  </div>
  <GoesInto :run="run" :units="store.plan?.units ?? 'mm'" />
</template>
