import { describe, expect, it } from 'vitest'
import { change } from '../plan/commands'
import { shippedStrips } from '../parts/strips'
import { shippedSupplies } from '../parts/supplies'
import type { UsePlace } from '../plan/choices'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { tally } from '../tally'
import type { VerdictCode } from './kinds'
import type { Verdict } from './verdict'

type Line = Plan['lines'][number]
type Extra = Partial<Omit<Plan, 'lines'>>

const feed = (extra: Partial<NonNullable<Line['feeds']>[number]> = {}) => ({
  id: 'first',
  pad: 0,
  fuse: 'auto' as const,
  ...extra,
})
function planOf(line: Partial<Line> & { text: string }, extra: Extra = {}): Plan {
  return { ...emptyPlan('test', 'x'), lines: [{ id: 'a', ...line }], ...extra }
}
const supplied = (part: string, more: Partial<Plan['supplies'][number]> = {}): Extra => ({
  supplies: [{ id: 'supply-a', name: 'Supply A', part, ...more }],
})
const strip = (stripId: string): Extra => ({ defaults: { stripId, wire: 'mm2-1' } })
const found = (plan: Plan, code: VerdictCode): Verdict[] =>
  tally(plan).verdicts.filter((verdict) => verdict.code === code)
const rules = (set: Partial<Plan['rules']>): Extra => ({
  rules: { ...emptyPlan('test', 'x').rules, ...set },
})

/** The supply in a box of so many mm each way. */
const inBox = (mm: number): Plan['buy'] => ({
  ...emptyPlan('test', 'x').buy,
  boxes: [{ id: 'box', name: 'Cubby', lengthMm: mm, widthMm: mm, tallMm: mm, holds: ['supply-a'] }],
})

/** Four fresh alkaline cells: 6.3 V. */
const fourCells: Plan['own'] = {
  ...emptyPlan('test', 'x').own,
  supplies: [
    {
      ...shippedSupplies.find(({ id }) => id === 'battery-3-aa')!,
      id: 'four-aa',
      volts: 5,
      battery: { chemistry: 'alkaline-aa', inSeries: 4, inParallel: 1, cutoffV: 4 },
    },
  ],
}

/** A plan that raises the verdict, what it says, and the same plan with one thing better, which does not. */
/** All on, all the time: the warmest there is. */
const alwaysWhite = {
  use: { ...emptyPlan('test', 'x').use, mix: { fullWhite: 60, level: 0 } },
}

/** Lit all the time, where care is due. */
const usedAt = (...where: readonly UsePlace[]): Extra => ({
  use: { ...alwaysWhite.use, where: [...where] },
})
const onBoard = (board: string): Extra => ({
  signal: { ...emptyPlan('test', 'x').signal, board },
})
/** Outdoors, through a hole at its start. */
const throughHole = (mm: number): Partial<Line> => ({
  mount: { damp: 'outdoors', hasSleeve: true, hasCaps: true },
  into: { what: 'case', holes: [{ at: 'start', mm }] },
})

/** A wall of one's own 12 V white, and a second run of the white that ships. */
function twoWhites(kelvin: number): Plan {
  const shipped = shippedStrips.find(({ id }) => id === 'white-12v-10')!
  const { light } = shipped
  if (light.kind !== 'plain') throw new Error('a plain strip')
  const own = {
    ...shipped,
    id: 'own-white',
    light: { ...light, channels: light.channels.map((one) => ({ ...one, kelvin })) },
  }
  const plan = planOf({ text: 'wall 900', stripId: 'own-white' }, strip('white-12v-10'))
  return {
    ...plan,
    lines: [...plan.lines, { id: 'b', text: 'b 900' }],
    own: { ...plan.own, strips: [own] },
  }
}

const cases: [VerdictCode, Verdict['grade'], RegExp, Plan, Plan][] = [
  [
    'edge-bend',
    'stop',
    /does not bend edgewise/,
    planOf({ text: 'ring 382', mount: { bend: 'edgewise' } }),
    planOf({ text: 'shelf 900', mount: { bend: 'edgewise' } }),
  ],
  [
    'tight-bend',
    'warning',
    /bends at 12 mm, .* takes 15 mm/,
    planOf({ text: 'post wrap d24 pitch 20 turns 9' }),
    planOf({ text: 'post wrap d40 pitch 20 turns 9' }),
  ],
  [
    'glare',
    'warning',
    /420 lm\/m, faces the room/,
    planOf({ text: 'shelf 900', mount: { facing: 'room' } }),
    planOf({ text: 'shelf 900', mount: { facing: 'room', cover: 'opal' } }),
  ],
  [
    'wet',
    'stop',
    /outdoors without a sleeve/,
    planOf({ text: 'shelf 900', mount: { damp: 'outdoors' } }),
    planOf({ text: 'shelf 900', mount: { damp: 'outdoors', hasSleeve: true } }),
  ],
  [
    'open-sleeve',
    'warning',
    /open at 2 cut ends/,
    planOf({ text: 'shelf 900', mount: { damp: 'damp', hasSleeve: true } }),
    planOf({ text: 'shelf 900', mount: { damp: 'damp', hasSleeve: true, hasCaps: true } }),
  ],
  [
    'wrong-end',
    'warning',
    /far end, 0\.99 m longer/,
    planOf(
      { text: 'shelf 900', place: { x: 0, y: 0, degrees: 0 }, isTurned: true },
      supplied('auto', { at: [0, 500] }),
    ),
    planOf(
      { text: 'shelf 900', place: { x: 0, y: 0, degrees: 0 } },
      supplied('auto', { at: [0, 500] }),
    ),
  ],
  [
    // The profile's closed cap decides, though the lead would be shorter there.
    'wrong-end',
    'warning',
    /the wire enters at the right, and the corner profile.* lets it in at the left/,
    planOf(
      {
        text: 'shelf 900',
        place: { x: 0, y: 0, degrees: 0 },
        mount: { profile: 'corner' },
        isTurned: true,
      },
      supplied('auto', { at: [1000, 500] }),
    ),
    planOf(
      { text: 'shelf 900', place: { x: 0, y: 0, degrees: 0 }, mount: { profile: 'corner' } },
      supplied('auto', { at: [1000, 500] }),
    ),
  ],
  [
    'box-small',
    'warning',
    /Cubby: no room for Supply A, with air/,
    { ...planOf({ text: 'shelf 900' }, supplied('enclosed-5v-100w')), buy: inBox(100) },
    { ...planOf({ text: 'shelf 900' }, supplied('enclosed-5v-100w')), buy: inBox(200) },
  ],
  [
    'off-mark',
    'stop',
    /A1: cut 8 mm past its mark; the group there, 1 pixel, goes dark/,
    planOf({ text: 'shelf 900', cutting: [{ part: 0, more: 0, offMm: 8, splits: [] }] }),
    planOf({ text: 'shelf 900', cutting: [{ part: 0, more: -1, offMm: 0, splits: [] }] }),
  ],
  [
    'splice-shows',
    'note',
    /3 factory splices in sight, the first 500 mm into A1/,
    planOf({ text: 'shelf 1900', mount: { facing: 'room' } }),
    planOf({ text: 'shelf 480', mount: { facing: 'room' } }),
  ],
  [
    'fade',
    'stop',
    /fades to 2\.77 V: blue is down to 8 %/,
    planOf({ text: 'wall 4200' }),
    planOf({ text: 'wall 2000', feeds: [feed(), feed({ id: 'b', pad: 'end' })] }),
  ],
  [
    'uneven',
    'note',
    /dimmer where it is dimmest/,
    planOf({ text: 'rail 4 m' }, { ...strip('white-24v-10'), ...rules({ keep: 0.6 }) }),
    planOf({ text: 'rail 1 m' }, { ...strip('white-24v-10'), ...rules({ keep: 0.6 }) }),
  ],
  [
    'lead-hot',
    'stop',
    /2\.\d\d A in 0\.14 mm², which takes 1\.30 A/,
    planOf({ text: 'shelf 1200', feeds: [feed({ wire: 'mm2-0_14', lengthMm: 200 })] }),
    planOf({ text: 'shelf 1200', feeds: [feed({ wire: 'mm2-0_5', lengthMm: 200 })] }),
  ],
  [
    'no-fuse',
    'stop',
    /no fuse before 0\.5 mm², and 10 A behind it/,
    planOf(
      { text: 'shelf 900', feeds: [feed({ wire: 'mm2-0_5', fuse: 'none' })] },
      supplied('brick-5v-10'),
    ),
    planOf(
      { text: 'shelf 900', feeds: [feed({ wire: 'mm2-0_5', fuse: 'none' })] },
      supplied('brick-5v-3'),
    ),
  ],
  [
    'fuse-over-wire',
    'stop',
    /a 10 A fuse before 0\.5 mm², which takes 4\.50 A/,
    planOf({ text: 'shelf 900', feeds: [feed({ wire: 'mm2-0_5', fuse: 10 })] }),
    planOf({ text: 'shelf 900', feeds: [feed({ wire: 'mm2-0_5', fuse: 3 })] }),
  ],
  [
    'track-over',
    'stop',
    /Track: 2\.\d\d A through it, 2 A is what it takes/,
    planOf(
      { text: 'shelf 1200', feeds: [feed({ from: 'j' })] },
      { junctions: [{ id: 'j', name: 'Track', kind: 'track', limitA: 2, fuse: 'auto' }] },
    ),
    planOf(
      { text: 'shelf 1200', feeds: [feed({ from: 'j' })] },
      { junctions: [{ id: 'j', name: 'Track', kind: 'track', limitA: 3, fuse: 'auto' }] },
    ),
  ],
  [
    'connector-over',
    'stop',
    /shelf: 2\.\d\d A through its wire clip, which takes 2\.00 A/,
    planOf({ text: 'shelf 1200', feeds: [feed({ apart: 'clip' })] }),
    planOf({ text: 'shelf 1200', feeds: [feed({ apart: 'screw' })] }),
  ],
  [
    'connector-over',
    'warning',
    /shelf: no fuse carries 1\.\d\d A and still guards its wire clip/,
    planOf({ text: 'shelf 900', feeds: [feed({ apart: 'clip' })] }),
    planOf({ text: 'shelf 900', feeds: [feed({ apart: 'crimp' })] }),
  ],
  [
    'volts-over',
    'stop',
    /Supply A gives 6\.\d* V when full: shelf stands 5\.3 V/,
    planOf({ text: 'shelf 300' }, { ...supplied('four-aa'), own: fourCells }),
    planOf({ text: 'shelf 300' }, supplied('battery-3-aa')),
  ],
  [
    'fuse-blind',
    'warning',
    // 2 × 0.1 m × 0.0069 Ω/m + 0.15 V ÷ 10 A + 2 × 3 m × 0.085 Ω/m = 0.527 Ω on 5 V.
    /wall: a short at its far end draws 9\.50 A, which a 10 A fuse may hold for good/,
    planOf(
      { text: 'wall 3 m', feeds: [feed({ wire: 'mm2-2_5', lengthMm: 100 })] },
      supplied('enclosed-5v-300w'),
    ),
    planOf(
      { text: 'wall 500 mm', feeds: [feed({ wire: 'mm2-2_5', lengthMm: 100 })] },
      supplied('enclosed-5v-300w'),
    ),
  ],
  [
    'copper-hot',
    'warning',
    /in the strip’s own copper at its start, about 5\.00 A/,
    planOf({ text: 'wall 4 m', feeds: [feed({ wire: 'mm2-4', lengthMm: 100 })] }),
    planOf({ text: 'wall 1 m', feeds: [feed({ wire: 'mm2-4', lengthMm: 100 })] }),
  ],
  [
    'plus-joined',
    'stop',
    /fed from Supply A and Supply B, whose pluses meet/,
    planOf(
      { text: 'shelf 900', feeds: [feed(), feed({ id: 'b', pad: 'end', from: 'supply-b' })] },
      {
        supplies: [
          { id: 'supply-a', name: 'Supply A', part: 'brick-5v-4' },
          { id: 'supply-b', name: 'Supply B', part: 'brick-5v-4' },
        ],
      },
    ),
    planOf({ text: 'shelf 900', feeds: [feed(), feed({ id: 'b', pad: 'end' })] }),
  ],
  [
    'no-common',
    'stop',
    /minuses of 2 supplies are not joined/,
    planOf(
      { text: 'shelf 900' },
      {
        ...rules({ joinsMinus: false }),
        supplies: [
          { id: 'supply-a', name: 'Supply A', part: 'auto' },
          { id: 'supply-b', name: 'Supply B', part: 'auto' },
        ],
      },
    ),
    planOf({ text: 'shelf 900' }, rules({ joinsMinus: false })),
  ],
  [
    'not-fed',
    'stop',
    /its plus and minus reaches no supply/,
    planOf({ text: 'shelf 900', feeds: [] }),
    planOf({ text: 'shelf 900', feeds: [feed()] }),
  ],
  [
    'regulator-hot',
    'stop',
    /0\.42 A through a regulator that passes 0\.25 A from 9 V; it dissipates 1\.66 W/,
    planOf({ text: 'shelf 190' }, supplied('board-pin-9v')),
    planOf({ text: 'shelf 100' }, supplied('board-pin-9v')),
  ],
  [
    'port-over',
    'stop',
    /2\.21 A drawn, 0\.5 A given/,
    planOf({ text: 'shelf 1000' }, supplied('usb-port-0_5')),
    planOf({ text: 'shelf 200' }, supplied('usb-port-0_5')),
  ],
  [
    'bank-sleeps',
    'warning',
    /idle draws less than 60 mA/,
    planOf({ text: 'shelf 900' }, supplied('bank-37wh')),
    planOf({ text: 'shelf 1500' }, supplied('bank-37wh')),
  ],
  [
    'battery-sag',
    'stop',
    /pulls it to .* at once, below 9 V/,
    planOf({ text: 'rail 3 m' }, { ...strip('white-12v-14'), ...supplied('battery-8-aa') }),
    planOf({ text: 'rail 500' }, { ...strip('white-12v-5'), ...supplied('battery-8-aa') }),
  ],
  [
    'battery-short',
    'warning',
    /lasts .*; 4 h 00 are wanted/,
    planOf({ text: 'rail 2 m' }, { ...strip('white-usb'), ...supplied('battery-4-nimh') }),
    planOf({ text: 'rail 100' }, { ...strip('white-usb'), ...supplied('battery-4-nimh') }),
  ],
  [
    'capacitor-volts',
    'stop',
    /a 16 V capacitor on 12 V; at least 18 V/,
    planOf(
      { text: 'rail 1 m' },
      { ...strip('pixels-12v-20'), ...supplied('brick-12v-3', { capacitorV: 16 }) },
    ),
    planOf(
      { text: 'rail 1 m' },
      { ...strip('pixels-12v-20'), ...supplied('brick-12v-3', { capacitorV: 25 }) },
    ),
  ],
  [
    'no-capacitor',
    'note',
    /no capacitor at the first feed/,
    planOf({ text: 'shelf 900' }, supplied('brick-5v-4', { capacitorV: null })),
    planOf({ text: 'shelf 900' }, supplied('brick-5v-4')),
  ],
  [
    'hot-strip',
    'stop',
    /86 K warmer than the room, .* on fabric, 10 mm open to the air, in its sleeve/,
    planOf(
      { text: 'shelf 900', mount: { surface: 'fabric', hasSleeve: true } },
      { ...strip('pixels-5v-60'), ...alwaysWhite },
    ),
    planOf({ text: 'shelf 900', mount: { surface: 'fabric' } }, strip('pixels-5v-60')),
  ],
  [
    'over-100-watt',
    'note',
    /can give 150 W into a fault/,
    planOf({ text: 'shelf 900' }, supplied('enclosed-5v-150w')),
    planOf({ text: 'shelf 900' }, supplied('enclosed-5v-100w')),
  ],
  [
    'worn',
    'stop',
    // 8 mm bare on wood, 14.4 W/m: about 33 K above the room.
    /^wall: 5\d °C .*; what is worn stays below 43 °C/,
    planOf({ text: 'wall 900', dimmer: 'wall' }, { ...strip('white-12v-14'), ...usedAt('worn') }),
    planOf({ text: 'wall 900', dimmer: 'wall' }, { ...strip('white-12v-14'), ...usedAt() }),
  ],
  [
    'worn',
    'stop',
    /^Held by small magnets, where children are/,
    planOf(
      { text: 'wall 300', mount: { fixing: 'magnets' } },
      { ...strip('pixels-5v-30'), limit: 0.2, ...usedAt('children') },
    ),
    planOf(
      { text: 'wall 300', mount: { fixing: 'magnets' } },
      { ...strip('pixels-5v-30'), limit: 0.2, ...usedAt('mains') },
    ),
  ],
  [
    'whites-differ',
    'note',
    /^Two whites: wall 2700 K, b 4000 K/,
    twoWhites(2700),
    // 4100 K beside 4000 K is 6 mired: not seen.
    twoWhites(4100),
  ],
  [
    'mains-near',
    'note',
    /beside sockets or mains wiring/,
    planOf({ text: 'wall 300' }, usedAt('mains')),
    planOf({ text: 'wall 300' }, usedAt('children')),
  ],
  [
    'glands',
    'warning',
    /^wall: a hole of 4 mm for wires [\d.]+ mm thick; their gland needs 1\d mm/,
    planOf({ text: 'wall 900', ...throughHole(4) }),
    planOf({ text: 'wall 900', ...throughHole(25) }),
  ],
  [
    'glands',
    'warning',
    /^wall: a hole of 4 mm/,
    // At the end where nothing comes in a small hole does no harm.
    planOf({ text: 'wall 900', ...throughHole(4) }),
    planOf({
      text: 'wall 900',
      ...throughHole(25),
      into: { what: 'case', holes: [{ at: 'end', mm: 4 }] },
    }),
  ],
  [
    'switch-over',
    'stop',
    /A through its toggle switch, 3 A/,
    planOf({ text: 'wall 3000' }, supplied('auto', { powerSwitch: 'toggle-3a' })),
    planOf({ text: 'wall 3000' }, supplied('auto', { powerSwitch: 'auto' })),
  ],
]

describe('verdicts of place, cut and feed', () => {
  it.each(cases)(
    '%s is a %s that says %s; what is better is silent',
    (code, grade, text, bad, good) => {
      const [verdict, ...others] = found(bad, code)
      expect(verdict).toMatchObject({ grade, text: expect.stringMatching(text) as string })
      expect(others).toEqual([])
      expect(verdict!.why.length).toBeGreaterThan(20)
      expect(found(good, code)).toEqual([])
    },
  )

  it.each(cases)('%s: each remedy answers it', (code, grade, _text, bad) => {
    const [verdict] = found(bad, code)
    for (const { label, commands } of verdict!.remedies) {
      const after = found(change(bad, commands).plan, code)
      // Brightness that brings a colour back may still leave it a hair short: a warning in place of a stop.
      expect(
        after.filter((left) => left.grade === grade),
        label,
      ).toEqual([])
    }
  })
})

it('warm runs that are mounted alike are told in one verdict', () => {
  const plan: Plan = {
    ...emptyPlan('test', 'x'),
    ...strip('pixels-5v-60'),
    ...alwaysWhite,
    lines: [
      { id: 'a', text: 'a 900', mount: { surface: 'card' } },
      { id: 'b', text: 'b 600', mount: { surface: 'fabric' } },
      { id: 'c', text: 'c 600', mount: { surface: 'card', cover: 'opal' } },
    ],
  }
  const verdicts = found(plan, 'hot-strip')
  expect(verdicts.map(({ about }) => about)).toEqual([['a', 'b'], ['c']])
  // Each remedy cools its runs for good, and no more than they need: a bar 5 mm narrower would not.
  for (const { about, remedies } of verdicts)
    for (const { commands } of remedies) {
      const after = change(plan, commands).plan
      expect(found(after, 'hot-strip').flatMap((one) => one.about)).not.toContain(about[0])
      const wide = after.lines.find(({ id }) => id === about[0])!.mount?.backingMm
      if (wide === undefined) continue
      const narrower = {
        ...after,
        lines: after.lines.map((one) => ({ ...one, mount: { ...one.mount, backingMm: wide - 5 } })),
      }
      expect(found(narrower, 'hot-strip').flatMap((one) => one.about)).toContain(about[0])
    }
})

it('tells no level of a strip on volts that it is not made for', () => {
  const on = (stripId: string): Plan =>
    planOf(
      { text: 'wall 900' },
      { ...strip(stripId), ...supplied('brick-12v-3'), ...onBoard('classroom-3v3') },
    )
  expect(found(on('pixels-12v-20'), 'low-level')).toHaveLength(1)
  expect(found(on('pixels-5v-60'), 'low-level')).toEqual([])
  expect(found(on('pixels-5v-60'), 'volts-differ')).toHaveLength(1)
})
