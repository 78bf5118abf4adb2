<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { profileOf, profilesOf } from '../../core/parts/profiles'
import type { Profile } from '../../core/plan/parts'
import { withSet } from '../../core/plan/with-set'
import { sheetMaterialOf, sheetMaterials } from '../../core/parts/sheets'
import { fixings, type Fixing } from '../../core/plan/choices'
import { keptOf, newToPlan, offeredOf } from '../parts/kept'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import LengthField from '../ui/LengthField.vue'
import { byName, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import { useRunSettings } from './run-settings'
import GoesInto from './GoesInto.vue'
import { fixingNames } from './fixing-names'

const { run } = defineProps<{ run: MeasuredRun }>()

const OwnProfileDialog = defineAsyncComponent(() => import('../parts/OwnProfileDialog.vue'))

const store = usePlanStore()
const plan = useOpenPlan()
const isAdding = ref(false)
const shelf = useShelf()
const { own, mount, set, setMount } = useRunSettings(() => run)
const kept = computed(() => keptOf(shelf.parts, 'profile'))
const offered = computed(() => offeredOf(kept.value, profilesOf(own.value)))
const house = computed(() => plan.value.rules.fixing)

const profileOptions = computed((): Option<string | undefined>[] => [
  { value: undefined, label: 'none' },
  ...byName(offered.value),
])
const fixingOptions = computed((): Option<Fixing | undefined>[] => [
  { value: undefined, label: `${fixingNames[house.value]} (house rule)` },
  ...fixings.map((value) => ({ value, label: fixingNames[value] })),
])
const sheetOptions: readonly Option<string | undefined>[] = [
  { value: undefined, label: 'none' },
  ...byName(sheetMaterials),
]

function setProfile(id: string | undefined): void {
  if (id === undefined) setMount({ profile: undefined }, 'profile')
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
function setSheet(id: string | undefined): void {
  const material = id === undefined ? undefined : sheetMaterialOf(id)
  set(
    {
      sheet:
        material === undefined ? undefined : { material: material.id, wrapMm: material.wrapMm },
    },
    'sheet',
  )
}
function setWrap(wrapMm = 0): void {
  const { sheet } = run.line
  if (sheet !== undefined) set({ sheet: { ...sheet, wrapMm } }, 'sheet')
}
</script>

<template>
  <h4 class="mt-4 mb-1.5 font-semibold">What holds it, and what covers it?</h4>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2">
    <div class="text-bench-soft">
      <PickField
        label="Profile"
        name="profile"
        width="w-full"
        :options="profileOptions"
        :value="mount.profile"
        @pick="setProfile"
      />
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
    <PickField
      class="text-bench-soft"
      label="Held by"
      name="fixing"
      width="w-full"
      :options="fixingOptions"
      :value="run.line.mount?.fixing"
      :disabled="mount.profile !== undefined || mount.surface === 'air'"
      @pick="(fixing) => setMount({ fixing }, 'fixing')"
    />
    <PickField
      class="text-bench-soft"
      label="Sheet over what it goes round"
      name="sheet"
      width="w-full"
      :options="sheetOptions"
      :value="run.line.sheet?.material"
      @pick="setSheet"
    />
    <LengthField
      v-if="run.line.sheet"
      class="text-bench-soft"
      label="Wrapped round the edge by"
      :mm="run.line.sheet.wrapMm"
      :most="1000"
      :units="plan.units"
      @set="setWrap"
    />
  </div>
  <GoesInto :run="run" :units="plan.units" />
</template>
