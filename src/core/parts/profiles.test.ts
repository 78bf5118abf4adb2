import { describe, expect, it } from 'vitest'
import { emptyPlan } from '../plan/empty'
import type { Profile } from '../plan/parts'
import type { Line, Mount, Plan } from '../plan/plan'
import { worked } from '../worked'
import { mounted } from './mounted'
import { profilesOf, shippedProfiles } from './profiles'

const planOf = (text: string, mount: Mount, line: Partial<Line> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: [{ id: 'l', text, stripId: 'pixels-5v-60', mount, ...line }],
  supplies: [{ id: 'supply-a', name: 'A', part: 'brick-5v-10' }],
})
const none = { profiles: [] }

describe('a profile', () => {
  it('brings its depth and what of it meets the air, screwed flat or hung free', () => {
    expect(mounted(none, { profile: 'flat' })).toMatchObject({
      surface: 'channel',
      coverMm: 6,
      backingMm: 33,
    })
    expect(mounted(none, { profile: 'flat', surface: 'air' }).backingMm).toBe(45)
    expect(mounted(none, { profile: 'bar-25' }).backingMm).toBe(29)
    expect(mounted(none, { profile: 'bar-25', surface: 'air' }).backingMm).toBe(54)
    // A bar has no cover of its own: one is as far away as usual.
    expect(mounted(none, { profile: 'bar-25' }).coverMm).toBe(mounted(none).coverMm)
  })

  it('of one’s own comes before one that ships', () => {
    const own: Profile = { ...shippedProfiles[0]!, name: 'mine', depthMm: 20 }
    expect(mounted({ profiles: [own] }, { profile: own.id }).coverMm).toBe(20)
    expect(profilesOf({ profiles: [own] }).filter(({ id }) => id === own.id)).toEqual([own])
  })

  it('has covers and end caps, a bar has none', () => {
    const namesOf = (profile: string): string[] =>
      worked(planOf('shelf 900', { profile, cover: 'opal' })).bill.map(({ name }) => name)
    expect(namesOf('flat').filter((name) => /opal cover|end cap/.test(name))).toHaveLength(2)
    expect(namesOf('bar-25').filter((name) => /opal cover|end cap/.test(name))).toEqual([])
    const threadsOf = (profile: string): string[] =>
      worked(planOf('shelf 900', { profile })).joints.flatMap(({ threadFirst }) => threadFirst)
    expect(threadsOf('flat')).toContain('end cap of the profile')
    expect(threadsOf('bar-25')).not.toContain('end cap of the profile')
  })

  it('takes a bend as far as it is made for, and is offered where a straight one is not', () => {
    const fitOf = (text: string, profile: string) =>
      worked(planOf(text, { profile })).verdicts.find(({ code }) => code === 'profile-fit')
    expect(fitOf('hoop ring 500', 'round-bend')).toBeUndefined()
    expect(fitOf('hoop ring 300', 'round-bend')?.text).toMatch(/bends at 150 mm, .* takes 200 mm/)
    const straight = fitOf('hoop ring 500', 'flat')
    expect(straight?.text).toMatch(/bends, and small U profile .* is straight/)
    expect(straight?.remedies.map(({ label }) => label)).toEqual([
      'take the bendable round profile, 10 mm inside',
      'no profile',
    ])
  })
})
