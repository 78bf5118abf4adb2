import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPlanFile } from '../../formats/plan-file'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { layer, scene, showOf } from '../../testing/shows'
import { planNetwork } from '../feed/plan-network'
import { solve } from '../feed/solve'
import { change } from '../plan/commands'
import type { Input, Plan, Scene, Show, ShowLayer } from '../plan/plan'
import { judgeShow, showVerdicts, type ShowGiven } from '../verdict/judge-show'
import { worked } from '../worked'
import { boardFps } from './board-needs'
import { compileShow, type CompiledShow } from './compile'
import { readColour, screenColour, whiteOf } from './colour'
import { byteOf, channelKinds, channelLevel, fieldOf } from './field'
import { patterns } from './patterns'
import {
  InputTape,
  LiveFlashes,
  play,
  playWhole,
  readyShow,
  showFlashes,
  toEnd,
  watchFlashes,
  type InputEvent,
} from './play'
import { Player } from './player'

const pegboard = demoPlan('pegboard-moon')
const inputs: readonly Input[] = [
  { id: 'door', kind: 'motion', name: 'Door' },
  { id: 'dial', kind: 'knob', name: 'Dial' },
]
const ready = (show: Show, plan = pegboard): CompiledShow => {
  const results = worked(plan)
  return compileShow(show, fieldOf(results), { lanes: results.lanes, inputs, limit: plan.limit })
}
const played = (plan: Plan, show: Show, seconds = 3, framesPerSecond = 50) => {
  const results = worked(plan)
  const [made, run] = [readyShow(results, show), { seconds, framesPerSecond }]
  return { ...toEnd(play(results, made, run)), flashing: watchFlashes(made, run) }
}
const problemsOf = (show: Show): string[] => ready(show).problems.map(({ message }) => message)

describe('colours', () => {
  it('chosen by eye become linear by power 2.2, by number they are linear already', () => {
    expect(readColour('#808080')).toEqual([14_386, 14_386, 14_386, 0])
    expect(readColour('duty 255 128 0 64')).toEqual([65_535, 128 * 257, 0, 64 * 257])
    expect(readColour('duty 256 0 0')).toBeUndefined()
    expect(readColour('900 K')).toBeUndefined()
    expect(screenColour([65_535, 14_386, 0, 0])).toBe('#ff8000')
  })
  it('of a temperature: warm has hardly any blue, 6500 K is all but neutral', () => {
    const [red, green, blue] = whiteOf(2700)
    expect(red).toBe(65_535)
    expect(green / red).toBeCloseTo(0.41, 1)
    expect(blue / red).toBeLessThan(0.12)
    for (const part of whiteOf(6500).slice(0, 3)) expect(part / 65_535).toBeGreaterThan(0.9)
  })
  it('white is made by the white channel where there is one', () => {
    const rgbw = channelKinds(['red', 'green', 'blue', 'white'])
    const light = [50_000, 40_000, 30_000, 1_000]
    const levels = rgbw.map((kind) => channelLevel(kind, true, light, 0))
    expect(levels).toEqual([20_000, 10_000, 0, 31_000])
    const twoWhites = channelKinds(['warm white', 'cool white'])
    expect(twoWhites.map((kind) => channelLevel(kind, false, light, 0))).toEqual([21_000, 30_000])
    expect(channelKinds(['white'])).toEqual(['all'])
  })
  it('bytes are the level × the limit, rounded', () => {
    for (const limit of [1, 0.5, 0.83, 0.004])
      for (let level = 0; level <= 65_535; level += 257)
        expect(byteOf(level, Math.round(limit * 65_536))).toBeCloseTo((level / 257) * limit, -0.31)
  })
})

describe('a show', () => {
  it('is the same whatever frames are drawn, with the inputs that were recorded', () => {
    const everything = showOf(
      ...patterns.map((pattern, at) =>
        scene(
          [
            layer(
              pattern.id,
              Object.fromEntries(
                pattern.parameters.flatMap((one) =>
                  one.kind === 'input' ? [[one.id, 'dial']] : [],
                ),
              ),
            ),
          ],
          { id: `s${String(at)}`, seconds: 1, fade: 0.3 },
        ),
      ),
      scene([layer('comets', { start: 'door' })], {
        id: 'visit',
        seconds: 0.5,
        start: { input: 'door', when: 'on' },
      }),
    )
    const show = ready(everything)
    const tape = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 0, max: 1 }),
        fc.integer({ min: 0, max: 65_535 }),
      ),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(
        tape,
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 7, max: 400 }),
        (events, at, step) => {
          const sorted: InputEvent[] = events.toSorted((a, b) => a[0] - b[0])
          const frameAt = (apart: number): Uint16Array => {
            const player = new Player(show)
            const inputTape = new InputTape(sorted, show)
            for (let ms = 0; ms < at; ms += apart) inputTape.step(player, ms)
            inputTape.step(player, at)
            return player.paint(at).slice()
          }
          expect(frameAt(step)).toEqual(frameAt(100_000))
        },
      ),
      { numRuns: runs(25) },
    )
  })

  it('does not lose an event that comes while scenes fade', () => {
    const show = ready(
      showOf(
        scene([layer('steady', { colour: 'duty 9 0 0' })], { seconds: 100 }),
        scene([layer('steady', { colour: 'duty 0 9 0' })], {
          id: 'b',
          name: 'Door',
          seconds: 2,
          fade: 1,
          start: { input: 'door', when: 'on' },
        }),
        scene([layer('steady', { colour: 'duty 0 0 9' })], {
          id: 'c',
          name: 'Dial',
          seconds: 2,
          fade: 1,
          start: { input: 'dial', when: 'on' },
        }),
      ),
    )
    const player = new Player(show)
    const at = (ms: number, values: number[]): string | undefined => {
      player.step(ms, values)
      return player.scene?.name
    }
    expect(at(500, [0, 0])).toBe('Only')
    expect(at(600, [65_535, 0])).toBe('Door')
    // The dial is only touched during the fade.
    expect(at(900, [0, 65_535])).toBe('Door')
    expect(at(1_000, [0, 0])).toBe('Door')
    expect(at(1_700, [0, 0])).toBe('Dial')
    expect(at(3_400, [0, 0])).toBe('Dial')
    expect(at(3_600, [0, 0])).toBe('Only')
  })

  it('plays where a layer says: on runs in its own order, on a lane, in a rectangle', () => {
    const field = fieldOf(worked(pegboard))
    const elements = (more: Partial<ShowLayer>): Int32Array[] =>
      ready(showOf(scene([layer('steady', {}, more)]))).scenes[0]!.layers.map((one) => one.elements)
    const [post, tray] = ['post', 'tray'].map((id) => field.runs.find((run) => run.id === id)!)
    const [joined] = elements({ on: { runs: ['tray', 'post'] } })
    expect(joined!.length).toBe(post!.count + tray!.count)
    expect(joined![0]).toBe(tray!.from)
    expect(elements({ on: { runs: ['tray', 'post'] }, axis: 'each' })).toHaveLength(2)
    const [all] = elements({ on: 'all' })
    const box = { x: -1e5, y: -1e5, width: 2e5, height: 2e5 }
    expect(elements({ on: { zone: box } })).toEqual([all])
    expect(elements({ on: { zone: { ...box, width: 1 } } })).toEqual([])
    expect(elements({ on: { lanes: ['Lane 1'] } })).toEqual([all])
  })

  it('lies along runs in a row, across the room by its angle, and by chance for each run by itself', () => {
    const layersOf = (more: Partial<ShowLayer>) =>
      ready(showOf(scene([layer('twinkle', { share: 0.5 }, more)]))).scenes[0]!.layers
    const on = { runs: ['tray', 'post'] }
    const [row] = layersOf({ on })
    const [tray, post] = layersOf({ on, axis: 'each' })
    // The post goes on where the tray ends, a pixel further.
    expect(row!.length).toBeGreaterThan(tray!.length + post!.length)
    expect(row!.length).toBeLessThan(tray!.length + post!.length + 40)
    expect(row!.u[tray!.count]).toBeGreaterThan(tray!.length)
    expect([...row!.u]).toEqual([...row!.u].toSorted((a, b) => a - b))
    expect(tray!.seed).not.toBe(post!.seed)

    const { field } = ready(showOf(scene([])))
    const [right] = layersOf({ axis: 'room' })
    const [down] = layersOf({ axis: 'room', degrees: 90 })
    const least = (places: Float64Array): number =>
      Math.min(...[...right!.elements].map((at) => places[at]!))
    for (const [k, at] of right!.elements.entries()) {
      const [x, y] = [field.x[at]! - least(field.x), field.y[at]! - least(field.y)]
      expect([right!.u[k], right!.v[k]]).toEqual([Math.round(x), Math.round(y)])
      expect(down!.u[k]).toBe(Math.round(y))
      if (k > 20) break
    }
  })

  it('goes on with a scene that is the only one in turn', () => {
    const wipe = layer('wipe', { time: 0.5, colour: 'duty 255 255 255' })
    const player = new Player(ready(showOf(scene([wipe], { seconds: 1 }))))
    player.step(1_200, [])
    expect(new Set(player.paint(1_200).subarray(-8))).toEqual(new Set([65_535, 0]))
  })

  it('starts a scene when its input goes on, not while it stays on', () => {
    const show = ready(
      showOf(
        scene([], { seconds: 100 }),
        scene([], { id: 'b', name: 'Door', seconds: 1, start: { input: 'door', when: 'on' } }),
        scene([], { id: 'c', name: 'Dial', seconds: 1, start: { input: 'dial', when: 'off' } }),
      ),
    )
    // What is recorded reaches the show at its own time.
    const player = new Player(show)
    const tape = new InputTape(
      [
        [0, 1, 65_535],
        [500, 0, 65_535],
      ],
      show,
    )
    const scenes = [490, 500].map((ms) => {
      tape.step(player, ms)
      return player.scene?.name
    })
    expect(scenes).toEqual(['Only', 'Door'])
    player.restart()

    const at = (ms: number, values: number[]): string | undefined => {
      player.step(ms, values)
      return player.scene?.name
    }
    const full = 65_535
    // The dial is off from the start: its scene plays, and goes on for as long as it is.
    expect(at(1_500, [0, 0])).toBe('Dial')
    expect(at(2_000, [0, full])).toBe('Dial')
    expect(at(2_600, [0, full])).toBe('Only')
    expect(at(3_000, [full, full])).toBe('Door')
    expect(at(9_000, [full, full])).toBe('Door')
    // Off, then the other one: back to where it began, though the door is still held.
    expect(at(9_100, [full, 0])).toBe('Dial')
    expect(at(9_200, [full, full])).toBe('Dial')
    expect(at(10_300, [full, full])).toBe('Only')
    expect(at(12_000, [full, full])).toBe('Only')
  })

  it('starts a scene by its own key of a remote, and by no other', () => {
    const keyed = (key: number): Scene =>
      scene([], {
        id: `k${String(key)}`,
        name: `Key ${String(key)}`,
        seconds: 1,
        start: { input: 'dial', when: 'on', key },
      })
    const player = new Player(ready(showOf(scene([]), keyed(1), keyed(2), keyed(9))))
    let ms = 0
    const at = (said: number): string | undefined => {
      player.step((ms += 20), [0, said])
      return player.scene?.name
    }
    expect([at(0), at(6_000), at(0), at(12_000), at(54_000), at(18_000)]).toEqual([
      'Only',
      'Key 1',
      'Key 1',
      'Key 2',
      'Key 9',
      'Key 9',
    ])
  })

  it('plays a scene by the clock for as long as it lasts, over midnight too', () => {
    const white = layer('steady', { colour: 'duty 255 255 255' })
    const show = ready(
      showOf(
        scene([white], { id: 'night', name: 'Night', seconds: 7_200, start: { clock: 23 * 60 } }),
        scene([], { id: 'late', name: 'Late', seconds: 600, start: { clock: 23 * 60 + 30 } }),
        scene([], { id: 'b', name: 'Door', seconds: 1, start: { input: 'door', when: 'on' } }),
      ),
    )
    const player = new Player(show)
    let ms = 0
    const at = (clock: number, door = 0): string | undefined => {
      player.step((ms += 20), [door, 0, clock])
      return player.scene?.name
    }
    // Nothing comes in its turn: dark, and while the clock is not set.
    const dark = 'dark until something starts a scene'
    expect([at(65_535), at(22 * 60 + 59), at(23 * 60)]).toEqual([dark, dark, 'Night'])
    expect([at(23 * 60 + 29), at(23 * 60 + 30), at(23 * 60 + 40)]).toEqual([
      'Night',
      'Late',
      'Night',
    ])
    // What a sensor starts ends in what the clock says by then.
    expect(at(0, 65_535)).toBe('Door')
    const seen = new Set<string | undefined>()
    for (let tick = 0; tick < 120; tick += 1) seen.add(at(59))
    expect([...seen]).toEqual(['Door', 'Night'])
    expect(Math.max(...player.paint(ms))).toBe(65_535)
    expect([at(60), at(65_535)]).toEqual([dark, dark])
  })

  it('tells what it cannot play, and plays the rest', () => {
    expect(problemsOf(showOf(scene([layer('flow', { speed: 99_999 })])))).toEqual([
      'Flow, speed: 99999 is outside -3000 to 3000; it plays at 3000',
    ])
    expect(problemsOf(showOf(scene([layer('steady', { colour: 'rosy' })])))[0]).toMatch(
      /“rosy” is no colour: such as/,
    )
    expect(problemsOf(showOf(scene([layer('plasma-9')])))[0]).toMatch(
      /no pattern “plasma-9” here: a newer/,
    )
    expect(problemsOf(showOf(scene([], { start: { input: 'gone', when: 'on' } })))[0]).toMatch(
      /its input is gone/,
    )
    expect(problemsOf(showOf(scene(patterns.map(({ id }) => layer(id)))))).toEqual([])
    const many = {
      ...pegboard,
      shows: [showOf(scene(Array.from({ length: 10_000 }, () => layer('steady'))))],
    }
    const read = readPlanFile(JSON.stringify(many))
    expect(read.ok ? '' : read.issues[0]!.message).toMatch(/at most 40 layers/)
    const kept = { ...pegboard, shows: [showOf(scene([layer('plasma-9', { x: 3 })]))] }
    const again = readPlanFile(JSON.stringify(kept))
    expect(again.ok && again.plan.shows[0]?.scenes[0]?.layers[0]?.set).toEqual({ x: 3 })
  })
})

describe('amperes of a show', () => {
  it.each(['pegboard-moon', 'bay-window-nook', 'wall-of-jars'])(
    'are those of the solved feed at the bytes that are sent: %s',
    (name) => {
      const plan = demoPlan(name)
      // What is sent of half the light, as a share: the limit is in it, and it is rounded to a byte.
      const byte = byteOf(128 * 257, Math.round(plan.limit * 65_536))
      const half = played(
        plan,
        showOf(scene([layer('steady', { colour: 'duty 128 128 128' })])),
        0.1,
      )
      const level = { ...plan, scene: { ...plan.scene, level: byte / 255 } }
      const results = worked(level)
      const solved = solve(planNetwork(results, 'level'))
      if (!solved.ok) throw new Error('not solved')
      const amperes = plan.supplies.map(
        ({ id }) => solved.solution.supplyA.get(`supply:${id}`) ?? 0,
      )
      expect(half.supplies.map(({ peakA }) => peakA)).toEqual(
        amperes.map((one) => expect.closeTo(one, 6) as number),
      )
      expect(half.meanA).toBeCloseTo(
        amperes.reduce((sum, one) => sum + one, 0),
        6,
      )
      expect(half.whPerHour).toBeCloseTo(half.meanA * 5, 6)
    },
  )

  it('mean and peak are those of a show that is half of its time dark', () => {
    const dark = showOf(
      scene([layer('steady', { colour: 'duty 255 255 255' })], { seconds: 1 }),
      scene([], { id: 'dark', seconds: 3 }),
    )
    const { meanA, peakA, peakAtS, supplies } = played(pegboard, dark, 8)
    const { full, supplies: fed } = worked(pegboard)
    const [white = 0] = full.supplyA.values()
    expect(peakA).toBeCloseTo(white, 6)
    expect(peakAtS).toBe(0)
    expect(meanA).toBeCloseTo(white / 4 + fed[0]!.currentA.idle * 0.75, 2)
    expect(supplies[0]).toMatchObject({ id: 'supply-a', ratedA: fed[0]!.ratedA })
  })
})

const swarm = layer(
  'comets',
  { colour: '#ffffff', count: 6, speed: 3_000, tail: 120 },
  { on: { runs: ['crescent'] } },
)

describe('flashing', () => {
  const blinking = (hertz: number, colour: string, more: Partial<ShowLayer> = {}): Show =>
    showOf(
      ...[colour, 'duty 0 0 0'].map((one, at) =>
        scene([layer('steady', { colour: one }, more)], {
          id: `s${String(at)}`,
          seconds: 0.5 / hertz,
        }),
      ),
    )
  it.each([
    [2, 'duty 255 255 255', 2, false],
    [5, 'duty 255 255 255', 5, false],
    // Red light alone is only 0.21 of the luminance, but counts by itself.
    [5, 'duty 100 0 0', 5, true],
    [5, 'duty 20 20 20', 0, false],
    // Not saturated, or too little of it: no flash of red.
    [5, 'duty 51 15 0', 0, false],
    [5, 'duty 20 5 0', 0, false],
  ])('%i times a second of %s: %i flashes, red: %s', (hertz, colour, flashes, isRed) => {
    const { perSecond, worst } = played(pegboard, blinking(hertz, colour), 3, 100).flashing
    expect([perSecond, worst?.isRed ?? false]).toEqual([flashes, isRed])
  })

  it('is told by when it begins', () => {
    const { scenes } = blinking(5, 'duty 255 255 255')
    const late = showOf(scene([], { id: 'first', seconds: 2 }), ...scenes)
    const { worst } = played(pegboard, late, 2.4 + 0.8, 100).flashing
    expect(worst?.atS).toBeGreaterThanOrEqual(2)
  })

  it('is found in a scene that only an input starts', () => {
    const show = showOf(
      scene([]),
      scene([swarm], { id: 'visit', seconds: 2, start: { input: 'door', when: 'on' } }),
    )
    const run = { seconds: 1, framesPerSecond: 50 }
    const asPlayed = watchFlashes(ready(show), run)
    expect(asPlayed.perSecond).toBe(0)
    const { perSecond, worst } = showFlashes(worked(pegboard), show, asPlayed, run)
    expect(perSecond).toBeGreaterThan(3)
    expect(worst?.scene).toBe(1)
  })

  it('is seen while it is shown: by what is touched, and by how fast it plays', () => {
    const gauge = layer('gauge', { value: 'dial', glide: 0.02, colours: ['#ffffff', '#ffffff'] })
    const show = ready(showOf(scene([gauge])))
    /** The dial turned up and down five times a second. */
    const seenAt = (speed: number, ms = 3_000): number => {
      const player = new Player(show)
      const live = new LiveFlashes(player)
      let perSecond = 0
      for (let at = 0; at < ms; at += 10) {
        player.step(at, [0, at % 200 < 100 ? 65_535 : 0])
        player.paint(at)
        perSecond = live.seen(at / speed).perSecond
      }
      return perSecond
    }
    expect(watchFlashes(show, { seconds: 3, framesPerSecond: 50 }).perSecond).toBe(0)
    expect([seenAt(1), seenAt(0.5), seenAt(0.1)]).toEqual([5, 2, 0])
    // It says so within the second in which the fourth flash comes.
    expect(seenAt(1, 900)).toBe(4)
    const player = new Player(show)
    const live = new LiveFlashes(player)
    for (let at = 0; at < 2_000; at += 20) {
      player.step(at, [0, at % 200 < 100 ? 65_535 : 0])
      player.paint(at)
      live.seen(at)
    }
    // Leaps through the show are no flashes of it.
    for (let leap = 0; leap < 8; leap += 1) {
      const at = 3_000 + leap * 300
      player.step(at, [0, leap % 2 === 0 ? 65_535 : 0])
      player.paint(at)
      expect(live.seen(at).perSecond).toBe(0)
    }
    // Somewhere else in the show nothing was seen yet.
    expect([live.seen(9_000).perSecond, live.seen(0).perSecond]).toEqual([0, 0])
  })

  it('comets that are steady over a whole run flash on 300 mm of it', () => {
    const { perSecond, worst } = played(pegboard, showOf(scene([swarm])), 2, 100).flashing
    expect(perSecond).toBeGreaterThan(3)
    expect(worst).toMatchObject({ run: 'crescent', isRed: false })
    expect((worst?.toMm ?? 0) - (worst?.fromMm ?? 0)).toBe(300)
  })
})

describe('remedies of a show', () => {
  const run = { seconds: 2, framesPerSecond: 50 }
  const judged = (plan: Plan, show: Show) => {
    const results = worked(plan)
    const whole = playWhole(results, show, run)
    return toEnd(showVerdicts(results, show, { whole, run, workOut: worked }))
  }
  const white = showOf(scene([layer('steady', { colour: 'duty 255 255 255' })]))
  const faster = layer('comets', { ...swarm.set, count: 12 }, { on: swarm.on })
  it.each([
    ['flash-rate', 'stop', showOf(scene([faster])), 'auto'],
    // 18.2 A: more than it gives, and more than the rule lets it give.
    ['scene-over-supply', 'stop', white, 'brick-5v-10'],
    ['scene-over-supply', 'warning', white, 'enclosed-5v-100w'],
  ] as const)('of %s, %s: each, applied, removes its cause', (code, grade, show, part) => {
    const { plan } = change(pegboard, [
      { do: 'pick-supply', supply: 'supply-a', part },
      { do: 'put-show', show },
    ])
    const verdicts = judged(plan, show)
    expect(verdicts).toMatchObject([{ code, grade }])
    const { remedies } = verdicts[0]!
    expect(remedies.length).toBeGreaterThan(1)
    for (const remedy of remedies) {
      const next = change(plan, remedy.commands).plan
      const again = next.shows[0]!
      expect(judgeShow(again, playWhole(worked(next), again, run))).toEqual([])
    }
    // Of several that would do the mildest is offered: half as slow still flashes.
    const [, times] = /(\d) times slower/.exec(remedies[0]!.label) ?? []
    expect(times).toBe(code === 'flash-rate' ? '4' : undefined)
  })

  it('offers none that brings another trouble', { tags: 'long' }, () => {
    const show = showOf(scene([faster]))
    const { plan } = change(pegboard, [{ do: 'put-show', show }])
    const given = worked(plan)
    const whole = playWhole(given, show, run)
    // Whatever is tried, the supply is too small for the show then; the plan itself has nothing to say.
    const small = (tried: Plan) => ({
      ...worked(
        change(tried, [{ do: 'pick-supply', supply: 'supply-a', part: 'usb-port-0_5' }]).plan,
      ),
      findings: given.findings,
    })
    const offered = (workOut: (tried: Plan) => ShowGiven): number[] =>
      toEnd(showVerdicts(given, show, { whole, run, workOut })).map((one) => one.remedies.length)
    expect(offered(worked)).toEqual([3])
    expect(offered(small)).toEqual([0])
  })

  it('judges a scene that is only started, and lets the program hold it', { tags: 'long' }, () => {
    const { plan } = change(pegboard, [
      { do: 'pick-supply', supply: 'supply-a', part: 'brick-5v-10' },
    ])
    const visit = { id: 'visit', name: 'Visit', seconds: 2, start: { clock: 60 } }
    const show = showOf(scene([]), scene(white.scenes[0]!.layers, visit))
    const [verdict, ...others] = judged(plan, show)
    expect(others).toEqual([])
    expect(verdict).toMatchObject({ code: 'scene-over-supply', grade: 'stop' })
    const inTurn = judged(plan, white)[0]!.text
    expect(verdict!.text).toBe(inTurn.replace('“Only”', '“Visit”'))
    const labels = verdict!.remedies.map(({ label }) => label)
    expect(labels[0]).toBe('let the program hold each supply to its limit')
    expect(labels[1]).toMatch(/^dim “Visit” to \d+ %$/)
  })

  it(
    'a show that is too much for its board: another board, or less of it',
    { tags: 'long' },
    () => {
      const layers = ['fire', 'ripple', 'twinkle', 'clouds', 'flow'].map((id) => layer(id))
      const show = showOf(scene(layers))
      const slow = change(pegboard, [{ do: 'set-signal', signal: { board: 'small-5v' } }]).plan
      const [verdict] = judged(slow, show).filter(({ code }) => code === 'slow-frames')
      const { board } = playWhole(worked(slow), show, run)
      const pixels = worked(slow).lanes.reduce((sum, { pixels: own }) => sum + own, 0)
      // 4,500 steps a light and layer and 1,200 a byte, 16 million a second.
      expect(board!.needs.workMs).toBeCloseTo((pixels * (5 * 4_500 + 3 * 1_200)) / 16_000, 0)
      expect(boardFps(board!)).toBeLessThan(3)
      expect(verdict).toMatchObject({ grade: 'warning' })
      const [faster] = verdict!.remedies
      const after = change(slow, faster!.commands).plan
      expect(judged(after, show).map(({ code }) => code)).not.toContain('slow-frames')
      // No board is offered that the plan could not live with: none that is faster takes 12 V.
      const high: Plan = {
        ...slow,
        lines: [{ id: 'a', text: 'shelf 8 m', stripId: 'pixels-12v-20' }],
      }
      const found = judged(high, show).find(({ code }) => code === 'slow-frames')
      expect(found!.remedies.filter(({ label }) => label.startsWith('take '))).toEqual([])
      // While scenes fade both are painted.
      const fading = showOf(
        scene(layers),
        scene(layers.slice(0, 2), { id: 'next', name: 'Next', fade: 1 }),
      )
      const both = playWhole(worked(slow), fading, run).board!.needs.workMs!
      expect(both - board!.needs.workMs!).toBeCloseTo((pixels * 2 * 4_500) / 16_000, 0)
      // What is limited is painted twice.
      const held = playWhole(worked(slow), { ...show, isLimited: true }, run).board
      expect(held!.needs.workMs).toBeCloseTo(2 * board!.needs.workMs!, 6)
    },
  )
})
