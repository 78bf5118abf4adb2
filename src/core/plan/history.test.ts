import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { change, type Command } from './commands'
import { emptyHistory, mostSteps, recorded, redone, undone, type History } from './history'
import { emptyPlan } from './empty'
import type { Plan } from './plan'

const start: Plan = {
  ...emptyPlan('Hall', 'a'),
  lines: ['a', 'b', 'c'].map((id) => ({ id, text: `shelf ${id}`, tag: id.toUpperCase() })),
}

interface State {
  plan: Plan
  history: History
}
function commit({ plan, history }: State, command: Command, key = '', canJoin = false): State {
  const changed = change(plan, [command])
  return {
    plan: changed.plan,
    history: recorded(history, changed, { label: command.do, key, canJoin }),
  }
}
const typed = (state: State, text: string): State =>
  commit(state, { do: 'set-text', line: 'a', text }, 'text.a', true)

const line = fc.constantFrom('a', 'b', 'c', 'gone')
const commands: fc.Arbitrary<Command> = fc.oneof(
  fc.record({ do: fc.constant('set-text' as const), line, text: fc.string({ maxLength: 8 }) }),
  fc.record({ do: fc.constant('remove-line' as const), line }),
  fc.record({ do: fc.constant('move-line' as const), line, to: fc.nat(2) }),
  fc.record({
    do: fc.constant('set-strip' as const),
    line,
    strip: fc.constantFrom('white-usb', undefined),
  }),
  fc.record({ do: fc.constant('set-limit' as const), limit: fc.double({ min: 0.1, max: 1 }) }),
  fc.record({ do: fc.constant('rename' as const), name: fc.string({ minLength: 1 }) }),
  fc.nat(1e6).map((n): Command => ({
    do: 'add-supply',
    supply: { id: `s${String(n)}`, name: 'S', part: 'auto' },
  })),
)

describe('undo and redo', () => {
  it('go back to the start and forward to the end again, whatever was done', () => {
    fc.assert(
      fc.property(fc.array(commands, { maxLength: 30 }), (list) => {
        let state: State = { plan: start, history: emptyHistory }
        for (const command of list) state = commit(state, command)
        const end = state.plan
        for (let moved; (moved = undone(state.plan, state.history));) state = moved
        expect(state.plan).toEqual(start)
        for (let moved; (moved = redone(state.plan, state.history));) state = moved
        expect(state.plan).toEqual(end)
      }),
    )
  })

  it('keep at least 200 steps', () => {
    let state: State = { plan: start, history: emptyHistory }
    for (let n = 0; n < 700; n += 1) state = commit(state, { do: 'rename', name: `n${String(n)}` })
    expect(mostSteps).toBeGreaterThanOrEqual(200)
    let steps = 0
    for (let moved; (moved = undone(state.plan, state.history)); steps += 1) state = moved
    expect(steps).toBe(mostSteps)
    expect(state.plan.name).toBe(`n${String(700 - mostSteps - 1)}`)
  })

  it('take typing on one line as one step, until something else is done', () => {
    let state: State = { plan: start, history: emptyHistory }
    for (const text of ['s', 'se', 'sea', 'seat']) state = typed(state, text)
    expect(state.history.steps).toHaveLength(1)
    expect(state.history.steps[0]?.forward).toHaveLength(1)
    state = commit(state, { do: 'remove-line', line: 'b' })
    state = typed(state, 'seats')
    expect(state.history.steps).toHaveLength(3)
  })

  it('forget what was undone once something new is done; nothing done is no step', () => {
    let state: State = { plan: start, history: emptyHistory }
    state = commit(state, { do: 'rename', name: 'one' })
    state = undone(state.plan, state.history)!
    state = commit(state, { do: 'rename', name: 'two' })
    expect(redone(state.plan, state.history)).toBeUndefined()
    expect(commit(state, { do: 'rename', name: 'two' }).history).toBe(state.history)
  })
})
