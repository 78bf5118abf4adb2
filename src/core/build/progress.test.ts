import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { change, type Command } from '../plan/commands'
import type { LogEntry, Plan } from '../plan/plan'
import { worked } from '../worked'
import { scheduleOf } from './order'
import { jointsSince, pacesIn, progressOf, stepsWithin, type Progress } from './progress'
import type { Step } from './step'

const stepsOf = (plan: Plan): readonly Step[] => scheduleOf(worked(plan)).steps
const at = '2026-11-26T10:00:00.000Z'
const nowMs = Date.parse(at)

const logged = (step: Step, more: Partial<LogEntry> = {}): Command => ({
  do: 'log-step',
  joints: step.joints,
  entry: {
    step: step.id,
    kind: step.kind,
    title: step.title,
    state: 'done',
    minutes: step.minutes,
    at,
    trouble: [],
    readings: [],
    photos: [],
    ...more,
  },
})

/** The plan with all steps done up to one. */
function builtUpTo(plan: Plan, id: string): Plan {
  const steps = stepsOf(plan)
  const end = steps.findIndex((step) => step.id === id)
  return change(
    plan,
    steps.slice(0, end + 1).map((step) => logged(step)),
  ).plan
}
const now = (plan: Plan): Progress => progressOf(plan, stepsOf(plan), nowMs)

describe('progress', () => {
  const nook = demoPlan('bay-window-nook')
  const fresh: Plan = {
    ...nook,
    build: { ...nook.build, log: [] },
    wiring: { ...nook.wiring, ticks: [] },
  }

  it('goes on with the first step that lacks nothing', () => {
    const steps = stepsOf(fresh)
    expect(now(fresh).next?.id).toBe(steps[0]!.id)
    const some = builtUpTo(fresh, 'joint:seat/start')
    const after = steps[steps.findIndex(({ id }) => id === 'joint:seat/start') + 1]!
    expect(now(some).next?.id).toBe(after.id)
    expect(now(some).leftMin + now(some).spentMin).toBeCloseTo(now(fresh).leftMin, 6)
    // A step with joints is done by its joints, wherever they were ticked.
    const [joint] = steps.find(({ id }) => id === 'joint:seat/start')!.joints
    const unticked = change(some, [{ do: 'tick', joint: joint!, isDone: false }]).plan
    expect(now(unticked).next?.id).toBe('joint:seat/start')
    const whole = change(
      fresh,
      steps.map((step) => logged(step)),
    ).plan
    expect(now(whole).next).toBeUndefined()
    expect(now(whole).leftMin).toBe(0)
  })

  it('passes over what was skipped, and never offers what needs an open step', () => {
    const steps = stepsOf(fresh)
    const skipped = change(fresh, [
      logged(steps[0]!, { state: 'skipped', why: 'tried in the shop' }),
    ]).plan
    expect(now(skipped).skipped.has(steps[0]!.id)).toBe(true)
    expect(now(skipped).next?.id).toBe(steps[1]!.id)
  })

  it('does something else while glue cures', () => {
    const stuck = builtUpTo(fresh, 'mount:seat/A1')
    const { curing, next } = now(stuck)
    expect(curing.map(({ step }) => step.id)).toContain('mount:seat/A1')
    expect(curing[0]!.untilMs).toBeGreaterThan(nowMs)
    expect(next?.needs).not.toContain('mount:seat/A1')
    // A clock that is a little behind takes nothing for wet that need not dry.
    const early = progressOf(stuck, stepsOf(stuck), nowMs - 20_000)
    expect(early.curing.every(({ step }) => step.waitMin > 0)).toBe(true)
    // Once it has, its turn comes.
    const later = progressOf(stuck, stepsOf(stuck), nowMs + 3_600_000)
    expect(later.curing).toEqual([])
    expect(later.next?.id).toBe('relief:seat')
  })

  it('names what has to be undone when the plan changes after it was built', () => {
    const built = builtUpTo(fresh, 'test:seat/start')
    const without = change(built, [{ do: 'remove-line', line: 'seat' }]).plan
    const { toUndo, done } = now(without)
    expect(toUndo.map(({ step }) => step)).toContain('joint:seat/start')
    expect(toUndo.map(({ kind }) => kind)).not.toContain('measure')
    // What the plan still has stays done.
    expect(done.has('test:board')).toBe(true)
    expect(now(built).toUndo).toEqual([])
  })

  it('fits steps into an evening and ends where work may be left', () => {
    const steps = stepsOf(fresh)
    for (const minutes of [0, 5, 20, 43, 44, 45, 46, 47, 48, 60, 120, 1e6]) {
      const fitting = stepsWithin(steps, now(fresh), minutes)
      expect(fitting.reduce((sum, step) => sum + step.minutes, 0)).toBeLessThanOrEqual(minutes)
      for (const step of fitting)
        if (step.kind === 'joint')
          expect(
            fitting.some(({ kind, needs }) => kind === 'check' && needs.includes(step.id)),
            `${step.id} is measured within ${String(minutes)} min`,
          ).toBe(true)
    }
    expect(stepsWithin(steps, now(fresh), 1e6)).toHaveLength(steps.length)
  })

  it('learns the pace from what was timed, and the plan reckons with it', () => {
    const steps = stepsOf(fresh)
    const joints = steps.filter(({ kind }) => kind === 'joint').slice(0, 4)
    const timed = change(
      fresh,
      joints.map((step) => logged(step, { minutes: step.minutes * 0.5 })),
    ).plan
    const [pace, ...others] = pacesIn(timed, stepsOf(timed))
    expect(pace).toEqual({ kind: 'joint', share: 0.5, count: 4 })
    expect(others).toEqual([])
    const { kind, share } = pace!
    const paced = change(timed, [{ do: 'set-build', build: { paces: [{ kind, share }] } }]).plan
    const own = stepsOf(paced).find(({ id }) => id === joints[0]!.id)!
    expect(own.minutes).toBeCloseTo(joints[0]!.minutes / 2, 6)
    // It stays what it is once it is used.
    expect(pacesIn(paced, stepsOf(paced))[0]?.share).toBe(0.5)
  })

  it('counts what was spent on a step that is still open', () => {
    const [first] = stepsOf(fresh)
    const before = progressOf(fresh, stepsOf(fresh), 0)
    const begun = change(fresh, [
      logged(first!, { minutes: first!.minutes / 2, state: 'open' }),
    ]).plan
    const after = progressOf(begun, stepsOf(begun), 0)
    expect(before.leftMin - after.leftMin).toBeCloseTo(first!.minutes / 2, 6)
    expect(after.spentMin).toBeCloseTo(first!.minutes / 2, 6)
    // More than planned leaves nothing, and takes nothing from the others.
    const long = change(fresh, [
      logged(first!, { minutes: first!.minutes * 9, state: 'open' }),
    ]).plan
    expect(before.leftMin - progressOf(long, stepsOf(long), 0).leftMin).toBeCloseTo(
      first!.minutes,
      6,
    )
  })

  it('scales like work by the sample, once that is timed', () => {
    const jars = demoPlan('wall-of-jars')
    const untimed: Plan = { ...jars, build: { ...jars.build, log: [] } }
    const find = (plan: Plan, id: string): Step => stepsOf(plan).find((step) => step.id === id)!
    const sample = find(untimed, 'mount:jars/first node')
    const timed = change(untimed, [logged(sample, { minutes: 9 })]).plan
    expect(find(timed, 'mount:jars/nodes').minutes).toBeCloseTo(27 * 9, 6)
    expect(find(untimed, 'mount:jars/nodes').minutes).not.toBeCloseTo(27 * 9, 1)
    // Not while it is still open.
    const open = change(untimed, [logged(sample, { minutes: 9, state: 'open' })]).plan
    expect(find(open, 'mount:jars/nodes').minutes).toBe(find(untimed, 'mount:jars/nodes').minutes)
  })

  it('scales all like runs by the one that is built first, stretch by stretch', () => {
    const rungs: Plan = {
      ...fresh,
      lines: [1, 2, 3, 4, 5].map((number) => ({
        id: `l${String(number)}`,
        text: `rung ${String(number)} ${number === 5 ? '900' : '600'}`,
      })),
      signal: { ...fresh.signal, lanes: [], inputs: [] },
    }
    const before = stepsOf(rungs)
    const cut = before.filter(({ place, phase }) => place === 'l1' && phase === 'cut-wire')
    expect(cut.length).toBeGreaterThan(1)
    const timed = change(
      rungs,
      cut.map((step) => logged(step, { minutes: step.minutes * 3 })),
    ).plan
    const minutesOf = (steps: readonly Step[], run: string, phase: Step['phase']): number =>
      steps
        .filter((step) => step.place === run && step.phase === phase)
        .reduce((sum, { minutes }) => sum + minutes, 0)
    const after = stepsOf(timed)
    for (const run of ['l2', 'l3', 'l4']) {
      const was = minutesOf(before, run, 'cut-wire')
      expect(was).toBeGreaterThan(0)
      expect(minutesOf(after, run, 'cut-wire')).toBeCloseTo(3 * was, 6)
      expect(minutesOf(after, run, 'joint')).toBeCloseTo(minutesOf(before, run, 'joint'), 6)
    }
    // Neither the sample itself nor what is not like it.
    for (const run of ['l1', 'l5'])
      expect(minutesOf(after, run, 'cut-wire')).toBeCloseTo(minutesOf(before, run, 'cut-wire'), 6)
    // What is learnt from the others is compared with what is typical, and not with the sample.
    const other = after.filter(({ place, phase }) => place === 'l2' && phase === 'cut-wire')
    const both = change(
      timed,
      other.map((step) => logged(step, { minutes: step.minutes })),
    ).plan
    const pace = pacesIn(both, stepsOf(both)).find(({ kind }) => kind === 'cut')
    expect(pace?.share).toBeCloseTo(3, 6)
  })

  it('knows which joints are new since the last reading', () => {
    const built = builtUpTo(fresh, 'check:seat/start')
    const steps = stepsOf(built)
    const all = jointsSince(built, steps, now(built), 'test:seat/start')
    expect(all).toContain('run:seat/start')
    expect(all).toContain('board/+')
    const board = steps.find(({ id }) => id === 'test:board')!
    const measured = change(built, [
      logged(board, {
        readings: [{ what: 'current', where: 'supply-a', case: 'idle', value: 0.08 }],
      }),
    ]).plan
    const fresher = jointsSince(measured, steps, now(measured), 'test:seat/start')
    expect(fresher).toContain('run:seat/start')
    expect(fresher).not.toContain('board/+')
  })
})
