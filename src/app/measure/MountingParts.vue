<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { profileOf, profilesOf } from '../../core/parts/profiles'
import type { Profile } from '../../core/plan/parts'
import { withSet } from '../../core/plan/with-set'
import { sheetMaterialOf, sheetMaterials } from '../../core/parts/sheets'
import { fixings, type Fixing } from '../../core/plan/choices'
import { readLength } from '../../core/quantity/length'
import { keptOf, newToPlan, offeredOf } from '../parts/kept'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { useRunSettings } from './run-settings'
import GoesInto from './GoesInto.vue'
import { fixingNames } from './fixing-names'

const { run } = defineProps<{ run: MeasuredRun }>()

const OwnProfileDialog = defineAsyncComponent(() => import('../parts/OwnProfileDialog.vue'))

const store = usePlanStore()
const isAdding = ref(false)
const shelf = useShelf()
const { own, mount, set, setMount } = useRunSettings(() => run)
const kept = computed(() => keptOf(shelf.parts, 'profile'))
const offered = computed(() => offeredOf(kept.value, profilesOf(own.value)))
const house = computed(() => store.plan?.rules.fixing ?? 'backing')

const valueOf = (event: Event): string =>
  event.target instanceof HTMLSelectElement ? event.target.value : ''
function setProfile(event: Event): void {
  const id = valueOf(event)
  if (id === '') setMount({ profile: undefined }, 'profile')
  else take(id, newToPlan(id, kept.value, profilesOf(own.value)))
}
/** Lies in a profile from now on: what that brings takes the place of what was said by hand. */
function take(id: string, added: Profile | undefined): void {
  const { name, line } = run
  const mount = withSet(line.mount ?? {}, {
    profile: id,
    surface: undefined,
    coverMm: undefined,
    backingMm: undefined,
  })
  store.commit(
    [
      ...(added === undefined ? [] : [{ do: 'own-profile' as const, profile: added }]),
      { do: 'set-lines', lines: [run.id], set: { mount } },
    ],
    { label: `profile of ${name}` },
  )
}
function add(profile: Profile): void {
  void shelf.keepPart({ id: profile.id, kind: 'profile', part: profile })
  take(profile.id, profile)
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
    <div class="text-bench-soft">
      <label>
        Profile
        <select
          class="field mt-0.5"
          name="profile"
          :value="mount.profile ?? ''"
          @change="setProfile"
        >
          <option value="">none</option>
          <option v-for="{ id, name } in offered" :key="id" :value="id">{{ name }}</option>
        </select>
      </label>
      <button type="button" class="link-quiet mt-1 text-[12px]" @click="isAdding = true">
        add your own profile
      </button>
      <OwnProfileDialog
        v-if="isAdding && offered[0]"
        :like="profileOf(own, mount.profile) ?? offered[0]"
        @close="isAdding = false"
        @add="add"
      />
    </div>
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
