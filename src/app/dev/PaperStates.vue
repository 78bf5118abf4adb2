<script setup lang="ts">
import { ref } from 'vue'
import { operand, working, type Figure } from '../../core/quantity/figure'
import type { Verdict } from '../../core/verdict/verdict'
import NoticeBar from '../shell/NoticeBar.vue'
import RollLine from '../shell/RollLine.vue'
import VerdictStamp from '../shell/VerdictStamp.vue'
import NumberField from '../ui/NumberField.vue'
import TickField from '../ui/TickField.vue'
import StateCard from './StateCard.vue'
import { vTyped } from './typed'

const figure = (more: Partial<Figure>): Figure => ({
  id: 'demo',
  label: 'crown',
  value: 4.55,
  unit: 'A',
  ...working`${operand('pixels', 124, 'px')} × ${operand('white', 36.7, 'mA')}`,
  about: [],
  ...more,
})
const figures = [
  figure({}),
  figure({ label: 'seat front', about: ['seat'] }),
  figure({ label: 'no answer', value: null }),
  figure({ label: 'full white', value: 18.5, isTotal: true }),
]
const verdict = (grade: Verdict['grade'], remedies: Verdict['remedies']): Verdict => ({
  id: `demo ${grade}`,
  code: 'worn',
  grade,
  about: [],
  text: '18.5 A is 93 % of 20 A',
  why: 'A supply at its limit runs hot.',
  remedies,
})
const fixes = [{ label: 'take the next size up, 30 A', commands: [] }]
const verdicts = [
  { verdict: verdict('stop', fixes), fixes },
  // Its fixes are still looked for.
  { verdict: verdict('warning', fixes) },
  { verdict: verdict('note', []) },
]
const isBought = ref(false)
const price = ref<number | undefined>(4.5)
</script>

<template>
  <StateCard title="On paper: RollLine, VerdictStamp, fields">
    <div class="on-paper w-80 rounded bg-roll px-6 py-4 font-mono text-[13px] text-paper-ink">
      <dl>
        <RollLine
          v-for="(one, index) in figures"
          :key="index"
          :figure="one"
          units="mm"
          :is-lit="index === 1"
        />
      </dl>
      <VerdictStamp v-for="one in verdicts" :key="one.verdict.id" v-bind="one" />
    </div>
    <div class="on-paper grid w-80 gap-3 rounded bg-roll px-6 py-4 text-[13px] text-paper-ink">
      <TickField label="bought" :is-on="isBought" @set="isBought = $event" />
      <NumberField
        label="Paid for all of it"
        unit="price"
        :value="price"
        :least="0"
        :most="1e6"
        is-optional
        @set="price = $event"
        @clear="price = undefined"
      />
      <NumberField v-typed="'x'" label="No price" unit="price" :value="1" :least="0" :most="9" />
    </div>
  </StateCard>
  <StateCard title="NoticeBar">
    <NoticeBar
      :notice="{
        kind: 'problem',
        text: 'A file was not read.',
        details: ['row 3, price: a number?'],
      }"
    />
    <NoticeBar
      :notice="{
        kind: 'offer',
        text: 'A new version is there.',
        actions: [{ label: 'Take it', run: () => undefined }],
      }"
    />
  </StateCard>
</template>
