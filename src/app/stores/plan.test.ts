import 'fake-indexeddb/auto'
import { Dexie } from 'dexie'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Plan } from '../../core/plan/plan'
import { PlanService } from '../engine/plan-service'
import { openDatabase } from '../storage/db'
import { useNotices } from './notices'
import { usePlanStore } from './plan'
import { useShelf } from './shelf'

vi.mock('comlink', () => ({ wrap: () => new PlanService() }))

/** Locks as a browser has them, for the tabs of one test: the first to ask holds, `steal` takes. */
function fakeLocks() {
  const held = new Map<string, () => void>()
  return {
    async request(
      name: string,
      options: { steal?: boolean },
      callback: (lock: object | null) => Promise<void> | undefined,
    ): Promise<void> {
      const holder = held.get(name)
      if (holder !== undefined && !options.steal) {
        await callback(null)
        return
      }
      holder?.()
      await new Promise<void>((resolve, reject) => {
        const lose = (): void => {
          reject(new Error('stolen'))
        }
        held.set(name, lose)
        void Promise.resolve(callback({})).then(() => {
          if (held.get(name) === lose) held.delete(name)
          resolve()
        })
      })
    },
  }
}

beforeEach(() => {
  vi.stubGlobal('navigator', { locks: fakeLocks() })
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener(): void {
        // Nothing goes wrong in it.
      }
    },
  )
  vi.stubGlobal('location', { search: '' })
  vi.stubGlobal('document', {
    addEventListener: () => undefined,
    // As the demo is served.
    querySelector: () => ({ getAttribute: () => 'examples' }),
  })
  // The tabs of a test do not talk: what one saves is all that the other knows.
  vi.stubGlobal('BroadcastChannel', undefined)
  vi.stubGlobal('addEventListener', () => undefined)
  vi.stubGlobal('removeEventListener', () => undefined)
  Dexie.dependencies.indexedDB = new IDBFactory()
})
afterEach(() => {
  vi.unstubAllGlobals()
})

/** Waits until what is worked out in the same thread here, its code loaded first, has come. */
const soon = (check: () => void): Promise<void> => vi.waitFor(check, { timeout: 30_000 })

/** A tab of its own on the same database and the same locks. */
function openTab() {
  setActivePinia(createPinia())
  return { store: usePlanStore(), shelf: useShelf(), notices: useNotices() }
}
async function openNook(tab: ReturnType<typeof openTab>): Promise<string> {
  await tab.shelf.ready
  const [plan] = await tab.shelf.shelf.list()
  await tab.store.open(plan!.id)
  return plan!.id
}
const setText = (text: string) => [{ do: 'set-text' as const, line: 'seat', text }]
const textIn = (plan: Plan | undefined): string | undefined => plan?.lines[0]?.text

describe('the open plan', () => {
  it('is worked out when it opens and after each change', async () => {
    const { store, ...tab } = openTab()
    await openNook({ store, ...tab })
    await soon(() => {
      expect(store.tally?.totals.pixels).toBe(503)
    })
    store.commit(setText('seat front 1000'), { label: 'shorter' })
    await soon(() => {
      expect(store.tally?.totals.pixels).toBe(503 - 128 + 60)
    })
    expect(store.undo()).toBe('shorter')
    expect(textIn(store.plan)).toBe('seat front 2140')
    expect(store.redo()).toBe('shorter')
    expect(store.redo()).toBeUndefined()
  })

  it('keeps its history when it is closed and opened again', async () => {
    const tab = openTab()
    const id = await openNook(tab)
    tab.store.commit(setText('seat front 1500'), { label: 'shorter' })
    // Closed before the save was even begun: nothing may be lost.
    tab.store.close()
    await tab.store.open(id)
    expect(textIn(tab.store.plan)).toBe('seat front 1500')
    expect(tab.store.undo()).toBe('shorter')
    expect(textIn(tab.store.plan)).toBe('seat front 2140')
  })

  it('joins quick changes of one kind into one step, not slow ones', async () => {
    const tab = openTab()
    await openNook(tab)
    vi.useFakeTimers({ toFake: ['performance'] })
    for (const text of ['s', 'se', 'sea'])
      tab.store.commit(setText(text), { label: text, key: 'text.seat' })
    expect(tab.store.history.steps).toHaveLength(1)
    vi.advanceTimersByTime(5_000)
    tab.store.commit(setText('seat'), { label: 'seat', key: 'text.seat' })
    vi.useRealTimers()
    expect(tab.store.history.steps).toHaveLength(2)
  })

  it('joins all moves of one drag, however slow it is, and begins anew with the next', async () => {
    const tab = openTab()
    await openNook(tab)
    vi.useFakeTimers({ toFake: ['performance'] })
    const move = (x: number, key: string): void => {
      tab.store.commit(
        [{ do: 'place-lines', places: new Map([['seat', { x, y: 0, degrees: 0 }]]) }],
        { label: 'move', key, isDrag: true },
      )
      vi.advanceTimersByTime(5_000)
    }
    for (const x of [10, 20, 30]) move(x, 'place.1')
    expect(tab.store.history.steps).toHaveLength(1)
    move(40, 'place.2')
    expect(tab.store.history.steps).toHaveLength(2)
    vi.useRealTimers()
    tab.store.undo()
    expect(tab.store.layout.placed[0]?.place.x).toBe(30)
    tab.store.undo()
    expect(tab.store.layout.placed[0]?.place.x).not.toBe(10)
  })

  it('that is not there, or cannot be read, says so', async () => {
    const tab = openTab()
    await tab.store.open('none')
    expect(tab.store.state).toEqual({ kind: 'missing' })
    const plan = await nook(tab)
    const id = await tab.shelf.shelf.add(plan)
    // As an older program, or a fault of the disk, may have left it.
    const db = openDatabase()
    await db.plans.update(id, { document: { ...plan, limit: 7 }, checkedVersion: 1 })
    db.close()
    await tab.store.open(id)
    expect(tab.store.state).toMatchObject({ kind: 'broken', issues: [{ path: 'limit' }] })
    expect(tab.store.plan).toBeUndefined()
  })
})

async function nook(tab: ReturnType<typeof openTab>): Promise<Plan> {
  await openNook(tab)
  return tab.store.plan!
}

describe('two tabs', () => {
  it('the later one is told, may not change the plan, and can take it over', async () => {
    const first = openTab()
    const id = await openNook(first)
    const second = openTab()
    await second.store.open(id)
    expect([first.store.access, second.store.access]).toEqual(['mine', 'elsewhere'])
    second.store.commit(setText('second'), { label: 'x' })
    expect(textIn(second.store.plan)).toBe('seat front 2140')

    first.store.commit(setText('first'), { label: 'x' })
    await soon(() => {
      expect(first.store.saving).toBe('saved')
    })
    await second.store.takeOver()
    expect([first.store.access, second.store.access]).toEqual(['taken', 'mine'])
    expect(textIn(second.store.plan)).toBe('first')
    first.store.commit(setText('lost'), { label: 'x' })
    expect(textIn(first.store.plan)).toBe('first')
  })

  it('what one could not save can be kept as a copy', async () => {
    const first = openTab()
    const id = await openNook(first)
    first.store.commit(setText('typed here'), { label: 'x' })
    // Saved by somebody else in between, without a lock.
    const { plan, history } = first.store
    await first.shelf.shelf.save(id, { ...plan!, name: 'other' }, history, 0)
    await soon(() => {
      expect(first.store.saving).toBe('failed')
    })
    expect(first.store.access).toBe('taken')
    const copy = await first.store.keepCopy()
    await first.store.open(copy!)
    expect(textIn(first.store.plan)).toBe('typed here')
    expect(first.store.plan?.name).toBe('Bay-window nook copy')
  })

  it('a closed tab leaves the plan to the next', async () => {
    const first = openTab()
    const id = await openNook(first)
    first.store.close()
    await new Promise((resolve) => setTimeout(resolve, 20))
    const second = openTab()
    await second.store.open(id)
    expect(second.store.access).toBe('mine')
  })
})
