<script setup lang="ts">
import { readLine, type PaperSteps } from '../../core/build/on-paper'
import { kindNames, minutesText } from './words'

const { name, paper } = defineProps<{ name: string; paper: PaperSteps }>()
const marks = { done: '☑', skipped: '–', open: '☐' } as const
</script>

<!-- The steps as they are printed, with a box for each, and a card for the lid of each supply. -->
<template>
  <div class="print-only">
    <h1>{{ name }}: how to build it</h1>
    <ul>
      <li v-for="text in paper.cautions" :key="text">{{ text }}</li>
    </ul>
    <p v-if="!paper.hasReadings">
      Too many readings to print: the steps in the app tell them one by one.
    </p>
    <table>
      <tbody>
        <tr v-for="(step, index) in paper.steps" :key="step.id">
          <td>{{ marks[step.state] }}</td>
          <td>{{ index + 1 }}</td>
          <td>{{ kindNames[step.kind] }}</td>
          <td>
            {{ step.title
            }}<template v-if="step.threads.length > 0"
              ><br />first thread {{ step.threads.join(', ') }}</template
            ><template v-if="step.reads.length > 0"><br />{{ readLine(step) }}</template>
          </td>
          <td>{{ minutesText(step.minutes) }}</td>
        </tr>
      </tbody>
    </table>
    <div v-for="card in paper.cards" :key="card.supply" class="break-inside-avoid">
      <h2>Card for the lid: {{ card.supply }}</h2>
      <p v-for="line in card.lines" :key="line">{{ line }}</p>
    </div>
  </div>
</template>
