<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed } from 'vue'
import { waysBetween } from '../../core/cut/on-wire'
import type { MeasuredRun } from '../../core/measure/measure'
import { hidesDots } from '../../core/parts/mounted'
import { covers, dampnesses, facings, fixings } from '../../core/plan/choices'
import type { Mount } from '../../core/plan/plan'
import { significant } from '../../core/quantity/format'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import { named, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import BlendStrip from './BlendStrip.vue'
import { facingWords } from './facing-words'
import { fixingNames } from './fixing-names'
import { useRunSettings } from './run-settings'

/** How single lights are mounted: where they shine, what is before them, and whether it makes one light of them. */
const { run, canBeHeld } = defineProps<{
  run: MeasuredRun
  /** Each is held by itself. */
  canBeHeld: boolean
}>()

const plan = useOpenPlan()
const { mount, setMount } = useRunSettings(() => run)
const facingOptions = facings.map((value) => ({ value, label: facingWords[value] }))
const fixingOptions = computed((): Option<Mount['fixing']>[] => [
  {
    value: undefined,
    label: `${fixingNames[plan.value.rules.fixing]} (house rule)`,
  },
  ...fixings.map((value) => ({ value, label: fixingNames[value] })),
])
/** From a light to the nearest one after it, mm. */
const pitchMm = computed(() => Math.min(...waysBetween(run).filter((mm) => mm > 0.1)))
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="link-quiet">how they are mounted</PopoverButton>
    <PopoverPanel
      class="absolute right-0 bottom-full z-30 mb-2 max-h-[70vh] w-[400px] max-sm:fixed max-sm:inset-x-3 max-sm:bottom-3 max-sm:mb-0 max-sm:w-auto overflow-y-auto rounded-lg border border-bench-line bg-bench-high p-4 text-[13px] text-bench-ink shadow-xl shadow-black/60"
    >
      <h3 class="mb-2 font-semibold">{{ run.name }}</h3>
      <div class="grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
        <PickField
          label="Light goes"
          :options="facingOptions"
          :value="mount.facing"
          @pick="(facing) => setMount({ facing }, 'light goes')"
        />
        <PickField
          label="Place"
          :options="named(dampnesses)"
          :value="mount.damp"
          @pick="(damp) => setMount({ damp }, 'place')"
        />
        <PickField
          label="Cover"
          :options="named(covers)"
          :value="mount.cover"
          @pick="(cover) => setMount({ cover }, 'cover')"
        />
        <LengthField
          v-if="mount.cover !== 'none'"
          label="From the lights to it"
          :mm="mount.coverMm"
          :least="0.1"
          :most="10_000"
          :units="plan.units"
          is-required
          @set="(coverMm) => setMount({ coverMm }, 'cover')"
        />
        <PickField
          v-if="canBeHeld"
          label="Each held by"
          :options="fixingOptions"
          :value="run.line.mount?.fixing"
          @pick="(fixing) => setMount({ fixing }, 'fixing')"
        />
      </div>
      <template v-if="Number.isFinite(pitchMm)">
        <BlendStrip
          v-if="hidesDots(mount)"
          class="mt-3"
          :pitch-mm="pitchMm"
          :depth-mm="mount.coverMm"
        />
        <p v-else class="mt-3 text-[12px] text-bench-soft">
          Bare or behind clear glass each is seen, {{ significant(pitchMm) }} mm apart. A frosted or
          opal cover as far away as that makes one light of them.
        </p>
      </template>
    </PopoverPanel>
  </Popover>
</template>
