<script setup lang="ts">
import { Trash2, X } from '@lucide/vue'
import { computed } from 'vue'
import { fusesA } from '../../core/feed/fuse'
import { connectors } from '../../core/parts/connectors'
import { gaugesFor, wireOf } from '../../core/parts/wires'
import { junctionsBefore } from '../../core/plan/supply-of'
import type { Feed, Junction } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity, significant } from '../../core/quantity/format'
import type { TallyLead } from '../../core/tally'
import LengthField from '../ui/LengthField.vue'
import { byName, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import { useOpenPlan } from '../stores/use-open-plan'

type Lead = Pick<Feed | Junction, 'from' | 'wire' | 'lengthMm' | 'fuse' | 'apart'>

const { settings, lead, junction } = defineProps<{
  /** The junction that the lead goes to: it cannot hang on itself. */
  junction?: string
  name: string
  settings: Lead | undefined
  lead: TallyLead | undefined
}>()
const emit = defineEmits<{ set: [lead: Settable<Lead>]; remove: []; close: [] }>()
const plan = useOpenPlan()

const wireId = computed(() => settings?.wire ?? plan.value.defaults.wire)
const junctions = computed(() =>
  junction === undefined ? plan.value.junctions : junctionsBefore(plan.value, junction),
)
const limitA = computed(() => wireOf(wireId.value).limitA)
const fuseText = computed(() => {
  const fuse = lead?.fuseA
  if (fuse === undefined || fuse === 'none') return ''
  return fuse === null ? 'none fits' : `${significant(fuse)} A`
})

const sources = computed((): Option<string | undefined>[] => [
  { value: undefined, label: 'its supply' },
  ...byName([...plan.value.supplies, ...junctions.value]),
])
const wires = computed(() => byName(gaugesFor(plan.value.units)))
const fuses = computed((): Option<Feed['fuse']>[] => [
  { value: 'auto', label: ['by the rule', fuseText.value].filter(Boolean).join(', ') },
  { value: 'none', label: 'none' },
  ...fusesA.map((value) => ({ value, label: `${significant(value)} A` })),
])
const parting: readonly Option<Lead['apart']>[] = [
  { value: undefined, label: 'nothing' },
  ...connectors.map(({ id, name, limitA: most }) => ({
    value: id,
    label: `${name}, ${significant(most)} A`,
  })),
]
</script>

<template>
  <div
    v-if="settings"
    class="flex flex-wrap items-end gap-x-3 gap-y-2 rounded-lg border border-glow/60 bg-bench px-3 py-2 text-[12.5px] text-bench-soft"
    role="group"
    :aria-label="`Lead of ${name}`"
    @keydown.esc="emit('close')"
  >
    <PickField
      label="From"
      width="w-auto min-w-28"
      :options="sources"
      :value="settings.from"
      @pick="(from) => emit('set', { from })"
    />
    <PickField
      :label="`Wire, takes ${formatQuantity(limitA, 'A')}`"
      :options="wires"
      :value="wireId"
      @pick="(wire) => emit('set', { wire })"
    />
    <LengthField
      label="Length, measured"
      width="w-28"
      :mm="settings.lengthMm"
      :least="1"
      :most="1_000_000"
      :units="plan.units"
      :placeholder="lead && formatLength(lead.drawnMm, plan.units)"
      @set="(lengthMm) => emit('set', { lengthMm })"
    />
    <PickField
      label="Fuse at the source"
      :options="fuses"
      :value="settings.fuse"
      @pick="(fuse) => emit('set', { fuse })"
    />
    <PickField
      label="Comes apart at"
      :options="parting"
      :value="settings.apart"
      @pick="(apart) => emit('set', { apart })"
    />
    <p v-if="lead" class="pb-1.5">
      <b class="text-bench-ink">{{ formatQuantity(lead.currentA, 'A') }}</b>, loses
      {{ formatQuantity(lead.dropV, 'V') }} and {{ formatQuantity(lead.lossW, 'W') }} at full white
    </p>
    <span class="ml-auto flex gap-1.5">
      <button class="button-quiet px-2" aria-label="Remove this feed" @click="emit('remove')">
        <Trash2 :size="14" />
      </button>
      <button class="button-quiet px-2" aria-label="Close" @click="emit('close')">
        <X :size="14" />
      </button>
    </span>
  </div>
</template>
