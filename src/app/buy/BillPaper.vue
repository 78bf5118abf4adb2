<script setup lang="ts">
import { computed } from 'vue'
import type { Receipt } from '../../core/buy/receipt'
import { billGroups } from '../../core/parts/sold'
import { buysText, needText } from '../../formats/csv-bill'
import { usePrice } from '../shell/price'
import { useOpenPlan } from '../stores/use-open-plan'

const { receipt } = defineProps<{ receipt: Receipt }>()
const plan = useOpenPlan()

const price = usePrice()
const bought = computed(() => new Set(plan.value.buy.bought.map(({ line }) => line)))
const groups = computed(() =>
  billGroups
    .map((group) => ({ group, lines: receipt.lines.filter((line) => line.group === group) }))
    .filter(({ lines }) => lines.length > 0),
)
</script>

<!-- The bill as it is printed: a box to tick for each line. -->
<template>
  <div class="print-only">
    <h1>{{ plan.name }}: what to buy</h1>
    <template v-for="{ group, lines } in groups" :key="group">
      <h2>{{ group }}</h2>
      <table>
        <tbody>
          <tr v-for="line in lines" :key="line.id">
            <td>{{ bought.has(line.id) || line.buys.length === 0 ? '☑' : '☐' }}</td>
            <td>{{ line.name }}</td>
            <td>{{ needText(line.need, line.unit, plan.units) }}</td>
            <td>{{ buysText(line, plan.units) }}</td>
            <td>{{ price(line.cost) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <h2>
      {{ price(receipt.total)
      }}<template v-if="receipt.unpriced > 0">, {{ receipt.unpriced }} without a price</template>
    </h2>
  </div>
</template>
