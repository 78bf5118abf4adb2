<script setup lang="ts">
import type { Flashing } from '../../core/glow/flashing'
import FormDialog from '../ui/FormDialog.vue'
import { fixed } from '../../core/quantity/format'

defineProps<{
  flashing: Flashing
  /** It was seen just now, as it was touched or as fast as it played. */
  isLive?: boolean
}>()
const emit = defineEmits<{ close: []; agree: [] }>()
</script>

<template>
  <FormDialog
    title="This show flashes"
    action="Play it all the same"
    @close="emit('close')"
    @submit="emit('agree')"
  >
    <p class="col-span-2">
      {{ flashing.perSecond }} {{ flashing.worst?.isRed ? 'red flashes' : 'flashes' }} in a second
      on {{ flashing.worst?.run
      }}{{
        isLive
          ? ', as it was played just now'
          : `, from ${flashing.worst ? fixed(flashing.worst.atS, 1) : ''} s`
      }}. More than three a second can start a seizure in people who are sensitive to them, you or
      somebody who looks over your shoulder. The tally beside the show offers ways to calm it.
    </p>
  </FormDialog>
</template>
