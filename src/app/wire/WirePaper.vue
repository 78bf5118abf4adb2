<script setup lang="ts">
import { computed, useTemplateRef, watchEffect } from 'vue'
import type { Tally } from '../../core/tally'
import { formatLength, formatQuantity, formatSold } from '../../core/quantity/format'
import { bareTexts, sleeveText } from '../../core/wire/ends-text'
import type { Diagram } from '../../core/wire/diagram-parts'
import { wireGroups } from '../../core/wire/spools'
import { blocksById, placeText } from '../../formats/csv-wires'
import { diagramSvg } from '../../formats/svg-diagram'
import { useOpenPlan } from '../stores/use-open-plan'

const { wiring, diagram } = defineProps<{
  wiring: Tally['wiring']
  diagram: Diagram | undefined
}>()
const plan = useOpenPlan()

const groups = computed(() => wireGroups(wiring.wires, plan.value.buy))
const blocks = computed(() => blocksById(wiring))
const picture = useTemplateRef<HTMLElement>('picture')
// As text: all words in it are escaped.
watchEffect(
  () => {
    if (picture.value !== null)
      picture.value.innerHTML = diagram === undefined ? '' : diagramSvg(diagram, plan.value)
  },
  { flush: 'post' },
)
</script>

<!-- The wiring as it is printed: the whole diagram on a sheet, the wires by gauge and colour, every joint with a box. -->
<template>
  <div class="print-only lies-across">
    <h1>{{ plan.name }}: wires and joints</h1>
    <div ref="picture" class="fills-sheet"></div>
    <template
      v-for="{ gauge, colour, wires, totalMm, spools } in groups"
      :key="`${gauge.id} ${colour}`"
    >
      <h2>
        {{ gauge.name }} {{ colour }}: {{ formatQuantity(totalMm / 1000, 'm', plan.units) }}, cut
        from {{ spools.map(({ lengthM }) => formatSold(lengthM, plan.units)).join(', ') }}
      </h2>
      <table>
        <tbody>
          <tr v-for="wire in wires" :key="wire.name">
            <td>☐</td>
            <td>{{ wire.name }}</td>
            <td>{{ placeText(blocks, wire.from) }}</td>
            <td>{{ placeText(blocks, wire.to) }}</td>
            <td>{{ formatLength(wire.lengthMm, plan.units) }}</td>
            <td>bare {{ bareTexts(wire, plan.units).join(', ') }}</td>
            <td>
              {{ wire.sleeveMm === null ? '' : `sleeve ${sleeveText(wire, plan.units)}` }}
            </td>
          </tr>
        </tbody>
      </table>
    </template>
    <h2>Joints</h2>
    <table>
      <tbody>
        <tr v-for="(joint, index) in wiring.joints" :key="joint.id">
          <td>{{ plan.wiring.ticks.includes(joint.id) ? '☑' : '☐' }}</td>
          <td>{{ index + 1 }}</td>
          <td>{{ joint.where }}</td>
          <td>{{ joint.meets }}</td>
          <td>
            {{ joint.threadFirst.length > 0 ? `first thread ${joint.threadFirst.join(', ')}` : '' }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
