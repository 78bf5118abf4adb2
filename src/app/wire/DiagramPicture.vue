<script setup lang="ts">
import { h, type VNode } from 'vue'
import { computed } from 'vue'
import type { Plan } from '../../core/plan/plan'
import type { Diagram } from '../../core/wire/diagram'
import { diagramTree } from '../../formats/svg-diagram'
import type { SvgNode } from '../../formats/svg-tree'
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
const vnode = ({ tag, attributes, children }: SvgNode): VNode =>
  h(
    tag,
    attributes,
    children.map((child) => (typeof child === 'string' ? child : vnode(child))),
  )
const Picture = (): VNode => vnode(tree.value)

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
  <div @click="click"><Picture /></div>
</template>
