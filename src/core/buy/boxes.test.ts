import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import type { Plan, PlanBox } from '../plan/plan'
import { worked } from '../worked'
import { boxesOf, boxHoles, boxItems, type PlacedItem } from './boxes'

const nook = demoPlan('bay-window-nook')
const box = (set: Partial<PlanBox> = {}): PlanBox => ({
  id: 'box',
  name: 'Cubby',
  lengthMm: 235,
  widthMm: 180,
  tallMm: 90,
  holds: ['board', 'supply-a'],
  ...set,
})
const withBoxes = (...boxes: PlanBox[]): Plan => ({ ...nook, buy: { ...nook.buy, boxes } })
const given = worked(nook)

/** What an item takes of the floor, its air too: from and to, along and across. */
const span = (one: PlacedItem): [number, number, number, number] => {
  const [long, wide] = one.isTurned ? [one.widthMm, one.lengthMm] : [one.lengthMm, one.widthMm]
  return [one.x - one.airMm, one.x + long + one.airMm, one.y - one.airMm, one.y + wide + one.airMm]
}

describe('boxes', () => {
  it('hold what stands in them with its air, side by side, and say what finds no room', () => {
    const side = fc.integer({ min: 10, max: 400 })
    fc.assert(
      fc.property(side, side, side, (lengthMm, widthMm, tallMm) => {
        const own = box({ lengthMm, widthMm, tallMm })
        const [found] = boxesOf({ ...given, plan: withBoxes(own) })
        const { placed, lacking, fitting } = found!
        expect(placed.length + lacking.length).toBe(boxItems(given).length)
        for (const one of placed) {
          const [left, right, top, bottom] = span(one)
          expect(Math.min(left, top)).toBeGreaterThanOrEqual(-1e-9)
          expect(right).toBeLessThanOrEqual(lengthMm + 1e-9)
          expect(bottom).toBeLessThanOrEqual(widthMm + 1e-9)
          expect(one.tallMm + one.airMm).toBeLessThanOrEqual(tallMm + 1e-9)
          for (const other of placed) {
            if (other === one) continue
            const [from, to, up, down] = span(other)
            expect(
              left >= to - 1e-9 ||
                right <= from + 1e-9 ||
                top >= down - 1e-9 ||
                bottom <= up + 1e-9,
            ).toBe(true)
          }
        }
        // The smallest as sold holds all of it; nothing here is larger than any.
        const [again] = boxesOf({ ...given, plan: withBoxes(box({ ...fitting, id: 'box' })) })
        expect(again?.lacking).toEqual([])
      }),
    )
  })

  it('too small by a millimetre lacks the supply, not the board beside it', () => {
    const { lengthMm, widthMm, airMm } = boxItems(given).find(({ of }) => of === 'supply-a')!
    const fits = box({
      lengthMm: lengthMm + 2 * airMm,
      widthMm: widthMm + 2 * airMm,
      holds: ['supply-a'],
    })
    const lacksSupply = (own: PlanBox): boolean =>
      boxesOf({ ...given, plan: withBoxes(own) })[0]!.lacking.some(
        ({ name }) => name === 'Supply A',
      )
    const flat = { ...fits, lengthMm: fits.widthMm, widthMm: fits.lengthMm }
    const narrow = { ...fits, widthMm: fits.widthMm - 1 }
    expect([fits, flat, narrow].map(lacksSupply)).toEqual([false, false, true])
    // The board, and a holder for each fuse of its leads, come beside it.
    const [beside] = boxesOf({
      ...given,
      plan: withBoxes({ ...narrow, holds: ['board', 'supply-a'] }),
    })
    expect(beside?.lacking.map(({ name }) => name)).toEqual(['Supply A'])
    expect(beside?.placed.map(({ of }) => of).filter((of) => of === 'supply-a')).toHaveLength(5)
  })

  it('have a hole for every wire that leaves them, and none for those that stay inside', () => {
    const holes = boxHoles(box(), given)
    const blocks = new Map(given.wiring.blocks.map(({ id, of }) => [id, of.kind]))
    const isIn = (id: string): boolean =>
      ['board', 'supply', 'buffer', 'switch'].includes(blocks.get(id) ?? '')
    const leaving = given.wiring.wires.filter(({ from, to }) => isIn(from.block) !== isIn(to.block))
    expect(holes.flatMap(({ wires }) => wires).toSorted()).toEqual(
      leaving.map(({ name }) => name).toSorted(),
    )
    // The alcove is above, the seat's front to the right of what hides.
    expect(holes.find(({ to }) => to === 'alcove')).toMatchObject({ side: 'top', diameterMm: 6 })
    expect(holes.find(({ to }) => to === 'seat front')).toMatchObject({ side: 'right' })
    expect(boxHoles(box({ holds: [] }), given)).toEqual([])
  })

  it('are on the bill, at a price where they are sold so', () => {
    const lines = (own: PlanBox): (readonly [string, number | null])[] =>
      worked(withBoxes(own)).receipt.lines.flatMap((line) =>
        line.name.includes('box,') ? [[line.name, line.cost] as const] : [],
      )
    expect(lines(box())).toEqual([['plastic box, 235 × 180 × 90 mm inside', 16]])
    expect(lines(box({ tallMm: 60 }))).toEqual([['box, 235 × 180 × 60 mm inside', null]])
  })
})
