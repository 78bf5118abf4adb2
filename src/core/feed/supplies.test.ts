import { describe, expect, it } from 'vitest'
import { worked } from '../worked'
import { eachCase, type RunLoad } from '../load/load'
import { partsOf } from '../parts/find'
import { emptyPlan } from '../plan/empty'
import type { Plan, Rules } from '../plan/plan'
import { feedsOf } from '../plan/feeds'
import { feedFrom } from '../plan/supply-of'
import type { Lead } from '../route/lead'
import { feedSupplies, largestLoadA, smallestFor, type FedSupply } from './supplies'

const parts = partsOf({ strips: [], supplies: [] })
const load = (id: string, peakA: number, volts = 5): RunLoad => ({
  id,
  volts,
  groups: 10,
  isDimmable: true,
  currentA: eachCase((name) =>
    name === 'idle' ? peakA / 50 : name === 'level' ? peakA / 4 : peakA,
  ),
})
function planOf(ids: readonly string[], part = 'auto', rules: Partial<Rules> = {}): Plan {
  const plan = emptyPlan('test', 'x')
  return {
    ...plan,
    lines: ids.map((id) => ({ id, text: 'x' })),
    supplies: [{ id: 's', name: 'S', part }],
    rules: { ...plan.rules, ...rules },
  }
}
/** The supplies of a plan with these loads, each on the leads that its line says, and what those carry. */
function feedAll(
  plan: Plan,
  loads: RunLoad[],
  volts: Readonly<Record<string, number>> = { s: 5 },
  leadA: Readonly<Record<string, number>> = {},
): FedSupply[] {
  const leads = plan.lines.flatMap((line) =>
    feedsOf(line).map((feed) => ({
      id: `${line.id}.${feed.id}`,
      from: feedFrom(plan, line, feed),
      to: { kind: 'run', run: line.id, pad: 0 },
    })),
  ) as unknown as Lead[]
  return feedSupplies(
    {
      plan,
      loads,
      parts,
      leads,
      volts: new Map(Object.entries(volts)),
      fit: undefined,
      lanes: [],
      lit: [],
    },
    {
      leads: leads.map((lead) => ({
        lead,
        currentA: leadA[lead.id] ?? 0,
        fuseLoadA: leadA[lead.id] ?? 0,
        dropV: 0,
        lossW: 0,
      })),
    },
  )
}
const feed = (plan: Plan, loads: RunLoad[]): FedSupply => feedAll(plan, loads)[0]!

describe('the size of a supply by each school', () => {
  it.each<[Partial<Rules>, number, number, number]>([
    // rules, full white, what it needs, what is picked
    [{ sizing: 'full-white', headroom: 0.2 }, 8, 10, 10],
    [{ sizing: 'full-white', headroom: 0.2 }, 8.1, 10.125, 12],
    [{ sizing: 'full-white', headroom: 0 }, 8, 8, 8],
    [{ sizing: 'next-size', headroom: 0.2 }, 8, 8, 8],
    [{ sizing: 'scenes', headroom: 0.2 }, 8, 2, 2],
  ])('%j: %f A at full white needs %f A, picks %f A', (rules, peakA, needA, ratedA) => {
    const supply = feed(planOf(['a'], 'auto', rules), [load('a', peakA)])
    expect(supply.needA).toBeCloseTo(needA, 9)
    expect(supply.ratedA).toBe(ratedA)
    expect(supply.grade).toBe('ok')
  })

  it.each<[string, number, string]>([
    ['brick-5v-10', 8, 'ok'],
    ['brick-5v-10', 8.01, 'tight'],
    ['brick-5v-10', 10, 'tight'],
    ['brick-5v-10', 10.01, 'short'],
    ['auto', 48, 'ok'],
    ['auto', 48.01, 'short'],
  ])('%s with %f A is %s', (part, peakA, grade) => {
    expect(feed(planOf(['a'], part), [load('a', peakA)]).grade).toBe(grade)
  })
})

describe('runs on their supplies', () => {
  it('those of other volts are told apart', () => {
    const loads = [load('a', 2), load('b', 3, 12)]
    const [supply] = feedAll(planOf(['a', 'b'], 'brick-12v-5'), loads, { s: 12 })
    expect(supply!.fits).toEqual([{ load: loads[1], share: 1 }])
    expect(supply!.misfits).toEqual([loads[0]])
    expect(supply!.loadA).toBe(3)
  })

  it('with nothing to feed it picks nothing and is no trouble', () => {
    const supply = feed(planOf([]), [])
    expect(supply.part).toBeUndefined()
    expect(supply.loadA).toBe(0)
  })

  const two = (feeds: Plan['lines'][number]['feeds']): Plan => {
    const plan = planOf(['a', 'b'])
    return {
      ...plan,
      lines: [plan.lines[0]!, { ...plan.lines[1]!, ...(feeds !== undefined && { feeds }) }],
      supplies: [...plan.supplies, { id: 't', name: 'T', part: 'auto' }],
      junctions: [
        { id: 'j', name: 'J', kind: 'terminals', limitA: 10, fuse: 'auto', from: 'k' },
        { id: 'k', name: 'K', kind: 'terminals', limitA: 10, fuse: 'auto', from: 't' },
      ],
    }
  }
  const loads = [load('a', 2), load('b', 3)]
  const volts = { s: 5, t: 5 }

  it('a line goes to the supply that it names, the others to the first', () => {
    const plan = two(undefined)
    const named = { ...plan, lines: [plan.lines[0]!, { ...plan.lines[1]!, supplyId: 't' }] }
    expect(feedAll(named, loads, volts).map(({ loadA }) => loadA)).toEqual([2, 3])
  })

  it('a lead counts where it really comes from, through junctions, whatever its line says', () => {
    const own = feedAll(two([{ id: 'f', pad: 0, fuse: 'auto', from: 't' }]), loads, volts)
    expect(own.map(({ loadA }) => loadA)).toEqual([2, 3])
    const through = feedAll(two([{ id: 'f', pad: 0, fuse: 'auto', from: 'j' }]), loads, volts)
    expect(through.map(({ loadA }) => loadA)).toEqual([2, 3])
  })

  it('a run on two supplies is shared out as its leads carry it', () => {
    const feeds = [
      { id: 'f', pad: 0 as const, fuse: 'auto' as const, from: 's' },
      { id: 'g', pad: 'end' as const, fuse: 'auto' as const, from: 't' },
    ]
    const fed = feedAll(two(feeds), loads, volts, { 'b.f': 2, 'b.g': 1 })
    expect(fed[0]!.loadA).toBeCloseTo(2 + 2, 9)
    expect(fed[1]!.loadA).toBeCloseTo(1, 9)
  })
})

describe('volts of a supply', () => {
  const voltsOf = (lines: Plan['lines'], part = 'auto', trimV?: number): number | undefined => {
    const plan = planOf([])
    const slot = { id: 's', name: 'S', part, ...(trimV !== undefined && { trimV }) }
    return worked({ ...plan, lines, supplies: [slot] }).volts.get('s')
  }
  it('are its trimmer’s, its part’s, or those at which most power is drawn', () => {
    const lines = [
      { id: 'a', text: 'sill 900', stripId: 'pixels-5v-60' },
      { id: 'b', text: 'cove 4 m', stripId: 'white-12v-14' },
    ]
    expect(voltsOf(lines)).toBe(12)
    expect(voltsOf(lines.slice(0, 1))).toBe(5)
    expect(voltsOf(lines, 'brick-5v-10')).toBe(5)
    expect(voltsOf(lines, 'brick-5v-10', 5.2)).toBe(5.2)
    expect(voltsOf([])).toBe(5)
  })
})

describe('what can be bought', () => {
  it('is the smallest that will do, the cheaper of two equal ones', () => {
    expect(smallestFor(parts, 5, 4.4, 0.2)?.id).toBe('brick-5v-6')
    expect(smallestFor(parts, 5, 0.3, 0.2)?.id).toBe('usb-port-0_5')
    expect(smallestFor(parts, 5, 2.4, 0.2)?.id).toBe('brick-5v-3')
    expect(smallestFor(parts, 12, 4, 0.2)?.id).toBe('brick-12v-5')
    expect(smallestFor(parts, 48, 1, 0.2)).toBeUndefined()
  })

  it('ends at the largest', () => {
    expect(largestLoadA(parts, 5, 0.2)).toBeCloseTo(48, 9)
    expect(largestLoadA(parts, 24, 0)).toBeCloseTo(13.33, 2)
    expect(largestLoadA(parts, 48, 0)).toBe(0)
  })
})

it.each<[string, string, boolean]>([
  ['white-usb', 'battery-3-aa', true],
  ['white-usb', 'battery-4-nimh', true],
  ['white-usb', 'battery-9v', false],
  ['white-12v-5', 'battery-9v', false],
  ['white-12v-5', 'battery-lead-12v', true],
  ['pixels-5v-60', 'computer-5v', true],
  ['pixels-5v-60', 'computer-12v', false],
])('%s hangs on %s: %j', (stripId, part, suits) => {
  const plan: Plan = {
    ...emptyPlan('t', 'a'),
    lines: [{ id: 'a', text: 'shelf 300', stripId }],
    supplies: [{ id: 'supply-a', name: 'A', part }],
  }
  const [supply] = worked(plan).supplies
  expect(supply!.fits.length === 1).toBe(suits)
  expect(supply!.misfits.length === 1).toBe(!suits)
})
