import { deflateSync } from 'fflate'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoNames, demoText } from '../cli/demos'
import { readPlan } from './plan-file'
import { longestLink, planLink, readPlanLink } from './plan-link'

const demo = (name: string) => {
  const read = readPlan(JSON.parse(demoText(name)!))
  if (!read.ok) throw new Error(name)
  return read.plan
}

describe('a plan as a link', () => {
  it.each(demoNames())('%s goes there and comes back, without its photos', (name) => {
    const plan = demo(name)
    const link = planLink(plan)
    if (!link.ok) throw new Error(`${name} is too long`)
    expect(link.fragment).toMatch(/^[\w-]+$/)
    const read = readPlanLink(link.fragment)
    const log = plan.build.log.map((entry) => ({ ...entry, photos: [] }))
    expect(read).toMatchObject({
      ok: true,
      plan: { ...plan, bench: { furniture: plan.bench.furniture }, build: { ...plan.build, log } },
    })
    expect(read.ok && read.plan.bench.photo).toBe(undefined)
    expect(link.photosLeftOut).toBe(plan.build.log.flatMap(({ photos }) => photos).length)
  })

  it('says how long it would be where it is too long', () => {
    const plan = demo('bay-window-nook')
    const lines = Array.from({ length: 900 }, (_, n) => ({
      id: `l${String(n)}`,
      text: `place ${String((n * 7919) % 100_003)} ${String(100 + ((n * 104_729) % 3001))}`,
    }))
    const link = planLink({ ...plan, lines })
    expect(link.ok).toBe(false)
    expect(!link.ok && link.length).toBeGreaterThan(longestLink)
  })

  it('is refused where it is cut off, changed, empty, or unpacks to a flood', () => {
    const link = planLink(demo('toy-harbour'))
    const { fragment } = link.ok ? link : { fragment: '' }
    fc.assert(
      fc.property(fc.integer({ min: 0, max: fragment.length - 1 }), (at) => {
        expect(readPlanLink(fragment.slice(0, at)).ok).toBe(false)
      }),
    )
    const damaged = {
      ok: false,
      issues: [{ message: expect.stringContaining('damaged') as string }],
    }
    expect(readPlanLink('not a plan!')).toMatchObject(damaged)
    const flood = Buffer.from(deflateSync(new Uint8Array(60_000_000), { level: 9 })).toString(
      'base64url',
    )
    expect(readPlanLink(flood)).toMatchObject(damaged)
  })
})
