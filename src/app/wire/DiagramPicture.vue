<script setup lang="ts">
import { computed, useTemplateRef, watchEffect } from 'vue'
import type { Plan } from '../../core/plan/plan'
import type { Diagram } from '../../core/wire/drawn'
import { diagramTree } from '../../formats/svg-diagram'
import { svgText } from '../../formats/svg-tree'
import type { WireChoice } from './wire-choice'

const { diagram, plan, lit, choice } = defineProps<{
  diagram: Diagram
  plan: Plan
  lit: ReadonlySet<string>
  choice: WireChoice | undefined
}>()
const emit = defineEmits<{ choose: [choice: WireChoice | undefined] }>()

const tree = computed(() =>
  diagramTree(diagram, plan, {
    theme: 'bench',
    lit,
    litPlace: choice?.kind === 'place' ? choice.id : undefined,
  }),
)
/** As text: a plan of hundreds of runs has tens of thousands of parts, and the browser's own reader is fastest. All words in it are escaped. */
const picture = useTemplateRef<HTMLElement>('picture')
watchEffect(
  () => {
    if (picture.value !== null) picture.value.innerHTML = svgText(tree.value)
  },
  { flush: 'post' },
)

function click(event: MouseEvent): void {
  const at = event.target instanceof Element ? event.target : undefined
  const of = (name: string): string | undefined =>
    at?.closest(`[data-${name}]`)?.getAttribute(`data-${name}`) ?? undefined
  const [terminal, wire, block] = [of('terminal'), of('wire'), of('block')]
  if (terminal !== undefined) emit('choose', { kind: 'place', id: terminal })
  else if (wire !== undefined && wire !== '') emit('choose', { kind: 'wire', name: wire })
  else emit('choose', block === undefined ? undefined : { kind: 'place', id: block })
}
</script>

<template>
  <div ref="picture" @click="click" />
</template>
