import { describe, expect, it } from 'vitest'
import { writePlanFile } from '../../formats/plan-file'
import { writePlanZip } from '../../formats/plan-zip'
import { demoPlan } from '../../testing/demo-plan'
import { readPlanUpload, unreadText } from './read-plan-upload'

describe('a plan that was chosen or dropped', () => {
  const plan = demoPlan('wardrobe-rails')

  it.each<[string, string | Uint8Array]>([
    ['a plan file', writePlanFile(plan)],
    ['a zip', writePlanZip(plan, [])],
  ])('is read from %s', async (_what, content) => {
    const read = await readPlanUpload(new File([content as BlobPart], 'a plan'))
    expect(read.ok && read.plan).toEqual(plan)
  })

  it.each<[string, File, string]>([
    ['nothing in it', new File([], 'empty.json'), 'The file is empty'],
    ['too much in it', Object.defineProperty(new File([], 'a'), 'size', { value: 1e9 }), 'MB'],
    [
      'gone since it was chosen',
      Object.assign(new File(['{}'], 'gone.json'), {
        slice: () => ({ arrayBuffer: () => Promise.reject(new Error('gone')) }),
        arrayBuffer: () => Promise.reject(new Error('gone')),
      }),
      unreadText,
    ],
  ])('is told when there is %s', async (_what, file, message) => {
    const read = await readPlanUpload(file)
    expect(!read.ok && read.issues[0]?.message).toContain(message)
  })
})
