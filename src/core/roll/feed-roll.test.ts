import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readPlanFile } from '../../formats/plan-file'
import { csv } from '../../formats/csv'
import { feedsTable } from '../../formats/csv-feeds'
import { emptyPlan } from '../plan/empty'
import type { Plan } from '../plan/plan'
import { figureText, workingText } from '../quantity/figure'
import { tally, type Tally } from '../tally'

const demo = (name: string): Plan => {
  const read = readPlanFile(
    readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.issues))
  return read.plan
}
/** A section of the roll as it is printed. */
const section = ({ roll }: Tally, id: string): string[] =>
  (roll.find((one) => one.id === id)?.figures ?? []).map((figure) =>
    [figure.label, workingText(figure), '=', figureText(figure)].filter(Boolean).join(' '),
  )
const numbers = ({ roll }: Tally, id: string): (number | null)[] =>
  (roll.find((one) => one.id === id)?.figures ?? []).map(({ value }) => value)

describe('the feed on the roll', () => {
  const wardrobe = tally(demo('wardrobe-rails'))

  it('lists the junction’s lead first, then each run’s, and all of their wire', () => {
    expect(section(wardrobe, 'leads').map((line) => line.replace(/ = .*/, ''))).toEqual([
      'to Back track',
      'to hanging rail left',
      'to hanging rail right',
      'to shoe shelf',
      'to drawers',
      'to top cornice',
      '6 leads, pairs of wires',
    ])
    const lengths = numbers(wardrobe, 'leads') as number[]
    expect(lengths.slice(0, -1).reduce((sum, m) => sum + m, 0)).toBeCloseTo(lengths.at(-1)!, 9)
  })

  it('tells each lead’s drop by its own sum, and its fuse', () => {
    const lines = section(wardrobe, 'drops')
    expect(lines).toHaveLength(2 * 6 + 1)
    for (const { lead, dropV } of wardrobe.feed.leads.map((one) => ({
      lead: one,
      dropV: one.dropV,
    })))
      expect(numbers(wardrobe, 'drops')).toContain(dropV === 0 ? lead.dropV : dropV)
    expect(lines.filter((line) => line.startsWith('fuse '))).toHaveLength(6)
    expect(lines[0]).toMatch(/^Back track 2 × 1\.47 m × 0\.0115 Ω\/m × \d\.\d\d A = 0\.\d+ V$/)
  })

  it('adds the runs up to what the plan draws in the scene shown', () => {
    const drawn = numbers(wardrobe, 'draw') as number[]
    expect(drawn.reduce((sum, amperes) => sum + amperes, 0)).toBeCloseTo(
      wardrobe.totals.shownCurrentA,
      9,
    )
    expect(section(wardrobe, 'draw')).toHaveLength(5)
  })

  it('says what a year costs, and of a battery how long it lasts', () => {
    expect(section(wardrobe, 'use.supply-a')).toEqual([
      expect.stringMatching(/^a year [\d.]+ kWh × 0\.30 = \d+\.\d\d$/),
    ])
    expect(
      section(tally(demo('paper-lanterns')), 'use.supply-a').map((line) => line.split(' =')[0]),
    ).toEqual([
      expect.stringMatching(/^lasts at 0\.\d\d A$/),
      expect.stringMatching(/^full, at its peak at 0\.\d\d A$/),
    ])
  })

  it('counts the wires home of lights that hang by themselves', () => {
    const plan: Plan = {
      ...emptyPlan('t', 'a'),
      lines: [
        {
          id: 'a',
          text: 'fireflies scatter 3 drop 300',
          place: { x: 0, y: 0, degrees: 0 },
          spots: [
            [0, 0],
            [100, 0],
            [0, 200],
          ],
        },
      ],
      bench: { furniture: [], controllerAt: [0, 1000] },
      rules: { ...emptyPlan('t', 'a').rules, slack: 0.1 },
    }
    // Ways 1.0 + 1.1 + 0.8 and drops 3 × 0.3, and once more the longest, 1.4, for what they have in common; a tenth of slack and 20 mm at each end.
    expect(section(tally(plan), 'home')).toEqual([
      'fireflies, wires home 4 × 1.47 m = 5.88 m',
      'fireflies, 1 cable of up to 8 1 × 1.58 m = 1.58 m',
    ])
  })
})

it('the leads as CSV: a row each, what is measured marked', () => {
  const plan = demo('wardrobe-rails')
  const [first, ...others] = plan.lines
  const measured = {
    ...plan,
    lines: [{ ...first!, feeds: [{ ...first!.feeds![0]!, lengthMm: 2500 }] }, ...others],
  }
  const [header, track, rail, ...rows] = csv(feedsTable(tally(measured)))
    .trimEnd()
    .split('\r\n')
  expect(header).toBe('lead,from,to,pad,wire,length m,measured,current A,drop V,loss W,fuse A')
  expect(track).toMatch(/^track,supply-a,track,,1\.5 mm²,1\.47,no,/)
  expect(rail).toMatch(/^upper\.first,track,hanging rail left,0,0\.5 mm²,2\.5,yes,/)
  expect(rows).toHaveLength(4)
})

it('in a plan of hundreds leads are listed as far as one can read, and summed whole', () => {
  const plan: Plan = {
    ...emptyPlan('t', 'a'),
    lines: Array.from({ length: 60 }, (_, n) => ({
      id: `l${String(n)}`,
      text: `s${String(n)} 300`,
    })),
  }
  const result = tally(plan)
  expect(section(result, 'leads')).toHaveLength(25)
  expect(section(result, 'leads').at(-1)).toMatch(/^60 leads, pairs of wires = /)
  expect(result.feed.leads).toHaveLength(60)
})
