import 'fake-indexeddb/auto'
import { Dexie } from 'dexie'
import { beforeEach, describe, expect, it } from 'vitest'
import { shippedStrips } from '../../core/parts/strips'
import { shippedSupplies } from '../../core/parts/supplies'
import { change } from '../../core/plan/commands'
import { emptyHistory, recorded } from '../../core/plan/history'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan } from '../../core/plan/plan'
import { planCheck } from '../../core/plan/usual'
import { latestWins } from '../engine/latest'
import { openDatabase, type Database } from './db'
import { PlanSaver, type SaveState } from './plan-saver'
import { PlanShelf, type SaveResult } from './plans'

let db: Database
let shelf: PlanShelf
let now = 1_000
let number = 0
beforeEach(() => {
  db = openDatabase(`test-${String((number += 1))}`)
  shelf = new PlanShelf(db, () => now)
})
const demo = emptyPlan('Nook', 'a')
const ids = async (): Promise<string[]> => (await shelf.list()).map(({ name }) => name)

describe('the shelf', () => {
  it('gets the demo plans once, and not again when they are deleted', async () => {
    const first = {
      plans: [demo, emptyPlan('Crown', 'b')],
      areExamples: true,
      drawer: [{ name: 'wire', unit: 'm', amount: 2 } as const],
    }
    await shelf.prepare(() => Promise.resolve(first))
    const nook = (await shelf.list()).find(({ name }) => name === 'Nook')!
    // An example stays one when it is changed; a copy of it is the user's own, and so is its name.
    await shelf.save(nook.id, { ...demo, limit: 0.5 }, emptyHistory, 0)
    await shelf.duplicate(nook.id)
    expect(await shelf.removeExamples()).toHaveLength(2)
    expect(await ids()).toEqual(['Nook copy'])
    await shelf.prepare(() => Promise.resolve(first))
    expect(await ids()).toEqual(['Nook copy'])
    await shelf.restore(nook.id)
    expect(await shelf.load(nook.id)).toMatchObject({ isExample: true, plan: { limit: 0.5 } })
  })

  it('keeps the tags of a plan while it is worked on', async () => {
    const id = await shelf.add(demo, { tags: ['attic'] })
    await shelf.tag(id, ['attic', 'gift'])
    await shelf.save(id, demo, emptyHistory, 0)
    expect((await shelf.list())[0]).toMatchObject({ revision: 1, tags: ['attic', 'gift'] })
  })

  it('clears away what was deleted long ago', async () => {
    const id = await shelf.add(demo)
    await shelf.delete(id)
    now += 31 * 24 * 3_600_000
    await shelf.prepare(() => Promise.resolve({ plans: [], areExamples: false, drawer: [] }))
    expect((await shelf.lists()).deleted).toEqual([])
  })

  it('gives copies and new plans names of their own', async () => {
    const id = await shelf.add(demo)
    await shelf.duplicate(id)
    await shelf.duplicate(id)
    await shelf.addEmpty()
    await shelf.addEmpty()
    expect(new Set(await ids())).toEqual(
      new Set(['Nook', 'Nook copy', 'Nook copy 2', 'New plan', 'New plan 2']),
    )
  })

  it('a copy has the notes with photos of its own, and no upkeep', async () => {
    const bytes = Uint8Array.from([0xff, 0xd8, 0xff])
    const note = { id: 'n', about: { kind: 'plan' as const }, text: 'wet', at: '', photos: ['x'] }
    const id = await shelf.add({
      ...demo,
      notes: [note],
      upkeep: [{ task: 'screws', at: '2026-01-01T00:00:00Z' }],
    })
    await shelf.addPhotos(id, [{ id: 'x', bytes }])
    const copy = await shelf.load((await shelf.duplicate(id)) ?? '')
    if (!copy.ok) throw new Error('there is no copy')
    const { notes, upkeep } = copy.plan
    expect(notes).toMatchObject([{ text: 'wet' }])
    expect(upkeep).toEqual([])
    expect(notes[0]?.photos).not.toEqual(['x'])
    expect(await shelf.photos(notes[0]?.photos ?? [])).toMatchObject([{ bytes }])
  })

  it('trusts what it has checked itself, and checks what it has not', async () => {
    const own = await shelf.add(demo)
    expect((await db.plans.get(own))?.checkedVersion).toBe(planCheck)
    expect(await shelf.load(own)).toMatchObject({ ok: true, plan: demo })
    await db.plans.update(own, { document: { ...demo, limit: -3 }, checkedVersion: 1 })
    const loaded = await shelf.load(own)
    expect(loaded.ok).toBe(false)
    expect(!loaded.ok && loaded.reason === 'broken' && loaded.issues[0]?.path).toBe('limit')
  })

  it('parts that were kept by the first version are told what strips say now', async () => {
    const name = `old-${String((number += 1))}`
    const old = new Dexie(name)
    old.version(1).stores({
      plans: 'id, changedAt',
      histories: 'planId',
      parts: 'id',
      drawer: 'id',
      settings: 'key',
    })
    const { flatRadiusMm, edgeRadiusMm, spliceMm, prewired, ...strip } = shippedStrips[0]!
    expect([flatRadiusMm, edgeRadiusMm, spliceMm, prewired.length]).toEqual([15, null, 500, 2])
    await old.table('parts').put({ id: 'mine', kind: 'strip', part: { ...strip, id: 'mine' } })
    await old.table('parts').put({ id: 'brick', kind: 'supply', part: shippedSupplies[0]! })
    old.close()
    const [brick, mine] = await openDatabase(name).parts.orderBy('id').toArray()
    expect(mine?.part).toMatchObject({ id: 'mine', spliceMm: 500, prewired: [] })
    expect(brick?.part).toEqual(shippedSupplies[0])
  })

  it('offcuts that were in the drawer of the first versions are things in it like others', async () => {
    const name = `old-${String((number += 1))}`
    const old = new Dexie(name)
    old.version(2).stores({
      plans: 'id, changedAt',
      histories: 'planId',
      parts: 'id',
      drawer: 'id',
      settings: 'key',
    })
    await old.table('drawer').put({ id: 'r', stripId: 'pixels-5v-60', lengthMm: 840 })
    old.close()
    expect(await openDatabase(name).drawer.toArray()).toEqual([
      { id: 'r', part: 'pixels-5v-60', name: 'offcut of strip', unit: 'mm', amount: 840 },
    ])
  })

  it('what a plan takes from the drawer is noted until it is deleted or built; a copy takes nothing', async () => {
    const taken = [{ item: 'w', line: 'wire.mm2-1.red', amount: 2 }]
    const plan: Plan = {
      ...demo,
      offcuts: [{ id: 'r', stripId: demo.defaults.stripId, lengthMm: 900 }],
      buy: { ...demo.buy, taken },
    }
    const id = await shelf.add(demo)
    await shelf.save(id, plan, emptyHistory, 0)
    const takes = async (): Promise<unknown> => (await db.takes.get(id))?.takes
    const both = [
      { item: 'r', amount: 900 },
      { item: 'w', amount: 2 },
    ]
    expect(await takes()).toEqual(both)
    const copy = await shelf.duplicate(id)
    const loaded = await shelf.load(copy!)
    expect(loaded.ok && [loaded.plan.offcuts, loaded.plan.buy.taken]).toEqual([[], []])
    await shelf.delete(id)
    expect(await takes()).toBeUndefined()
    await shelf.restore(id)
    expect(await takes()).toEqual(both)
    await shelf.save(id, { ...plan, buy: { ...plan.buy, isBooked: true } }, emptyHistory, 1)
    expect(await takes()).toBeUndefined()
  })

  it('saves plan and history together, and refuses a save from an older revision', async () => {
    const id = await shelf.add(demo)
    const changed = change(demo, [{ do: 'rename', name: 'Hall' }])
    const history = recorded(emptyHistory, changed, { label: 'rename', key: '', canJoin: false })
    expect(await shelf.save(id, changed.plan, history, 0)).toEqual({ saved: true, revision: 1 })
    expect(await shelf.save(id, demo, emptyHistory, 0)).toEqual({ saved: false, why: 'newer' })
    expect(await shelf.load(id)).toMatchObject({ ok: true, plan: changed.plan, revision: 1 })
    const loaded = await shelf.load(id)
    expect(loaded.ok && loaded.history.steps).toEqual(history.steps)
  })

  it('says what is wrong with a plan that cannot be read, and leaves it where it is', async () => {
    const id = await shelf.add(demo)
    await db.plans.update(id, { document: { ...demo, limit: 'much' }, checkedVersion: 1 })
    expect(await shelf.load(id)).toMatchObject({ ok: false, issues: [{ path: 'limit' }] })
    expect(await ids()).toEqual(['Nook'])
    expect(await shelf.load('none')).toEqual({ ok: false, reason: 'missing' })
  })
})

describe('saving', () => {
  const plan = (name: string) => ({ ...demo, name })

  it('goes one at a time, and of what waits only the newest', async () => {
    const saved: string[] = []
    const finish: (() => void)[] = []
    const states: SaveState['kind'][] = []
    const saver = new PlanSaver(
      ({ name }, _, revision) =>
        new Promise<SaveResult>((resolve) => {
          saved.push(`${name}@${String(revision)}`)
          finish.push(() => {
            resolve({ saved: true, revision: revision + 1 })
          })
        }),
      0,
      ({ kind }) => states.push(kind),
    )
    saver.push(plan('a'), emptyHistory)
    await new Promise((resolve) => setTimeout(resolve))
    for (const name of ['b', 'c']) saver.push(plan(name), emptyHistory)
    expect(saved).toEqual(['a@0'])
    finish[0]!()
    await new Promise((resolve) => setTimeout(resolve))
    finish[1]!()
    await saver.drained()
    expect(saved).toEqual(['a@0', 'c@1'])
    expect(states.at(-1)).toBe('saved')
  })

  it('keeps what could not be saved and tries it again', async () => {
    const saved: string[] = []
    let isBroken = true
    const states: SaveState[] = []
    const saver = new PlanSaver(
      ({ name }, _, revision) => {
        if (isBroken) return Promise.reject(new Error('disk full'))
        saved.push(name)
        return Promise.resolve({ saved: true, revision: revision + 1 })
      },
      0,
      (state) => states.push(state),
    )
    saver.push(plan('a'), emptyHistory)
    await saver.drained()
    expect(states.at(-1)).toEqual({ kind: 'failed', message: 'disk full' })
    isBroken = false
    saver.retry()
    await saver.drained()
    expect(saved).toEqual(['a'])
  })
})

it('of jobs for the worker the latest wins and the answers keep their order', async () => {
  const release: (() => void)[] = []
  const answers: [string, boolean][] = []
  const send = latestWins<string, string>(
    (job) =>
      new Promise((resolve) => {
        release.push(() => {
          resolve(job.toUpperCase())
        })
      }),
    (answer, _, isLatest) => answers.push([answer, isLatest]),
  )
  for (const job of ['a', 'b', 'c', 'd']) send(job)
  release[0]!()
  await new Promise((resolve) => setTimeout(resolve))
  release[1]!()
  await new Promise((resolve) => setTimeout(resolve))
  expect(answers).toEqual([
    ['A', false],
    ['D', true],
  ])
})
