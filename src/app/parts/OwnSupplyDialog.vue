<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useForm } from 'vee-validate'
import { highestVolts, nameSchema, type SupplyPart } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { typedSchema } from '../ui/typed-schema'

const emit = defineEmits<{ close: []; add: [supply: SupplyPart] }>()

const { handleSubmit } = useForm({
  validationSchema: typedSchema(
    z.object({
      name: nameSchema,
      volts: z
        .number({ error: 'Volts?' })
        .positive('more than 0')
        .max(highestVolts, 'at most 60 V: extra-low voltage only'),
      ratedA: z.number({ error: 'Amperes?' }).positive('more than 0').max(1_000, 'at most 1000'),
    }),
  ),
  initialValues: { name: '', volts: 5, ratedA: 10 },
})
const submit = handleSubmit((own) => {
  emit('add', {
    ...own,
    id: `own-${nanoid(8)}`,
    kind: 'enclosed',
    efficiency: 0.85,
    standbyW: 0.3,
    price: 0,
  })
  emit('close')
})
</script>

<template>
  <FormDialog
    title="A supply of your own"
    action="Add the supply"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      hint="Such as: grey box from the drawer"
    />
    <FormField name="volts" label="Gives" unit="V" type="number" />
    <FormField name="ratedA" label="Up to" unit="A" type="number" />
    <p class="col-span-2 text-[12px] text-bench-soft">
      A ready-made, certified, enclosed supply. Fixed mains wiring belongs to a licensed
      electrician; local codes decide.
    </p>
  </FormDialog>
</template>
