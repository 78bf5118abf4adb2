import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { drawOf } from '../feed/draw'
import { solve, solveWithRails } from '../feed/solve'
import { planNetwork } from '../feed/plan-network'
import { emptyPlan } from '../plan/empty'
import { feedsOf } from '../plan/feeds'
import { change } from '../plan/commands'
import { shippedSupplies } from '../parts/supplies'
import type { SupplyPart } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { seeded } from '../quantity/seeded'
import type { PlanWire } from '../wire/wires'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { drawing, trial } from '../../testing/mend-trials'
import { runs } from '../../testing/runs'
import { answeredExactly, courseOf, paintedExactly, walkedExactly } from './course'
import { contactsOf } from './contacts'
import { chanceOf, Diagnosis, measuredAs, type Candidate } from './diagnose'
import { faultedNetwork } from './faulted-network'
import { faultsOf } from './faults'
import { firstGuesses, planOfAnswers } from './five-questions'
import type { Effect } from './fault'
import { faultKinds } from './kinds'
import { openEffect } from './kinds/at-contact'
import { faultKindNames } from './kind-names'
import { Stage } from './look'
import { stateOf, stretchesOf } from './run-states'
import { amperesThrough, ohmsBetween, openPlaces, voltsBetween } from './meter'
import { tapeTip, terminalTips, tipPlaces, type TipPlace } from './tips'
import { nextTests } from './next-test'
import { paintedOver } from './painting'
import { Practice } from './practice'
import { nothingSeen, readSeen, type Painted, type Seen } from './seen'
import { noneFits, pairsFor } from './two'
import { whyOf } from './why'

const nook = demoPlan('bay-window-nook')
const given = worked(nook)
const diagnosis = new Diagnosis(given)
const { stage } = diagnosis
const terminals = terminalTips(given, stage.network)
const byId = (id: string, of = diagnosis): Candidate => {
  const found = of.candidates.find(({ fault }) => fault.id === id)
  if (found === undefined) throw new Error(`no fault ${id}`)
  return found
}
const openPlus = byId('open-plus:run:alcove/B1_end|wire_W13|plus')
const openMinus = byId('open-minus:run:alcove/B1_end|wire_W14|minus')
const openData = byId('open-data:run:alcove/B1_end|wire_W15|data')
const poor = byId('poor-joint:run:alcove/B1_end|wire_W13|plus|1')
const bridge = byId('bridge-power:run:alcove/B2_start|wire_W13|wire_W14')
const seenOf = (candidate: Candidate): Seen => ({
  ...nothingSeen,
  runs: paintedExactly(diagnosis, candidate),
})
const odd = ({ look }: Candidate, run: string): readonly unknown[] =>
  stretchesOf(look.runs.get(run), stage.runs.find(({ id }) => id === run)!.count).filter(
    ([, , state]) => state !== 'right',
  )
const firstOf = (seen: Seen, of = diagnosis): string => of.suspects(seen)[0]!.candidate.fault.id

describe('faults of a plan', () => {
  const faults = faultsOf(given)

  it('has each once, with chances that sum to one, and every kind where it can be', () => {
    expect(new Set(faults.map(({ id }) => id)).size).toBe(faults.length)
    expect(faults.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9)
    const fedBy = (isMeant: (part: SupplyPart) => boolean): Plan => ({
      ...nook,
      supplies: nook.supplies.map((slot) => ({ ...slot, part: shippedSupplies.find(isMeant)!.id })),
    })
    const elsewhere = [
      ...['toy-harbour', 'wall-of-jars', 'firefly-jar', 'wardrobe-rails'].map(demoPlan),
      fedBy(({ bank }) => bank !== undefined),
      fedBy(({ regulator }) => regulator !== undefined),
      fedBy(({ battery }) => battery !== undefined),
      { ...nook, defaults: { ...nook.defaults, stripId: 'pixels-12v-20' } },
    ].flatMap((plan) => faultsOf(worked(plan)))
    const found = new Set([...faults, ...elsewhere].map(({ kind }) => kind))
    expect(faultKindNames.filter((name) => !found.has(name))).toEqual([])
    for (const { mend } of Object.values(faultKinds)) {
      expect(mend.steps.length).toBeGreaterThan(0)
      expect(mend.proof).not.toBe('')
    }
  })

  it('covers every soldered joint and every wire that carries anything', () => {
    const open = new Set(
      faults.filter(({ kind }) => kind.startsWith('open')).map((one) => one.joint),
    )
    const uncovered = given.joints.filter(({ id, at }) => at.kind !== 'capacitor' && !open.has(id))
    // What is left is fuses, and wires of sensors and the status light, which have kinds of their own.
    expect(
      uncovered.filter(
        ({ at, kind, where }) =>
          kind !== 'in-line' && at.kind !== 'block' && !/status|motion|knob/.test(where),
      ),
    ).toEqual([])
  })

  it('keeps its ids when another run is added', () => {
    const longer: Plan = { ...nook, lines: [...nook.lines, { id: 'new', text: 'new 400' }] }
    const ids = new Set(faultsOf(worked(longer)).map(({ id }) => id))
    const pads = faults.filter(({ id }) => id.startsWith('open-data:run:alcove/B1'))
    expect(pads.length).toBeGreaterThan(0)
    // Wires are numbered anew; joints, runs and pixels are not.
    for (const { id } of faults.filter(({ kind }) => kind === 'dead-pixel' || kind === 'off-mark'))
      expect(ids.has(id)).toBe(true)
  })

  it('suspects joints that were made last, whose reading was off, and what was wrong before', () => {
    const { steps } = given.schedule
    const step = steps.find(({ joints }) => joints.includes('run:alcove/B1 end'))!
    const base = faults.find(({ id }) => id === openData.fault.id)!
    const other = faults.find(({ id }) => id === 'open-data:run:alcove/B2_end|wire_W18|data')!
    const of = (plan: Plan): number => {
      const found = faultsOf(worked(plan))
      const at = (id: string): number => found.find((one) => one.id === id)!.chance
      return at(base.id) / at(other.id)
    }
    const logged = (more: object): Plan => ({
      ...nook,
      mends: [],
      wiring: { ...nook.wiring, ticks: [...step.joints] },
      build: {
        ...nook.build,
        log: [
          {
            step: step.id,
            kind: step.kind,
            title: step.title,
            state: 'done',
            minutes: 3,
            at: '2026-11-01T10:00:00Z',
            trouble: [],
            readings: [],
            photos: [],
            ...more,
          },
        ],
      },
    })
    const quiet: Plan = { ...nook, mends: [], build: { ...nook.build, log: [] } }
    expect(of(quiet)).toBeCloseTo(1, 6)
    expect(of(logged({}))).toBeCloseTo(2, 6)
    expect(of(logged({ trouble: [{ what: 'cold', fix: 'again' }] }))).toBeCloseTo(3, 6)
    const entry = {
      id: 'm',
      at: '2026-11-02T10:00:00Z',
      symptom: '',
      tests: [],
      cause: '',
      mend: '',
      minutes: 1,
    }
    const past = (fault: string): Plan => ({
      ...quiet,
      mends: [{ ...entry, fault, kind: 'open-data' }],
    })
    expect(of(past(base.id))).toBeCloseTo(2, 6)
    expect(of(past('open-data:elsewhere'))).toBeCloseTo(1, 6)
  })
})

describe('what a fault does to the feed', () => {
  it('draws what Kirchhoff and the loads say, rail by rail, with any fault in it', () => {
    const network = planNetwork(given, 'full-white')
    const fed = diagnosis.candidates.filter(
      ({ fault: { does } }) => (does.feed ?? []).length > 0 && does.feed![0]!.kind !== 'bridge',
    )
    fc.assert(
      fc.property(fc.constantFrom(...fed), ({ fault }) => {
        const faulty = faultedNetwork(network, fault.does.feed!)
        const result = solveWithRails(faulty)
        if (!result.ok) throw new Error(`${fault.id}: ${result.reason}`)
        for (const run of faulty.runs) {
          const solved = result.solution.runs.get(run.id)!
          if ('floating' in solved || run.loads < 3) continue
          const { plus, minus } = solved.rails!
          const draw = drawOf(run.load, run.duties)
          const ohm = { p: run.railOhmPerM.p * run.pitchM, m: run.railOhmPerM.m * run.pitchM }
          const pads = new Set(
            faulty.leads.flatMap(({ from, to }) =>
              [from, to].flatMap((end) =>
                end.startsWith(`${run.id}@`) ? [Number(end.split('@')[1])] : [],
              ),
            ),
          )
          for (let at = 1; at < run.loads - 1; at += 1) {
            if (pads.has(at) || pads.has(at + 1)) continue
            const own = draw.current(plus[at]! - minus[at]!, at)
            const inP = (plus[at - 1]! - 2 * plus[at]! + plus[at + 1]!) / ohm.p
            const inM = (minus[at - 1]! - 2 * minus[at]! + minus[at + 1]!) / ohm.m
            expect(Math.abs(inP - own), `${fault.id} ${run.id} ${String(at)}`).toBeLessThan(1e-6)
            expect(Math.abs(inM + own)).toBeLessThan(1e-6)
          }
        }
      }),
      { numRuns: runs(25) },
    )
  })

  it('loses I × R in a poor joint, and as much at the ohm-meter', () => {
    const tips = new Map(tipPlaces(given).map((tip) => [tip.name, tip]))
    const tip = (name: string): TipPlace => tips.get(name)!
    const effects = [poor.fault.does]
    const across = voltsBetween(
      stage,
      effects,
      'bright',
      tip('alcove, B1 end +'),
      tip('alcove, B2 start +'),
    )
    // All that is behind the joint goes through it.
    const result = solve(faultedNetwork(stage.network, poor.fault.does.feed!))
    if (!result.ok) throw new Error(result.reason)
    const lead = result.solution.leads.find(({ to }) => to === 'alcove.2@0')!
    const jumper = given.wiring.wires.find(({ name }) => name === 'W13')!
    // Half a pitch of rail lies between the last pixel and its pad, on either side.
    const rail = 0.17 / 60
    const ohm = 1 + (jumper.lengthMm / 1000) * jumper.gauge.ohmPerM + rail
    expect(across / lead.plusA).toBeGreaterThan(1)
    expect(Math.abs(across / lead.plusA - ohm)).toBeLessThan(0.05)
    const ohms = (effect: Candidate, a: string, b: string): number =>
      ohmsBetween(given, stage, terminals, [effect.fault.does], tip(a), tip(b))
    expect(ohms(poor, 'alcove, B1 end +', 'alcove, B2 start +')).toBeCloseTo(1.1, 1)
    expect(ohms(openPlus, 'alcove, B1 end −', 'alcove, B2 start −')).toBeCloseTo(0.1, 1)
    expect(ohms(openPlus, 'alcove, B1 end +', 'alcove, B2 start +')).toBeGreaterThan(100)
    expect(ohms(bridge, 'alcove, B2 start +', 'alcove, B2 start −')).toBeLessThan(0.5)
    expect(ohms(poor, 'alcove, B2 start +', 'alcove, B2 start −')).toBeGreaterThan(50)
    expect(ohms(poor, 'seat front, A1 start +', 'seat front, A1 start +')).toBe(0.1)
  })

  it('is held on any pixel of a tape, and reads there what the feed has', () => {
    const at = (run: string, pixel: number, rail: 'plus' | 'minus'): TipPlace =>
      tapeTip(given, run, pixel, rail)!
    expect(at('alcove', 30, 'plus').name).toBe('alcove, pixel 31 +')
    for (const pixel of [0, 17, 18, 30, 112]) {
      const own = voltsBetween(
        stage,
        [poor.fault.does],
        'bright',
        at('alcove', pixel, 'plus'),
        at('alcove', pixel, 'minus'),
      )
      const { runs: feed } = stage.feed('bright', poor.fault.does.feed!)
      expect(own).toBeCloseTo(feed.get('alcove')![pixel]!, 6)
    }
    // At the ends of pieces it is the pad that has a name, on either side of the joint.
    const named = new Map(tipPlaces(given).map((tip) => [tip.id, tip.name]))
    expect(named.get(at('alcove', 17, 'minus').id)).toBe('alcove, B1 end −')
    expect(named.get(at('alcove', 18, 'minus').id)).toBe('alcove, B2 start −')
    // From pad to pad of a piece it is all of it: the tip at its end is held behind its last pixel.
    const piece = stage.network.runs.find(({ id }) => id === 'alcove')!
    expect(
      ohmsBetween(given, stage, terminals, [], at('alcove', 0, 'plus'), at('alcove', 17, 'plus')) -
        0.1,
    ).toBeCloseTo(18 * piece.pitchM * piece.railOhmPerM.p, 5)
    // Ten pitches of rail lie between two pixels.
    const [a, b] = [at('alcove', 30, 'plus'), at('alcove', 40, 'plus')]
    const run = stage.network.runs.find(({ id }) => id === 'alcove')!
    expect(ohmsBetween(given, stage, terminals, [], a, b) - 0.1).toBeCloseTo(
      10 * run.pitchM * run.railOhmPerM.p,
      6,
    )
  })

  it('is held on every terminal of the diagram, and reads each wire from end to end', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const own = worked(plan)
        const at = new Stage(own)
        const tips = terminalTips(own, at.network)
        const held = (does: Effect[], wire: PlanWire): number =>
          ohmsBetween(own, at, tips, does, tips.get(wire.from.id)!, tips.get(wire.to.id)!)
        const contacts = new Map(
          contactsOf(own).flatMap((one) =>
            one.joint === undefined && one.how === 'wire' ? [[one.wire, one] as const] : [],
          ),
        )
        for (const wire of own.wiring.wires) {
          const copper = (wire.lengthMm / 1000) * wire.gauge.ohmPerM + (wire.resistor?.ohm ?? 0)
          // What its fuse, contacts and the meter’s own leads add, and no more.
          expect(held([], wire), `${wire.name} ${wire.role}`).toBeLessThan(copper + 1.2)
          const contact = contacts.get(wire.name)!
          const cut = held([openEffect(contact)], wire)
          if (wire.role !== 'data' && wire.role !== 'clock') continue
          // Data has no other way: all of its own copper and resistor, or nothing.
          expect(held([], wire), `${wire.name} data`).toBeCloseTo(copper + 0.1, 6)
          expect(cut, `${wire.name} cut`).toBe(Infinity)
        }
      }),
      { numRuns: runs(30) },
    )
  })

  it('takes what a board joins within itself for one, and tells no volts of data', () => {
    const board = given.wiring.blocks.find(({ of }) => of.kind === 'board')!
    for (const rail of ['plus', 'minus'] as const) {
      const own = board.terminals.filter(({ role }) => role === rail)
      expect(own.length).toBeGreaterThan(1)
      expect(new Set(own.map(({ id }) => terminals.get(id)!.id)).size).toBe(1)
    }
    const data = board.terminals.find(({ role }) => role === 'data')!
    const plus = tipPlaces(given).find(({ name }) => name === 'Supply A +')!
    expect(voltsBetween(stage, [], 'bright', plus, terminals.get(data.id)!)).toBe(0)
  })

  it('beeps where data touches a rail, and nowhere else', () => {
    for (const kind of ['bridge-plus-data', 'bridge-data-minus'] as const) {
      const all = diagnosis.candidates.filter(({ fault }) => fault.kind === kind)
      expect(all.length).toBeGreaterThan(3)
      for (const { fault } of all) {
        const [touch] = fault.does.signal!.flatMap((one) => (one.kind === 'touch' ? [one] : []))
        if (touch === undefined) throw new Error(`${fault.id} touches nothing`)
        const data = terminals.get(touch.terminal)!
        const near = [...terminals.values()].filter(
          ({ at }) =>
            at.kind === 'load' && at.rail === touch.rail && touch.at.startsWith(`${at.run}@`),
        )
        const least = (does: Effect[]): number =>
          Math.min(...near.map((rail) => ohmsBetween(given, stage, terminals, does, data, rail)))
        expect(least([fault.does]), fault.id).toBeLessThan(0.7)
        expect(least([]), fault.id).toBeGreaterThan(1_000)
      }
    }
  })

  it('changes what is read behind it, and what the supply gives', () => {
    const [behind, supply] = [
      stage.points.findIndex(({ where, rail }) => where === 'alcove@18+' && rail === undefined),
      stage.points.findIndex((point) => point.what === 'current' && point.case === 'bright'),
    ]
    const of = ({ look }: Candidate, index: number): number =>
      look.values.get(index)! - stage.points[index]!.value
    expect(of(poor, behind)).toBeLessThan(-1)
    expect(of(openPlus, behind)).toBe(-stage.points[behind]!.value)
    expect(of(openPlus, supply)).toBeLessThan(-1)
  })

  it('lets through an opened plus what the whole network, solved anew, has there', () => {
    const places = openPlaces(given)
    expect(places.map(({ name }) => name)).toEqual([
      'Supply A +, all that it gives',
      'W1, to seat front',
      'W3, to alcove',
      'W5, to porthole',
      'W7, to left ledge',
      'W9, to right ledge',
      'W11, to crown',
    ])
    expect(given.leads).toHaveLength(6)
    const crown = byId('open-plus:wire|wire_W11|plus')
    for (const { fault } of [poor, openPlus, openMinus, crown]) {
      const result = solve(faultedNetwork(stage.network, fault.does.feed!))
      if (!result.ok) throw new Error(result.reason)
      const { leads, supplyA } = result.solution
      const through = places.map((place) => amperesThrough(stage, [fault.does], 'bright', place))
      expect(through[0]).toBeCloseTo([...supplyA.values()][0]!, 4)
      for (const [index, ampere] of through.slice(1).entries())
        expect(ampere, `${fault.id}, lead ${String(index)}`).toBeCloseTo(leads[index]!.plusA, 4)
    }
    const own = places.find(({ name }) => name === 'W11, to crown')!
    expect(amperesThrough(stage, [crown.fault.does], 'bright', own)).toBe(0)
    expect(amperesThrough(stage, [], 'bright', own)).toBeGreaterThan(3)
    // Dark it is what idle pixels take, as the reading of the steps has it.
    expect(amperesThrough(stage, [], 'idle', own)).toBeLessThan(0.2)
  })

  it('tells an open plus from an open minus by the supply’s own minus', () => {
    const tips = new Map(tipPlaces(given).map((one) => [one.name, one]))
    const volts = (candidate: Candidate, red: string, black: string): number =>
      voltsBetween(stage, [candidate.fault.does], 'bright', tips.get(red)!, tips.get(black)!)
    for (const candidate of [openPlus, openMinus])
      expect(volts(candidate, 'alcove, B2 start +', 'alcove, B2 start −')).toBe(0)
    expect(volts(openPlus, 'alcove, B2 start +', 'Supply A −')).toBe(0)
    expect(volts(openMinus, 'alcove, B2 start +', 'Supply A −')).toBeGreaterThan(4.5)
  })

  it('blows the fuse before a bridge, and stops the supply where there is none', () => {
    // Everything of that lane is dark, and what the fuse feeds draws nothing.
    expect(odd(bridge, 'alcove')).toEqual([[0, 113, 'dark', 'always']])
    expect(bridge.look.runs.has('crown')).toBe(false)
    const bare: Plan = {
      ...nook,
      lines: nook.lines.map((line) => ({
        ...line,
        feeds: feedsOf(line).map((feed) => ({ ...feed, fuse: 'none' as const })),
      })),
    }
    const own = new Diagnosis(worked(bare))
    const { look } = byId(bridge.fault.id, own)
    // Everything that hangs on it.
    expect([...look.runs.keys()].toSorted()).toEqual(stage.runs.map(({ id }) => id).toSorted())
  })
})

describe('what a fault does to the data', () => {
  it('is dark behind the place, along the lane and no further', () => {
    expect(odd(openData, 'alcove')).toEqual([[18, 95, 'dark', 'always']])
    expect(odd(openData, 'porthole')).toEqual([[0, 72, 'dark', 'always']])
    expect([...openData.look.runs.keys()].toSorted()).toEqual(['alcove', 'porthole'])
    expect(odd(byId('dead-light:alcove|20'), 'alcove')).toEqual([[20, 1, 'dark', 'always']])
    expect(odd(byId('dead-data:alcove|20'), 'alcove')).toEqual([[21, 92, 'dark', 'always']])
    expect(odd(byId('dead-pixel:alcove|20'), 'alcove')).toEqual([[20, 93, 'dark', 'always']])
    // Without power a pixel hands nothing on either.
    expect(odd(openPlus, 'porthole')).toEqual([[0, 72, 'dark', 'always']])
  })

  it('runs the other way where data enters at the far end', () => {
    const plan: Plan = {
      ...emptyPlan('Turned', 'a'),
      lines: [
        { id: 'a', text: 'a 1000', isDataAtEnd: true },
        { id: 'b', text: 'b 500' },
      ],
    }
    const own = new Diagnosis(worked(plan))
    const count = own.stage.runs[0]!.count
    const { look } = byId('dead-data:a|10', own)
    expect(stretchesOf(look.runs.get('a'), count)).toEqual([
      [0, 10, 'dark', 'always'],
      [10, count - 10, 'right', 'always'],
    ])
    expect(look.runs.has('b')).toBe(true)
  })

  it('… from piece to piece too: what is dark lies before the joint as the tape shows it', () => {
    const plan: Plan = {
      ...emptyPlan('Turned', 'a'),
      lines: [{ id: 'a', text: 'a corners 500, 400', isDataAtEnd: true }],
    }
    const own = new Diagnosis(worked(plan))
    const { fault, look } = own.candidates.find(
      ({ fault: one }) => one.kind === 'open-data' && one.where.includes('A1 end'),
    )!
    expect(fault.where).toContain('data at a, A1 end')
    expect(stretchesOf(look.runs.get('a'), own.stage.runs[0]!.count)).toEqual([
      [0, 30, 'dark', 'always'],
      [30, 24, 'right', 'always'],
    ])
  })

  it('leaves single lights dark whose lead is open, and those of other leads as they are', () => {
    const harbour = new Diagnosis(worked(demoPlan('toy-harbour')))
    const lit = harbour.stage.runs.filter(({ lights }) => lights !== undefined)
    expect(lit.length).toBeGreaterThan(0)
    for (const { id, lights = [], count } of lit) {
      const opened = harbour.candidates.filter(
        ({ fault, look }) =>
          fault.kind === 'open-plus' &&
          fault.does.light?.length === 0 &&
          (look.runs.get(id)?.some((code) => stateOf(code) === 'dark') ?? false),
      )
      expect(opened.length, id).toBeGreaterThan(0)
      const shares = lights.map((light) => light.count)
      for (const { look, fault } of opened) {
        const dark = [...look.runs.get(id)!].filter((code) => stateOf(code) === 'dark').length
        expect([...shares, count], fault.id).toContain(dark)
      }
    }
  })

  it('leaves everything that a board drives dark without the board’s plus', () => {
    const { look } = byId('open-plus:board/+|wire_W28|plus')
    expect(look.runs.size).toBe(stage.runs.length)
  })

  it('says when: dim only when bright, at random, after a while', () => {
    const small = new Diagnosis(worked(nook)).candidates.find(
      ({ fault }) => fault.kind === 'supply-small',
    )!
    expect([...small.facts.whens]).toEqual(['bright'])
    const strand = diagnosis.candidates.find(({ fault }) => fault.kind === 'broken-strand')!
    expect([...strand.facts.whens]).toEqual(['random'])
    expect(strand.facts.share.flicker).toBeGreaterThan(0)
    expect(odd(byId('poor-joint:run:alcove/B1_end|wire_W13|plus|0.25'), 'alcove')).toMatchObject([
      [expect.any(Number), expect.any(Number), 'tinted', 'bright'],
    ])
  })
})

describe('what is seen', () => {
  const bad = (seen: object): readonly string[] => {
    const read = readSeen(seen, stage)
    return read.ok ? [] : read.issues.map(({ path, message }) => `${path}: ${message}`)
  }

  it('is refused with the path of what is wrong, and contradictions are said plainly', () => {
    expect(bad({ runs: { sofa: [[0, 1, 'dark']] } })[0]).toMatch(
      /^runs\.sofa: there is no run “sofa” that lights; there are seat, /,
    )
    expect(bad({ runs: { alcove: [[100, 20, 'dark']] } })).toEqual([
      'runs.alcove[0]: goes to pixel 120; alcove has 113',
    ])
    expect(
      bad({
        runs: {
          alcove: [
            [0, 113, 'right'],
            [0, 113, 'dark'],
          ],
        },
      }),
    ).toEqual([
      'runs.alcove[1]: pixels 0 to 112 of alcove are said to be right and dark: one of them',
    ])
    expect(bad({ runs: { alcove: [[0, 5, 'gone']] } })[0]).toMatch(/^runs\.alcove\[0\]/)
    expect(bad({ runs: { seat: [[0, 9, 'right']] }, words: ['nothing-lights'] })).toEqual([
      'words[0]: “nothing lights” does not go with seat front, which is said to be right from pixel 0',
    ])
    expect(bad({ readings: [{ what: 'volts', where: 'moon@1', value: 3 }] })[0]).toMatch(
      /^readings\[0\]\.where: “moon@1” is no place/,
    )
    expect(
      bad({
        runs: {
          alcove: [
            [0, 18, 'right'],
            [18, 95, 'dark', 'always'],
          ],
        },
      }),
    ).toEqual([])
  })

  it('is painted stroke by stroke: each light is as the last stroke left it', () => {
    const stroke = fc.record({
      from: fc.integer({ min: 0, max: 29 }),
      count: fc.integer({ min: 1, max: 12 }),
      state: fc.constantFrom('right' as const, 'dark' as const, 'dim' as const, undefined),
    })
    fc.assert(
      fc.property(fc.array(stroke, { maxLength: 12 }), (strokes) => {
        const lights = Array.from<string | undefined>({ length: 42 })
        let painted: readonly Painted[] = []
        for (const { from, count, state } of strokes) {
          lights.fill(state, from, from + count)
          painted = paintedOver(painted, from, count, state, 'always')
        }
        const told = Array.from<string | undefined>({ length: 42 })
        for (const [from, count, state] of painted) told.fill(state, from, from + count)
        expect(told).toEqual(lights)
        for (const [index, one] of painted.slice(1).entries()) {
          const before = painted[index]!
          expect(before[0] + before[1]).toBeLessThanOrEqual(one[0])
          // Neighbours of one look are one stretch.
          if (before[0] + before[1] === one[0]) expect(before[2]).not.toBe(one[2])
        }
      }),
      { numRuns: runs(200) },
    )
  })
})

describe('suspects', () => {
  it('are first what was painted, and a reading tells those apart that look the same', () => {
    const seen = seenOf(openData)
    const [first] = diagnosis.suspects(seen)
    const same = [first!.candidate, ...first!.same.map(({ candidate }) => candidate)]
    expect(same.map(({ fault }) => fault.id)).toContain(openData.fault.id)
    expect(first!.probability).toBeGreaterThan(0.4)
    const read = (value: number): Seen => ({
      ...seen,
      readings: [{ what: 'volts', where: 'alcove@18+', case: 'full-white', value }],
    })
    // Each place has a name of its own: the pad before a joint is not the one behind it.
    const names = stage.points.map(({ what, where, case: own }) => `${what} ${where} ${own}`)
    expect(new Set(names).size).toBe(names.length)
    expect(firstOf(read(0))).toMatch(/^open-(plus|minus)/)
    expect(firstOf(read(4.45))).toMatch(/^open-data/)
    expect(whyOf(diagnosis, openData, read(4.45)).join('\n')).toMatch(
      /goes with all 503 lights[^]*4\.45 V read/,
    )
  })

  it('begin with the level where the plan’s own margin is below nothing, and clear it where it is good', () => {
    const flicker: Seen = {
      ...nothingSeen,
      runs: { seat: [[0, 128, 'flicker', 'random']], ledge2: [[0, 33, 'flicker', 'random']] },
    }
    expect(firstOf(flicker)).toBe('low-level:lane-low')
    const { plan: buffered } = change(nook, [{ do: 'set-signal', signal: { fix: 'buffer' } }])
    const own = new Diagnosis(worked(buffered))
    const of = own.probabilities(flicker)
    const level = of.find(({ candidate }) => candidate.fault.id === 'low-level:lane-low')!
    expect(level.probability).toBeLessThan(0.05)
    expect(level.candidate.fault.reasons[0]).toMatch(/^cleared by the plan: \+\d/)
  })

  it('leave out what is cleared, and weigh words and the outcomes of tests', () => {
    const seen = seenOf(openData)
    const without = { ...seen, cleared: [openData.fault.id] }
    const at = (given_: Seen, id: string): number =>
      diagnosis.probabilities(given_).find(({ candidate }) => candidate.fault.id === id)!
        .probability
    expect(at(without, openData.fault.id)).toBe(0)
    const [probe] = [...openData.probes].find(([, kind]) => kind === 'ohm')!
    const yes = { ...seen, tests: [{ test: probe, outcome: 'yes' }] }
    const no = { ...seen, tests: [{ test: probe, outcome: 'no' }] }
    expect(at(yes, openData.fault.id)).toBeGreaterThan(at(seen, openData.fault.id))
    expect(at(no, openData.fault.id)).toBeLessThan(at(seen, openData.fault.id) / 5)
    const words = { ...nothingSeen, words: ['after-a-while' as const] }
    const hot = new Diagnosis(worked(demoPlan('wall-of-jars')))
    expect(hot.suspects(words)[0]!.candidate.facts.whens.has('bright')).toBe(false)
  })

  it('name two faults at once where no single one goes with what is seen', () => {
    const crown = byId('open-plus:run:crown/F2_start|wire_W19|plus')
    const runs_ = {
      ...paintedExactly(diagnosis, openData),
      crown: paintedExactly(diagnosis, crown).crown!,
    }
    const seen: Seen = { ...nothingSeen, runs: runs_ }
    expect(noneFits(diagnosis, seen)).toBe(true)
    expect(noneFits(diagnosis, seenOf(openData))).toBe(false)
    const [first] = pairsFor(diagnosis, seen)
    expect(diagnosis.misfitOf(first!.both, seen)).toBeCloseTo(0, 6)
    expect(pairsFor(diagnosis, seen).reduce((sum, one) => sum + one.probability, 0)).toBeCloseTo(
      1,
      6,
    )
  })

  it('in a large plan look at single pixels where something is seen to end, and begin with the likeliest', () => {
    const large: Plan = {
      ...emptyPlan('Large', 'l0'),
      lines: Array.from({ length: 20 }, (_, n) => ({
        id: `l${String(n)}`,
        text: `s${String(n)} 2900`,
      })),
    }
    const own = new Diagnosis(worked(large), false)
    expect(own.candidates).toHaveLength(0)
    let count = 0
    expect(own.goOn(() => (count += 1) >= 50)).toBeLessThan(1)
    expect(own.candidates).toHaveLength(50)
    const chances = own.candidates.map(({ fault }) => fault.chance)
    expect(chances).toEqual(chances.toSorted((a, b) => b - a))
    expect(own.goOn(() => false)).toBe(1)
    expect(own.candidates.some(({ fault }) => fault.kind === 'dead-pixel')).toBe(false)
    const total = own.probabilities({
      ...nothingSeen,
      runs: {
        l3: [
          [0, 57, 'right'],
          [57, 117, 'dark', 'always'],
        ],
      },
    })
    const dead = total.find(({ candidate }) => candidate.fault.id === 'dead-pixel:l3|57')!
    const pixels = total.filter(({ candidate }) => candidate.fault.kind.startsWith('dead-'))
    expect(pixels.reduce((sum, one) => sum + one.probability, 0)).toBeGreaterThan(0.2)
    expect(Math.max(...pixels.map(({ probability }) => probability))).toBe(dead.probability)
    // Chances are those among all faults, whether or not they are looked at.
    const all = faultsOf(worked(large)).find(({ id }) => id === 'dead-pixel:l3|57')!
    expect(dead.candidate.fault.chance / all.chance).toBeCloseTo(1, 6)
  })
})

describe('the next test', () => {
  it('tells no more than there is to know, and each of its outcomes has its chance', () => {
    const cases = [nothingSeen, seenOf(openData), seenOf(poor)]
    for (const seen of cases) {
      const entropy = diagnosis
        .probabilities(seen)
        .reduce((sum, { probability: p }) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)
      const tests = nextTests(diagnosis, seen)
      expect(tests.length).toBeGreaterThan(3)
      for (const { bits, outcomes, title } of tests) {
        expect(bits, title).toBeLessThanOrEqual(entropy + 0.05)
        expect(outcomes.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 6)
      }
      // What opens a joint waits until nothing else tells enough.
      const opening = tests.findIndex(({ opens }) => opens)
      const good = tests.findLastIndex(({ opens, bits }) => !opens && bits >= 0.15)
      if (opening >= 0 && good >= 0) expect(opening).toBeGreaterThan(good)
    }
    const [first] = nextTests(diagnosis, seenOf(openData))
    expect(nextTests(diagnosis, seenOf(openData), new Set([first!.id]))[0]!.id).not.toBe(first!.id)
  })

  it('a light that wanders tells the place without a look at all, and says nothing of what brightness brings', () => {
    const test = nextTests(diagnosis, nothingSeen).find(({ id }) => id === 'walk:alcove')!
    expect(test.opens).toBe(false)
    expect(test.lights).toBe(stage.runs.find(({ id }) => id === 'alcove')!.count)
    const after = (outcome: string): Seen => ({
      ...nothingSeen,
      tests: [{ test: test.id, outcome }],
    })
    // Data ends at the corner: the first light behind it is the one.
    const first = openData.look.runs.get('alcove')!.findIndex((code) => code !== 0)
    expect(walkedExactly(openData, 'alcove')).toBe(String(first))
    const rankOf = (seen: Seen, truth: Candidate): number =>
      diagnosis.suspects(seen).findIndex(({ candidate }) => candidate.sight === truth.sight)
    expect(rankOf(after(String(first)), openData)).toBeLessThan(3)
    expect(rankOf(nothingSeen, openData)).toBeGreaterThan(5)
    expect(test.outcomes.map(({ id }) => id)).toEqual(
      expect.arrayContaining([String(first), 'all']),
    )
    // A poor joint shows only when much is drawn.
    expect(walkedExactly(poor, 'alcove')).toBe('all')
    expect(chanceOf(poor, { test: test.id, outcome: 'all' }, 'alcove')).toBeGreaterThan(0.9)
    expect(chanceOf(openData, { test: test.id, outcome: 'all' }, 'alcove')).toBeLessThan(0.01)
    // What comes and goes may be there or not.
    const strand = diagnosis.candidates.find(
      ({ fault, look }) => fault.kind === 'broken-strand' && look.runs.has('alcove'),
    )!
    const chance = chanceOf(strand, { test: test.id, outcome: 'all' }, 'alcove')
    expect(chance).toBeGreaterThan(0.4)
    expect(chance).toBeLessThan(0.6)
    // Plain strip has no light that could be lit by itself.
    const rails = new Diagnosis(worked(demoPlan('wardrobe-rails')))
    for (const { run, kind } of nextTests(rails, nothingSeen))
      if (kind === 'walk')
        expect(rails.stage.runs.find(({ id }) => id === run)!.strip.light.kind).toBe('pixels')
  })

  it(
    'finds faults that were painted without a mistake, whatever they are',
    { tags: 'long' },
    () => {
      for (const truth of [openData, openMinus, poor, bridge]) {
        const { taken, tests } = courseOf(
          diagnosis,
          seenOf(truth),
          answeredExactly(diagnosis, truth),
        )
        expect(measuredAs(taken!), truth.fault.id).toBe(measuredAs(truth))
        expect(tests.length).toBeLessThan(11)
      }
    },
  )

  it(
    'finds blurred ones mostly: among the first three before any test, and in a few tests',
    { tags: 'long' },
    () => {
      const all = ['bay-window-nook', 'toy-harbour', 'paper-lanterns'].flatMap((name) => {
        const own = name === 'bay-window-nook' ? diagnosis : new Diagnosis(worked(demoPlan(name)))
        const random = seeded(11)
        const draw = drawing(own, random)
        return Array.from({ length: 20 }, () => trial(own, draw(), random))
      })
      const found = all.filter(({ isFound }) => isFound)
      const tests = found.map((one) => one.tests).toSorted((a, b) => a - b)
      expect(all.filter(({ rank }) => rank <= 3).length / all.length).toBeGreaterThan(0.65)
      expect(all.filter(({ sightRank }) => sightRank <= 3).length / all.length).toBeGreaterThan(0.8)
      expect(found.length / all.length).toBeGreaterThan(0.94)
      expect(tests[Math.floor(tests.length / 2)]).toBeLessThanOrEqual(4)
    },
  )
})

describe('practice', () => {
  const tasks = JSON.parse(
    readFileSync(new URL('../../../demo/practice/faults.json', import.meta.url), 'utf8'),
  ) as { grade: number; plan: string; fault?: string; kind?: string }[]

  it('has ten graded faults, each of which shows in its plan', { tags: 'long' }, () => {
    expect(tasks).toHaveLength(10)
    expect(tasks.map(({ grade }) => grade)).toEqual(
      tasks.map(({ grade }) => grade).toSorted((a, b) => a - b),
    )
    const names = [
      'bay-window-nook',
      'pegboard-moon',
      'toy-harbour',
      'paper-lanterns',
      'wardrobe-rails',
    ]
    const plans = new Map(names.map((name) => [demoPlan(name).name, name]))
    for (const { plan, fault, kind } of tasks) {
      const own = plan === nook.name ? diagnosis : new Diagnosis(worked(demoPlan(plans.get(plan)!)))
      const found = own.candidates.filter(
        (one) =>
          (fault === undefined || one.fault.id === fault) &&
          (kind === undefined || one.fault.kind === kind) &&
          one.look.runs.size > 0,
      )
      expect(found.length, `${plan} ${fault ?? kind ?? ''}`).toBeGreaterThan(0)
    }
  })

  it('shows what a real meter would, and knows the cause by any name that means the same', () => {
    const practice = new Practice(given, diagnosis, poor, seeded(3))
    const tips = new Map(tipPlaces(given).map((tip) => [tip.name, tip]))
    const hold = (mode: 'V' | 'Ω', red: string, black: string): number | null =>
      practice.shown(practice.meter.hold(mode, tips.get(red)!, tips.get(black)!, 'bright'))
    expect(hold('Ω', 'alcove, B1 end +', 'alcove, B2 start +')! / 1.1).toBeCloseTo(1, 1)
    expect(hold('V', 'alcove, B2 start +', 'alcove, B2 start −')).toBeLessThan(3.2)
    const open = new Practice(given, diagnosis, byId('open-plus:wire|wire_W11|plus'), seeded(3))
    const [a, b] = [tips.get('Supply A +')!, tips.get('crown, F1 start −')!]
    expect(open.meter.hold('V', a, b, 'bright')).toBeGreaterThan(4)
    const plus = openPlaces(given).find(({ name }) => name === 'W11, to crown')!
    expect(open.meter.through(plus, 'bright')).toBe(0)
    const exact = amperesThrough(stage, [poor.fault.does], 'bright', plus)
    const read = Array.from({ length: 5 }, () =>
      practice.shown(practice.meter.through(plus, 'bright')),
    )
    for (const ampere of read) expect(Math.abs(ampere / exact - 1)).toBeLessThanOrEqual(0.01)
    expect(new Set(read).size).toBe(5)
    expect(Math.min(...read)).toBeLessThan(exact)
    expect(Math.max(...read)).toBeGreaterThan(exact)
    expect(practice.isIt('poor-joint:run:alcove/B2_start|wire_W13|plus|0.25')).toBe(true)
    expect(practice.isIt(openData.fault.id)).toBe(false)
    expect(practice.best.tests).toBeGreaterThan(0)
    const look = practice.tries.find(({ title }) => title.includes('alcove, B1 end'))!
    const outcomes = Array.from({ length: 60 }, () => practice.tryOut(look.id).isShown)
    // A look finds it mostly, not always.
    expect(outcomes.filter(Boolean).length).toBeGreaterThan(35)
    expect(outcomes.filter(Boolean).length).toBeLessThan(60)
    expect(practice.tryOut('dim').text).toBe('what was wrong is gone')
    const walk = practice.tries.find(({ id }) => id === 'walk:alcove')!
    expect(walk.title).toContain('alcove')
    expect(practice.tryOut(walk.id).text).toBe('every one answers')
    const dark = new Practice(given, diagnosis, openData, seeded(3)).tryOut(walk.id)
    expect(dark).toEqual({
      isShown: true,
      text: `the first is ${String(Number(walkedExactly(openData, 'alcove')) + 1)}`,
    })
  })
})

describe('without a plan', () => {
  const answers = {
    lights: 'colours',
    light: 'pixels-5v',
    board: '5v',
    since: 'first',
    changed: 'program',
  } as const
  it('five answers give a first ranking', () => {
    const guess = (more: object): string => {
      const own = { ...answers, ...more } as Parameters<typeof planOfAnswers>[0]
      const all = firstGuesses(new Diagnosis(worked(planOfAnswers(own))), own)
      expect(all.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6)
      return all[0]!.kind
    }
    expect(guess({})).toBe('colour-order')
    expect(guess({ lights: 'flickers', board: '3v3', changed: 'nothing' })).toBe('low-level')
    expect(guess({ lights: 'far-end', changed: 'wires', since: 'slowly' })).toBe('poor-joint')
    expect(
      guess({ lights: 'nothing', light: 'white-12v', board: 'none', since: 'sudden' }),
    ).toMatch(/fuse-open|open-/)
  })
})
