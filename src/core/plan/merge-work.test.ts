import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { change, patched } from './commands'
import { emptyPlan } from './empty'
import { takeOverWork, workElsewhere } from './merge-work'
import type { LogEntry, Plan } from './plan'

const base = emptyPlan('Nook', 'a')
const entry = (step: string, minutes: number, more: Partial<LogEntry> = {}): LogEntry => ({
  step,
  kind: 'cut',
  title: `Step ${step}`,
  state: 'done',
  minutes,
  trouble: [],
  readings: [],
  photos: [],
  ...more,
})
const mend = (id: string, text: string): Plan['mends'][number] => ({
  id,
  at: '2026-01-01T10:00:00Z',
  symptom: 'dark',
  tests: [],
  cause: `cause ${id}`,
  mend: text,
  minutes: 4,
})

/** Work done with a plan: few keys, so that two devices often have the same ones. */
const key = fc.constantFrom('p', 'q', 'r', 's')
const workArb = fc.record({
  log: fc.uniqueArray(fc.tuple(key, fc.integer({ min: 1, max: 3 })), {
    selector: ([step]) => step,
  }),
  ticks: fc.uniqueArray(key),
  bought: fc.uniqueArray(fc.record({ line: key, paid: fc.integer({ min: 1, max: 3 }) }), {
    selector: ({ line }) => line,
  }),
  prices: fc.uniqueArray(fc.tuple(key, fc.integer({ min: 1, max: 3 })), {
    selector: ([line]) => line,
  }),
  wires: fc.uniqueArray(fc.tuple(key, fc.constantFrom('red' as const, 'blue' as const)), {
    selector: ([from]) => from,
  }),
  mends: fc.uniqueArray(fc.tuple(key, fc.constantFrom('soldered', 'swapped')), {
    selector: ([id]) => id,
  }),
  notes: fc.uniqueArray(fc.tuple(key, fc.constantFrom('wet', 'dry')), { selector: ([id]) => id }),
  upkeep: fc.uniqueArray(key),
})
const planArb = workArb.map(({ log, ticks, bought, prices, wires, mends, ...kept }): Plan => ({
  ...base,
  build: { ...base.build, log: log.map(([step, minutes]) => entry(step, minutes)) },
  wiring: {
    ...base.wiring,
    ticks,
    asBuilt: wires.map(([from, colour]) => ({ from, to: 'x', colour })),
  },
  buy: {
    ...base.buy,
    bought,
    prices: prices.map(([line, price]) => ({ line, packs: [{ size: 1, price }] })),
  },
  mends: mends.map(([id, text]) => mend(id, text)),
  notes: kept.notes.map(([id, text]) => ({
    id,
    about: { kind: 'plan' as const },
    text,
    at: '2026-01-02T10:00:00Z',
    photos: [],
  })),
  upkeep: kept.upkeep.map((task) => ({ task, at: '2026-02-01T10:00:00Z' })),
}))
/** All that is noted, by what it is of. */
const notes = ({ build, wiring, buy, mends, upkeep, ...plan }: Plan): Map<string, string> =>
  new Map(
    [
      ...build.log.map((one) => [`step ${one.step}`, one] as const),
      ...wiring.ticks.map((id) => [`tick ${id}`, true] as const),
      ...(wiring.asBuilt ?? []).map((one) => [`wire ${one.from}`, one] as const),
      ...buy.bought.map((one) => [`bought ${one.line}`, one] as const),
      ...buy.prices.map((one) => [`price ${one.line}`, one] as const),
      ...mends.map((one) => [`mend ${one.id}`, one] as const),
      ...plan.notes.map((one) => [`note ${one.id}`, one] as const),
      ...upkeep.map((one) => [`upkeep ${one.task}`, one] as const),
    ].map(([of, value]) => [of, JSON.stringify(value)]),
  )

describe('what was done on another device', () => {
  it('is taken over whole: nothing of either side is lost, and nothing is left to take', () => {
    fc.assert(
      fc.property(planArb, planArb, (here, there) => {
        const ids = new Set(workElsewhere(here, there).map(({ id }) => id))
        const { plan } = change(here, takeOverWork(here, there, ids))
        expect(notes(plan)).toEqual(new Map([...notes(here), ...notes(there)]))
        expect(workElsewhere(plan, there)).toEqual([])
        const { buy, wiring, build, mends } = plan
        for (const ids of [
          buy.bought.map(({ line }) => line),
          buy.prices.map(({ line }) => line),
          (wiring.asBuilt ?? []).map(({ from }) => from),
          build.log.map(({ step }) => step),
          mends.map((one) => one.id),
          plan.notes.map((one) => one.id),
        ])
          expect(ids).toHaveLength(new Set(ids).size)
      }),
    )
  })

  it('leaves what is here where only what is new is taken', () => {
    fc.assert(
      fc.property(planArb, planArb, (here, there) => {
        const fresh = workElsewhere(here, there).filter((one) => one.here === undefined)
        const { plan } = change(here, takeOverWork(here, there, new Set(fresh.map(({ id }) => id))))
        expect(notes(plan)).toEqual(new Map([...notes(there), ...notes(here)]))
      }),
    )
  })

  it('is told in words, with the photos that come along; an empty note of a step is none', () => {
    const there = {
      ...base,
      build: {
        ...base.build,
        log: [
          entry('p', 12, {
            photos: ['x1'],
            note: 'tight corner',
            trouble: [{ what: 'a', fix: 'b' }],
          }),
          entry('q', 0, { state: 'open' }),
        ],
      },
    }
    const here = { ...base, build: { ...base.build, log: [entry('p', 3)] } }
    expect(workElsewhere(here, there)).toEqual([
      {
        id: 'steps.p',
        group: 'steps',
        title: 'Step p',
        here: 'done, 3 min',
        there: 'done, 12 min, 1 photo, 1 thing went wrong, “tight corner”',
        photos: ['x1'],
      },
    ])
  })
})

describe('a plan taken back to what it was', () => {
  it('keeps its name and what was done with it, and the step can be undone', () => {
    fc.assert(
      fc.property(planArb, planArb, (now, before) => {
        const plan = {
          ...now,
          name: 'Nook today',
          offcuts: [{ id: 'o', stripId: 's', lengthMm: 400 }],
        }
        const then = { ...before, limit: 0.4, lines: [{ id: 'z', text: 'rail 900' }] }
        const taken = change(plan, [{ do: 'take-back', plan: then }])
        expect(taken.plan).toMatchObject({ name: 'Nook today', limit: 0.4, lines: then.lines })
        expect(taken.plan.offcuts).toEqual(plan.offcuts)
        expect(notes(taken.plan)).toEqual(notes(plan))
        expect(patched(taken.plan, taken.backward)).toEqual(plan)
      }),
    )
  })
})
