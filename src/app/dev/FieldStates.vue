<script setup lang="ts">
import { ref } from 'vue'
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import ChoiceList from '../ui/ChoiceList.vue'
import ColourField from '../ui/ColourField.vue'
import FieldFrame from '../ui/FieldFrame.vue'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import { named, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import SliderField from '../ui/SliderField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import TimeField from '../ui/TimeField.vue'
import TintField from '../ui/TintField.vue'
import StateCard from './StateCard.vue'
import { vTyped } from './typed'

type Way = 'near' | 'far' | 'shared'
const ways: readonly Option<Way>[] = [
  { value: 'near', label: 'near end', about: 'Where the wire enters.' },
  { value: 'far', label: 'far end', about: 'Where nobody looks.' },
  { value: 'shared', label: 'shared', about: 'Half at each end.' },
]
const way = ref<Way>('far')
const none: readonly Option<Way | undefined>[] = [{ value: undefined, label: 'nothing' }, ...ways]
const maybe = ref<Way>()
const count = ref(12)
const share = ref(0.2)
const ohm = ref<number | undefined>(4700)
const price = ref(12.5)
const mm = ref<number | undefined>(1384.3)
const allUnits: readonly LengthUnits[] = ['mm', 'cm', 'm', 'ft-in']
const name = ref('crown')
const minute = ref(20 * 60)
const isOn = ref(true)
const colour = ref('2700 K')
const tint = ref('#ffb46b')
</script>

<template>
  <StateCard title="PickField">
    <PickField label="Above" :options="ways" :value="way" @pick="way = $event" />
    <PickField
      label="Beside"
      layout="beside"
      :options="none"
      :value="maybe"
      @pick="maybe = $event"
    />
    <PickField label="Unseen name" layout="unseen" :options="ways" :value="way" />
    <PickField label="Disabled" :options="ways" :value="way" disabled />
    <PickField label="Of names" :options="named(['row', 'led'])" value="led" />
  </StateCard>
  <StateCard title="SegmentedChoice and ChoiceList">
    <SegmentedChoice v-model="way" label="Where the gap lies" :options="ways" />
    <ChoiceList v-model="way" label="Where the gap lies" :options="ways" />
  </StateCard>
  <StateCard title="NumberField">
    <NumberField
      label="A whole number"
      :value="count"
      :least="1"
      :most="50"
      is-whole
      @set="count = $event"
    />
    <NumberField
      label="A share"
      layout="beside"
      unit="%"
      :value="share"
      :least="0"
      :most="0.5"
      :step="5"
      @set="share = $event"
    >
      % kept free
    </NumberField>
    <NumberField
      label="May be emptied"
      unit="Ω"
      :value="ohm"
      :least="1"
      :most="1e6"
      is-optional
      placeholder="none"
      @set="ohm = $event"
      @clear="ohm = undefined"
    />
    <NumberField
      label="A price"
      unit="price"
      :value="price"
      :least="0"
      :most="1e6"
      @set="price = $event"
    />
    <NumberField label="Disabled" unit="A" :value="2" :least="0" :most="9" disabled />
    <NumberField v-typed="'99'" label="Too much" :value="3" :least="0" :most="20" />
    <NumberField v-typed="'2,200'" label="Asked back" unit="Ω" :value="3" :least="0" :most="9e3" />
    <NumberField v-typed="'some'" label="No number" unit="A" :value="3" :least="0" :most="20" />
  </StateCard>
  <StateCard title="LengthField">
    <LengthField
      v-for="units in allUnits"
      :key="units"
      :label="`In ${units}, ${formatLength(mm ?? 0, units)}`"
      width="w-32"
      :mm="mm"
      :most="10_000"
      :units="units"
      @set="mm = $event"
    />
    <LengthField label="Not known" width="w-32" :mm="undefined" :most="100" units="mm" />
    <LengthField
      v-typed="'3 lots'"
      label="Not understood"
      width="w-32"
      :mm="300"
      :most="1000"
      units="mm"
    />
    <LengthField v-typed="'3 m'" label="Too long" width="w-32" :mm="300" :most="1000" units="mm" />
  </StateCard>
  <StateCard title="TextField, TimeField">
    <TextField label="A name" width="w-40" :value="name" :most="60" @set="name = $event" />
    <TextField
      v-typed="''"
      label="It cannot be emptied"
      width="w-40"
      :value="name"
      :most="60"
      is-required
      @set="name = $event"
    />
    <TextField
      label="Beside"
      layout="beside"
      width="w-40"
      value=""
      :most="60"
      placeholder="note how"
    />
    <TimeField label="Time of day" :minute="minute" @set="minute = $event" />
  </StateCard>
  <StateCard title="TickField">
    <TickField label="on or off" :is-on="isOn" @set="isOn = $event" />
    <TickField
      label="with what it comes to"
      about="Fewer parts; the warning stays."
      :is-on="isOn"
      @set="isOn = $event"
    />
    <TickField label="some of them" :is-on="false" indeterminate />
    <TickField label="disabled" :is-on="true" disabled />
    <TickField label="Unseen name" is-unseen :is-on="isOn" @set="isOn = $event" />
  </StateCard>
  <StateCard title="SliderField">
    <SliderField label="Exposure" :value="count" :least="0" :most="50" @set="count = $event">
      {{ count }}
    </SliderField>
    <SliderField
      label="Taken when it is let go"
      layout="above"
      :value="count"
      :least="0"
      :most="50"
      is-at-rest
      @set="count = $event"
    />
  </StateCard>
  <StateCard title="ColourField, TintField">
    <ColourField label="Colour" :value="colour" @set="colour = $event" />
    <TintField label="By eye" :value="tint" @set="tint = $event" />
  </StateCard>
  <StateCard title="FieldFrame">
    <FieldFrame label="What every field stands in" layout="above" problem="what is wrong with it">
      <input class="field w-40" aria-label="What every field stands in" />
      <template #after>behind it</template>
    </FieldFrame>
  </StateCard>
</template>
