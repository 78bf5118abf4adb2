import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../../testing/any-plan'
import { demoPlan } from '../../testing/demo-plan'
import { runs } from '../../testing/runs'
import { change } from '../plan/commands'
import { buildSchools } from '../plan/build-choices'
import type { Plan } from '../plan/plan'
import { worked } from '../worked'
import { inOrder, scheduleOf, timeOf } from './order'
import type { Step } from './step'

const idsOf = (steps: readonly Step[]): string[] => steps.map(({ id }) => id)

/** Where each step stands. */
const placesIn = (steps: readonly Step[]): Map<string, number> =>
  new Map(steps.map(({ id }, index) => [id, index]))

function expectTopological(steps: readonly Step[]): void {
  const at = placesIn(steps)
  expect(at.size).toBe(steps.length)
  for (const { id, needs } of steps)
    for (const need of needs) {
      expect(at.has(need), `${id} needs ${need}`).toBe(true)
      expect(at.get(need), `${need} before ${id}`).toBeLessThan(at.get(id)!)
    }
}

/** A step that nothing else is known of. */
const step = (id: string, more: Partial<Step>): Step => ({
  id,
  kind: 'mount',
  title: id,
  how: [],
  about: [],
  needs: [],
  minutes: 10,
  waitMin: 0,
  joints: [],
  threads: [],
  undoable: true,
  cautions: [],
  tool: 'hands',
  place: 'a',
  phase: 'mount',
  turn: 0,
  ...more,
})

/** The order rules of the handbook (11), held against the joints, wires and pieces of the plan, not against how steps are made. */
function expectRules(plan: Plan, steps: readonly Step[]): void {
  const { joints, wiring, cutRuns } = worked(plan)
  const at = placesIn(steps)
  const of = (kind: Step['kind'], what: string): number[] =>
    steps.flatMap((step, index) => (step.kind === kind && step.about.includes(what) ? [index] : []))
  const jointSteps = steps.filter(({ kind }) => kind === 'joint')
  const stepOfJoint = new Map(
    jointSteps.flatMap((step) => step.joints.map((joint) => [joint, step] as const)),
  )
  const powers = steps.flatMap(({ kind }, index) => (kind === 'power' ? [index] : []))
  const firstPower = Math.min(Infinity, ...powers)

  // Every joint in one step of its kind, and in no other.
  expect(steps.flatMap((step) => step.joints).toSorted()).toEqual(
    joints.map(({ id }) => id).toSorted(),
  )
  for (const step of steps) if (step.joints.length > 0) expect(step.kind).toBe('joint')

  // Every wire: cut once, labelled once, tinned where it is soldered and only there, its sleeves on before its joints and shrunk once.
  const endsOf = new Map<string, { joint: string; isSoldered: boolean; isInLine: boolean }[]>()
  for (const { id, wires, soldered, at: place } of joints)
    for (const wire of wires)
      endsOf.set(wire, [
        ...(endsOf.get(wire) ?? []),
        { joint: id, isSoldered: soldered > 0, isInLine: place.kind === 'wire' },
      ])
  for (const { name, sleeveMm } of wiring.wires) {
    const ends = endsOf.get(name) ?? []
    const own = ends.map(({ joint }) => at.get(stepOfJoint.get(joint)!.id)!)
    const firstJoint = Math.min(...own)
    const cutAt = of('cut', name)
    expect(cutAt, `${name} is cut once`).toHaveLength(1)
    expect(cutAt[0]).toBeLessThan(firstJoint)
    expect(of('label', name)).toHaveLength(1)
    const isSoldered = ends.some((end) => end.isSoldered && !end.isInLine)
    expect(of('tin', name)).toHaveLength(isSoldered ? 1 : 0)
    if (isSoldered)
      expect(of('tin', name)[0]).toBeLessThan(
        Math.min(
          ...ends
            .filter((end) => end.isSoldered)
            .map(({ joint }) => at.get(stepOfJoint.get(joint)!.id)!),
        ),
      )
    if (sleeveMm !== null) {
      expect(of('thread', name)).toHaveLength(1)
      expect(of('thread', name)[0], `${name} threaded first`).toBeLessThan(firstJoint)
      expect(of('insulate', name)).toHaveLength(1)
      // What is shrunk has been joined at both ends, except at a supply, which comes last.
      for (const { joint } of ends) {
        const step = stepOfJoint.get(joint)!
        if (step.phase !== 'supply-joint')
          expect(at.get(step.id), `${joint} before ${name} is shrunk`).toBeLessThan(
            of('insulate', name)[0]!,
          )
      }
    }
    // What sits in a wire comes before both its ends.
    const inLine = ends.filter((end) => end.isInLine)
    for (const { joint } of inLine)
      for (const end of ends.filter((one) => !one.isInLine))
        expect(at.get(stepOfJoint.get(joint)!.id)).toBeLessThan(
          at.get(stepOfJoint.get(end.joint)!.id)!,
        )
  }

  // Wires of a run that goes into something are through its holes before they are joined.
  for (const { id, into } of plan.lines)
    for (const { mm } of into?.holes ?? [])
      for (const step of jointSteps)
        if (step.id === `joint:${id}/start` && into?.holes.some(({ at: end }) => end === 'start'))
          if (into.holes.some((hole) => hole.at === 'start' && hole.mm === mm))
            expect(step.threads.join()).toContain(
              `through the ${String(mm)} mm hole in the ${into.what}`,
            )

  // What must be on first is told at the joint.
  for (const { id, threadFirst } of joints)
    expect(stepOfJoint.get(id)?.threads).toEqual(expect.arrayContaining([...threadFirst]))

  // Every piece: cut once, tested before it is tinned on to anything or stuck down.
  for (const { run, pieces } of cutRuns)
    for (const { name, groups } of pieces) {
      if (groups === 0) continue
      const own = (kind: Step['kind']): number[] =>
        of(kind, name).filter((index) => steps[index]!.about.includes(run.id))
      expect(own('cut'), `${name} is cut once`).toHaveLength(1)
      const tested = own('test').filter((index) => index > own('cut')[0]!)
      expect(tested.length).toBeGreaterThan(0)
      for (const kind of ['mount', 'insulate', 'cover', 'relief'] as const)
        for (const index of own(kind)) expect(tested[0]).toBeLessThan(index)
      expect(own('mount')).toHaveLength(1)
    }

  // A meter check after every joint and before power; a test of the run after its check.
  for (const step of jointSteps) {
    const checks = steps.flatMap(({ kind, needs }, index) =>
      kind === 'check' && needs.includes(step.id) ? [index] : [],
    )
    expect(checks.length, `${step.id} is measured`).toBeGreaterThan(0)
    for (const index of checks) {
      expect(index).toBeGreaterThan(at.get(step.id)!)
      expect(index).toBeLessThan(firstPower)
    }
    expect(at.get(step.id)).toBeLessThan(firstPower)
  }

  // Sealing, gluing and closing come after the last test of their place.
  for (const step of steps)
    if (step.kind === 'insulate' || step.kind === 'cover')
      for (const test of steps)
        if (test.kind === 'test' && test.place === step.place)
          expect(at.get(test.id), `${test.id} before ${step.id}`).toBeLessThan(at.get(step.id)!)

  // The supply is measured by itself, then joined when all else is done, then switched on; only the soak and the booking come after.
  for (const { joints: own, id, phase } of jointSteps) {
    if (phase !== 'supply-joint') continue
    expect(own.length).toBeGreaterThan(0)
    for (const other of jointSteps)
      if (other.phase !== 'supply-joint') expect(at.get(other.id)).toBeLessThan(at.get(id)!)
    const [supply] = steps[at.get(id)!]!.about.filter((one) =>
      plan.supplies.some((slot) => slot.id === one),
    )
    const unloaded = steps.findIndex(
      ({ kind, about, phase: due }) =>
        kind === 'check' && due === 'supply' && (supply === undefined || about.includes(supply)),
    )
    expect(unloaded).toBeGreaterThanOrEqual(0)
    expect(unloaded).toBeLessThan(at.get(id)!)
  }
  for (const index of powers)
    for (const step of steps.slice(index + 1))
      expect(['power', 'soak', 'book'], step.id).toContain(step.kind)
}

describe('steps', () => {
  it('keep the order rules in any plan, by both schools', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { steps } = worked(plan)
        const [one, batch] = buildSchools.map((school) => scheduleOf(worked(plan), school))
        for (const schedule of [one!, batch!]) {
          expectTopological(schedule.steps)
          expectRules(plan, schedule.steps)
          expect(schedule.minutes).toBeGreaterThanOrEqual(
            schedule.steps.reduce((sum, step) => sum + step.minutes, 0) - 1e-6,
          )
          expect(schedule.elapsedMin).toBeGreaterThanOrEqual(schedule.minutes - 1e-6)
          for (const { minutes, title, id } of schedule.steps) {
            expect(minutes, id).toBeGreaterThanOrEqual(0)
            expect(title).not.toMatch(/undefined|NaN|null|to ,|to $/)
          }
        }
        // The same steps, whichever way round.
        expect(idsOf(one!.steps).toSorted()).toEqual(idsOf(batch!.steps).toSorted())
        expect(one!.steps).toHaveLength(steps.length)
      }),
      { numRuns: runs(20, 5000) },
    )
  })

  it('keep the order rules in whatever order their needs allow', () => {
    fc.assert(
      fc.property(
        anyPlan,
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        (plan, picks) => {
          const left = new Map(worked(plan).steps.map((step) => [step.id, step]))
          const order: Step[] = []
          while (left.size > 0) {
            const ready = [...left.values()].filter(
              ({ needs }) => !needs.some((id) => left.has(id)),
            )
            const pick = Number(picks.next().value ?? 0)
            const step = ready[Math.min(ready.length - 1, Math.floor(pick * ready.length))]!
            order.push(step)
            left.delete(step.id)
          }
          expectRules(plan, order)
        },
      ),
      { numRuns: runs(12, 1000) },
    )
  })

  it('move by hand as far as the rules allow', () => {
    fc.assert(
      fc.property(
        anyPlan,
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 6 }),
        (plan, picks) => {
          const { steps } = scheduleOf(worked(plan))
          if (steps.length === 0) return
          const idAt = (n: number): string => steps[n % steps.length]!.id
          const moves = picks.map(([a, b]) => ({ step: idAt(a), before: idAt(b) }))
          const { plan: next } = change(plan, [{ do: 'set-build', build: { moved: moves } }])
          const schedule = scheduleOf(worked(next))
          expectTopological(schedule.steps)
          expect(idsOf(schedule.steps).toSorted()).toEqual(idsOf(steps).toSorted())
          for (const { step, because } of schedule.broken) {
            expect(because.length).toBeGreaterThan(0)
            for (const other of because)
              expect(step.needs.includes(other.id) || other.needs.includes(step.id)).toBe(true)
          }
          // A single move that is not refused has the step where it was put.
          const [first] = moves
          const { plan: once } = change(plan, [{ do: 'set-build', build: { moved: [first!] } }])
          const moved = scheduleOf(worked(once))
          const order = idsOf(moved.steps)
          if (moved.broken.length === 0 && first!.step !== first!.before)
            expect(order.indexOf(first!.step) + 1).toBe(order.indexOf(first!.before))
        },
      ),
      { numRuns: runs(20, 2000) },
    )
  })

  it('keep their ids when something else of the plan changes', () => {
    const plan = demoPlan('bay-window-nook')
    const before = idsOf(worked(plan).steps)
    const { plan: longer } = change(plan, [
      { do: 'add-lines', at: 0, lines: [{ id: 'new', text: 'skirting 800' }] },
    ])
    const after = new Set(idsOf(worked(longer).steps))
    expect(before.filter((id) => !after.has(id))).toEqual([])
    expect(after.size).toBeGreaterThan(before.length)
    // Without one run, only its own steps and those of wires that went to it go.
    const { plan: shorter } = change(plan, [{ do: 'remove-line', line: 'crown' }])
    const left = new Set(idsOf(worked(shorter).steps))
    const gone = before.filter((id) => !left.has(id))
    expect(gone.length).toBeGreaterThan(10)
    for (const id of gone) expect(id).toMatch(/crown|ledge\/out/)
  })

  it('of one piece after another and of a batch cost other changes of tool', () => {
    const results = worked(demoPlan('bay-window-nook'))
    const [one, batch] = buildSchools.map((school) => scheduleOf(results, school))
    const hands = (schedule: { steps: readonly Step[] }): number =>
      schedule.steps.reduce((sum, step) => sum + step.minutes, 0)
    expect(hands(one!)).toBeCloseTo(hands(batch!), 6)
    expect(one!.minutes).toBeGreaterThan(batch!.minutes + 30)
  })

  it('wait for what dries, and do something else meanwhile', () => {
    // Ten minutes, then an hour to cure; what needs it waits, the other two are done meanwhile.
    const order = [
      step('glue', { waitMin: 60 }),
      step('close', { needs: ['glue'] }),
      step('b', {}),
      step('c', { needs: ['b'] }),
    ]
    const { minutes, elapsedMin } = timeOf(order)
    expect(minutes).toBeCloseTo(40.2, 6)
    expect(elapsedMin).toBeCloseTo(10.2 + 60 + 10, 6)
    expect(() =>
      inOrder([step('x', { needs: ['y'] }), step('y', { needs: ['x'] })], 'one'),
    ).toThrow(/ring/)
  })

  it('are done as soon as they can be: the first that is ready, or the one that is ready soonest', () => {
    const tools = ['hands', 'iron', 'pen'] as const
    const some = fc.array(
      fc.record({
        needs: fc.array(fc.nat(30), { maxLength: 3 }),
        minutes: fc.integer({ min: 0, max: 5 }),
        waitMin: fc.constantFrom(0, 0, 0, 7, 40),
        tool: fc.constantFrom(...tools),
      }),
      { maxLength: 16 },
    )
    fc.assert(
      fc.property(some, (all) => {
        // Numbers of no step before it are of one that is not there.
        const order = all.map(({ needs, ...more }, at) =>
          step(String(at), {
            ...more,
            needs: needs
              .map((need) => (need > 28 ? 'none' : String(need % Math.max(1, at))))
              .filter((need) => need !== String(at)),
          }),
        )
        // As it is done by hand, looking at every step each time.
        const doneAt = new Map<string, number>()
        const left = [...order]
        let [now, hands, end] = [0, 0, 0]
        let tool: Step['tool'] | undefined
        for (;;) {
          const startOf = ({ needs }: Step) =>
            Math.max(now, ...needs.map((need) => doneAt.get(need) ?? Infinity))
          const soonest = Math.min(...left.map(startOf))
          if (soonest === Infinity) break
          const [next] = left.splice(
            left.findIndex((one) => startOf(one) === soonest),
            1,
          )
          const { minutes } = timeOf([{ ...next!, needs: [] }])
          const spent = next!.tool === tool ? next!.minutes : minutes
          now = soonest + spent
          hands += spent
          doneAt.set(next!.id, now + next!.waitMin)
          end = Math.max(end, now + next!.waitMin)
          tool = next!.tool
        }
        const time = timeOf(order)
        expect(time.minutes).toBeCloseTo(hands, 6)
        expect(time.elapsedMin).toBeCloseTo(end, 6)
      }),
    )
  })

  it('end with a soak, longer in a closed case, and what is settled after it', () => {
    const plan = demoPlan('bay-window-nook')
    const soakOf = (own: Plan): Step =>
      scheduleOf(worked(own)).steps.find(({ id }) => id === 'soak')!
    expect(soakOf(plan).waitMin).toBe(30)
    const inCase = change(plan, [
      { do: 'set-lines', lines: ['seat'], set: { into: { what: 'case', holes: [] } } },
    ]).plan
    expect(soakOf(inCase).waitMin).toBe(60)
    const { steps } = scheduleOf(worked(plan))
    expect(steps.at(-1)).toMatchObject({ id: 'book', needs: ['soak'] })
  })

  it('build a sample of many like runs whole before the batch', () => {
    const lines = [1, 2, 3, 4, 5].map((number) => ({
      id: `l${String(number)}`,
      text: `rung ${String(number)} 600`,
    }))
    const base = demoPlan('bay-window-nook')
    const plan: Plan = {
      ...base,
      lines,
      signal: { ...base.signal, lanes: [], inputs: [] },
      build: { ...base.build, school: 'batch' },
    }
    const { steps } = scheduleOf(worked(plan))
    const cutAt = (run: string): number => steps.findIndex(({ id }) => id.startsWith(`cut:${run}/`))
    const lit = steps.findIndex(({ id }) => id === 'test:l1/start')
    expect(lit).toBeLessThan(cutAt('l2'))
    // The others are cut one behind the other.
    expect(Math.abs(cutAt('l5') - cutAt('l2'))).toBe(3)
  })
})
