<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useForm } from 'vee-validate'
import { highestVolts, nameSchema, type LightPart } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { typedSchema } from '../ui/typed-schema'

const { like } = defineProps<{
  /** Where it starts from. */
  like: LightPart
}>()
const emit = defineEmits<{ close: []; add: [light: LightPart] }>()

const amount = (what: string, most: number) =>
  z
    .number({ error: `${what}?` })
    .positive('more than 0')
    .max(most, `at most ${String(most)}`)

const { handleSubmit, values } = useForm({
  validationSchema: typedSchema(
    z
      .object({
        name: nameSchema,
        kind: z.enum(['led', 'fixed']),
        volts: amount('Volts', highestVolts),
        mA: amount('Milliamperes', 10_000),
        leds: amount('LEDs', 1_000).int('whole LEDs'),
        tint: z.string(),
        holeMm: amount('Millimetres', 1_000),
        leadMm: amount('Millimetres', 100_000).optional(),
        plugMm: amount('Millimetres', 200).optional(),
        mostOnLead: amount('Lights', 1_000).int('whole lights').optional(),
      })
      .refine(
        ({ leadMm, plugMm, mostOnLead }) =>
          [leadMm, plugMm, mostOnLead].filter((one) => one === undefined).length % 3 === 0,
        { path: ['leadMm'], message: 'all three of its plug, or none' },
      ),
  ),
  initialValues: {
    name: '',
    kind: like.kind,
    volts: like.volts,
    mA: like.mA,
    leds: like.leds,
    tint: like.tint,
    holeMm: like.holeMm,
    leadMm: like.lead?.lengthMm,
    plugMm: like.lead?.plugMm,
    mostOnLead: like.lead?.mostOnLead,
  },
})
const submit = handleSubmit(({ leadMm, plugMm, mostOnLead, ...own }) => {
  emit('add', {
    ...own,
    id: `own-${nanoid(8)}`,
    price: like.price,
    ...(own.kind === 'fixed' &&
      leadMm !== undefined &&
      plugMm !== undefined &&
      mostOnLead !== undefined && { lead: { lengthMm: leadMm, plugMm, mostOnLead } }),
  })
  emit('close')
})
</script>

<template>
  <FormDialog
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
