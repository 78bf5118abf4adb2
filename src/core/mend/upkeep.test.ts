import { describe, expect, it } from 'vitest'
import { demoPlan } from '../../testing/demo-plan'
import { change } from '../plan/commands'
import type { LogEntry, Plan } from '../plan/plan'
import { worked } from '../worked'
import { upkeepOf, type UpkeepTask } from './upkeep'

const built = (at: string, kind: LogEntry['kind'] = 'soak'): LogEntry => ({
  step: `last-${at}`,
  kind,
  title: 'Soak test',
  state: 'done',
  minutes: 30,
  at,
  trouble: [],
  readings: [],
  photos: [],
})
const withLog = (plan: Plan, ...log: LogEntry[]): Plan => ({
  ...plan,
  build: { ...plan.build, log },
})
const tasks = (plan: Plan): ReadonlyMap<string, UpkeepTask> =>
  new Map(upkeepOf(worked(plan)).map((task) => [task.id, task]))
const daysBetween = (from: string, to: string | undefined): number =>
  (Date.parse(to ?? '') - Date.parse(from)) / 86_400_000

const lanterns = { ...demoPlan('paper-lanterns'), upkeep: [] }
const outdoors = change(lanterns, [
  {
    do: 'set-lines',
    lines: lanterns.lines.map(({ id }) => id),
    set: { mount: { damp: 'outdoors', cover: 'opal' } },
  },
]).plan

describe('upkeep', () => {
  it('asks for what the plan has, and for nothing that it has not', () => {
    expect([...tasks(lanterns).keys()].toSorted()).toEqual(['battery.supply-a', 'screws'])
    expect([...tasks(outdoors).keys()].toSorted()).toEqual([
      'battery.supply-a',
      'dust',
      'screws',
      'seals',
    ])
    const screws = worked(lanterns).joints.filter(({ kind }) => kind === 'screw').length
    expect(tasks(lanterns).get('screws')?.title).toBe(`Tighten ${String(screws)} screws again`)
    const still = { ...lanterns, use: { ...lanterns.use, hoursADay: 0 } }
    expect(tasks(still).has('battery.supply-a')).toBe(false)
  })

  it('has no dates before the build is done, and counts from its last step or the day that was put in', () => {
    const open = withLog(lanterns, { ...built('2026-03-01T10:00:00Z'), state: 'skipped' })
    for (const plan of [lanterns, open, withLog(lanterns, built('2026-03-01T10:00:00Z', 'cut'))])
      for (const { dueAt } of tasks(plan).values()) expect(dueAt).toBeUndefined()
    const at = '2026-03-04T20:00:00Z'
    const done = withLog(outdoors, built(at), built('2026-03-01T10:00:00Z', 'power'))
    expect(
      Object.fromEntries(
        [...tasks(done)].map(([id, { dueAt }]) => [id, Math.round(daysBetween(at, dueAt))]),
      ),
    ).toEqual({ 'battery.supply-a': NaN, screws: 7, dust: 180, seals: 365 })
    // The day can be put right in both directions.
    let plan = done
    for (const day of ['2026-04-01T12:00:00Z', '2026-05-01T12:00:00Z', '2026-02-01T12:00:00Z']) {
      plan = change(plan, [{ do: 'set-in-use', at: day }]).plan
      expect(daysBetween(day, tasks(plan).get('dust')?.dueAt)).toBe(180)
    }
  })

  it('counts from when it was done last; screws are tightened once; the soonest stands first', () => {
    const start = withLog(outdoors, built('2026-03-01T10:00:00Z'))
    const { plan } = change(
      start,
      ['2026-09-02T10:00:00Z', '2026-08-01T10:00:00Z'].flatMap((at) =>
        ['dust', 'screws'].map((task) => ({ do: 'note-upkeep', task, at }) as const),
      ),
    )
    const after = tasks(plan)
    expect(after.get('dust')).toMatchObject({ doneAt: '2026-09-02T10:00:00Z' })
    expect(daysBetween('2026-09-02T10:00:00Z', after.get('dust')?.dueAt)).toBe(180)
    expect(after.get('screws')).not.toHaveProperty('dueAt')
    expect([...after.keys()]).toEqual(['dust', 'seals', 'screws', 'battery.supply-a'])
  })

  it('cells last by their hours and the hours of use, and are charged or thrown away by what they are', () => {
    const of = (part: string, hoursADay: number): UpkeepTask | undefined => {
      const { plan } = change({ ...lanterns, use: { ...lanterns.use, hoursADay } }, [
        { do: 'pick-supply', supply: 'supply-a', part },
      ])
      return tasks(plan).get('battery.supply-a')
    }
    const hours = worked(lanterns).batteries.get('supply-a')?.hours ?? 0
    expect(of('battery-4-nimh', 2)?.everyDays).toBe(Math.floor(hours / 2))
    expect(of('battery-4-nimh', 24)?.everyDays).toBe(1)
    // What is done every few days is a habit, and never late; what is seldom has its day.
    expect(of('battery-4-nimh', 2)).toMatchObject({ isDated: false })
    expect(of('battery-4-nimh', 0.2)).toMatchObject({ isDated: true })
    expect(of('battery-4-nimh', 2)?.title).toMatch(/^Charge/)
    expect(of('battery-3-aa', 2)?.title).toMatch(/^Put new cells/)
  })

  it('a date that is none is none', () => {
    const { plan } = change(lanterns, [{ do: 'set-in-use', at: 'soon' }])
    for (const { dueAt } of tasks(plan).values()) expect(dueAt).toBeUndefined()
  })
})
