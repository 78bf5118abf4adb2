<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Strip } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import MoreFields from '../ui/MoreFields.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { ownStripSchema, ownStripStart, stripFrom } from './own-strip'

const emit = defineEmits<{ close: []; add: [strip: Strip] }>()

const { values, submit, problem } = useCheckedForm(ownStripSchema, ownStripStart, (own) => {
  emit('add', stripFrom(own, `own-${nanoid(8)}`))
  emit('close')
})
const kinds = [
  { value: 'pixels', label: 'Pixels, each on its own' },
  { value: 'plain', label: 'Plain, all alike' },
]
const colours = [
  { value: 'rgb', label: 'Red, green, blue' },
  { value: 'rgbw', label: 'Red, green, blue, white' },
]
const plainColours = [
  { value: 'white', label: 'White' },
  { value: 'two-white', label: 'Two whites, warm and cool' },
  { value: 'rgb', label: 'Red, green, blue' },
  { value: 'colour', label: 'One colour' },
]
const dataKinds = [
  { value: 'one-wire', label: 'One wire: three wires in all' },
  { value: 'clocked', label: 'Data and clock: four wires in all' },
]
const sealed = [
  { value: 'no', label: 'Bare' },
  { value: 'yes', label: 'Sealed in a sleeve' },
]
</script>

<template>
  <FormDialog
    title="A strip of your own"
    action="Add the strip"
    :problem="problem"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      hint="What it is, such as: drawer strip, warm white"
    />
    <FormField name="kind" label="Kind" type="select" :options="kinds" />
    <FormField name="volts" label="Runs on" unit="V" type="number" />
    <FormField
      name="perM"
      :label="values.kind === 'pixels' ? 'Pixels' : 'LEDs'"
      unit="to the metre"
      type="number"
    />
    <FormField name="cutPitchMm" label="Cut marks every" unit="mm" type="number" />
    <FormField
      v-if="values.kind === 'pixels'"
      name="colours"
      label="Colours"
      type="select"
      :options="colours"
    />
    <FormField
      v-if="values.kind === 'pixels'"
      name="channelMa"
      label="Each colour draws"
      unit="mA"
      type="number"
    />
    <FormField
      v-if="values.kind === 'plain'"
      name="plainColours"
      label="Colours"
      type="select"
      :options="plainColours"
    />
    <FormField name="wattsPerM" label="Printed power" unit="W/m" type="number" />
    <MoreFields>
      <template v-if="values.kind === 'pixels'">
        <FormField name="idleMa" label="A dark pixel draws" unit="mA" type="number" />
        <FormField name="data" label="Data" type="select" :options="dataKinds" />
        <FormField
          name="chipV"
          label="Its chip runs on"
          unit="V"
          type="number"
          hint="Where it makes its own volts"
        />
        <FormField
          name="leastV"
          label="Its chip needs"
          unit="V"
          type="number"
          hint="0.7 × its volts where not said"
        />
      </template>
      <FormField
        v-if="values.kind === 'plain' && values.plainColours === 'white'"
        name="kelvin"
        label="Its white"
        unit="K"
        type="number"
        hint="2700 warm, 4000 neutral, 6000 cool"
      />
      <FormField
        v-if="values.kind === 'plain'"
        name="forwardV"
        label="LEDs of a group drop"
        unit="V"
        type="number"
        hint="0.72 × its volts where not said"
      />
      <FormField
        name="lumensPerM"
        label="Light"
        unit="lm/m"
        type="number"
        hint="0 where it is not known"
      />
      <FormField name="widthMm" label="Width" unit="mm" type="number" />
      <FormField
        name="railOhmPerM"
        label="Copper of a rail"
        unit="Ω/m"
        type="number"
        hint="0.17 thin, 0.085 thick"
      />
      <FormField name="isSealed" label="Sleeve" type="select" :options="sealed" />
      <FormField name="flatRadiusMm" label="Smallest bend" unit="mm" type="number" />
      <FormField name="spliceMm" label="Factory splice every" unit="mm" type="number" />
      <FormField name="reelMm" label="A reel has" unit="mm" type="number" />
      <FormField name="reelPrice" label="and costs" type="number" />
    </MoreFields>
  </FormDialog>
</template>
