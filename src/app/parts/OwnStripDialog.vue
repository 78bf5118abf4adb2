<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useForm } from 'vee-validate'
import type { Strip } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { typedSchema } from '../ui/typed-schema'
import { ownStripSchema, ownStripStart, stripFrom } from './own-strip'

const emit = defineEmits<{ close: []; add: [strip: Strip] }>()

const { handleSubmit, values } = useForm({
  validationSchema: typedSchema(ownStripSchema),
  initialValues: ownStripStart,
})
const submit = handleSubmit((own) => {
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
</script>

<template>
  <FormDialog
    title="A strip of your own"
    action="Add the strip"
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
    <FormField name="wattsPerM" label="Printed power" unit="W/m" type="number" />
  </FormDialog>
</template>
