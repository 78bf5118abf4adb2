<script setup lang="ts">
import { nanoid } from 'nanoid'
import { useField } from 'vee-validate'
import type { Board } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { boardFrom, ownBoardSchema, ownBoardStart } from './own-board'

const { like } = defineProps<{
  /** Where it starts from. */
  like: Board
}>()
const emit = defineEmits<{ close: []; add: [board: Board] }>()

const { submit, problem } = useCheckedForm(ownBoardSchema, ownBoardStart(like), (own) => {
  emit('add', boardFrom(own, `own-${nanoid(8)}`, like))
  emit('close')
})
const { value: pins, errorMessage: pinsProblem } = useField<string>('pins')
</script>

<template>
  <FormDialog
    :problem="problem"
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
