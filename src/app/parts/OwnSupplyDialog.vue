<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { SupplyPart } from '../../core/plan/parts'
import FormDialog from '../ui/FormDialog.vue'
import FormField from '../ui/FormField.vue'
import MoreFields from '../ui/MoreFields.vue'
import { useCheckedForm } from '../ui/use-checked-form'
import { isOfCells, ownSupplySchema, ownSupplyStart, supplyFrom } from './own-supply'

const emit = defineEmits<{ close: []; add: [supply: SupplyPart] }>()

const { values, submit, problem } = useCheckedForm(ownSupplySchema, ownSupplyStart, (own) => {
  emit('add', supplyFrom(own, `own-${nanoid(8)}`))
  emit('close')
})
const kinds = [
  { value: 'enclosed', label: 'Enclosed supply' },
  { value: 'brick', label: 'Plug-in brick' },
  { value: 'usb-port', label: 'USB port or charger' },
  { value: 'usb-c', label: 'USB-C power delivery, at fixed volts' },
  { value: 'battery', label: 'Cells in a holder or pack' },
  { value: 'boosted-cell', label: 'Cells behind a booster' },
  { value: 'power-bank', label: 'USB power bank' },
]
const chemistries = [
  { value: 'alkaline-aa', label: 'Alkaline, round' },
  { value: 'alkaline-9v', label: 'Alkaline, 9 V block' },
  { value: 'nimh-aa', label: 'NiMH, round' },
  { value: 'li-ion', label: 'Lithium-ion' },
  { value: 'lifepo4', label: 'Lithium iron phosphate' },
  { value: 'lead-acid-12v', label: 'Lead-acid, 12 V block' },
]
</script>

<template>
  <FormDialog
    title="A supply of your own"
    action="Add the supply"
    :problem="problem"
    @close="emit('close')"
    @submit="submit"
  >
    <FormField
      class="col-span-2"
      name="name"
      label="Name"
      hint="Such as: grey box from the drawer"
    />
    <FormField class="col-span-2" name="kind" label="What it is" type="select" :options="kinds" />
    <FormField name="volts" label="Gives" unit="V" type="number" />
    <FormField name="ratedA" label="Up to" unit="A" type="number" />
    <template v-if="isOfCells(values.kind)">
      <FormField name="chemistry" label="Cells" type="select" :options="chemistries" />
      <FormField
        name="cellMah"
        label="A cell holds"
        unit="mAh"
        type="number"
        hint="As printed; typical where left empty"
      />
      <FormField name="inSeries" label="In series" type="number" />
      <FormField name="inParallel" label="Side by side" type="number" />
      <FormField name="cutoffV" label="Empty at" unit="V" type="number" />
    </template>
    <template v-if="values.kind === 'power-bank'">
      <FormField
        name="wattHours"
        label="Holds"
        unit="Wh"
        type="number"
        hint="Printed mAh × 3.7 ÷ 1000"
      />
      <FormField name="sleepsBelowMa" label="Switches off below" unit="mA" type="number" />
    </template>
    <MoreFields>
      <template v-if="values.kind !== 'battery'">
        <FormField name="efficiencyPercent" label="Efficiency" unit="%" type="number" />
        <FormField name="standbyW" label="Standby draw" unit="W" type="number" />
      </template>
      <FormField name="price" label="Price" type="number" />
    </MoreFields>
    <p class="col-span-2 text-[12px] text-bench-soft">
      Ready-made, certified and enclosed where it has a plug. Fixed mains wiring belongs to a
      licensed electrician; local codes decide. Lithium cells: protected ones only.
    </p>
  </FormDialog>
</template>
