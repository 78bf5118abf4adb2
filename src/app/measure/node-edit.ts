import type { LightNode, NodePart } from '../../core/plan/plan'

/** A node without anything in it. */
export const bareNode: LightNode = { parts: [] }

/** The node with a part more; its name is told apart where there is one like it. */
export function withPart(node: LightNode, part: Omit<NodePart, 'id'>, id: string): LightNode {
  const names = new Set(node.parts.map(({ name }) => name))
  let name = part.name
  for (let number = 2; names.has(name); number += 1) name = `${part.name} ${String(number)}`
  return { ...node, parts: [...node.parts, { ...part, id, name }] }
}

export const withPartSet = (node: LightNode, id: string, set: Partial<NodePart>): LightNode => ({
  ...node,
  parts: node.parts.map((part) => (part.id === id ? { ...part, ...set } : part)),
})

export const withoutPart = (node: LightNode, id: string): LightNode => ({
  ...node,
  parts: node.parts.filter((part) => part.id !== id),
})
