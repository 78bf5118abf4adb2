<script setup lang="ts">
import type { StripReels } from '../../core/cut/reels'
import { formatLength } from '../../core/quantity/format'
import { useReelRows } from './use-reel-rows'
import { useOpenPlan } from '../stores/use-open-plan'

const { reels } = defineProps<{ reels: readonly StripReels[] }>()
const plan = useOpenPlan()

const rowsOf = useReelRows(() => reels)
</script>

<!-- On the screen the reels are drawn; this is what comes out of the printer. -->
<template>
  <div class="print-only">
    <h1>Cut list · {{ plan.name }}</h1>
    <section v-for="{ strip } in reels" :key="strip.id">
      <h2>{{ strip.name }}, a group {{ formatLength(strip.cutPitchMm, plan.units) }}</h2>
      <table>
        <thead>
          <tr>
            <th>from</th>
            <th>piece</th>
            <th>groups</th>
            <th>on the reel</th>
            <th>length</th>
            <th>done</th>
          </tr>
        </thead>
        <tbody v-for="{ reel, number } in rowsOf(strip)" :key="number">
          <tr v-for="cut in reel.cuts" :key="`${cut.piece} ${cut.part}`">
            <td>from {{ reel.kind === 'reel' ? `reel ${number}` : 'the drawer' }}</td>
            <td>
              <b>{{ cut.piece }}</b>
              <template v-if="cut.parts > 1"> part {{ cut.part }} of {{ cut.parts }}</template>
            </td>
            <td>{{ cut.toGroup - cut.fromGroup + 1 }}</td>
            <td>group {{ cut.fromGroup }} to {{ cut.toGroup }}, arrow to the right</td>
            <td>{{ formatLength(cut.lengthMm, plan.units) }}</td>
            <td>☐</td>
          </tr>
          <tr>
            <td colspan="4">left over</td>
            <td>{{ formatLength(reel.leftoverMm, plan.units) }}</td>
            <td></td>
          </tr>
        </tbody>
      </table>
    </section>
    <p>
      Lay each reel with its arrows to the right: they point away from the end where the wire
      enters. Write each name on its piece before the next cut.
    </p>
  </div>
</template>
