import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { expect, it } from 'vitest'
import { solvedParts } from '../../core/feed/solve'
import { change } from '../../core/plan/commands'
import { emptyPlan } from '../../core/plan/empty'
import { emptyHistory, mostSteps, recorded, undone } from '../../core/plan/history'
import type { Plan } from '../../core/plan/plan'
import { runs } from '../../testing/runs'
import { PlanService } from './plan-service'

setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc') as () => void
/** Bytes in use once everything that can be let go is gone. */
function heldBytes(): number {
  // What is remembered of solved feeds has its own bound.
  solvedParts.forget()
  collect()
  collect()
  return process.memoryUsage().heapUsed
}

const lines = 120
const manyRuns: Plan = {
  ...emptyPlan('Long evening', 'a'),
  lines: Array.from({ length: lines }, (_, n) => ({
    id: `l${String(n)}`,
    text: `niche-${String(n)} ${String(300 + ((n * 37) % 240))}`,
  })),
}

it('hours of edits and steps back hold no more than a few minutes did', async () => {
  const service = new PlanService()
  service.begin()
  let [plan, history] = [manyRuns, emptyHistory]
  const edit = async (number: number): Promise<void> => {
    const id = `l${String((number * 7) % lines)}`
    const text = `niche ${String(310 + (number % 97))}`
    const changed = change(plan, [{ do: 'set-text', line: id, text }])
    history = recorded(history, changed, { label: 'typing', key: '', canJoin: false })
    ;({ plan } = changed)
    if (number % 9 === 0) {
      const back = undone(plan, history)
      if (back !== undefined) ({ plan, history } = back)
    }
    await service.answer(plan, { parts: ['totals', 'supplies', 'verdicts'], sections: ['current'] })
  }
  // As many as the history keeps, so that it is full before the first look.
  const some = runs(60)
  for (let number = 0; number < mostSteps + 30; number += 1) {
    const changed = change(plan, [
      { do: 'set-text', line: 'l0', text: `niche ${String(300 + (number % 50))}` },
    ])
    history = recorded(history, changed, { label: 'typing', key: '', canJoin: false })
    ;({ plan } = changed)
  }
  for (let number = 0; number < some; number += 1) await edit(number)
  const before = heldBytes()
  for (let number = 0; number < 3 * some; number += 1) await edit(some + number)
  const grown = heldBytes() - before
  expect(history.steps.length).toBeLessThanOrEqual(mostSteps)
  expect(grown / 1e6).toBeLessThan(4)
}, 240_000)
