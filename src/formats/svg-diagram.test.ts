import { describe, expect, it } from 'vitest'
import { wireColours, wireRoles } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { diagramOf } from '../core/wire/diagram'
import type { Diagram } from '../core/wire/drawn'
import { wiredPlan } from '../core/wired-plan'
import { demoPlan } from '../testing/demo-plan'
import { diagramSvg, diagramTree, wireTint } from './svg-diagram'
import type { SvgNode } from './svg-tree'

const drawn = (plan: Plan): Diagram => {
  const { circuit, cuts, signal } = wiredPlan(plan)
  return diagramOf(circuit, cuts, signal, plan.units)
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
    const tree = diagramTree(nookDiagram, nook, { theme: 'bench' })
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

  it('dims what is not chosen, and lights what is', () => {
    const opacities = (lit: ReadonlySet<string>, name: string): unknown[] =>
      having(diagramTree(nookDiagram, nook, { theme: 'bench', lit }), 'data-wire')
        .filter(({ tag, attributes }) => tag === 'g' && attributes['data-wire'] === name)
        .map(({ attributes }) => attributes.opacity)
    expect(opacities(new Set(), 'W1')).toEqual([1])
    expect(opacities(new Set(['W1']), 'W1')).toEqual([1])
    expect(opacities(new Set(['W2']), 'W1')).toEqual([0.25])
  })

  it('marks the block or the terminal that is chosen', () => {
    const marks = (litPlace: string): number =>
      all(diagramTree(nookDiagram, nook, { theme: 'bench', litPlace })).filter(
        ({ attributes: { stroke, fill } }) => stroke === '#ffb84d' || fill === '#ffb84d',
      ).length
    const none = marks('nothing')
    expect(marks('board')).toBe(none + 1)
    expect(marks('board/G4')).toBe(none + 1)
    expect(marks('run:seat')).toBe(none + 1)
  })

  it('says the fuse beside its sign, and the mains caution in every supply', () => {
    const text = words(diagramTree(nookDiagram, nook, { theme: 'paper' }))
    expect(text).toContain('7.5 A')
    expect(text).toContain('fixed mains wiring is for a')
    expect(text).toContain('1000 µF 6.3 V')
  })

  it('has a tint for every colour, each another', () => {
    expect(new Set(wireColours.map((colour) => wireTint[colour])).size).toBe(wireColours.length)
    expect(wireRoles.every((role) => nook.wiring.colours[role] in wireTint)).toBe(true)
  })
})

describe('notes on the wires', () => {
  /** About how wide letters are at the size of the notes, px. */
  const letterPx = 5.4
  it.each(['bay-window-nook', 'pegboard-moon', 'wardrobe-rails', 'paper-lanterns', 'firefly-jar'])(
    'of %s lie beside each other, not on each other, and on no run',
    (name) => {
      const { labels, blocks } = drawn(demoPlan(name))
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
          if (block.kind !== 'run') continue
          const isApart =
            a.right <= x || x + width <= a.left || a.bottom <= y || y + height <= a.top
          expect(isApart, `${a.text} on ${block.name}`).toBe(true)
        }
      }
    },
  )

  it('tell every wire that leaves its block, but those within a box', () => {
    const told = new Set(nookDiagram.labels.flatMap(({ wires }) => wires))
    for (const { wire, points } of nookDiagram.wires) {
      const isToRun = wire.to.startsWith('run:') && !wire.from.startsWith(wire.to.split('/')[0]!)
      if (isToRun && points.length > 2) expect(told).toContain(wire.name)
    }
  })
})
