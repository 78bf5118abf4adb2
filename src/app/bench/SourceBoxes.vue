<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from '../../core/measure/geometry'
import type { SourcePlaces } from '../../core/measure/source-places'
import type { Command } from '../../core/plan/commands'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import HiddenBox from './HiddenBox.vue'
import { toScreen, type View } from './view'

const { places } = defineProps<{ places: SourcePlaces; view: View }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()

function move(id: string, at: Point, key: string, isDrag: boolean): void {
  const junction = plan.value.junctions.find((candidate) => candidate.id === id)
  const command: Command =
    junction !== undefined
      ? { do: 'put-junction', junction: { ...junction, at: [...at] } }
      : id === 'controller'
        ? { do: 'place-controller', at }
        : { do: 'place-supply', supply: id, at }
  store.commit([command], { label: 'move supply or board', key, isDrag })
}
const boxes = computed(() => [
  ...plan.value.supplies.map(({ id, name }) => {
    const supply = store.tally?.supplies.find((candidate) => candidate.id === id)
    const rating =
      supply?.ratedA === null || supply === undefined
        ? name
        : `${String(supply.volts)} V ${String(supply.ratedA)} A`
    return { id, name, label: rating, at: places.supplies.get(id) ?? [0, 0] }
  }),
  ...plan.value.junctions.map(({ id, name }) => ({
    id,
    name,
    label: name,
    at: places.junctions.get(id) ?? ([0, 0] as Point),
  })),
  { id: 'controller', name: 'Controller', label: 'controller', at: places.controller },
])
</script>

<!-- Supplies, junctions and the board, where they hide. -->
<template>
  <HiddenBox
    v-for="box in boxes"
    :key="box.id"
    :name="box.name"
    :label="box.label"
    :at="toScreen(view, box.at)"
    :is-lit="spotlight.isLit(box.id)"
    :scale="view.scale"
    @move="(dx, dy, key, isDrag) => move(box.id, [box.at[0] + dx, box.at[1] + dy], key, isDrag)"
  />
</template>
