import { describe, expect, it } from 'vitest'
import { planNetwork } from '../feed/plan-network'
import { solve } from '../feed/solve'
import type { SolvedRun } from '../feed/solution'
import { shippedStrips } from '../parts/strips'
import { emptyPlan } from '../plan/empty'
import type { Line, Plan, Show } from '../plan/plan'
import { demoPlan } from '../../testing/demo-plan'
import { layer, scene, showOf } from '../../testing/shows'
import { worked } from '../worked'
import { dayFigures } from '../roll/show'
import { showCells, showDay, wattHoursOf } from './day'
import { fieldOf } from './field'
import { whiteOf } from './colour'
import { balanceOf, Look, show as shownAs } from './look'
import { play, playStarted, playWhole, readyShow, sentBy, toEnd } from './play'
import { Player } from './player'
import { ShowFeed } from './show-feed'

const planOf = (line: Partial<Line> & { text: string }, more: Partial<Plan> = {}): Plan => ({
  ...emptyPlan('t', 'a'),
  lines: [{ id: 'a', ...line }],
  ...more,
})
/** What is sent on each lane in the first frame, in hex. */
function sent(plan: Plan, show: Show): Record<string, string> {
  const ready = readyShow(worked(plan), show)
  const player = new Player(ready)
  player.step(0, [])
  player.paint(0)
  return Object.fromEntries(
    ready.field.lanes.map(({ name }, at) => [name, Buffer.from(player.bytes(at)).toString('hex')]),
  )
}
/** Amperes of the first frame, of all supplies together. */
const amperes = (plan: Plan, show: Show): number => {
  const given = worked(plan)
  return toEnd(play(given, readyShow(given, show), { seconds: 0.1, framesPerSecond: 10 })).peakA
}
const steady = (colour: string): Show => showOf(scene([layer('steady', { colour })]))

describe('lights of every kind in a show', () => {
  it('plain strip on a dimmer is one byte a channel', () => {
    const white = planOf({ text: 'shelf 1000', stripId: 'white-12v-10', dimmer: 'lamp' })
    expect(sent(white, steady('duty 0 128 0'))).toEqual({ lamp: '80' })
    const two = planOf({ text: 'shelf 1000', stripId: 'two-white-24v-14', dimmer: 'lamp' })
    // What has blue in it is cool, the rest is warm.
    expect(sent(two, steady('duty 200 150 50'))).toEqual({
      'lamp warm white': '96',
      'lamp cool white': '32',
    })
    const rgb = planOf({ text: 'shelf 1000', stripId: 'rgb-12v-14', dimmer: 'lamp' })
    expect(sent(rgb, steady('duty 200 150 50'))).toEqual({
      'lamp red': 'c8',
      'lamp green': '96',
      'lamp blue': '32',
    })
    const rgbw = planOf({ text: 'shelf 50', stripId: 'pixels-5v-60-rgbw' })
    expect(sent(rgbw, steady('duty 200 150 50'))).toEqual({ 'Lane 1': '96640032'.repeat(3) })
  })

  it('draws by what each channel is sent, and what nothing dims at full', () => {
    const plan = (dimmer: boolean): Plan =>
      planOf({ text: 'shelf 2000', stripId: 'rgb-12v-14', ...(dimmer && { dimmer: 'lamp' }) })
    const given = worked(plan(true))
    const [full = 0] = given.full.supplyA.values()
    const idle = amperes(plan(true), steady('duty 0 0 0'))
    const red = amperes(plan(true), steady('duty 255 0 0'))
    // A third of it, and less is lost on the way.
    expect((red - idle) / (full - idle)).toBeGreaterThan(1 / 3)
    expect((red - idle) / (full - idle)).toBeLessThan(0.4)
    const [always = 0] = worked(plan(false)).full.supplyA.values()
    expect(amperes(plan(false), steady('duty 0 0 0'))).toBeCloseTo(always, 9)
  })

  it('a colour that takes more of the watts counts for more', () => {
    const rgb = shippedStrips.find(({ id }) => id === 'rgb-12v-14')!
    if (rgb.light.kind !== 'plain') throw new Error('it is plain')
    const channels = rgb.light.channels.map((channel, at) => ({
      ...channel,
      wattsPerM: 2 + 4 * at,
    }))
    const own = { ...rgb, id: 'own', light: { ...rgb.light, channels } }
    const base = emptyPlan('t', 'a')
    const plan = planOf(
      { text: 'shelf 300', stripId: 'own', dimmer: 'lamp' },
      { own: { ...base.own, strips: [own] } },
    )
    const [dark, red, blue] = ['duty 0 0 0', 'duty 255 0 0', 'duty 0 0 255'].map((colour) =>
      amperes(plan, steady(colour)),
    )
    expect((blue! - dark!) / (red! - dark!)).toBeCloseTo(5, 0)
  })

  it('single lights draw as many as are lit, with or without a limit', () => {
    const lights = (limit: number): Plan =>
      planOf(
        { text: 'stars string 8 @ 100', lights: { part: 'led-warm', drive: 'sink' } },
        { limit, supplies: [{ id: 'supply-a', name: 'A', part: 'brick-5v-2' }] },
      )
    const one = showOf(scene([layer('chase', { colours: ['duty 255 255 255'], lit: 2, dark: 6 })]))
    expect(sent(lights(1), one)).toEqual({ stars: 'ffff000000000000' })
    const [dark, lit] = [steady('duty 0 0 0'), steady('duty 255 255 255')].map((show) =>
      amperes(lights(1), show),
    )
    const [full = 0] = worked(lights(1)).full.supplyA.values()
    expect(lit).toBeCloseTo(full, 6)
    const quarter = amperes(lights(1), one)
    expect((quarter - dark!) / (lit! - dark!)).toBeCloseTo(0.25, 6)
    const held = amperes(lights(0.5), steady('duty 255 255 255'))
    expect((held - dark!) / (lit! - dark!)).toBeCloseTo(128 / 255, 3)
  })

  it('lights on the pins of a board draw from it as they are lit', () => {
    const plan = demoPlan('firefly-jar')
    const [dark = 0, all = 0] = ['duty 0 0 0', 'duty 255 255 255'].map((colour) =>
      amperes(plan, steady(colour)),
    )
    const [run] = worked(plan).lit
    expect(all - dark).toBeCloseTo(run!.peakA, 4)
    expect(all).toBeCloseTo([...worked(plan).full.supplyA.values()][0]!, 4)
  })

  it.each([false, true])(
    'data that enters at the end, %s: the first pixel is where it enters',
    (isDataAtEnd) => {
      const plan = planOf({ text: 'shelf 2000', isDataAtEnd })
      const given = worked(plan)
      // The first half of the data at full.
      const half = showOf(
        scene([layer('chase', { colours: ['duty 255 255 255'], lit: 60, dark: 60 })]),
      )
      const ready = readyShow(given, half)
      const player = new Player(ready)
      player.step(0, [])
      player.paint(0)
      const solved = new ShowFeed(given, ready.field).frame(sentBy(player))
      const duties = new Float64Array(360)
      duties.fill(1, isDataAtEnd ? 180 : 0, isDataAtEnd ? 360 : 180)
      const alone = solve(planNetwork(given, 'full-white', new Map([['a', duties]])))
      if (!alone.ok) throw new Error('not solved')
      const own = alone.solution.runs.get('a')
      expect(solved?.runs.get('a')?.minV).toBeCloseTo(own && 'minV' in own ? own.minV : NaN, 6)

      // It is seen there too: the lit half begins at the data.
      const look = new Look(given, fieldOf(given), { box: given.layout.box, columns: 4, rows: 4 })
      look.frame(sentBy(player), solved?.runs ?? new Map())
      const litX = [...look.x].filter((_, at) => look.light[3 * at]! > 0)
      const start = isDataAtEnd ? Math.max(...look.x) : Math.min(...look.x)
      expect(litX).toHaveLength(60)
      expect(litX).toContain(start)
    },
  )

  it('lights the wall with the sum of what each light would light alone', () => {
    const given = worked(planOf({ text: 'shelf 100' }))
    const field = fieldOf(given)
    const look = new Look(given, field, { box: given.layout.box, columns: 6, rows: 4 })
    const volts = new Map([['a', { volts: new Float64Array(6).fill(5) } as SolvedRun]])
    const wall = (isLit: (light: number) => boolean): number[] => {
      look.frame((_, light, channel) => (isLit(light) ? 40 * (light + channel) : 0), volts)
      return [...look.wall]
    }
    const alone = [...Array(field.count).keys()].map((own) => wall((light) => light === own))
    expect(field.count).toBe(6)
    expect(wall(() => false)).toEqual(Array(72).fill(0))
    for (const [at, light] of wall(() => true).entries())
      expect(light / alone.reduce((sum, one) => sum + one[at]!, 0)).toBeCloseTo(1, 5)
    // What lies nearest gets most of it: the last light is near the right edge.
    const last = alone.at(-1)!
    expect(last[3 * 5]).toBeGreaterThan(2 * last[0]!)
  })

  it('goes pink and dim where the copper leaves it so, and lights the wall by the square of the way', () => {
    const plan = planOf({ text: 'shelf 5000' })
    const given = worked(plan)
    const ready = readyShow(given, steady('duty 255 255 255'))
    const player = new Player(ready)
    player.step(0, [])
    player.paint(0)
    const solved = new ShowFeed(given, ready.field).frame(sentBy(player))
    const { x, y } = given.layout.box
    const box = { x: x - 2_000, y: y - 2_000, width: 9_000, height: 4_000 }
    const look = new Look(given, ready.field, { box, columns: 90, rows: 40 })
    look.frame(sentBy(player), solved?.runs ?? new Map())
    const at = (pixel: number): number[] => [...look.light.subarray(3 * pixel, 3 * pixel + 3)]
    expect(at(0)).toEqual([1, 1, 1])
    const [red = 0, , blue = 1] = at(299)
    expect(blue).toBeLessThan(0.7)
    expect(red).toBeGreaterThan(blue)
    // Blue in cells of 100 mm: over its first and its last pixel, and away from the first.
    const cell = (pixel: number, awayMm: number): number => {
      const column = Math.floor((look.x[pixel]! - box.x) / 100)
      return look.wall[3 * (Math.floor((look.y[pixel]! + awayMm - box.y) / 100) * 90 + column) + 2]!
    }
    expect(cell(10, 0)).toBeGreaterThan(cell(10, 500))
    expect(cell(10, 500)).toBeGreaterThan(cell(10, 1_000))
    expect(cell(10, 0)).toBeGreaterThan(cell(289, 0))
  })
})

it('what else is in nodes on pins is drawn while they are dark', () => {
  const part = {
    id: 'p',
    name: 'pair',
    count: 2,
    holes: 0,
    holeMm: 5,
    wires: 0,
    minutes: 1,
    mA: 7,
    channels: 0,
    reads: 'analogue' as const,
  }
  const line = {
    text: 'lanterns string 5 @ 200',
    lights: { part: 'led-warm', drive: 'pins' as const },
  }
  const dark = showOf(scene([]))
  const beside = amperes(planOf({ ...line, node: { parts: [part] } }), dark)
  expect(beside - amperes(planOf(line), dark)).toBeCloseTo(5 * 2 * 0.007, 6)
})

it('white that counts as neutral looks neutral, brighter or darker alike', () => {
  const warm = Float32Array.from(whiteOf(2700).slice(0, 3), (one) => (0.1 * one) / 65_535)
  const seen = (kelvin: number, stops = 0): number[] => {
    const into = new Uint8ClampedArray(3)
    shownAs(warm, { stops, lux: 150, stride: 3, balance: balanceOf(kelvin) }, into)
    return [...into]
  }
  const [red = 0, , blue = 0] = seen(6500)
  expect(red - blue).toBeGreaterThan(50)
  const balanced = seen(2700)
  expect(Math.max(...balanced) - Math.min(...balanced)).toBeLessThanOrEqual(1)
  expect(seen(2700, 1)[1]).toBeGreaterThan(balanced[1]!)
})

describe('a day of a show', () => {
  it('counts its hours, what visits start, and standby', () => {
    const base = emptyPlan('t', 'a')
    const plan = planOf(
      { text: 'shelf 1000' },
      { signal: { ...base.signal, inputs: [{ id: 'door', kind: 'motion', name: 'Door' }] } },
    )
    const show = showOf(
      scene([], { name: 'Dark' }),
      scene([layer('steady', { colour: 'duty 255 255 255' })], {
        id: 'visit',
        name: 'Visit',
        seconds: 30,
        start: { input: 'door', when: 'on', perDay: 20 },
      }),
    )
    const given = worked(plan)
    const played = toEnd(play(given, readyShow(given, show), { seconds: 1, framesPerSecond: 10 }))
    const day = showDay(given, show, { inTurn: played, started: playStarted(given, show) })
    const [visit] = day.visits
    const [full = 0] = given.full.supplyA.values()
    expect(day.visits).toHaveLength(1)
    expect(visit).toMatchObject({ scene: 'Visit', perDay: 20, seconds: 30 })
    expect(visit!.watts).toBeCloseTo(full * 5, 6)
    const extra = ((visit!.watts - day.idleWatts) * 20 * 30) / 3600
    expect(wattHoursOf(visit!, day.idleWatts)).toBeCloseTo(extra, 9)
    const wattHours = (4 * day.watts + 20 * day.idleWatts + extra) / day.efficiency
    expect(day.hours).toBe(4)
    expect(day.wattHours).toBeCloseTo(wattHours, 9)
    expect(day.kwhPerYear).toBeCloseTo(0.365 * wattHours, 9)
    expect(day.efficiency).toBeCloseTo(given.supplies[0]!.part!.efficiency, 9)
  })

  it('lasts a bank so many days, and is carried by a panel or not', () => {
    const base = emptyPlan('t', 'a')
    const solar = {
      panelW: 10,
      sunHours: 2.5,
      chargeEfficiency: 0.6,
      batteryWh: 84,
      usableShare: 0.5,
    }
    const plan = planOf(
      { text: 'shelf 300' },
      {
        supplies: [{ id: 'supply-a', name: 'Bank', part: 'bank-37wh' }],
        signal: { ...base.signal, inputs: [{ id: 'door', kind: 'motion', name: 'Door' }] },
        use: { ...base.use, hoursADay: 3, solar },
      },
    )
    const white = layer('steady', { colour: 'duty 255 255 255' })
    const show = showOf(
      scene([layer('steady', { colour: 'duty 40 40 40' })]),
      scene([white], {
        id: 'visit',
        seconds: 60,
        start: { input: 'door', when: 'on', perDay: 30 },
      }),
      scene([white], { id: 'late', seconds: 3_600, start: { clock: 1_200 } }),
    )
    const given = worked(plan)
    const whole = playWhole(given, show, { seconds: 1, framesPerSecond: 10 })
    const day = showDay(given, show, whole)
    // An hour of the three is that of the clock.
    expect(day.hours).toBe(2)
    expect(day.visits.map(({ perDay, seconds }) => perDay * seconds)).toEqual([1_800, 3_600])
    const [{ part, offA } = {} as never] = given.supplies
    const [full = 0] = given.full.supplyA.values()
    const { meanA } = whole.played
    const ampereHours = 2 * meanA + 22 * offA + 1.5 * (full - offA)
    const wattHours = part!.bank!.wattHours * part!.efficiency
    const [cells] = showCells(given.supplies, whole, day)
    // What was touched, and where the clock stands, changes nothing about the day.
    const touched = playWhole(given, show, {
      seconds: 1,
      framesPerSecond: 10,
      events: [
        [0, 0, 65_535],
        [0, 1, 1_210],
      ],
    })
    expect(touched.played.meanA).toBeGreaterThan(1.5 * meanA)
    expect(showDay(given, show, touched)).toEqual(day)
    expect(showCells(given.supplies, touched, day)[0]!.days).toBeCloseTo(cells!.days!, 9)
    expect(cells!.days).toBeCloseTo(wattHours / (5 * ampereHours), 6)
    expect(day.solar!.balance).toEqual({
      chargedWhPerDay: 15,
      balanceWh: expect.closeTo(15 - day.wattHours, 9) as number,
      nightsWithoutSun: expect.closeTo(42 / day.wattHours, 9) as number,
    })
    const labels = dayFigures(day).map(({ label }) => label)
    expect(labels).toContain(day.wattHours > 15 ? 'short by, a day' : 'to spare, a day')
  })
})
