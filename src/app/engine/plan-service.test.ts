import { expose, wrap, type Endpoint } from 'comlink'
import fc from 'fast-check'
import { isDeepStrictEqual } from 'node:util'
import { MessageChannel } from 'node:worker_threads'
import nodeEndpoint from 'comlink/dist/esm/node-adapter'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { tally } from '../../core/tally'
import { change } from '../../core/plan/commands'
import type { Plan } from '../../core/plan/plan'
import { sectionKinds, withVerdicts } from '../../core/roll/section'
import { demoPlan } from '../../testing/demo-plan'
import { PlanFollower, type Answering, type PlanAnswers } from './follow-plan'
import { whole, withDelta } from './delta'
import { PlanService, type Question } from './plan-service'
import { runs } from '../../testing/runs'

// Both ends in one realm, over a real message channel: everything is cloned on its way.
const channel = new MessageChannel()
const adapt = nodeEndpoint as unknown as (port: unknown) => Endpoint
expose(new PlanService(), adapt(channel.port1))
const service = wrap<PlanService>(adapt(channel.port2)) as unknown as Answering
afterAll(() => {
  channel.port1.close()
  channel.port2.close()
})

/** Waits for the answers to this plan. */
async function answersOf(
  follower: PlanFollower,
  plan: Plan,
  last: () => PlanAnswers | undefined,
  isThere: (answers: PlanAnswers) => boolean,
): Promise<PlanAnswers> {
  follower.follow(plan)
  for (let tries = 0; tries < 400; tries += 1) {
    const answers = last()
    if (answers !== undefined && isThere(answers)) return answers
    await new Promise((resolve) => setTimeout(resolve, 10))
  }
  throw new Error('no answer came')
}

describe('the engine of the open plan', () => {
  it('tells a page just what the tally of the command line says, edit after edit', async () => {
    let last: PlanAnswers | undefined
    const follower = new PlanFollower(
      service,
      (answers) => {
        last = answers
      },
      (message) => {
        throw new Error(message)
      },
    )
    const kinds = ['length', 'current', 'supply'] as const
    follower.show(kinds)
    const stop = follower.want('wiring')
    let plan = demoPlan('bay-window-nook')
    const edits = [
      [{ do: 'set-text', line: 'seat', text: 'seat front 1900' }],
      [{ do: 'set-limit', limit: 0.6 }],
      [{ do: 'remove-line', line: 'alcove' }],
      [{ do: 'set-signal', signal: { fix: 'buffer' } }],
    ] as const
    for (const commands of [[], ...edits]) {
      plan = change(plan, commands).plan
      const known = tally(plan)
      const answers = await answersOf(
        follower,
        plan,
        () => last,
        ({ totals, facts, wiring, verdicts }) =>
          // The facts come last of all.
          facts?.shelf.peakCurrentA === known.totals.peakCurrentA &&
          facts.joints === known.wiring.joints.length &&
          totals.peakCurrentA === known.totals.peakCurrentA &&
          wiring?.wires.length === known.wiring.wires.length &&
          verdicts?.length === known.verdicts.length &&
          isDeepStrictEqual(verdicts, known.verdicts),
      )
      expect(answers.runs).toEqual(known.runs)
      expect(answers.feed).toEqual(known.feed)
      expect(answers.wiring).toEqual(known.wiring)
      expect(answers.verdicts).toEqual(known.verdicts)
      const sections = kinds.flatMap((kind) => answers.roll?.[kind] ?? [])
      expect(withVerdicts(sections, answers.verdicts ?? [])).toEqual(
        known.roll.filter(({ kind }) => kinds.some((one) => one === kind)),
      )
    }
    stop()
    follower.leave()
  })

  it('asks for what takes long only once nothing has changed for as long', async () => {
    vi.useFakeTimers()
    const asked: string[] = []
    const beside: (readonly string[])[] = []
    const slow: Answering = {
      begin: () => undefined,
      answer: async (_, { parts, sections }) => {
        const what = parts.find((part) => ['totals', 'verdicts', 'facts', 'fixes'].includes(part))
        asked.push(what ?? '')
        if (what === 'totals') beside.push(sections)
        if (what === 'verdicts') await new Promise((resolve) => setTimeout(resolve, 400))
        return { changes: [], problem: undefined, isUnfinished: false }
      },
    }
    const follower = new PlanFollower(
      slow,
      () => undefined,
      () => undefined,
    )
    const plan = demoPlan('wardrobe-rails')
    follower.show(['length'])
    const hide = follower.wantFixes('supply-short.supply-a')
    follower.follow(plan)
    await vi.advanceTimersByTimeAsync(1_000)
    expect(asked.splice(0)).toEqual(['totals', 'verdicts', 'facts', 'fixes'])
    for (let stroke = 0; stroke < 3; stroke += 1) {
      follower.follow({ ...plan })
      await vi.advanceTimersByTimeAsync(300)
    }
    expect(asked.splice(0)).toEqual(['totals', 'totals', 'totals'])
    await vi.advanceTimersByTimeAsync(1_000)
    expect(asked.splice(0)).toEqual(['verdicts', 'facts', 'fixes'])
    // … which are not looked for where no verdict is shown, and at once where one comes to be.
    hide()
    follower.follow({ ...plan })
    await vi.advanceTimersByTimeAsync(2_000)
    expect(asked.splice(0)).toEqual(['totals', 'verdicts', 'facts'])
    follower.wantFixes('supply-short.supply-b')
    await vi.advanceTimersByTimeAsync(10)
    expect(asked.splice(0)).toEqual(['fixes'])
    // Who goes to another page does not type.
    follower.want('wiring')
    await vi.advanceTimersByTimeAsync(10)
    expect(asked.splice(0)).toEqual(['totals', 'verdicts'])
    await vi.advanceTimersByTimeAsync(1_000)
    expect(asked.splice(0)).toEqual(['facts', 'fixes'])
    follower.follow({ ...plan })
    await vi.advanceTimersByTimeAsync(300)
    follower.leave()
    await vi.advanceTimersByTimeAsync(1_000)
    expect(asked).toEqual(['totals'])
    // Figures of the tally do not wait.
    expect(new Set(beside.map(String))).toEqual(new Set(['length']))
    vi.useRealTimers()
  })

  it('sends of a large plan only what an edit changed', async () => {
    const own = new PlanService()
    const { lines, ...rest } = demoPlan('bay-window-nook')
    const many: Plan = {
      ...rest,
      lines: Array.from({ length: 300 }, (_, index) => ({
        id: `l${String(index)}`,
        text: `shelf ${String(500 + (index % 9) * 40)}`,
      })),
    }
    expect(lines.length).toBeGreaterThan(0)
    const question = { parts: ['runs', 'totals'], sections: [] } as const
    const first = JSON.stringify(await own.answer(whole(many), question)).length
    const edited = structuredClone(
      change(many, [{ do: 'set-text', line: 'l7', text: 'shelf 777' }]).plan,
    )
    const second = JSON.stringify(await own.answer(whole(edited), question)).length
    expect(second).toBeLessThan(first / 20)
    expect((await own.answer(whole(structuredClone(edited)), question)).changes).toEqual([])
  })

  it('tells figures of the roll with the totals, and those of late stages later', async () => {
    const own = new PlanService()
    const plan = demoPlan('wardrobe-rails')
    const quick = { parts: ['totals'], sections: ['length', 'joints'], isQuick: true } as const
    const roll: Record<string, unknown>[] = []
    let last: unknown
    const ask = async (text: string, question: Question): Promise<void> => {
      const line = plan.lines[0]!.id
      const next = change(plan, [{ do: 'set-text', line, text }]).plan
      const { changes } = await own.answer(whole(structuredClone(next)), question)
      last = withDelta(last, new Map(changes).get('roll') ?? { kind: 'same' })
      roll.push(last as Record<string, unknown>)
    }
    await ask('back 900', { ...quick, isQuick: false })
    await ask('oops', quick)
    await ask('oops', { ...quick, isQuick: false })
    expect(roll[1]!.length).not.toEqual(roll[0]!.length)
    expect(roll[1]!.length).toEqual(roll[2]!.length)
    expect(roll[1]!.joints).toEqual(roll[0]!.joints)
    expect(roll[2]!.joints).not.toEqual(roll[0]!.joints)
  })

  it('works out what takes long bit by bit, and fixes of the wanted verdicts alone', async () => {
    const [atOnce, bits] = [new PlanService(), new PlanService()]
    const plan = whole(demoPlan('bay-window-nook'))
    const sent = new Map<string, unknown>()
    const askAll = async (question: Question): Promise<number> => {
      for (let asked = 1; ; asked += 1) {
        const { changes, isUnfinished } = await bits.answer(plan, { ...question, withinMs: 0 })
        for (const [part, change] of changes) sent.set(part, withDelta(sent.get(part), change))
        if (!isUnfinished) return asked
      }
    }
    const parts = { parts: ['verdicts', 'wiring', 'fixes'], sections: ['joints'] } as const
    expect(await askAll(parts)).toBeGreaterThan(10)
    const { changes } = await atOnce.answer(plan, parts)
    expect([...sent]).toEqual(changes.map(([part, change]) => [part, withDelta(undefined, change)]))
    const ids = (sent.get('verdicts') as { id: string }[]).map(({ id }) => id)
    const all = await atOnce.answer(plan, { parts: ['fixes'], sections: [], fixesOf: ids })
    const known = withDelta({}, new Map(all.changes).get('fixes')!) as Record<string, unknown>
    const wanted = Object.keys(known).slice(1, 3)
    expect(wanted.length).toBe(2)
    const fixes = { parts: ['fixes'], sections: [], fixesOf: [...wanted, 'gone'] } as const
    expect(await askAll(fixes)).toBeGreaterThan(10)
    expect(sent.get('fixes')).toEqual(Object.fromEntries(wanted.map((id) => [id, known[id]])))
  })

  it('tells a page that asks anew everything, whatever was still on its way to the one before', async () => {
    const own = new PlanService()
    const question = { parts: ['totals', 'verdicts'], sections: [] } as const
    const plan = whole(demoPlan('wardrobe-rails'))
    // The late stages are not there yet: it waits for them.
    const givenUp = own.answer(plan, question)
    own.begin()
    expect((await givenUp).changes).toEqual([])
    const { changes } = await own.answer(plan, question)
    expect(changes.map(([part, { kind }]) => [part, kind])).toEqual([
      ['totals', 'whole'],
      ['verdicts', 'whole'],
    ])
  })

  it('says what went wrong in one stage and answers the rest; the next plan is answered again', async () => {
    const own = new PlanService()
    const plan = demoPlan('wardrobe-rails')
    const broken: Plan = { ...plan, defaults: { ...plan.defaults, wire: 'no-such-wire' } }
    const answer = await own.answer(whole(broken), { parts: ['unread', 'feed'], sections: [] })
    expect(answer.problem).toContain('no-such-wire')
    expect(answer.changes.map(([part]) => part)).toEqual(['unread'])
    const good = await own.answer(whole(plan), { parts: ['unread', 'feed'], sections: [] })
    expect(good.problem).toBeUndefined()
    expect(good.changes.map(([part]) => part)).toEqual(['feed'])
  })
})

describe('a stage', () => {
  it('worked out after any edits says what it would say from the start, and reads only what it names', async () => {
    const plan = demoPlan('bay-window-nook')
    const edit = fc.oneof(
      fc.record({
        do: fc.constant('set-text' as const),
        line: fc.constantFrom(...plan.lines.map(({ id }) => id)),
        text: fc.constantFrom('seat 900', 'ring 382', '', 'oops 12oo', 'crown frame 500 x 300'),
      }),
      fc.record({ do: fc.constant('set-limit' as const), limit: fc.constantFrom(0.4, 0.8, 1) }),
      fc.record({
        do: fc.constant('set-rules' as const),
        rules: fc.constantFrom({ slack: 0.3 }, { rounding: 'cover' as const }, { keep: 0.6 }),
      }),
      fc.record({
        do: fc.constant('set-use' as const),
        use: fc.constantFrom({ hoursADay: 9 }, { batteryHours: 1 }),
      }),
      fc.record({
        do: fc.constant('set-signal' as const),
        signal: fc.constantFrom({ fix: 'buffer' as const }, { boardFrom: 'usb' as const }),
      }),
      fc.record({ do: fc.constant('show-units' as const), units: fc.constantFrom('mm', 'cm') }),
      fc.record({
        do: fc.constant('trim-supply' as const),
        supply: fc.constant(plan.supplies[0]!.id),
        volts: fc.constantFrom(4.7, 5.2, undefined),
      }),
      fc.record({
        do: fc.constant('place-controller' as const),
        at: fc.constantFrom([0, 0] as const, [900, 1200] as const),
      }),
    )
    const question = {
      parts: ['totals', 'runs', 'supplies', 'feed', 'signal', 'verdicts', 'wiring', 'batteries'],
      sections: sectionKinds,
    } as const
    const early = { ...question, parts: ['totals', 'runs'], isQuick: true } as const
    await fc.assert(
      fc.asyncProperty(fc.array(edit, { minLength: 1, maxLength: 5 }), async (edits) => {
        const own = new PlanService()
        await own.answer(whole(plan), question)
        let next = plan
        for (const command of edits) {
          next = change(next, [command]).plan
          await own.answer(whole(structuredClone(next)), early)
          expect((await own.answer(whole(structuredClone(next)), question)).problem).toBeUndefined()
        }
        const fresh = new PlanService()
        const all = new Map((await fresh.answer(whole(next), question)).changes)
        const kept = own as unknown as { sent: Map<string, unknown> }
        for (const [part, delta] of all)
          expect(delta.kind === 'whole' && kept.sent.get(part), part).toEqual(
            delta.kind === 'whole' && delta.value,
          )
      }),
      { numRuns: runs(25) },
    )
  })
})
