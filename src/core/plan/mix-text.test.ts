import { expect, it } from 'vitest'
import { tally } from '../tally'
import { emptyPlan } from './empty'
import { mixText } from './mix-text'
import type { Line, Plan } from './plan'

const planOf = (lines: readonly Partial<Line>[], more: Partial<Plan> = {}): Plan => ({
  ...emptyPlan('t', 'x'),
  lines: lines.map((line, at) => ({ id: `l${String(at)}`, text: 'shelf 1 m', ...line })),
  supplies: [{ id: 'supply-a', name: 'A', part: 'brick-12v-5' }],
  ...more,
})
const [pixels, plain] = [{ stripId: 'pixels-12v-20' }, { stripId: 'white-12v-14' }]

it('says the minutes and how bright, within the limit', () => {
  const plan = planOf([pixels], { scene: { shown: 'level', level: 0.4 } })
  const use = (fullWhite: number, level: number): Plan['use'] => ({
    ...plan.use,
    mix: { fullWhite, level },
  })
  expect(mixText(plan, 'none')).toBe('full')
  expect(mixText({ ...plan, use: use(5, 55) }, 'all')).toBe(
    '5 min full and 55 min at 40 % of each hour',
  )
  expect(mixText({ ...plan, use: use(5, 20) }, 'some')).toBe(
    '5 min full and 20 min at 40 % of each hour, dark the rest; what nothing dims at full',
  )
  expect(mixText({ ...plan, limit: 0.3, use: use(10, 50) }, 'all')).toBe(
    '10 min at 30 % and 50 min at 30 % of each hour',
  )
  expect(mixText({ ...plan, use: use(0, 0) }, 'all')).toBe('dark')
})

it('is told of what hangs on the supply: pixels, plain strip that nothing dims, or both', () => {
  const energyOf = (lines: readonly Partial<Line>[]): string => {
    const { roll } = tally(planOf(lines))
    const figure = roll.flatMap(({ figures }) => figures).find(({ id }) => id.startsWith('energy.'))
    return figure?.rule ?? ''
  }
  expect(energyOf([plain])).toMatch(/^full, 4 h a day/)
  expect(energyOf([pixels])).toMatch(/^5 min full and 55 min at 40 % of each hour, 4 h a day/)
  expect(energyOf([pixels, plain])).toMatch(/; what nothing dims at full, 4 h a day/)
  expect(energyOf([{ ...plain, dimmer: 'all' }])).toMatch(/^5 min full/)
})
