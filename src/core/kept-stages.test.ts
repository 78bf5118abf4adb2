import { expect, it } from 'vitest'
import { planParts } from '../app/engine/late-parts'
import { demoNames, demoPlan } from '../testing/demo-plan'
import type { Derived } from './derived'
import { Engine } from './engine'
import { allStages } from './late-stages'
import { change } from './plan/commands'
import type { Plan } from './plan/plan'
import { feedsOf } from './plan/feeds'
import { partsOf } from './parts/find'
import { printed } from './roll/roll'
import { earlyParts } from './tally-parts'

/** Lines that no hand has placed: they are set out in rows. */
const { lines, ...rest } = demoPlan('wardrobe-rails')
const plan: Plan = {
  ...rest,
  lines: lines.map((line) => {
    const free = { ...line }
    delete free.place
    return free
  }),
}

const edits: readonly [string, Partial<Plan>][] = [
  [
    'another brightness',
    { scene: { ...plan.scene, shown: 'level', level: plan.scene.level / 2 + 0.1 } },
  ],
  ['a limit', { limit: 0.37 }],
  ['more slack', { rules: { ...plan.rules, slack: plan.rules.slack + 0.2 } }],
  ['another rounding', { rules: { ...plan.rules, rounding: 'cover' } }],
  ['another gauge', { defaults: { ...plan.defaults, wire: 'mm2-4' } }],
  ['the board elsewhere', { bench: { ...plan.bench, controllerAt: [-900, 700] } }],
  [
    'a supply elsewhere',
    { supplies: plan.supplies.map((supply) => ({ ...supply, at: [-700, -800] as const })) },
  ],
  [
    'a junction elsewhere',
    { junctions: plan.junctions.map((junction) => ({ ...junction, at: [-500, 900] as const })) },
  ],
  [
    'a line that takes more room than all others',
    { lines: plan.lines.map((line, at) => (at === 0 ? { ...line, text: 'back 4700' } : line)) },
  ],
  ['a line that goes', { lines: plan.lines.slice(1) }],
  [
    'one more feed, at the far end',
    {
      lines: plan.lines.map((line, at) => {
        const [first] = feedsOf(line)
        return at > 0 || first === undefined
          ? line
          : { ...line, feeds: [first, { ...first, id: 'far', pad: 'end' as const }] }
      }),
    },
  ],
  [
    'another supply',
    { supplies: plan.supplies.map((supply) => ({ ...supply, part: 'enclosed-5v-200w' })) },
  ],
  [
    'a line of another name',
    { lines: plan.lines.with(0, { ...plan.lines[0]!, text: 'rear 900' }) },
  ],
]

function expectAsAfresh(plan: Plan, edit: Partial<Plan>): void {
  const engine = new Engine(plan, allStages)
  const all = (of: Engine): unknown[] => [
    ...Object.values(earlyParts).map((part) => of.work<unknown>(part)),
    ...Object.values(printed).map((section) => of.work<unknown>(section)),
    of.get('layout'),
    of.get('sources'),
    of.get('loads'),
    of.get('leads'),
    of.get('circuit'),
    of.get('full'),
  ]
  const before = structuredClone(all(engine))
  const next = { ...plan, ...edit }
  engine.follow(next)
  // A copy is new to all that remembers.
  const afresh = all(new Engine(structuredClone(next), allStages))
  expect(all(engine)).toEqual(afresh)
  expect(afresh).not.toEqual(before)
}

it.each(edits)('%s: what is kept of the plan before is what it would be afresh', (_, edit) => {
  expectAsAfresh(plan, edit)
})

it('another level of what was shown at a level before', () => {
  const shown = { ...plan, scene: { ...plan.scene, shown: 'level' as const, level: 0.8 } }
  expectAsAfresh(shown, { scene: { ...shown.scene, level: 0.3 } })
})

it('another strip in the last of the runs that hang on one lead', () => {
  // Without fuses the leads' ohms stay what they are.
  const unfused: Plan = {
    ...plan,
    junctions: plan.junctions.map((junction) => ({ ...junction, fuse: 'none' })),
    lines: plan.lines.map((line) => ({
      ...line,
      feeds: feedsOf(line).map((feed) => ({ ...feed, fuse: 'none' })),
    })),
  }
  const last = plan.lines.length - 1
  expectAsAfresh(unfused, {
    lines: unfused.lines.with(last, { ...unfused.lines[last]!, stripId: 'white-24v-19' }),
  })
})

const nook = demoPlan('bay-window-nook')
const lanes = nook.signal.lanes
it.each<[string, Partial<Plan>]>([
  ['more slack', { rules: { ...nook.rules, slack: nook.rules.slack + 0.2 } }],
  ['another gauge', { wiring: { ...nook.wiring, dataWire: 'mm2-1' } }],
  [
    'each run elsewhere but the last of its lane',
    {
      lines: nook.lines.map((line) =>
        line.place === undefined || lanes.some(({ lines }) => lines.at(-1) === line.id)
          ? line
          : { ...line, place: { ...line.place, x: line.place.x + 700 } },
      ),
    },
  ],
  [
    'lanes of other ids',
    { signal: { ...nook.signal, lanes: lanes.map((lane) => ({ ...lane, id: `${lane.id}b` })) } },
  ],
])('%s: data wires that are kept are what they would be afresh', (_, edit) => {
  expectAsAfresh(nook, edit)
})

it('a supply of other volts, with each run on leads of its own', () => {
  expectAsAfresh(nook, {
    supplies: nook.supplies.map((supply) => ({ ...supply, part: 'enclosed-12v-100w' })),
  })
})

it('a diode before the first pixel: so it is with pixels', () => {
  expectAsAfresh(nook, { signal: { ...nook.signal, fix: 'diode' } })
})

it('leads begin at the board once their supply is a pin of it', () => {
  const [slot] = nook.supplies
  const part = partsOf(nook.own).supplies.find(({ kind }) => kind === 'board-pin')!
  const pin = { ...part, id: 'own-supply' }
  const onPin: Plan = {
    ...nook,
    supplies: [{ ...slot!, part: pin.id }],
    own: { ...nook.own, supplies: [pin] },
    signal: { ...nook.signal, boardFrom: 'supply' },
  }
  expectAsAfresh(onPin, { signal: { ...onPin.signal, boardFrom: 'usb' } })
  expectAsAfresh(onPin, { own: { ...onPin.own, supplies: [{ ...pin, kind: 'enclosed' }] } })
})

/** A plan of which nothing but some fields can be read. */
const onlyWith = (plan: Plan, fields: readonly (keyof Plan)[]): Plan =>
  new Proxy(Object.fromEntries(fields.map((field) => [field, plan[field]])), {
    get: (named, field) => {
      if (field in plan && !(field in named)) throw new Error(`reads ${String(field)}`)
      return Reflect.get(named, field) as unknown
    },
  }) as unknown as Plan

const guarded = <Result>(of: Derived<Result>): Derived<Result> => ({
  ...of,
  work: (given) => of.work({ ...given, plan: onlyWith(given.plan, of.plan) }),
})

it.each(demoNames)('%s: nothing reads a field of the plan that it does not name', (name) => {
  const engine = new Engine(demoPlan(name), allStages)
  // Table by table: a stage, a part and a section may have the same name.
  const tables: readonly Readonly<Record<string, Derived<unknown>>>[] = [
    allStages,
    planParts,
    printed,
  ]
  const unnamed = tables
    .flatMap((table) => Object.entries(table))
    .flatMap(([part, of]) => {
      try {
        engine.work(guarded(of))
        return []
      } catch (error) {
        return [`${part} ${String(error)}`]
      }
    })
  expect(unnamed).toEqual([])
})

it('what is tried leaves what the plan has kept', () => {
  const engine = new Engine(plan, allStages)
  const [first] = engine.worked.cutRuns
  const tried = engine.fork({ ...plan, rules: { ...plan.rules, slack: plan.rules.slack + 0.2 } })
  expect(tried.worked.cutRuns[0]).not.toBe(first)
  const { id } = plan.lines.at(-1)!
  engine.follow(change(plan, [{ do: 'set-text', line: id, text: 'rail 777' }]).plan)
  expect(engine.worked.cutRuns[0]).toBe(first)
})
