import { describe, expect, it } from 'vitest'
import { worked } from '../../core/worked'
import { readPlan } from '../../formats/plan-file'
import { examples } from './examples'

describe('the plans to begin with', () => {
  it.each(examples.map((example) => [example.name, example] as const))(
    '%s can be read, is understood line by line, and works without a stop',
    async (name, { make }) => {
      const plan = await make()
      expect(plan.name).toBe(name)
      expect(readPlan(JSON.parse(JSON.stringify(plan)))).toMatchObject({ ok: true, adjusted: [] })
      const { cutRuns, verdicts } = worked(plan)
      expect(cutRuns.length).toBeGreaterThanOrEqual(plan.lines.length)
      expect(verdicts.filter(({ grade }) => grade === 'stop')).toEqual([])
    },
  )
})
