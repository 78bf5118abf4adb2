<script setup lang="ts">
import { computed } from 'vue'
import type { Board } from '../../core/plan/parts'
import { abilitiesText, type PinUse } from '../../core/lanes/pins'
import { usePlanStore } from '../stores/plan'
import type { Option } from '../ui/option'
import PickField from '../ui/PickField.vue'

const { use, board } = defineProps<{ use: PinUse; board: Board | null }>()

const store = usePlanStore()

const options = computed((): Option<string | undefined>[] => [
  { value: undefined, label: use.isChosen ? 'automatic' : (use.pin?.name ?? 'none left') },
  ...(board?.pins ?? []).map((pin) => ({
    value: pin.name,
    label: `${pin.name}: ${abilitiesText(pin)}`,
  })),
])
function choose(pin: string | undefined): void {
  store.commit([{ do: 'set-pin', need: use.need.id, pin }], { label: `pin of ${use.need.name}` })
}
</script>

<!-- The pin of a need: chosen by itself, or by hand. -->
<template>
  <PickField
    :label="`Pin of ${use.need.name}`"
    layout="unseen"
    width="w-[88px] font-semibold"
    :options="options"
    :value="use.isChosen ? use.pin?.name : undefined"
    :title="use.reason"
    @pick="choose"
  />
</template>
