<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useField, useForm } from 'vee-validate'
import { nameSchema, type Board } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { typedSchema } from '../ui/typed-schema'
import { pinsText, readPins } from './own-board'

const { like } = defineProps<{
  /** Where it starts from. */
  like: Board
}>()
const emit = defineEmits<{ close: []; add: [board: Board] }>()

const amount = (what: string, most: number) =>
  z
    .number({ error: `${what}?` })
    .positive('more than 0')
    .max(most, `at most ${String(most)}`)
const volts = amount('Volts', 60)

const { handleSubmit } = useForm({
  validationSchema: typedSchema(
    z
      .object({
        name: nameSchema,
        highV: amount('Volts', 24),
        memoryKb: amount('Kilobytes', 1e6),
        pinMa: amount('Milliamperes', 10_000),
        allMa: amount('Milliamperes', 50_000),
        drawMa: amount('Milliamperes', 10_000),
        fromV: volts.optional(),
        toV: volts.optional(),
        limitA: amount('Amperes', 50).optional(),
        limitW: amount('Watts', 50).optional(),
        pins: z.string().superRefine((text, context) => {
          const read = readPins(text)
          if (!read.ok) context.addIssue({ code: 'custom', message: read.message })
        }),
      })
      .refine(({ fromV, toV }) => fromV === undefined || toV === undefined || fromV <= toV, {
        path: ['toV'],
        message: 'not below where it begins',
      })
      .refine(
        ({ fromV, toV, limitA, limitW }) =>
          [fromV, toV, limitA, limitW].filter((one) => one === undefined).length % 4 === 0,
        { path: ['fromV'], message: 'all four of its raw input, or none' },
      ),
  ),
  initialValues: {
    name: '',
    highV: like.highV,
    memoryKb: like.memoryBytes / 1024,
    pinMa: like.pinA * 1000,
    allMa: like.allA * 1000,
    drawMa: like.drawA * 1000,
    fromV: like.raw?.fromV,
    toV: like.raw?.toV,
    limitA: like.raw?.limitA,
    limitW: like.raw?.limitW,
    pins: pinsText(like.pins),
  },
})
const { value: pins, errorMessage: pinsProblem } = useField<string>('pins')

const submit = handleSubmit(
  ({ name, highV, memoryKb, pinMa, allMa, drawMa, fromV, toV, limitA, limitW, pins: jotted }) => {
    const read = readPins(jotted)
    if (!read.ok) return
    emit('add', {
      id: `own-${nanoid(8)}`,
      name,
      highV,
      pins: [...read.pins],
      pinA: pinMa / 1000,
      allA: allMa / 1000,
      memoryBytes: memoryKb * 1024,
      supplyV: like.supplyV,
      drawA: drawMa / 1000,
      price: 0,
      ...(fromV !== undefined &&
        toV !== undefined &&
        limitA !== undefined &&
        limitW !== undefined && { raw: { fromV, toV, limitA, limitW } }),
    })
    emit('close')
  },
)
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
      :hint="`What it is, such as: green 3.3 V board. It starts as the ${like.name}.`"
    />
    <FormField name="highV" label="Logic high" unit="V" type="number" />
    <FormField name="memoryKb" label="Memory" unit="KB" type="number" />
    <FormField name="pinMa" label="A pin gives" unit="mA" type="number" />
    <FormField name="allMa" label="Its pads give in all" unit="mA" type="number" />
    <FormField name="drawMa" label="It draws itself" unit="mA" type="number" />
    <label class="col-span-2 block text-[13px]">
      <span class="mb-1 block text-bench-soft"
        >Pins, a line each: name or range, and what it can do</span
      >
      <textarea
        v-model="pins"
        name="pins"
        rows="5"
        class="field font-mono text-[12px]"
        :class="pinsProblem && 'border-stop'"
        :aria-invalid="pinsProblem !== undefined"
        spellcheck="false"
      />
      <span v-if="pinsProblem" class="mt-1 block text-[12px] text-stop">{{ pinsProblem }}</span>
      <span v-else class="mt-1 block text-[12px] text-bench-soft"
        >digital, pwm, analogue, interrupt, serial, boot, input, output; 5V where its high is
        another. D2-D9 is a range.</span
      >
    </label>
    <FormField name="fromV" label="Raw input from" unit="V" type="number" />
    <FormField name="toV" label="to" unit="V" type="number" />
    <FormField name="limitA" label="its regulator up to" unit="A" type="number" />
    <FormField name="limitW" label="and dissipates up to" unit="W" type="number" />
  </FormDialog>
</template>
