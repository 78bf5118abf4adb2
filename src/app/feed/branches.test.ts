import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Branch } from '../../core/feed/branches'
import { extensionsText, hasFadedRuns, portsLeft } from '../../core/feed/branches'
import { tally } from '../../core/tally'
import { demoPlan } from '../../testing/demo-plan'
import { layBranches } from './branch-layout'

const branch = (id: string, branches: readonly Branch[], ways?: number): Branch => ({
  id,
  kind: 'splitter',
  name: id,
  currentA: 0.1,
  leadMm: 100,
  extensionsMm: [],
  plugs: 1,
  ways,
  about: [id],
  branches,
})
/** Any trees: each branch by how many hang on it. */
const anyTree = fc.letrec<{ tree: Branch }>((tie) => ({
  tree: fc.oneof(
    { maxDepth: 4, depthSize: 'small' },
    fc.uuid().map((id) => branch(id, [])),
    fc
      .tuple(fc.uuid(), fc.array(tie('tree'), { minLength: 1, maxLength: 5 }))
      .map(([id, own]) => branch(id, own)),
  ),
})).tree
const countIn = ({ branches }: Branch): number =>
  branches.reduce((sum, one) => sum + countIn(one), 1)
const endsIn = ({ branches }: Branch): number =>
  branches.length === 0 ? 1 : branches.reduce((sum, one) => sum + endsIn(one), 0)

describe('a tree of the feed as it is drawn', () => {
  it('has every branch once, to the right of what it hangs on, and within its height', () => {
    fc.assert(
      fc.property(fc.array(anyTree, { minLength: 1, maxLength: 4 }), (roots) => {
        const { placed, width, height, column, left } = layBranches(roots, 10_000, 900)
        expect(left).toBe(0)
        expect(placed).toHaveLength(roots.reduce((sum, root) => sum + countIn(root), 0))
        for (const { branch: own, x, y, from } of placed) {
          expect(x + column).toBeLessThanOrEqual(width + 1e-9)
          expect(y).toBeGreaterThan(0)
          expect(y).toBeLessThan(height)
          if (from === undefined) expect(roots).toContain(own)
          else expect(x - from.x).toBeCloseTo(column, 9)
        }
      }),
    )
  })

  it('no two in a column are nearer than a row, and none crosses another’s', () => {
    fc.assert(
      fc.property(fc.array(anyTree, { minLength: 1, maxLength: 3 }), (roots) => {
        const { placed, height } = layBranches(roots, 10_000, 900)
        const rowPx = height / roots.reduce((sum, root) => sum + endsIn(root), 0)
        const columns = new Map<number, number[]>()
        for (const { x, y } of placed) columns.set(x, [...(columns.get(x) ?? []), y])
        for (const heights of columns.values())
          for (const [index, y] of heights.toSorted((a, b) => a - b).entries())
            if (index > 0)
              expect(y - heights.toSorted((a, b) => a - b)[index - 1]!).toBeGreaterThan(
                rowPx - 1e-9,
              )
      }),
    )
  })

  it('of hundreds of ends draws as many as are wanted, and says how many it left out', () => {
    const many = branch(
      'supply',
      Array.from({ length: 300 }, (_, index) => branch(`run ${String(index)}`, [])),
    )
    const { placed, left, height } = layBranches([many], 60, 900)
    expect(placed).toHaveLength(61)
    expect(left).toBe(240)
    expect(height).toBe(60 * 50)
    expect(layBranches([many], 400, 900).left).toBe(0)
  })

  it('columns are as wide as there is room, within reason', () => {
    const deep = (levels: number): Branch =>
      branch(`d${String(levels)}`, levels === 0 ? [] : [deep(levels - 1)])
    expect(layBranches([deep(3)], 60, 800).column).toBe(200)
    expect(layBranches([deep(0)], 60, 800).column).toBe(236)
    // Narrower than this it is scrolled.
    expect(layBranches([deep(11)], 60, 800)).toMatchObject({ column: 148, width: 12 * 148 })
  })
})

describe('plugs', () => {
  it('are free as long as fewer hang on a splitter than it has', () => {
    const three = ['a', 'b', 'c'].map((id) => branch(id, []))
    expect(portsLeft(branch('s', three, 4))).toBe(1)
    expect(portsLeft(branch('s', three, 2))).toBe(-1)
    expect(portsLeft(branch('terminals', three))).toBeUndefined()
    expect(portsLeft(branch('s', [{ ...three[0]!, plugs: 4 }, three[1]!], 6))).toBe(1)
  })

  it('extension leads are told by their lengths, longest first', () => {
    expect(extensionsText([])).toBe('')
    expect(extensionsText([200])).toBe('200 mm')
    expect(extensionsText([200, 500, 200])).toBe('500 mm, 2 × 200 mm')
  })

  it('the toy harbour, by hand: a splitter at the quay, three runs, their own behind', () => {
    const [supply] = tally(demoPlan('toy-harbour')).feed.branches
    const [quay] = supply!.branches
    expect([supply!.name, supply!.what]).toEqual(['Plug at the board', '12 V brick, 1 A'])
    expect(quay).toMatchObject({ kind: 'junction', ways: 4 })
    expect(portsLeft(quay!)).toBe(1)
    expect(quay!.branches.map(({ name }) => name)).toEqual([
      'quay, S1',
      'ferry, S1',
      'lighthouse, S1',
    ])
    // Eight grains of 15 mA, three to a splitter and two on the last: 120 mA into the first, 75 and 30 behind it.
    const [lamps] = quay!.branches
    const second = lamps!.branches.at(-1)!
    const third = second.branches.at(-1)!
    expect([lamps, second, third].map((one) => Math.round(one!.currentA * 1000))).toEqual([
      120, 75, 30,
    ])
    expect(third.branches.map(({ name, plugs }) => [name, plugs])).toEqual([['2 lights', 2]])
  })
})

it('says whether runs draw less than at their full volts: not of lights on pins, and over all leads of a run', () => {
  const isFaded = (name: string): boolean => {
    const { feed, runs } = tally(demoPlan(name))
    return hasFadedRuns(feed.branches, runs)
  }
  expect(isFaded('bay-window-nook')).toBe(true)
  expect(isFaded('wardrobe-rails')).toBe(true)
  expect(isFaded('wall-of-jars')).toBe(false)
  expect(isFaded('firefly-jar')).toBe(false)
  const lead = (currentA: number): Branch => ({
    ...branch('shelf', []),
    kind: 'run',
    currentA,
  })
  const behind = [branch('splitter', [lead(0.5), lead(0.5)])]
  expect(hasFadedRuns(behind, [{ id: 'shelf', currentA: 1 }])).toBe(false)
  expect(hasFadedRuns(behind, [{ id: 'shelf', currentA: 1.02 }])).toBe(true)
})
