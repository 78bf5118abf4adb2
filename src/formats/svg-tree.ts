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

const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')

/** The tree as text of a file. */
export function svgText({ tag, attributes, children }: SvgNode): string {
  const own = Object.entries(attributes)
    .map(([name, value]) => ` ${name}="${escaped(String(value))}"`)
    .join('')
  const inner = children
    .map((child) => (typeof child === 'string' ? escaped(child) : svgText(child)))
    .join('')
  return inner === '' ? `<${tag}${own}/>` : `<${tag}${own}>${inner}</${tag}>`
}
