<script setup lang="ts">
import { Trash2, X } from '@lucide/vue'
import { computed } from 'vue'
import { fusesA } from '../../core/feed/fuse'
import { connectors } from '../../core/parts/connectors'
import { gaugesFor, wireOf } from '../../core/parts/wires'
import { junctionsBefore } from '../../core/plan/supply-of'
import type { Feed, Junction, Plan } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity, significant } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import type { TallyLead } from '../../core/tally'
import { valueOf } from './value-of'

type Lead = Pick<Feed | Junction, 'from' | 'wire' | 'lengthMm' | 'fuse' | 'apart'>

const { plan, settings, lead, junction } = defineProps<{
  plan: Plan
  /** The junction that the lead goes to: it cannot hang on itself. */
  junction?: string
  name: string
  settings: Lead | undefined
  lead: TallyLead | undefined
}>()
const emit = defineEmits<{ set: [lead: Settable<Lead>]; remove: []; close: [] }>()

const wireId = computed(() => settings?.wire ?? plan.defaults.wire)
const junctions = computed(() =>
  junction === undefined ? plan.junctions : junctionsBefore(plan, junction),
)
const limitA = computed(() => wireOf(wireId.value).limitA)
const fuseText = computed(() => {
  const fuse = lead?.fuseA
  if (fuse === undefined || fuse === 'none') return ''
  return fuse === null ? 'none fits' : `${significant(fuse)} A`
})

function setLength(event: Event): void {
  const text = valueOf(event)
  const input = event.target
  if (!(input instanceof HTMLInputElement)) return
  if (text.trim() === '') {
    // What is as drawn again is not kept.
    emit('set', { lengthMm: undefined })
    return
  }
  const read = readLength(text)
  input.setCustomValidity(read.ok ? '' : read.message)
  input.reportValidity()
  if (read.ok) emit('set', { lengthMm: read.mm })
}
function setApart(event: Event): void {
  emit('set', { apart: connectors.find(({ id }) => id === valueOf(event))?.id })
}
function setFuse(event: Event): void {
  const value = valueOf(event)
  emit('set', { fuse: value === 'auto' || value === 'none' ? value : Number(value) })
}
</script>

<template>
  <div
    v-if="settings"
    class="flex flex-wrap items-end gap-x-3 gap-y-2 rounded-lg border border-glow/60 bg-bench px-3 py-2 text-[12.5px] text-bench-soft"
    role="group"
    :aria-label="`Lead of ${name}`"
    @keydown.esc="emit('close')"
  >
    <label>
      From
      <select
        class="field mt-0.5 block w-auto min-w-28"
        :value="settings.from ?? ''"
        @change="emit('set', { from: valueOf($event) || undefined })"
      >
        <option value="">its supply</option>
        <option v-for="supply in plan.supplies" :key="supply.id" :value="supply.id">
          {{ supply.name }}
        </option>
        <option v-for="before in junctions" :key="before.id" :value="before.id">
          {{ before.name }}
        </option>
      </select>
    </label>
    <label>
      Wire, takes {{ formatQuantity(limitA, 'A') }}
      <select
        class="field mt-0.5 block w-auto"
        :value="wireId"
        @change="emit('set', { wire: valueOf($event) })"
      >
        <option v-for="wire in gaugesFor(plan.units)" :key="wire.id" :value="wire.id">
          {{ wire.name }}
        </option>
      </select>
    </label>
    <label>
      Length, measured
      <input
        v-shown="settings.lengthMm === undefined ? '' : String(Math.round(settings.lengthMm))"
        class="field mt-0.5 block w-28 font-mono"
        :placeholder="lead && formatLength(lead.drawnMm, plan.units)"
        @change="setLength"
      />
    </label>
    <label>
      Fuse at the source
      <select class="field mt-0.5 block w-auto" :value="String(settings.fuse)" @change="setFuse">
        <option value="auto">by the rule{{ fuseText && `, ${fuseText}` }}</option>
        <option value="none">none</option>
        <option v-for="fuse in fusesA" :key="fuse" :value="fuse">{{ fuse }} A</option>
      </select>
    </label>
    <label>
      Comes apart at
      <select class="field mt-0.5 block w-auto" :value="settings.apart ?? ''" @change="setApart">
        <option value="">nothing</option>
        <option v-for="one in connectors" :key="one.id" :value="one.id">
          {{ one.name }}, {{ one.limitA }} A
        </option>
      </select>
    </label>
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
