import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoNames, demoPlan } from '../../testing/demo-plan'
import { change } from '../plan/commands'
import { emptyPlan } from '../plan/empty'
import type { Line, Plan } from '../plan/plan'
import type { Point } from '../measure/geometry'
import { tally } from '../tally'
import { worked } from '../worked'
import { diagramOf } from './diagram'
import type { Diagram } from './diagram-parts'
import { Rooms } from './first-room'
import { shippedLights } from '../parts/lights'
import { soldWire } from '../parts/sold'
import { wireOf } from '../parts/wires'
import { runs } from '../../testing/runs'
import { cableGroups, spoolsFor, wireGroups } from './spools'
import { tracksFor } from './track-order'

const planOf = (lines: readonly Partial<Line>[], extra: Partial<Plan> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: lines.map((line, index) => ({ id: `l${String(index)}`, text: '', ...line })),
  ...extra,
})
const demos = demoNames.map((name): [string, Plan] => [name, demoPlan(name)])
const dimmed = (plan: Plan): Plan => ({
  ...plan,
  lines: plan.lines.map((line) => ({ ...line, dimmer: 'all' })),
})
const many: Plan = planOf(
  Array.from({ length: 40 }, (_, index) => ({
    text: `shelf ${String(500 + 13 * index)}`,
    ...(index % 7 === 3 && {
      feeds: [
        { id: 'a', pad: 0 as const, fuse: 'auto' as const },
        { id: 'b', pad: 20, fuse: 'auto' as const },
        { id: 'c', pad: 'end' as const, fuse: 'auto' as const },
      ],
    }),
  })),
)
const withFix = (plan: Plan, fix: 'buffer' | 'diode'): Plan => ({
  ...plan,
  signal: { ...plan.signal, fix },
})
const plans: [string, Plan][] = [
  ...demos,
  ['nook with a buffer', withFix(demoPlan('bay-window-nook'), 'buffer')],
  ['nook with a diode', withFix(demoPlan('bay-window-nook'), 'diode')],
  ['wardrobe dimmed', dimmed(demoPlan('wardrobe-rails'))],
  ['forty shelves', many],
  ['forty shelves and a buffer', withFix(many, 'buffer')],
  [
    'colours, clock and a board at the strip',
    {
      ...planOf([
        { text: 'a 900', stripId: 'pixels-5v-60-clocked' },
        { text: 'b frame 400 x 300', stripId: 'pixels-5v-60-clocked' },
      ]),
      signal: { ...emptyPlan('t', 'x').signal, boardFrom: 'strip' },
    },
  ],
]

describe('the wiring', () => {
  it.each(plans)('of %s: every wire ends at terminals that there are, named once', (_, plan) => {
    const { wiring, leads } = worked(plan)
    const terminals = new Set(
      wiring.blocks.flatMap(({ terminals: own }) => own.map(({ id }) => id)),
    )
    expect(terminals.size).toBe(wiring.blocks.flatMap((block) => block.terminals).length)
    for (const wire of wiring.wires) {
      expect(terminals).toContain(wire.from.id)
      expect(terminals).toContain(wire.to.id)
      expect(wire.lengthMm).toBeGreaterThan(0)
      // What it says of its length comes to its length.
      const { operation, operands } = wire.working
      const said = operation.replaceAll(/\{(\d)\}/g, (_, at) => String(operands[Number(at)]!.value))
      const [way = '', ...added] = said.replaceAll(/[()]/g, '').split(/ \+ (?=[^×]*$)/)
      const [sum = '', slack = '1'] = way.split(' × ')
      const addUp = (terms: readonly string[]) => terms.reduce((all, mm) => all + Number(mm), 0)
      expect(addUp(sum.split(' + ')) * Number(slack) + addUp(added)).toBeCloseTo(wire.lengthMm, 6)
      expect(wire.colour).toBe(plan.wiring.colours[wire.role])
    }
    expect(new Set(wiring.wires.map(({ name }) => name)).size).toBe(wiring.wires.length)
    for (const lead of leads) {
      const own = wiring.wires.filter(({ bundle }) => bundle === lead.id)
      expect(own.map(({ role }) => role)).toContain('plus')
      expect(own.map(({ role }) => role)).toContain('minus')
      for (const { lengthMm, gauge } of own)
        expect([lengthMm, gauge]).toEqual([lead.lengthMm, lead.wire])
    }
  })

  it('plus meets plus, minus minus, out in: along every wire', () => {
    for (const [name, plan] of plans) {
      const { wiring } = worked(plan)
      for (const { from, to, role } of wiring.wires) {
        expect([role, to.role], name).toContain(role)
        if (role === 'plus' || role === 'minus')
          expect([from.role, to.role], `${name} ${from.id} ${to.id}`).toEqual([role, role])
        if (role === 'data' && from.block.startsWith('run:') && from.block !== to.block) {
          expect(from.spot).toEqual({ kind: 'data', side: 'out' })
          expect(to.spot).toEqual({ kind: 'data', side: 'in' })
        }
      }
    }
  })

  it('fuses stand in the plus of every lead that has one, resistors in every first data wire', () => {
    const { wiring, lanes } = worked(demoPlan('bay-window-nook'))
    const first = wiring.wires.filter(({ role, from }) => role === 'data' && from.block === 'board')
    expect(first).toHaveLength(lanes.length)
    for (const { inLine } of first)
      expect(inLine).toEqual([{ kind: 'resistor', text: '330 Ω', value: 330 }])
    for (const { inLine, role } of wiring.wires)
      if (inLine.some(({ kind }) => kind === 'fuse')) expect(role).toBe('plus')
  })

  it('switches dimmed strips in their minus', () => {
    const { wiring } = worked(dimmed(demoPlan('wardrobe-rails')))
    const strips = wiring.wires.filter(
      ({ to, from }) => to.block.startsWith('run:') && from.block !== to.block,
    )
    for (const { role, from } of strips)
      expect(from.block.startsWith('switch:')).toBe(role === 'minus')
    expect(wiring.wires.filter(({ to }) => to.label.startsWith('gate'))).toHaveLength(1)
  })
})

describe('joints', () => {
  it.each(plans)('of %s: every wire end is in one, times add up, ids stay', (_, plan) => {
    const { wiring, joints } = worked(plan)
    expect(new Set(joints.map(({ id }) => id)).size).toBe(joints.length)
    const ends = joints.filter(({ kind }) => kind !== 'in-line').flatMap(({ wires }) => wires)
    expect(ends.toSorted()).toEqual(wiring.wires.flatMap(({ name }) => [name, name]).toSorted())
    let soFar = 0
    for (const joint of joints) {
      soFar += joint.minutes
      expect(joint.soFarMin).toBeCloseTo(soFar, 9)
    }
  })

  it('of one shelf, by hand', () => {
    const plan = planOf([{ text: 'shelf 900' }], {})
    const joints = worked(plan).joints
    // Two screws, a fuse, the three pads; then the board: two screws, a fuse, three pins and a resistor; the capacitor.
    expect(joints.map(({ kind, where, minutes }) => `${kind} ${where} ${String(minutes)}`)).toEqual(
      [
        'screw Supply A, shelf + 1',
        'screw Supply A, shelf − 1',
        'in-line in W1 3',
        'solder shelf, start 6',
        'screw Supply A, board + 1',
        'screw Supply A, board − 1',
        'in-line in W3 3',
        'solder Board, + 3',
        'solder Board, − 3',
        expect.stringMatching(/^solder Board, P\d 3$/),
        'in-line in W5 3',
        'solder shelf, start 4',
      ],
    )
    expect(joints[3]!.threadFirst).toEqual([
      'sleeve 4.8 mm on W1',
      'sleeve 4.8 mm on W2',
      'sleeve 2.4 mm on W5',
    ])
  })

  it('that are ticked stay ticked while the plan changes elsewhere', () => {
    const nook = demoPlan('bay-window-nook')
    const plan = { ...nook, wiring: { ...nook.wiring, ticks: [] } }
    const [joint] = tally(plan).wiring.joints.filter(({ about }) => about.includes('alcove'))
    const ticked = change(plan, [
      { do: 'tick', joint: joint!.id, isDone: true },
      { do: 'set-text', line: 'seat', text: 'seat front 1900' },
    ]).plan
    expect(ticked.wiring.ticks).toEqual([joint!.id])
    expect(tally(ticked).wiring.joints.map(({ id }) => id)).toContain(joint!.id)
    expect(
      change(ticked, [{ do: 'tick', joint: joint!.id, isDone: false }]).plan.wiring.ticks,
    ).toEqual([])
  })
})

it.each(plans)('spools of %s hold every wire of their gauge and colour once', (_, plan) => {
  const { wires } = worked(plan).wiring
  const groups = wireGroups(wires, plan.buy)
  const single = wires.filter(({ cable }) => cable === undefined)
  expect(groups.flatMap((group) => group.wires).length).toBe(single.length)
  const cores = cableGroups(worked(plan).wiring).flatMap((group) => group.wires)
  expect(cores.length + single.length).toBe(wires.length)
  for (const { spools, wires: own, gauge, colour } of groups) {
    expect(spools.flatMap((spool) => spool.cuts.map(({ name }) => name)).toSorted()).toEqual(
      own.map(({ name }) => name).toSorted(),
    )
    for (const { lengthM, leftMm, cuts: cut } of spools) {
      expect(leftMm).toBeGreaterThanOrEqual(0)
      expect(cut.reduce((sum, wire) => sum + wire.lengthMm, 0)).toBeLessThanOrEqual(lengthM * 1000)
      for (const wire of cut) expect([wire.gauge, wire.colour]).toEqual([gauge, colour])
    }
  }
})

describe('the diagram', () => {
  const drawn = (plan: Plan): Diagram => {
    const results = worked(plan)
    return diagramOf(results.wiring, results, plan.units)
  }
  type Stretch = readonly [a: Point, b: Point]
  const stretches = (points: readonly Point[]): Stretch[] =>
    points.slice(1).flatMap((b, index) => {
      const a = points[index]!
      return a[0] === b[0] && a[1] === b[1] ? [] : [[a, b] as const]
    })
  const overlap = (from: number, to: number, from2: number, to2: number): number =>
    Math.min(Math.max(from, to), Math.max(from2, to2)) -
    Math.max(Math.min(from, to), Math.min(from2, to2))

  it.each(plans)(
    'of %s: wires meet their terminals, turn at right angles and lie on no other',
    (_, plan) => {
      const { wires, blocks, width, height } = drawn(plan)
      const at = new Map(
        blocks.flatMap(({ terminals }) => terminals.map(({ id, at: place }) => [id, place])),
      )
      const all: { stretch: Stretch; ends: readonly string[] }[] = []
      // Looked at by the thousand: told together.
      const wrong: string[] = []
      for (const { wire, points } of wires) {
        expect(points[0]).toEqual(at.get(wire.from.id))
        expect(points.at(-1)).toEqual(at.get(wire.to.id))
        for (const stretch of stretches(points)) {
          const [[ax, ay], [bx, by]] = stretch
          if (ax !== bx && ay !== by) wrong.push(`${wire.name} slants`)
          if (![ax, bx].every((x) => x >= 0 && x <= width)) wrong.push(`${wire.name} is too wide`)
          if (![ay, by].every((y) => y >= 0 && y <= height)) wrong.push(`${wire.name} is too high`)
          for (const other of all) {
            // Wires to one terminal come together before it.
            if (other.ends.some((end) => end === wire.from.id || end === wire.to.id)) continue
            const [[cx, cy], [dx, dy]] = other.stretch
            if (
              (ax === bx && cx === dx && ax === cx && overlap(ay, by, cy, dy) > 0.5) ||
              (ay === by && cy === dy && ay === cy && overlap(ax, bx, cx, dx) > 0.5)
            )
              wrong.push(`${wire.name} lies on ${other.ends.join(' ')}`)
          }
          all.push({ stretch, ends: [wire.from.id, wire.to.id] })
        }
      }
      expect(wrong).toEqual([])
    },
  )

  it.each(plans)(
    'of %s: blocks stand apart, and no wire runs through one that is not its own',
    (_, plan) => {
      const { wires, blocks } = drawn(plan)
      const wrong: string[] = []
      for (const [index, a] of blocks.entries())
        for (const b of blocks.slice(index + 1))
          if (
            overlap(a.x, a.x + a.width, b.x, b.x + b.width) > 0 &&
            overlap(a.y, a.y + a.height, b.y, b.y + b.height) > 0
          )
            wrong.push(`${a.block.id} and ${b.block.id}`)
      for (const { wire, points } of wires)
        for (const block of blocks) {
          if ([wire.from.block, wire.to.block].includes(block.block.id)) continue
          for (const [[ax, ay], [bx, by]] of stretches(points))
            if (
              overlap(ax, bx, block.x + 1, block.x + block.width - 1) >= 0 &&
              overlap(ay, by, block.y + 1, block.y + block.height - 1) >= 0
            )
              wrong.push(`${wire.name} through ${block.block.id}`)
        }
      expect(wrong).toEqual([])
    },
  )
})

it('tracks of a channel cross no more than in the order in which they came', () => {
  const height = fc.integer({ min: 0, max: 40 })
  const bundle = fc.record({
    left: fc.array(height, { minLength: 1, maxLength: 2 }),
    right: fc.array(height, { minLength: 1, maxLength: 2 }),
  })
  fc.assert(
    fc.property(fc.array(bundle, { minLength: 1, maxLength: 7 }), (items) => {
      const spanOf = (item: (typeof items)[number]): number[] => [...item.left, ...item.right]
      const crossings = (tracks: readonly number[]): number => {
        let count = 0
        for (const [i, a] of items.entries())
          for (const [j, b] of items.entries()) {
            if (tracks[i]! >= tracks[j]!) continue
            const inside = (y: number, of: number[]): boolean =>
              y > Math.min(...of) && y < Math.max(...of)
            count += a.right.filter((y) => inside(y, spanOf(b))).length
            count += b.left.filter((y) => inside(y, spanOf(a))).length
          }
        return count
      }
      const tracks = tracksFor(items)
      // Those that share a track stand apart.
      for (const [i, a] of items.entries())
        for (const [j, b] of items.entries())
          if (i < j && tracks[i] === tracks[j])
            expect(
              Math.max(...spanOf(a)) <= Math.min(...spanOf(b)) ||
                Math.max(...spanOf(b)) <= Math.min(...spanOf(a)),
            ).toBe(true)
      const middle = (of: number[]): number => of.reduce((sum, y) => sum + y, 0) / of.length
      const sorted = items
        .map((_, index) => index)
        .toSorted((i, j) => middle(items[j]!.right) - middle(items[i]!.right))
      const plain = items.map((_, index) => sorted.indexOf(index))
      expect(crossings(tracks)).toBeLessThanOrEqual(crossings(plain))
    }),
  )
})

describe('the first room with enough left', () => {
  it('is the one that looking at each in turn finds, whatever is put in', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.array(fc.tuple(fc.nat(39), fc.nat(20), fc.nat(20))),
        (count, moves) => {
          const [rooms, plain] = [new Rooms(count), Array<number>(count).fill(-1)]
          for (const [at, left, need] of moves) {
            rooms.set(at % count, left)
            plain[at % count] = left
            expect(rooms.first(need)).toBe(plain.findIndex((one) => one >= need))
          }
        },
      ),
    )
  })
})

it('many wires are laid on spools that hold them, none longer than it has to be', () => {
  const sold = soldWire(wireOf('mm2-0_22'), 'red')
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 20, max: 130_000 }), { minLength: 61, maxLength: 90 }),
      (lengths) => {
        const wires = lengths
          .toSorted((a, b) => b - a)
          .map((lengthMm, index) => ({ name: `W${String(index)}`, lengthMm }))
        const spools = spoolsFor(sold, wires)
        expect(spools.flatMap(({ cuts }) => cuts)).toHaveLength(wires.length)
        for (const { cuts, lengthM, leftMm } of spools) {
          const used = cuts.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
          expect(used + leftMm).toBeCloseTo(lengthM * 1000, 6)
          expect(leftMm).toBeGreaterThanOrEqual(0)
        }
        // First fit: no spool could hold the first wire of a later one.
        for (const [index, { lengthM, cuts }] of spools.entries()) {
          const left = Math.max(lengthM, 100) * 1000 - cuts.reduce((sum, c) => sum + c.lengthMm, 0)
          for (const later of spools.slice(index + 1))
            expect(left).toBeLessThan(later.cuts[0]?.lengthMm ?? 0)
        }
      },
    ),
    { numRuns: runs(40) },
  )
})

it('wires of lights on pins start at the pin that their own run was given', () => {
  const lights = { part: shippedLights[0]!.id, drive: 'pins' as const }
  const plan = planOf([
    { text: 'left string 3 @ 100', lights },
    { text: 'right string 3 @ 100', lights },
  ])
  const { fit, wiring } = worked(plan)
  const given = (fit?.pins ?? []).flatMap(({ need: { of }, pin }) =>
    of.kind === 'light' ? [`${of.run} ${pin?.name ?? ''}`] : [],
  )
  expect(given).toHaveLength(6)
  expect(
    wiring.wires
      .filter(({ role, home }) => role === 'signal' && home !== undefined)
      .map(({ home, from }) => `${home ?? ''} ${from.label}`),
  ).toEqual(given)
})

it.each(['board-pin-9v', 'board-pin-block'])(
  'a light on the board’s own 5 V pin (%s): its source goes to the raw input',
  (part) => {
    const empty = emptyPlan('t', 'x')
    const { wiring, steps, leads, sources } = worked({
      ...empty,
      bench: { ...empty.bench, controllerAt: [3000, 40] },
      lines: [{ id: 'l', text: 'jar 5 px' }],
      supplies: [{ id: 'supply-a', name: 'Source', part }],
      signal: { ...empty.signal, board: 'small-5v' },
    })
    const ends = (block: string): string[] =>
      wiring.wires.flatMap(({ from, to }) =>
        [from, to].filter((end) => end.block === block).map(({ label }) => label),
      )
    expect(ends('board')).toEqual(
      expect.arrayContaining(['jar +', 'jar −', 'raw +', '−']) as string[],
    )
    // The lead begins where the board is.
    expect(leads[0]!.start).toEqual(sources.controller)
    // Nothing of the light hangs on the source, and nothing else on the raw input.
    expect(ends('supply:supply-a').some((label) => label.startsWith('jar'))).toBe(false)
    expect(ends('board').filter((label) => label === 'raw +')).toHaveLength(1)
    expect(steps.find(({ title }) => title.startsWith('Measure “Source”'))?.title).toMatch(/: 9 V,/)
  },
)
