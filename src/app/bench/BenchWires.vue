<script setup lang="ts">
import { computed } from 'vue'
import type { PlanAnswers } from '../engine/follow-plan'
import { useSpotlight } from '../stores/spotlight'
import { plugPath, type DrawnRun } from './run-drawing'
import { dotsPath, pathOf } from './view'

const { tally, drawn, isRoomy } = defineProps<{
  tally: PlanAnswers
  drawn: readonly DrawnRun[]
  /** Few enough runs for all wires to be shown. */
  isRoomy: boolean
}>()

const spotlight = useSpotlight()

/** Where there are many, those alone that are pointed at. */
const leads = computed(() => {
  const { shining } = spotlight
  const all = tally.feed.leads
  const shown = isRoomy ? all : all.filter(({ to }) => to.kind === 'run' && shining.has(to.run))
  return shown.map(({ id, start, end, to }) => ({
    id,
    about: to.kind === 'run' ? to.run : to.junction,
    path: `M${String(start[0])} ${String(start[1])}H${String(end[0])}V${String(end[1])}`,
  }))
})

/** Wire between single lights: from splitters to what is plugged in, and along strings of pixel nodes. */
const webs = computed(() => {
  if (!isRoomy) return []
  const trees = new Map(tally.feed.plugs.map((tree) => [tree.id, tree]))
  const isOnWire = new Set(tally.runs.filter(({ pieces }) => pieces.length > 0).map(({ id }) => id))
  return drawn.flatMap(({ run, lights }) => {
    const plugged = trees.get(run.id)?.leads ?? []
    const path = isOnWire.has(run.id) ? pathOf(lights) : plugPath(plugged, lights)
    return lights.length > 0 && path !== ''
      ? [{ id: run.id, path, splitters: plugged.flatMap((lead) => lead.splitters) }]
      : []
  })
})
</script>

<!-- Leads and the wires between single lights, in millimetres. -->
<template>
  <g>
    <path
      v-for="lead in leads"
      :key="lead.id"
      :d="lead.path"
      fill="none"
      stroke-dasharray="4 4"
      :class="spotlight.isLit(lead.about) ? 'stroke-glow' : 'stroke-[#a9782f]'"
    />
    <g v-for="web in webs" :key="`web ${web.id}`" class="pointer-events-none">
      <path
        :d="web.path"
        fill="none"
        :class="spotlight.isLit(web.id) ? 'stroke-glow' : 'stroke-[#a9782f]'"
        stroke-opacity="0.7"
      />
      <path
        v-for="{ name, at } in web.splitters"
        :key="name"
        :d="dotsPath([at])"
        class="stroke-bench-soft"
        stroke-width="9"
        stroke-linecap="square"
      />
    </g>
  </g>
</template>
