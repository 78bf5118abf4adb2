import 'fake-indexeddb/auto'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { beforeEach, describe, expect, it } from 'vitest'
import { shippedStrips } from '../../core/parts/strips'
import { emptyPlan } from '../../core/plan/empty'
import { emptyHistory } from '../../core/plan/history'
import { readBackup, writeBackup } from '../../formats/backup'
import { gatherBackup, mergeBackup } from './backup'
import { openDatabase, type Database } from './db'
import { PlanShelf } from './plans'
import { forgetSnapshot, readSnapshot, snapshotsOf, takeSnapshot } from './snapshots'

let number = 0
const device = (): { db: Database; shelf: PlanShelf } => {
  const db = openDatabase(`backup-${String((number += 1))}`)
  return { db, shelf: new PlanShelf(db) }
}
const jpeg = Uint8Array.from([0xff, 0xd8, 0xff, 1, 2, 3])
const plan = emptyPlan('Nook', 'a')
const built = {
  ...plan,
  build: {
    ...plan.build,
    log: [
      {
        step: 'cut',
        kind: 'cut' as const,
        title: 'Cut',
        state: 'done' as const,
        minutes: 2,
        trouble: [],
        readings: [],
        photos: ['p1'],
      },
    ],
  },
}
const strip = { ...shippedStrips[0]!, id: 'own-1', name: 'my strip' }

let here: ReturnType<typeof device>
let id: string
beforeEach(async () => {
  here = device()
  id = await here.shelf.add(built, { tags: ['attic'], changedAt: 1_000 })
  await here.shelf.addPhotos(id, [{ id: 'p1', bytes: jpeg }])
  await here.db.parts.add({ id: strip.id, kind: 'strip', part: strip })
  await takeSnapshot(here.db, id, { name: 'before the rail', plan: { ...plan, limit: 0.3 } })
  await here.db.drawer.add({ id: 'd1', name: 'wire', unit: 'm', amount: 3 })
  await here.db.prices.add({ line: 'strip.x', packs: [{ size: 5, price: 20 }] })
})
const file = async (): Promise<Uint8Array> =>
  writeBackup((await gatherBackup(here.db, here.shelf)).backup)
const read = (bytes: Uint8Array) => {
  const result = readBackup(bytes)
  if (!result.ok) throw new Error(JSON.stringify(result.issues))
  return result
}

describe('a backup', () => {
  it('brings everything to an empty device, and then nothing more', async () => {
    const { backup } = read(await file())
    const there = device()
    const nothing = { same: 0, beside: [] }
    expect(await mergeBackup(there.db, there.shelf, backup)).toEqual({
      ...nothing,
      added: ['Nook'],
      parts: 1,
      drawer: 1,
      prices: 1,
    })
    expect(await there.shelf.load(id)).toMatchObject({ ok: true, plan: built })
    expect((await there.shelf.list())[0]).toMatchObject({ tags: ['attic'], changedAt: 1_000 })
    expect(await there.shelf.photos(['p1'])).toEqual([{ id: 'p1', bytes: jpeg }])
    const [snapshot] = await snapshotsOf(there.db, id)
    expect(snapshot).toMatchObject({ name: 'before the rail' })
    expect(readSnapshot(snapshot!)).toMatchObject({ ok: true, plan: { limit: 0.3 } })
    // It comes back to a plan that is here unchanged, and only once.
    await forgetSnapshot(there.db, snapshot!.id)
    await mergeBackup(there.db, there.shelf, backup)
    await mergeBackup(there.db, there.shelf, backup)
    expect(await snapshotsOf(there.db, id)).toEqual([snapshot])
    expect(await there.db.parts.get('own-1')).toMatchObject({ part: { name: 'my strip' } })
    expect(await mergeBackup(there.db, there.shelf, backup)).toEqual({
      added: [],
      same: 1,
      beside: [],
      parts: 0,
      drawer: 0,
      prices: 0,
    })
  })

  it('overwrites nothing: what differs stands beside it, and what was deleted comes back', async () => {
    const { backup } = read(await file())
    await here.shelf.save(id, { ...built, limit: 0.4 }, emptyHistory, 0)
    await here.db.prices.put({ line: 'strip.x', packs: [{ size: 5, price: 33 }] })
    const merged = await mergeBackup(here.db, here.shelf, backup)
    expect(merged).toMatchObject({
      added: [],
      same: 0,
      beside: ['Nook (from the backup)'],
      prices: 0,
    })
    expect(await here.shelf.load(id)).toMatchObject({ plan: { limit: 0.4 } })
    expect((await here.db.prices.get('strip.x'))?.packs[0]?.price).toBe(33)
    await here.shelf.delete(id)
    expect(await mergeBackup(here.db, here.shelf, backup)).toMatchObject({ added: ['Nook'] })
  })

  it('names what cannot be read and takes the rest; what is no backup is refused', async () => {
    await here.shelf.add(emptyPlan('Crown', 'b'))
    const files = unzipSync(await file())
    const broken = `plans/${id}.json`
    const [snapshot] = await snapshotsOf(here.db, id)
    const half = `snapshots/${snapshot!.id}.json`
    const noSnapshot = read(zipSync({ ...files, [half]: strToU8('{') }))
    expect(noSnapshot.leftOut).toMatchObject([{ path: half }])
    expect(noSnapshot.backup.plans.map((one) => one.snapshots)).toEqual([[], []])
    const damaged = zipSync({ ...files, [broken]: strToU8('{ "format": 1') })
    const noPhoto = zipSync({ ...files, 'photos/p1.jpg': strToU8('<svg onload=x>') })
    expect(read(noPhoto).backup.plans.flatMap(({ photos }) => photos)).toEqual([])
    const result = read(damaged)
    expect(result.leftOut).toMatchObject([{ path: broken }])
    expect(result.backup.plans.map((one) => one.plan.name)).toEqual(['Crown'])
    expect(readBackup(strToU8('hello'))).toMatchObject({ ok: false })
    expect(readBackup(zipSync({ 'plan.json': strToU8('{}') }))).toMatchObject({ ok: false })
    const newer = new TextDecoder()
      .decode(files['backup.json'])
      .replace('"version": 1', '"version": 2')
    expect(readBackup(zipSync({ ...files, 'backup.json': strToU8(newer) }))).toMatchObject({
      ok: false,
      issues: [{ path: 'version' }],
    })
  })

  it('says which plans it could not take along', async () => {
    await here.db.plans.update(id, { document: { name: 'half' }, checkedVersion: 0 })
    expect(await gatherBackup(here.db, here.shelf)).toMatchObject({
      unreadable: ['Nook'],
      backup: { plans: [] },
    })
  })
})
