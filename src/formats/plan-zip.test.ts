import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { change } from '../core/plan/commands'
import { emptyPlan } from '../core/plan/empty'
import type { Plan } from '../core/plan/plan'
import { isZip, photosOf, readPlanZip, writePlanZip } from './plan-zip'
import { writePlanFile } from './plan-file'

const plan: Plan = change(emptyPlan('Ledge', 'l1'), [
  {
    do: 'log-step',
    joints: [],
    entry: {
      step: 'measure:l1',
      kind: 'measure',
      title: 'Measure ledge again',
      state: 'done',
      minutes: 2,
      trouble: [],
      readings: [],
      photos: ['ph1', 'ph2'],
    },
  },
]).plan
const jpeg = (size: number): Uint8Array => {
  const bytes = new Uint8Array(size)
  bytes.set([0xff, 0xd8, 0xff, 0xe0])
  return bytes
}
const messages = (bytes: Uint8Array): string => {
  const read = readPlanZip(bytes)
  return read.ok ? '' : read.issues.map(({ path, message }) => `${path} ${message}`).join()
}

describe('a plan with photos', () => {
  it('comes back whole from its zip', () => {
    const bytes = writePlanZip(plan, [
      { id: 'ph1', bytes: jpeg(900) },
      { id: 'ph2', bytes: jpeg(40) },
    ])
    expect(isZip(bytes)).toBe(true)
    const read = readPlanZip(bytes)
    expect(read.ok && read.plan).toEqual(plan)
    expect(read.ok && read.photos.map(({ id, bytes: own }) => [id, own.length])).toEqual([
      ['ph1', 900],
      ['ph2', 40],
    ])
    expect(read.ok && read.leftOut).toEqual([])
    expect(photosOf(plan)).toEqual(['ph1', 'ph2'])
  })

  it('leaves foreign files, climbing paths, strangers’ photos and what is no picture where they are', () => {
    const bytes = zipSync({
      'plan.json': strToU8(writePlanFile(plan)),
      'photos/ph1.jpg': jpeg(20),
      'photos/ph2.jpg': strToU8('<svg onload=…'),
      'photos/other.jpg': jpeg(20),
      '../plan.json': strToU8('{}'),
      'photos/../../x.jpg': jpeg(20),
      'readme.txt': strToU8('hello'),
    })
    const read = readPlanZip(bytes)
    expect(read.ok && read.photos.map(({ id }) => id)).toEqual(['ph1'])
    expect(read.ok && read.leftOut.toSorted()).toEqual(
      [
        '../plan.json',
        'photos/../../x.jpg',
        'photos/other.jpg',
        'photos/ph2.jpg',
        'readme.txt',
      ].toSorted(),
    )
  })

  it('is refused with a reason where it is damaged, too large or no plan', () => {
    expect(messages(strToU8('PK\u0003\u0004 and then nothing'))).toMatch(/damaged/)
    expect(messages(zipSync({ 'notes.txt': strToU8('x') }))).toMatch(/no plan\.json/)
    expect(messages(zipSync({ 'plan.json': strToU8('{"format":') }))).not.toBe('')
    // Ten megabytes of nothing pack into a few kilobytes.
    const bomb = zipSync({
      'plan.json': strToU8(writePlanFile(plan)),
      'photos/ph1.jpg': jpeg(10_000_001),
    })
    expect(bomb.length).toBeLessThan(100_000)
    expect(messages(bomb)).toMatch(/photos\/ph1\.jpg It is larger/)
    expect(isZip(strToU8('{'))).toBe(false)
  })
})
