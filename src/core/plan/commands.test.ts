import { describe, expect, it } from 'vitest'
import { shippedStrips } from '../parts/strips'
import { shippedSupplies } from '../parts/supplies'
import { change, patched, type Command } from './commands'
import { emptyPlan } from './empty'
import { feedsOf } from './feeds'
import { planSchema, type Plan } from './plan'

const start: Plan = {
  ...emptyPlan('Hall', 'a'),
  lines: [
    { id: 'a', text: 'shelf 300' },
    { id: 'b', text: 'rail 400', stripId: 'white-usb', supplyId: 'supply-b' },
    { id: 'c', text: 'sill 500' },
  ],
  supplies: [
    { id: 'supply-a', name: 'Supply A', part: 'auto' },
    { id: 'supply-b', name: 'Supply B', part: 'auto' },
  ],
}
const after = (...commands: Command[]): Plan => change(start, commands).plan
const order = (plan: Plan): string => plan.lines.map(({ id }) => id).join('')

const strip = { ...shippedStrips[0]!, id: 'own-1', name: 'own' }
const supply = { ...shippedSupplies[0]!, id: 'own-2', name: 'own' }

const box = {
  id: 'f',
  kind: 'box' as const,
  name: 'bench',
  place: { x: 0, y: 0, degrees: 0 },
  widthMm: 900,
  heightMm: 400,
}
const photo = {
  data: 'data:image/png;base64,AAAA',
  widthPx: 40,
  heightPx: 30,
  at: [0, 0] as [number, number],
  mmPerPx: 2,
  opacity: 0.5,
}
const track = {
  id: 'track',
  name: 'Track',
  kind: 'track' as const,
  limitA: 5,
  fuse: 'auto' as const,
}

describe('what hangs on a plan', () => {
  it('is taken away by nothing: a photo, settings of a line, a junction and what hung on it', () => {
    const fed = after(
      { do: 'add-junction', junction: track },
      { do: 'set-photo', photo },
      { do: 'put-furniture', furniture: box },
      {
        do: 'set-lines',
        lines: ['a'],
        set: { feeds: [{ id: 'x', pad: 3, fuse: 'none', from: 'track' }], level: 0.2 },
      },
    )
    const { plan } = change(fed, [
      { do: 'set-photo', photo: undefined },
      { do: 'set-lines', lines: ['a'], set: { level: undefined } },
      { do: 'remove-junction', junction: 'track' },
      { do: 'remove-furniture', furniture: 'f' },
    ])
    expect('photo' in plan.bench).toBe(false)
    expect(plan.bench.furniture).toEqual([])
    expect(plan.lines[0]).toEqual({
      ...start.lines[0],
      feeds: [{ id: 'x', pad: 3, fuse: 'none' }],
    })
    expect(planSchema.parse(plan)).toEqual(plan)
  })

  it('a supply that is removed takes the leads that came from it to the run’s own', () => {
    const fed = after({
      do: 'set-lines',
      lines: ['a'],
      set: { feeds: [{ id: 'x', pad: 'end', fuse: 'auto', from: 'supply-b' }] },
    })
    const { plan } = change(fed, [{ do: 'remove-supply', supply: 'supply-b' }])
    expect(plan.lines[0]?.feeds).toEqual([{ id: 'x', pad: 'end', fuse: 'auto' }])
  })

  it('changing furniture and junctions puts the new in the place of the old', () => {
    const twice = after(
      { do: 'put-furniture', furniture: box },
      { do: 'put-furniture', furniture: { ...box, widthMm: 700 } },
      { do: 'add-junction', junction: track },
      { do: 'set-junction', junction: track.id, set: { limitA: 9 } },
    )
    expect(twice.bench.furniture.map(({ widthMm }) => widthMm)).toEqual([700])
    expect(twice.junctions.map(({ limitA }) => limitA)).toEqual([9])
  })
})

describe('commands', () => {
  it.each<[Command, (plan: Plan) => unknown, unknown]>([
    [{ do: 'rename', name: 'Attic' }, (p) => p.name, 'Attic'],
    [{ do: 'show-units', units: 'ft-in' }, (p) => p.units, 'ft-in'],
    [{ do: 'add-lines', at: 1, lines: [{ id: 'd', text: '' }] }, order, 'adbc'],
    [{ do: 'set-text', line: 'b', text: 'rail 900' }, (p) => p.lines[1]?.text, 'rail 900'],
    [{ do: 'remove-line', line: 'b' }, order, 'ac'],
    [{ do: 'move-line', line: 'a', to: 2 }, order, 'bca'],
    [{ do: 'move-line', line: 'c', to: 0 }, order, 'cab'],
    [{ do: 'set-strip', line: 'a', strip: 'white-usb' }, (p) => p.lines[0]?.stripId, 'white-usb'],
    [{ do: 'set-strip', line: 'b', strip: undefined }, (p) => 'stripId' in p.lines[1]!, false],
    [{ do: 'set-default-strip', strip: 'white-usb' }, (p) => p.defaults.stripId, 'white-usb'],
    [
      { do: 'feed-from', lines: ['a', 'c'], supply: 'supply-b' },
      (p) => p.lines[2]?.supplyId,
      'supply-b',
    ],
    [
      { do: 'pick-supply', supply: 'supply-b', part: 'brick-5v-2' },
      (p) => p.supplies[1]?.part,
      'brick-5v-2',
    ],
    [{ do: 'remove-supply', supply: 'supply-b' }, (p) => 'supplyId' in p.lines[1]!, false],
    [{ do: 'show-case', scene: 'idle' }, (p) => p.scene.shown, 'idle'],
    [{ do: 'set-level', level: 0.7 }, (p) => p.scene, { shown: 'level', level: 0.7 }],
    [{ do: 'set-limit', limit: 0.5 }, (p) => p.limit, 0.5],
    [{ do: 'set-rules', rules: { headroom: 0.1 } }, (p) => p.rules.headroom, 0.1],
    [{ do: 'set-default-wire', wire: 'awg-18' }, (p) => p.defaults.wire, 'awg-18'],
    [
      { do: 'set-lines', lines: ['a', 'c'], set: { isTurned: true, endMm: 5 } },
      (p) => p.lines.map(({ isTurned }) => isTurned),
      [true, undefined, true],
    ],
    [
      { do: 'place-lines', places: new Map([['b', { x: 5, y: 6, degrees: 90 }]]) },
      (p) => p.lines[1]?.place,
      { x: 5, y: 6, degrees: 90 },
    ],
    [{ do: 'put-furniture', furniture: box }, (p) => p.bench.furniture, [box]],
    [{ do: 'set-photo', photo }, (p) => p.bench.photo?.widthPx, 40],
    [{ do: 'place-controller', at: [3, 4] }, (p) => p.bench.controllerAt, [3, 4]],
    [{ do: 'place-supply', supply: 'supply-b', at: [3, 4] }, (p) => p.supplies[1]?.at, [3, 4]],
    [{ do: 'set-use', use: { hoursADay: 7 } }, (p) => p.use.hoursADay, 7],
    [
      { do: 'set-capacitor', supply: 'supply-a', volts: null },
      (p) => p.supplies[0]?.capacitorV,
      null,
    ],
    [{ do: 'add-junction', junction: track }, (p) => p.junctions, [track]],
    [{ do: 'own-strip', strip }, (p) => p.own.strips, [strip]],
    [{ do: 'own-supply', supply }, (p) => p.own.supplies, [supply]],
  ])('%j', (command, part, expected) => {
    const { plan, forward, backward } = change(start, [command])
    expect(part(plan)).toEqual(expected)
    // What comes out is a plan, what went in is as it was, and the patches lead both ways.
    expect(planSchema.parse(plan)).toEqual(plan)
    expect(order(start)).toBe('abc')
    expect(patched(start, forward)).toEqual(plan)
    expect(patched(plan, backward)).toEqual(start)
  })

  it('a later command may write to what an earlier one of the same change put in', () => {
    const feeds = [{ id: 'f', pad: 0, fuse: 'auto' as const, from: 'supply-b' }]
    const { plan, forward, backward } = change(start, [
      { do: 'set-lines', lines: ['a'], set: { feeds } },
      { do: 'feed-from', lines: ['a'], supply: 'supply-a' },
      { do: 'set-signal', signal: { lanes: [{ id: 'l', name: 'L', lines: ['a', 'b'] }] } },
      { do: 'remove-line', line: 'b' },
    ])
    expect(plan.lines[0]?.feeds).toEqual([{ id: 'f', pad: 0, fuse: 'auto' }])
    expect(plan.signal.lanes).toEqual([{ id: 'l', name: 'L', lines: ['a'] }])
    expect(feeds[0]?.from).toBe('supply-b')
    expect(patched(start, forward)).toEqual(plan)
    expect(patched(plan, backward)).toEqual(start)
  })

  it.each<Command>([
    { do: 'set-text', line: 'gone', text: 'x' },
    { do: 'remove-line', line: 'gone' },
    { do: 'move-line', line: 'gone', to: 0 },
    { do: 'set-strip', line: 'gone', strip: 'x' },
    { do: 'pick-supply', supply: 'gone', part: 'auto' },
    { do: 'remove-supply', supply: 'gone' },
  ])('about what is gone does nothing: %j', (command) => {
    expect(change(start, [command]).plan).toBe(start)
  })

  it('set what they name within a line, and leave what was set there before', () => {
    const { lines } = after(
      { do: 'set-within-line', line: 'a', mount: { cover: 'opal' }, lights: { leads: 2 } },
      { do: 'set-within-line', line: 'a', mount: { hasCaps: true } },
      { do: 'set-lines', lines: ['b'], set: { lights: { part: 'grain-12v', ways: 4 } } },
      { do: 'set-within-line', line: 'b', lights: { leads: 2, ways: undefined } },
    )
    const [first, second] = ['a', 'b'].map((id) => lines.find((line) => line.id === id))
    expect(first?.mount).toEqual({ cover: 'opal', hasCaps: true })
    // Nothing hangs on it: a part would be missing.
    expect(first?.lights).toBeUndefined()
    expect(second?.lights).toEqual({ part: 'grain-12v', leads: 2 })
  })

  it('place the lines that they name, and leave the others where they are', () => {
    const [here, there] = [
      { x: 1, y: 2, degrees: 0 },
      { x: 3, y: 4, degrees: 90 },
    ]
    const { lines } = after(
      { do: 'place-lines', places: new Map([['a', here]]) },
      {
        do: 'place-lines',
        places: new Map([
          ['b', there],
          ['gone', there],
        ]),
      },
    )
    expect(lines.map(({ place }) => place)).toEqual([here, there, undefined])
  })

  it('set what they name of a junction or a feed, and leave what was set there before', () => {
    const [first, second] = [
      { id: 'f1', pad: 0, fuse: 'auto' },
      { id: 'f2', pad: 'end', fuse: 3, lengthMm: 800 },
    ] as const
    const { lines, junctions } = after(
      { do: 'add-junction', junction: { ...track, at: [1, 2] } },
      { do: 'set-junction', junction: track.id, set: { limitA: 9, at: undefined } },
      { do: 'set-junction', junction: track.id, set: { name: 'left' } },
      { do: 'set-junction', junction: 'gone', set: { name: 'right' } },
      { do: 'set-lines', lines: ['a'], set: { feeds: [first, second] } },
      { do: 'set-feeds', line: 'a', feeds: ['f2'], set: { wire: 'mm2-1' } },
      { do: 'set-feeds', line: 'a', feeds: ['f2', 'gone'], set: { fuse: 5, lengthMm: undefined } },
      { do: 'set-feeds', line: 'b', feeds: [feedsOf({})[0]!.id], set: { fuse: 'none' } },
    )
    expect(junctions).toEqual([{ ...track, limitA: 9, name: 'left' }])
    const feeds = ['a', 'b'].map((id) => lines.find((line) => line.id === id)?.feeds)
    expect(feeds[0]).toEqual([first, { id: 'f2', pad: 'end', fuse: 5, wire: 'mm2-1' }])
    expect(feeds[1]).toEqual([{ ...feedsOf({})[0], fuse: 'none' }])
  })

  it('in a row are one change, in their order', () => {
    const plan = after(
      { do: 'add-lines', at: 3, lines: [{ id: 'd', text: 'x' }] },
      { do: 'set-text', line: 'd', text: 'shelf 700' },
      { do: 'move-line', line: 'd', to: 0 },
      { do: 'remove-line', line: 'a' },
    )
    expect(order(plan)).toBe('dbc')
    expect(plan.lines[0]?.text).toBe('shelf 700')
  })

  it('put an own part in the place of the one with its id', () => {
    const renamed = { ...strip, name: 'measured' }
    expect(
      after({ do: 'own-strip', strip }, { do: 'own-strip', strip: renamed }).own.strips,
    ).toEqual([renamed])
  })

  it('never take the last supply', () => {
    const one = after({ do: 'remove-supply', supply: 'supply-b' })
    expect(change(one, [{ do: 'remove-supply', supply: 'supply-a' }]).plan).toBe(one)
  })
})
