<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Profile } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { ownProfileSchema, ownProfileStart, profileFrom } from './own-profile'

const { like } = defineProps<{
  /** Where it starts from. */
  like: Profile
}>()
const emit = defineEmits<{ close: []; add: [profile: Profile] }>()

const { values, submit, problem } = useCheckedForm(
  ownProfileSchema,
  ownProfileStart(like),
  (own) => {
    emit('add', profileFrom(own, `own-${nanoid(8)}`))
    emit('close')
  },
)
</script>

<template>
  <FormDialog
    :problem="problem"
    title="A profile of your own"
    action="Add the profile"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      :hint="`What it is, such as: white corner profile from the attic. It starts as the ${like.name}.`"
    />
    <FormField
      class="col-span-2"
      name="shape"
      label="From its end it looks like"
      type="select"
      :options="[
        { value: 'bar', label: 'a flat bar' },
        { value: 'u', label: 'a U' },
        { value: 'deep', label: 'a deep U' },
        { value: 'corner', label: 'a corner, light at 45°' },
        { value: 'round', label: 'a round one' },
      ]"
    />
    <FormField name="innerWidthMm" label="Width inside" unit="mm" type="number" />
    <FormField
      v-if="values.shape !== 'bar'"
      name="depthMm"
      label="From strip to cover"
      unit="mm"
      type="number"
    />
    <FormField
      name="screwedMm"
      label="Exposed, screwed flat"
      unit="mm"
      type="number"
      hint="All faces that meet the air, added up: they carry the heat off."
    />
    <FormField name="freeMm" label="Exposed, hung free" unit="mm" type="number" />
    <FormField
      name="beam"
      label="Light goes"
      type="select"
      :options="[
        { value: 'straight', label: 'straight out' },
        { value: 'angled', label: 'at an angle' },
      ]"
    />
    <FormField
      v-if="values.beam === 'angled'"
      name="wireEnd"
      label="Open end cap"
      type="select"
      :options="[
        { value: 'left', label: 'left, seen from the front' },
        { value: 'right', label: 'right, seen from the front' },
      ]"
    />
    <FormField
      name="bendRadiusMm"
      label="Bends to a radius of"
      unit="mm"
      type="number"
      hint="Empty where it is straight."
    />
    <FormField name="barMm" label="Sold in bars of" unit="mm" type="number" />
    <FormField name="barPrice" label="Price of a bar" type="number" />
    <FormField name="coverPricePerM" label="Cover, a metre" type="number" />
    <FormField name="capPrice" label="End cap" type="number" />
  </FormDialog>
</template>
