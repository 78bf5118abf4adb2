<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { usePrinting } from '../ui/use-printing'
import { useView } from '../shell/use-sheet-view'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import ChoiceBar from './ChoiceBar.vue'
import DiagramView from './DiagramView.vue'
import JointList from './JointList.vue'
import ProgramView from './ProgramView.vue'
import SaveWiring from './SaveWiring.vue'
import { usePart } from '../stores/use-parts'
import WirePaper from './WirePaper.vue'
import { litWires, runOfChoice, type WireChoice } from './wire-choice'
import WireTable from './WireTable.vue'
import NothingYet from '../shell/NothingYet.vue'

const store = usePlanStore()
const spotlight = useSpotlight()
const { tally } = storeToRefs(store)

const sheets = [{ value: 'wiring', label: 'Wiring' }] as const
const views = [
  { value: 'diagram', label: 'Diagram' },
  { value: 'wires', label: 'Wires' },
  { value: 'joints', label: 'Joints' },
  { value: 'program', label: 'Program' },
] as const
const view = useView(views, 'diagram')
const [wiring, diagram] = [usePart('wiring'), usePart('diagram')]

const isPrinting = usePrinting()
const choice = shallowRef<WireChoice>()
const lit = computed(() => litWires(wiring.value?.wires ?? [], choice.value))
watch(choice, (chosen) => {
  const run = wiring.value && runOfChoice(wiring.value, chosen)?.run
  if (run !== undefined) spotlight.choose(run)
})
</script>

<template>
  <PlanFrame
    stage="wire"
    title="Wire"
    hint="Choose a wire or a terminal to see where it goes."
    :sheets="sheets"
  >
    <template #tools>
      <SaveWiring v-if="wiring" :wiring="wiring" :diagram="diagram" />
      <SegmentedChoice
        v-model="view"
        class="max-sm:hidden"
        label="What is shown"
        :options="views"
      />
    </template>
    <template #default="{ shows }">
      <template v-if="tally && wiring && shows('wiring')">
        <SegmentedChoice v-model="view" class="sm:hidden" label="What is shown" :options="views" />
        <template v-if="view === 'diagram'">
          <NothingYet v-if="wiring.wires.length === 0" what="No wires yet" />
          <DiagramView
            v-else-if="diagram"
            :diagram="diagram"
            :lit="lit"
            :choice="choice"
            @choose="choice = $event"
          >
            <ChoiceBar
              v-if="choice"
              :runs="tally.runs"
              :wiring="wiring"
              :choice="choice"
              @choose="choice = $event"
            />
          </DiagramView>
          <p
            v-else
            class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
            role="status"
          >
            Drawing the wires …
          </p>
        </template>
        <WireTable
          v-else-if="view === 'wires'"
          :wiring="wiring"
          :lit="lit"
          @choose="choice = $event"
        />
        <JointList v-else-if="view === 'joints'" :joints="wiring.joints" />
        <ProgramView v-else />
        <WirePaper v-if="isPrinting && view !== 'program'" :wiring="wiring" :diagram="diagram" />
      </template>
      <p
        v-else-if="shows('wiring')"
        class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
        role="status"
      >
        Working the wires out …
      </p>
    </template>
  </PlanFrame>
</template>
