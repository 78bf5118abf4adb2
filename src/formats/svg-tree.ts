import { xmlText } from './safe-text'

/** A piece of SVG as a tree, so that a file and a page can be made of the same one. */
export interface SvgNode {
  readonly tag: string
  readonly attributes: Readonly<Record<string, string | number>>
  readonly children: readonly (SvgNode | string)[]
}

export const node = (
  tag: string,
  attributes: SvgNode['attributes'],
  ...children: readonly (SvgNode | string | undefined)[]
): SvgNode => ({
  tag,
  attributes,
  children: children.filter((child) => child !== undefined),
})

const opening = ({ tag, attributes }: SvgNode): string =>
  `<${tag}${Object.entries(attributes)
    .map(([name, value]) => ` ${name}="${xmlText(String(value))}"`)
    .join('')}`

const textOf = (child: SvgNode | string): string =>
  typeof child === 'string' ? xmlText(child) : svgText(child)

/** The tree as text of a file. */
export function svgText(tree: SvgNode): string {
  const inner = tree.children.map(textOf).join('')
  return inner === '' ? `${opening(tree)}/>` : `${opening(tree)}>${inner}</${tree.tag}>`
}

const partsIn = (child: SvgNode | string): number =>
  typeof child === 'string' ? 0 : child.children.reduce((sum, one) => sum + partsIn(one), 1)

/**
 * The tree as texts that can be read one after the other: its root with the first children in it, then the others, each of them with about
 * as many parts.
 */
export function svgSlices(tree: SvgNode, partsEach: number): readonly [root: string, ...string[]] {
  const slices: SvgNode['children'][number][][] = [[]]
  let parts = 0
  for (const child of tree.children) {
    if (parts >= partsEach) {
      slices.push([])
      parts = 0
    }
    slices.at(-1)?.push(child)
    parts += partsIn(child)
  }
  const [first = [], ...rest] = slices
  return [svgText({ ...tree, children: first }), ...rest.map((slice) => slice.map(textOf).join(''))]
}
