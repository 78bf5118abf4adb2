import { describe, expect, it } from 'vitest'
import { wireColours, wireRoles } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { diagramOf } from '../core/wire/diagram'
import type { Diagram } from '../core/wire/diagram-parts'
import { worked } from '../core/worked'
import { demoNames, demoPlan } from '../testing/demo-plan'
import { diagramSvg, diagramTree, litTree, wireTint } from './svg-diagram'
import { svgSlices, svgText, type SvgNode } from './svg-tree'

const drawn = (plan: Plan): Diagram => {
  const results = worked(plan)
  return diagramOf(results.wiring, results, plan.units)
}
const nook = demoPlan('bay-window-nook')
const nookDiagram = drawn(nook)

/** Every node of a tree, the root first. */
const all = (root: SvgNode): SvgNode[] => [
  root,
  ...root.children.flatMap((child) => (typeof child === 'string' ? [] : all(child))),
]
const having = (root: SvgNode, name: string): SvgNode[] =>
  all(root).filter(({ attributes }) => name in attributes)
const words = ({ children }: SvgNode): string =>
  children.map((child) => (typeof child === 'string' ? child : words(child))).join('')

describe('the picture of the wiring', () => {
  it('draws every wire in its colour, and a legend of those that are used', () => {
    const tree = diagramTree(nookDiagram, nook, 'bench')
    for (const { wire } of nookDiagram.wires) {
      const [own] = having(tree, 'data-wire').filter(
        ({ tag, attributes }) => tag === 'g' && attributes['data-wire'] === wire.name,
      )
      const strokes = all(own!).map(({ attributes }) => attributes.stroke)
      expect(strokes).toContain(wireTint[wire.colour])
    }
    const legend = words(tree)
    expect(legend).toContain('plus red')
    expect(legend).toContain('data green')
    // No clock in this plan.
    expect(legend).not.toContain('clock yellow')
  })

  it('follows the colours of the build', () => {
    const colours = { ...nook.wiring.colours, plus: 'pink' as const, minus: 'brown' as const }
    const other = { ...nook, wiring: { ...nook.wiring, colours } }
    const svg = diagramSvg(drawn(other), other)
    expect(svg).toContain('plus pink')
    expect(svg).toContain(wireTint.brown)
    expect(svg).not.toContain(wireTint.red)
  })

  it('tells of all that is of a wire which one: what is not chosen can be dimmed by that', () => {
    const named = having(diagramTree(nookDiagram, nook, 'bench'), 'data-wire')
    const names = new Set(nookDiagram.wires.map(({ wire }) => wire.name))
    expect(new Set(named.map(({ attributes }) => attributes['data-wire']))).toEqual(names)
    const signs = nookDiagram.wires.reduce((sum, drawn) => sum + drawn.signs.length, 0)
    const fuses = nookDiagram.wires
      .flatMap((drawn) => drawn.signs)
      .filter(({ kind }) => kind === 'fuse')
    expect(named).toHaveLength(names.size + nookDiagram.labels.length + signs + fuses.length)
  })

  it('lights what is chosen over the rest: its wires with their signs and notes, and its place', () => {
    const over = (wires: readonly string[], place?: string): SvgNode =>
      litTree(nookDiagram, { wires: new Set(wires), place })
    const names = having(over(['W1']), 'data-wire').map(({ attributes }) => attributes['data-wire'])
    expect(new Set(names)).toEqual(new Set(['W1']))
    expect(words(over(['W1']))).toContain('7.5 A')
    expect(over([]).children).toEqual([])
    expect(over([], 'board').children).toHaveLength(1)
    expect(over([], 'board/G4').children).toHaveLength(1)
    const frame = (tree: SvgNode): unknown => tree.attributes.viewBox
    expect(frame(over(['W1']))).toBe(frame(diagramTree(nookDiagram, nook, 'bench')))
  })

  it('comes in slices that are the same picture when they are put together', () => {
    const tree = diagramTree(nookDiagram, nook, 'bench')
    for (const parts of [1, 50, 400, 1e6]) {
      const [root, ...rest] = svgSlices(tree, parts)
      expect(root.replace(/<\/svg>$/, '') + rest.join('') + '</svg>').toBe(svgText(tree))
      expect(rest.length === 0).toBe(parts === 1e6)
    }
  })

  it('says the fuse beside its sign, and the mains caution in every supply', () => {
    const text = words(diagramTree(nookDiagram, nook, 'paper'))
    expect(text).toContain('7.5 A')
    expect(text).toContain('fixed mains wiring is for a')
    expect(text).toContain('1000 µF 10 V')
  })

  it('has a tint for every colour, each another', () => {
    expect(new Set(wireColours.map((colour) => wireTint[colour])).size).toBe(wireColours.length)
    expect(wireRoles.every((role) => nook.wiring.colours[role] in wireTint)).toBe(true)
  })
})

describe('notes on the wires', () => {
  /** About how wide letters are at the size of the notes, px. */
  const letterPx = 5.4
  it.each(demoNames)('of %s lie beside each other, not on each other, and on no run', (name) => {
    const { labels, blocks, capacitors } = drawn(demoPlan(name))
    const boxes = labels.map(({ text, at: [x, y] }) => ({
      text,
      left: x,
      right: x + text.length * letterPx,
      top: y - 9,
      bottom: y + 1,
    }))
    for (const [index, a] of boxes.entries()) {
      for (const b of boxes.slice(index + 1))
        expect(
          a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top,
          `${a.text} | ${b.text}`,
        ).toBe(true)
      for (const { x, y, width, height, block } of blocks) {
        if (block.of.kind !== 'run') continue
        const isApart = a.right <= x || x + width <= a.left || a.bottom <= y || y + height <= a.top
        expect(isApart, `${a.text} on ${block.name}`).toBe(true)
      }
      for (const {
        at: [x, y],
        heightPx,
      } of capacitors) {
        const isApart =
          a.right <= x - 7 || x + 7 <= a.left || a.bottom <= y || y + heightPx <= a.top
        expect(isApart, `${a.text} under a capacitor`).toBe(true)
      }
    }
  })

  it('tell every wire that leaves its block, but those within a box', () => {
    const told = new Set(nookDiagram.labels.flatMap(({ wires }) => wires))
    for (const { wire, points } of nookDiagram.wires) {
      const isToRun = wire.to.block.startsWith('run:') && wire.from.block !== wire.to.block
      if (isToRun && points.length > 2) expect(told).toContain(wire.name)
    }
  })
})
