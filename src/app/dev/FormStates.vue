<script setup lang="ts">
import { ref } from 'vue'
import { z } from '../../core/quantity/z'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import MoreFields from '../ui/MoreFields.vue'
import RenameField from '../ui/RenameField.vue'
import SheetDialog from '../ui/SheetDialog.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import StateCard from './StateCard.vue'
import { vTyped } from './typed'

const { submit, problem } = useCheckedForm(
  z.object({
    name: z.string().min(1, 'a name'),
    volts: z.number().min(1, 'from 1 V'),
    pitch: z.number().max(100, 'at most 100 mm'),
    kind: z.string(),
    tint: z.string(),
    more: z.number().optional(),
  }),
  { name: '', volts: 12, pitch: 16.7, kind: 'plain', tint: '#ffb46b', more: undefined },
  () => {
    open.value = undefined
  },
)
const kinds = [
  { value: 'plain', label: 'plain' },
  { value: 'pixels', label: 'pixels' },
]
const open = ref<'form' | 'sheet'>()
const name = ref('crown')
</script>

<template>
  <StateCard title="FormField, MoreFields">
    <FormField name="name" label="Name" hint="As it is sold." />
    <FormField name="volts" label="Runs on" unit="V" type="number" />
    <FormField v-typed="'3 lots'" name="pitch" label="Cut marks every" unit="mm" type="number" />
    <FormField name="kind" label="Kind" type="select" :options="kinds" />
    <FormField name="tint" label="Colour" type="colour" />
    <MoreFields><FormField name="more" label="One more" type="number" /></MoreFields>
    <button class="button-main" @click="submit">Keep</button>
    <p v-if="problem" class="text-stop" role="alert">{{ problem }}</p>
  </StateCard>
  <StateCard title="Dialogs, RenameField">
    <button class="button-quiet" @click="open = 'form'">FormDialog</button>
    <button class="button-quiet" @click="open = 'sheet'">SheetDialog</button>
    <RenameField :name="name" label="Name" @end="(next) => (name = next ?? name)" />
  </StateCard>
  <FormDialog
    v-if="open === 'form'"
    title="A form"
    action="Keep"
    problem="a name, such as: spray paint"
    @close="open = undefined"
    @submit="open = undefined"
  >
    <p class="col-span-2">Checked before it is taken.</p>
  </FormDialog>
  <SheetDialog v-if="open === 'sheet'" title="A sheet" @close="open = undefined">
    Its fields take effect at once.
  </SheetDialog>
</template>
