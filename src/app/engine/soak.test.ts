import { expect, it } from 'vitest'
import { solvedParts } from '../../core/feed/solved-parts'
import { change } from '../../core/plan/commands'
import { emptyHistory, mostSteps, recorded, undone } from '../../core/plan/history'
import { heldBytes } from '../../testing/held-bytes'
import { runs } from '../../testing/runs'
import { shortRuns } from '../../testing/short-runs'
import { whole } from './delta'
import { PlanService } from './plan-service'

/** What is held besides what is remembered of solved feeds, which has its own bound. */
function held(): number {
  solvedParts.forget()
  return heldBytes()
}

const lines = 120

it(
  'hours of edits and steps back hold no more than a few minutes did',
  { tags: 'long', timeout: 240_000 },
  async () => {
    const service = new PlanService()
    service.begin()
    let [plan, history] = [shortRuns(lines), emptyHistory]
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
      await service.answer(whole(plan), {
        parts: ['totals', 'supplies', 'verdicts'],
        sections: ['current'],
      })
    }
    // As many as the history keeps, so that it is full before the first look.
    const some = runs(30, 15_000)
    for (let number = 0; number < mostSteps + 30; number += 1) {
      const changed = change(plan, [
        { do: 'set-text', line: 'l0', text: `niche ${String(300 + (number % 50))}` },
      ])
      history = recorded(history, changed, { label: 'typing', key: '', canJoin: false })
      ;({ plan } = changed)
    }
    for (let number = 0; number < some; number += 1) await edit(number)
    const before = held()
    for (let number = 0; number < 3 * some; number += 1) await edit(some + number)
    const grown = held() - before
    expect(history.steps.length).toBeLessThanOrEqual(mostSteps)
    expect(grown / 1e6).toBeLessThan(4)
  },
)
