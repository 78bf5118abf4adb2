<script setup lang="ts">
import type { Point } from '../../core/measure/geometry'
import type { Command } from '../../core/plan/commands'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import HiddenBox from './HiddenBox.vue'
import type { SourceBox } from './labels'
import type { View } from './view'

defineProps<{ boxes: readonly SourceBox[]; view: View }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()

function move(id: string, at: Point, key: string, isDrag: boolean): void {
  const junction = plan.value.junctions.find((candidate) => candidate.id === id)
  const command: Command =
    junction !== undefined
      ? { do: 'set-junction', junction: id, set: { at: [...at] } }
      : id === 'controller'
        ? { do: 'place-controller', at }
        : { do: 'place-supply', supply: id, at }
  store.commit([command], { label: 'move supply or board', key, isDrag })
}
</script>

<!-- Supplies, junctions and the board, where they hide. -->
<template>
  <HiddenBox
    v-for="box in boxes"
    :key="box.id"
    :name="box.name"
    :label="box.label"
    :at="[
      view.x + (box.room.left + box.room.right) / 2,
      view.y + (box.room.top + box.room.bottom) / 2,
    ]"
    :is-lit="spotlight.isLit(box.id)"
    :scale="view.scale"
    @move="(dx, dy, key, isDrag) => move(box.id, [box.at[0] + dx, box.at[1] + dy], key, isDrag)"
  />
</template>
