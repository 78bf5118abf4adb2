<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useForm } from 'vee-validate'
import { nameSchema, type Board } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { typedSchema } from '../ui/typed-schema'
import { ownBoardPins } from './own-board'

const emit = defineEmits<{ close: []; add: [board: Board] }>()

const count = (most: number) =>
  z
    .number({ error: 'How many?' })
    .int('whole')
    .min(0, 'not below 0')
    .max(most, `at most ${String(most)}`)
const { handleSubmit } = useForm({
  validationSchema: typedSchema(
    z
      .object({
        name: nameSchema,
        highV: z.number({ error: 'Volts?' }).min(1, 'at least 1 V').max(24, 'at most 24 V'),
        digital: count(100),
        pwm: count(100),
        analogue: count(50),
        serial: count(20),
        memoryKb: z.number({ error: 'Kilobytes?' }).positive('more than 0').max(1e6, 'too many'),
        allMa: z.number({ error: 'Milliamperes?' }).positive('more than 0').max(10_000, 'too many'),
      })
      .refine(({ digital, pwm, serial }) => pwm + serial <= digital, {
        path: ['pwm'],
        message: 'PWM and serial pins are among the digital ones',
      })
      .refine(({ digital, analogue }) => digital + analogue > 0, {
        path: ['digital'],
        message: 'a board without a pin drives nothing',
      }),
  ),
  initialValues: {
    name: '',
    highV: 3.3,
    digital: 10,
    pwm: 6,
    analogue: 2,
    serial: 2,
    memoryKb: 32,
    allMa: 200,
  },
})
const submit = handleSubmit(({ name, highV, memoryKb, allMa, ...pins }) => {
  emit('add', {
    id: `own-${nanoid(8)}`,
    name,
    highV,
    pins: ownBoardPins(pins),
    pinA: 0.02,
    allA: allMa / 1000,
    memoryBytes: memoryKb * 1024,
    supplyV: 5,
    drawA: 0.05,
    price: 0,
  })
  emit('close')
})
</script>

<template>
  <FormDialog
    title="A board of your own"
    action="Add the board"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      hint="What it is, such as: green 3.3 V board"
    />
    <FormField name="highV" label="Logic high" unit="V" type="number" />
    <FormField name="memoryKb" label="Memory" unit="KB" type="number" />
    <FormField name="digital" label="Digital pins" type="number" />
    <FormField name="pwm" label="of these with PWM" type="number" />
    <FormField name="serial" label="of these serial" type="number" />
    <FormField name="analogue" label="Analogue pins" type="number" />
    <FormField
      class="col-span-2"
      name="allMa"
      label="Its pads give in all"
      unit="mA"
      type="number"
    />
  </FormDialog>
</template>
