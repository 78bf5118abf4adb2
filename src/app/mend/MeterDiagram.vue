<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import type { TipPlace } from '../../core/mend/tips'
import type { Plan } from '../../core/plan/plan'
import type { Diagram } from '../../core/wire/diagram-parts'
import DiagramView from '../wire/DiagramView.vue'
import type { WireChoice } from '../wire/wire-choice'
import type { MeterSource } from './meter-source'
import type { Meter, TipName } from './use-meter'

const { plan, source, meter } = defineProps<{
  /** That is measured in. */
  plan: Plan
  source: MeterSource
  meter: Meter
}>()

const drawn = shallowRef<{
  readonly diagram: Diagram
  readonly tips: ReadonlyMap<string, TipPlace>
}>()
onMounted(async () => {
  drawn.value = await source.diagram()
})

/** The terminal that was pointed at last for a tip: others may be the same copper. */
const pointed = shallowRef(new Map<string, string>())
const nothingLit: ReadonlySet<string> = new Set()
const opened = computed(() => {
  const wire = meter.mode.value === 'A' ? meter.opened.value?.wire : undefined
  return wire === undefined ? nothingLit : new Set([wire])
})
const held = computed(() =>
  (['red', 'black'] as const satisfies readonly TipName[]).flatMap((tip) => {
    const id = meter.mode.value === 'A' ? undefined : meter.tips[tip].value?.id
    if (id === undefined || drawn.value === undefined) return []
    const terminal =
      pointed.value.get(id) ?? [...drawn.value.tips].find(([, one]) => one.id === id)?.[0]
    return terminal === undefined ? [] : [{ terminal, tip }]
  }),
)
function choose(choice: WireChoice | undefined): void {
  if (choice === undefined) return
  if (choice.kind === 'wire') {
    if (meter.mode.value === 'A') meter.open(choice.name)
    else meter.put(undefined)
    return
  }
  const tip = drawn.value?.tips.get(choice.id)
  if (tip !== undefined) pointed.value = new Map(pointed.value).set(tip.id, choice.id)
  meter.put(tip)
}
</script>

<template>
  <p v-if="drawn === undefined" class="py-6 text-bench-soft" role="status">
    The diagram is drawn …
  </p>
  <DiagramView
    v-else
    class="h-[40vh] min-h-[260px] flex-none!"
    :diagram="drawn.diagram"
    :plan="plan"
    :lit="opened"
    :choice="undefined"
    :tips="held"
    @choose="choose"
  />
</template>
