import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { shippedStrips } from '../core/parts/strips'
import { shippedSupplies } from '../core/parts/supplies'
import { stripSchema, supplyPartSchema } from '../core/plan/parts'
import { emptyPlan } from '../core/plan/empty'
import { measure } from '../core/measure/measure'
import { tally } from '../core/tally'
import { readPlanFile, refuseTooLarge, writePlanFile } from './plan-file'

const demo = readFileSync(new URL('../../demo/bay-window-nook.json', import.meta.url), 'utf8')
type Json = Record<string, unknown>

/** The demo plan with a change to its parsed JSON. */
function changed(edit: (plan: Json & { lines: Json[] }) => void): string {
  const plan = JSON.parse(demo) as Json & { lines: Json[] }
  edit(plan)
  return JSON.stringify(plan)
}
const refusal = (text: string): string => {
  const read = readPlanFile(text)
  if (read.ok) throw new Error('it was read')
  return read.issues.map(({ path, message }) => `${path}: ${message}`).join('\n')
}

it('what is written is read back the same', () => {
  const read = readPlanFile(demo)
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  expect(readPlanFile(writePlanFile(read.plan))).toEqual(read)
  const empty = emptyPlan('New plan', 'a')
  expect(readPlanFile(writePlanFile(empty))).toEqual({ ok: true, plan: empty, adjusted: [] })
})

it('parts that ship fit the schema of parts, each under its own id', () => {
  for (const strip of shippedStrips) expect(stripSchema.parse(strip)).toEqual(strip)
  for (const supply of shippedSupplies) expect(supplyPartSchema.parse(supply)).toEqual(supply)
  const ids = [...shippedStrips, ...shippedSupplies].map(({ id }) => id)
  expect(new Set(ids).size).toBe(ids.length)
})

describe('a file that is no plan is refused, and the message names the place', () => {
  it.each<[string, string, RegExp]>([
    ['empty', ' \n', /^: The file is empty$/],
    ['cut short', demo.slice(0, 300), /^: Not a plan, or cut short/],
    ['something else', '{"rows": [1, 2]}', /^: Not a plan of this program/],
    ['a list', '[]', /^: Not a plan of this program/],
    ['newer', changed((p) => (p.version = 14)), /^version: .*version 14.*newer one/],
    ['wrong type', changed((p) => (p.lines[1]!.text = 7)), /^lines\[1\].text: a text is expected/],
    ['unknown field', changed((p) => (p.lines[0]!.colour = 'red')), /lines\[0\]: .*colour/],
    ['1e999', demo.replace('"limit": 1', '"limit": 1e999'), /^limit: /],
    ['negative', changed((p) => (p.scene = { shown: 'idle', level: -0.1 })), /^scene\.level: /],
    [
      'too many lines',
      changed((p) => {
        p.lines = Array.from({ length: 10_000 }, (_, n) => ({ id: `n${String(n)}`, text: 'a 1' }))
      }),
      /^lines: 10000 lines; a plan holds at most 2000/,
    ],
    ['__proto__', demo.replace('"units"', '"__proto__": {"a": 1}, "units"'), /^__proto__: /],
    [
      'constructor deep inside',
      demo.replace('"level": 0.4', '"level": 0.4, "constructor": 1'),
      /^scene\.constructor: /,
    ],
    [
      'unknown strip',
      changed((p) => (p.lines[2]!.stripId = 'rope')),
      /^lines\[2\]\.stripId: “rope”/,
    ],
    ['unknown supply', changed((p) => (p.lines[2]!.supplyId = 'x')), /^lines\[2\]\.supplyId: “x”/],
    ['twice the same id', changed((p) => (p.lines[6]!.id = 'seat')), /^lines\[6\]\.id: .*twice/],
    [
      'mains voltage',
      changed((p) => {
        p.own = { strips: [], supplies: [{ ...shippedSupplies[0], id: 'own', volts: 230 }] }
      }),
      /^own\.supplies\[0\]\.volts: .*60 V/,
    ],
  ])('%s', (_, text, message) => {
    expect(refusal(text)).toMatch(message)
    expect(({} as Json).a).toBeUndefined()
  })

  it('too large to be read at all', () => {
    expect(refuseTooLarge(1e9)).toMatchObject({ ok: false })
    expect(refuseTooLarge(demo.length)).toBeUndefined()
  })
})

it('an offcut of strip longer than any reel, and more leads than can be worked out, open marked', () => {
  const lead = { fuse: 'auto', pad: 0 }
  const read = readPlanFile(
    changed((p) => {
      p.offcuts = [{ id: 'rest', stripId: shippedStrips[0]!.id, lengthMm: 2e6 }]
      ;(p.signal as Json).lanes = []
      p.lines = Array.from({ length: 6 }, (_, line) => ({
        id: `n${String(line)}`,
        text: 'edge 1 m',
        feeds: Array.from({ length: 480 }, (_x, n) => ({ ...lead, id: `f${String(n)}` })),
      }))
    }),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  expect(read.plan.offcuts[0]?.lengthMm).toBe(1e6)
  expect(read.adjusted).toMatchObject([{ path: 'offcuts.rest.lengthMm' }])
  // The mark lasts, also in a file, until the figure is changed or somebody says that it is right.
  const again = readPlanFile(writePlanFile(read.plan))
  if (!again.ok) throw new Error(JSON.stringify(again.issues))
  expect(again.adjusted).toEqual([])
  expect(again.plan.adjusted).toMatchObject([
    { path: ['offcuts', 'rest', 'lengthMm'], was: 2e6, now: 1e6 },
  ])
  const { lines } = measure(read.plan)
  expect(lines.map(({ reading }) => reading.kind)).toEqual([
    ...Array<string>(5).fill('run'),
    'error',
  ])
})

const sample = (version: number): string =>
  readFileSync(new URL(`samples/plan-${String(version)}.json`, import.meta.url), 'utf8')

it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])(
  'a plan of version %i is upgraded, and means what it meant',
  (version) => {
    const before = JSON.parse(sample(version)) as {
      lines: object[]
      rules: object
      shows?: object[]
      mends?: object[]
      signal?: { lanes: object[] }
    }
    const read = readPlanFile(sample(version))
    if (!read.ok) throw new Error(JSON.stringify(read.issues))
    expect(read.plan).toMatchObject({
      version: 13,
      shows: before.shows ?? [],
      mends: before.mends ?? [],
      notes: [],
      upkeep: [],
      adjusted: [],
      lines: before.lines,
      // Wires stay as long as they were: nothing was said of their ends.
      rules: { slackEndMm: 0, ...before.rules },
    })
    expect(read.plan.build).toEqual({ school: 'one', moved: [], paces: [], log: [] })
    expect(tally(read.plan).totals).toMatchObject({ pixels: 503, singleLights: 40 })
    // What it did not say yet is as usual: one lane of all, on the cheapest board that does it.
    const usual = { board: 'auto', fix: 'none', lanes: [], inputs: [] }
    expect(read.plan.signal).toMatchObject(before.signal ?? usual)
    expect(tally(read.plan).signal.lanes).toHaveLength(before.signal?.lanes.length ?? 1)
  },
)

it('strips of version 1 are told more of', () => {
  const before = JSON.parse(sample(1)) as object
  const own: Record<string, unknown> = { ...shippedStrips[0]! }
  for (const key of ['flatRadiusMm', 'edgeRadiusMm', 'spliceMm', 'prewired'])
    Reflect.deleteProperty(own, key)
  const withOwn = readPlanFile(
    JSON.stringify({ ...before, own: { strips: [{ ...own, id: 'mine' }], supplies: [] } }),
  )
  expect(withOwn.ok && withOwn.plan.own.strips[0]).toMatchObject({ id: 'mine', spliceMm: 500 })
})

it.each<[string, (plan: Json & { lines: Json[] }) => void, RegExp]>([
  [
    'a board',
    (p) => (p.signal = { ...(p.signal as object), board: 'slab' }),
    /^signal\.board: “slab”/,
  ],
  ['a diode', (p) => (p.signal = { ...(p.signal as object), diode: 'x' }), /^signal\.diode: “x”/],
  [
    'a line on two lanes',
    (p) => {
      p.signal = {
        ...(p.signal as object),
        lanes: ['a', 'b'].map((id) => ({ id, name: id, lines: ['seat'] })),
      }
    },
    /^signal\.lanes\[1\]\.lines\[0\]: “seat” hangs on a lane already/,
  ],
  [
    'a gauge',
    (p) => (p.defaults = { stripId: 'pixels-5v-60', wire: 'rope' }),
    /^defaults\.wire: .*no gauge/,
  ],
  [
    'a source',
    (p) => (p.lines[0]!.feeds = [{ id: 'a', pad: 0, fuse: 'auto', from: 'moon' }]),
    /^lines\[0\]\.feeds\[0\]\.from: “moon”/,
  ],
  [
    'a junction that feeds itself',
    (p) =>
      (p.junctions = [
        { id: 'a', name: 'A', kind: 'track', limitA: 1, fuse: 'auto', from: 'b' },
        { id: 'b', name: 'B', kind: 'track', limitA: 1, fuse: 'auto', from: 'a' },
      ]),
    /^junctions\[0\]\.from: “A” feeds itself/,
  ],
  [
    'a photo that is no picture',
    (p) =>
      (p.bench = {
        furniture: [],
        photo: { data: 'https://x', widthPx: 1, heightPx: 1, at: [0, 0], mmPerPx: 1, opacity: 1 },
      }),
    /^bench\.photo\.data: a JPEG/,
  ],
])('%s that is not there is named', (_name, edit, expected) => {
  expect(refusal(changed(edit))).toMatch(expected)
})

it('more extra pixels before a run than any wire needs open as many as can be worked out, marked', () => {
  const read = readPlanFile(
    changed((p) => {
      p.lines[1]!.skip = [
        { from: 0, count: 1_000_000, why: 'relay' },
        { from: 3, count: 600, why: 'dark' },
      ]
    }),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  expect(read.plan.lines[1]?.skip?.map(({ count }) => count)).toEqual([500, 600])
  expect(read.plan.adjusted).toMatchObject([
    { path: ['lines', 'alcove', 'skip', 0, 'count'], was: 1_000_000, now: 500 },
  ])
})

it('a node with more wires or signals than can be worked out a thousand times opens with fewer, marked', () => {
  const part = {
    id: 'pair',
    name: 'proximity pair',
    holes: 2,
    holeMm: 6,
    minutes: 7,
    mA: 18,
    reads: 'analogue',
  }
  const read = readPlanFile(
    changed((p) => {
      p.lines[1]!.node = {
        parts: [
          { ...part, id: 'a', count: 1, wires: 3, channels: 100 },
          { ...part, id: 'b', count: 5, wires: 3, channels: 1 },
          { ...part, id: 'c', count: 90, wires: 1, channels: 0 },
          { ...part, id: 'd', count: 3, wires: 4, channels: 4 },
        ],
      }
    }),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  expect(
    read.plan.lines[1]?.node?.parts.map(({ count, wires, channels }) => [count, wires, channels]),
  ).toEqual([
    [1, 3, 12],
    [5, 2, 1],
    [12, 1, 0],
    [3, 4, 4],
  ])
  expect(read.plan.adjusted).toHaveLength(3)
})
