<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { lightStates, whens, type LightState, type When } from '../../core/mend/fault'
import { lookWords, whenWords } from './looks'
import PickField from '../ui/PickField.vue'

const brush = defineModel<LightState | 'wipe'>('brush', { required: true })
const when = defineModel<When>('when', { required: true })
const options = [...lightStates, 'wipe'] as const
const whenOptions = whens.map((value) => ({ value, label: whenWords[value] }))
</script>

<!-- What is painted with, and when it looks like that. -->
<template>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
    <RadioGroup v-model="brush" aria-label="Brush" class="flex flex-wrap gap-1">
      <RadioGroupOption
        v-for="option in options"
        :key="option"
        v-slot="{ checked }"
        as="template"
        :value="option"
      >
        <button
          type="button"
          class="flex min-h-8 items-center gap-1.5 rounded-md border px-2 py-1 text-[13px] max-[899px]:min-h-11"
          :class="
            checked
              ? 'border-glow bg-bench-high text-bench-ink'
              : 'border-bench-line text-bench-soft hover:text-bench-ink'
          "
        >
          <template v-if="option === 'wipe'">not known</template>
          <template v-else>
            <!-- On black by day, too, as on the tapes: a light colour is not seen on white. -->
            <span
              aria-hidden="true"
              class="night rounded-sm bg-bench px-1 text-bench-ink"
              :style="{ color: option === 'dark' ? undefined : lookWords[option].fill }"
              >{{ lookWords[option].sign }}</span
            >
            {{ lookWords[option].text }}
          </template>
        </button>
      </RadioGroupOption>
    </RadioGroup>
    <PickField
      :class="(brush === 'right' || brush === 'wipe') && 'invisible'"
      label="When it looks like that"
      layout="unseen"
      width="w-auto max-[899px]:min-h-11"
      :options="whenOptions"
      :value="when"
      @pick="when = $event"
    />
  </div>
</template>
