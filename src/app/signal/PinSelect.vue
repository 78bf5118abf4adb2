<script setup lang="ts">
import type { Board } from '../../core/plan/parts'
import { abilitiesText, type PinUse } from '../../core/lanes/pins'
import { valueOf } from '../feed/value-of'
import { usePlanStore } from '../stores/plan'

const { use } = defineProps<{ use: PinUse; board: Board | null }>()

const store = usePlanStore()

function choose(event: Event): void {
  const pin = valueOf(event)
  store.commit([{ do: 'set-pin', need: use.need.id, pin: pin === '' ? undefined : pin }], {
    label: `pin of ${use.need.name}`,
  })
}
</script>

<!-- The pin of a need: chosen by itself, or by hand. -->
<template>
  <select
    class="field w-[88px] px-1.5 py-0.5 font-semibold"
    :value="use.isChosen ? use.pin?.name : ''"
    :title="use.reason"
    :aria-label="`Pin of ${use.need.name}`"
    @change="choose"
  >
    <option value="">{{ use.isChosen ? 'by itself' : (use.pin?.name ?? 'none left') }}</option>
    <option v-for="pin in board?.pins" :key="pin.name" :value="pin.name">
      {{ pin.name }}: {{ abilitiesText(pin) }}
    </option>
  </select>
</template>
