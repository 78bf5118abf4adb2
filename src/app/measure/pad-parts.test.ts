import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Line } from '../../core/plan/plan'
import { padParts, type PadParts } from './pad-parts'

const linesUpTo = (count: number): Line[] =>
  Array.from({ length: count }, (_, index) => ({ id: `l${String(index)}`, text: 'shelf 650' }))
const nearTo = (from: number, to: number) => (start: number, upTo: number) =>
  upTo > from && start <= to
const linesOf = ({ above, near, below }: PadParts): Line[] => [
  ...above.flatMap(({ lines }) => lines),
  ...near.map(({ line }) => line),
  ...below.flatMap(({ lines }) => lines),
]

describe('the parts of a pad', () => {
  it('are all of its lines in their order, those near one by one, each at its index', () => {
    fc.assert(
      fc.property(fc.nat(400), fc.nat(400), fc.nat(120), (count, from, more) => {
        const lines = linesUpTo(count)
        const parts = padParts(lines, nearTo(from, from + more))
        expect(linesOf(parts)).toEqual(lines)
        for (const { line, at } of parts.near) expect(line).toBe(lines[at])
        for (const { at, lines: own } of [...parts.above, ...parts.below])
          expect(own[0]).toBe(lines[at])
        const near = lines.slice(from, from + more + 1)
        expect(parts.near.map(({ line }) => line)).toEqual(expect.arrayContaining(near))
        expect(parts.near.length).toBeLessThan(near.length + 64)
      }),
    )
  })

  it('keep the blocks in which nothing has changed', () => {
    const lines = linesUpTo(300)
    const before = padParts(lines, nearTo(100, 150))
    const edited = lines.map((line, index) => (index === 5 ? { ...line, text: 'sill 12' } : line))
    const after = padParts(edited, nearTo(100, 150), before)
    expect(after.above.map((block, index) => block === before.above[index])).toEqual([
      false,
      ...before.above.slice(1).map(() => true),
    ])
    expect(after.below).toEqual(before.below)
    expect(after.below.every((block, index) => block === before.below[index])).toBe(true)
    expect(linesOf(after)).toEqual(edited)
    // One more at the end makes only the last block another.
    const longer = padParts([...edited, { id: 'z', text: '' }], nearTo(100, 150), after)
    expect(longer.below.map((block, index) => block === after.below[index])).toEqual([
      ...after.below.slice(1).map(() => true),
      false,
    ])
  })
})
