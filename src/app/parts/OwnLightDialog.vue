<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { LightPart } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { legField, legSets, lightFrom, ownLightSchema, ownLightStart } from './own-light'

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
        { value: 'legs', label: 'an LED of several colours, a leg for each' },
        { value: 'fixed', label: 'made for its volts, with a resistor in it' },
      ]"
    />
    <template v-if="values.kind === 'legs'">
      <FormField
        name="colours"
        label="Its colours"
        type="select"
        :options="[
          { value: 'red-green', label: 'red and green, three legs' },
          { value: 'red-blue', label: 'red and blue, three legs' },
          { value: 'two-white', label: 'warm white and white, three legs' },
          { value: 'rgb', label: 'red, green and blue, four legs' },
        ]"
      />
      <FormField
        name="common"
        label="Leg in common"
        type="select"
        :options="[
          { value: 'minus', label: 'minus' },
          { value: 'plus', label: 'plus' },
        ]"
      />
      <FormField
        v-for="colour in legSets[values.colours]"
        :key="colour"
        :name="legField[colour]"
        :label="`Forward volts, ${colour}`"
        unit="V"
        type="number"
      />
    </template>
    <FormField
      v-else
      name="volts"
      :label="values.kind === 'led' ? 'Forward volts' : 'Made for'"
      unit="V"
      type="number"
    />
    <FormField
      name="mA"
      :label="values.kind === 'legs' ? 'Each colour draws' : 'Draws'"
      unit="mA"
      type="number"
    />
    <FormField v-if="values.kind !== 'legs'" name="leds" label="LEDs in it" type="number" />
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
