<script setup lang="ts">
import { onScopeDispose, useTemplateRef, watchEffect } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { close, roomy, type Diagram } from '../../core/wire/diagram-parts'
import { diagramTree, litTree, type MeterTip } from '../../formats/svg-diagram'
import { svgSlices, svgText } from '../../formats/svg-tree'
import type { WireChoice } from './wire-choice'

const {
  diagram,
  plan,
  lit,
  choice,
  tips = [],
} = defineProps<{
  diagram: Diagram
  plan: Plan
  lit: ReadonlySet<string>
  choice: WireChoice | undefined
  tips?: readonly MeterTip[] | undefined
}>()
const emit = defineEmits<{ choose: [choice: WireChoice | undefined] }>()

const picture = useTemplateRef<HTMLElement>('picture')
const overlay = useTemplateRef<HTMLElement>('overlay')

// As text: a plan of hundreds of runs has tens of thousands of parts, and the browser's own reader is fastest. All words in it are escaped.
// So many parts are read and set out within a frame; the others follow in the next ones.
const partsAFrame = 1_200
let frame = 0
watchEffect(
  () => {
    cancelAnimationFrame(frame)
    if (picture.value === null) return
    const [root, ...rest] = svgSlices(diagramTree(diagram, plan, 'bench'), partsAFrame)
    picture.value.innerHTML = root
    const svg = picture.value.firstElementChild
    const more = (): void => {
      const slice = rest.shift()
      if (slice === undefined || svg === null) return
      svg.insertAdjacentHTML('beforeend', slice)
      frame = requestAnimationFrame(more)
    }
    frame = requestAnimationFrame(more)
  },
  { flush: 'post' },
)
onScopeDispose(() => {
  cancelAnimationFrame(frame)
})
// What is chosen lies over the rest, so that the rest need not be drawn anew.
watchEffect(
  () => {
    if (overlay.value === null) return
    const place = choice?.kind === 'place' ? choice.id : undefined
    overlay.value.innerHTML =
      choice === undefined && tips.length === 0
        ? ''
        : svgText(litTree(diagram, { wires: lit, place, tips }))
  },
  { flush: 'post' },
)

/** The terminal nearest to a place on the screen: wires end on it, and a finger is wide. */
function terminalNear({ clientX, clientY }: MouseEvent): string | undefined {
  const box = picture.value?.getBoundingClientRect()
  if (box === undefined || box.width === 0) return undefined
  const scale = box.width / diagram.width
  const [x, y] = [(clientX - box.left) / scale, (clientY - box.top) / scale]
  // Half of the way to the next one.
  const { pitch } = diagram.isClose ? close : roomy
  let [nearest, least]: [string | undefined, number] = [undefined, pitch / 2]
  for (const { terminals } of diagram.blocks)
    for (const { id, at } of terminals) {
      const away = Math.hypot(at[0] - x, at[1] - y)
      if (away < least) [nearest, least] = [id, away]
    }
  return nearest
}

function click(event: MouseEvent): void {
  const at = event.target instanceof Element ? event.target : undefined
  const of = (name: string): string | undefined =>
    at?.closest(`[data-${name}]`)?.getAttribute(`data-${name}`) ?? undefined
  const [terminal, wire, block] = [of('terminal') ?? terminalNear(event), of('wire'), of('block')]
  if (terminal !== undefined) emit('choose', { kind: 'place', id: terminal })
  else if (wire !== undefined && wire !== '') emit('choose', { kind: 'wire', name: wire })
  else emit('choose', block === undefined ? undefined : { kind: 'place', id: block })
}
</script>

<template>
  <div class="relative" @click="click">
    <div ref="picture" :class="lit.size > 0 && 'is-dimmed'" />
    <div ref="overlay" class="pointer-events-none absolute inset-0" />
  </div>
</template>

<style scoped>
.is-dimmed :deep([data-wire]) {
  opacity: 0.28;
}
</style>
