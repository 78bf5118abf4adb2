<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { LightPart } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { lightFrom, ownLightSchema, ownLightStart } from './own-light'

const { like } = defineProps<{
  /** Where it starts from. */
  like: LightPart
}>()
const emit = defineEmits<{ close: []; add: [light: LightPart] }>()

const { values, submit, problem } = useCheckedForm(ownLightSchema, ownLightStart(like), (own) => {
  emit('add', lightFrom(own, `own-${nanoid(8)}`, like.price))
  emit('close')
})
</script>

<template>
  <FormDialog
    :problem="problem"
    title="A light of your own"
    action="Add the light"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      :hint="`What it is, such as: frosted bulb from the drawer. It starts as the ${like.name}.`"
    />
    <FormField
      class="col-span-2"
      name="kind"
      label="What it is"
      type="select"
      :options="[
        { value: 'led', label: 'a bare LED, its resistor is worked out' },
        { value: 'fixed', label: 'made for its volts, with a resistor in it' },
      ]"
    />
    <FormField
      name="volts"
      :label="values.kind === 'led' ? 'Forward volts' : 'Made for'"
      unit="V"
      type="number"
    />
    <FormField name="mA" label="Draws" unit="mA" type="number" />
    <FormField name="leds" label="LEDs in it" type="number" />
    <FormField name="holeMm" label="Hole it sits in" unit="mm" type="number" />
    <FormField name="tint" label="Looks like" type="colour" />
    <template v-if="values.kind === 'fixed'">
      <p class="col-span-2 text-[12px] text-bench-soft">
        Only where it comes with a lead and a plug:
      </p>
      <FormField name="leadMm" label="Its lead" unit="mm" type="number" />
      <FormField name="plugMm" label="Plug diameter" unit="mm" type="number" />
      <FormField name="mostOnLead" label="Most on one lead" type="number" />
    </template>
  </FormDialog>
</template>
