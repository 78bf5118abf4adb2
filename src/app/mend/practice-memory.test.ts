import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { Rating } from 'ts-fsrs'
import { dueKinds, keptMemory, ratingOf, remember } from './practice-memory'

const day = 86_400_000
const now = new Date('2026-11-26T10:00:00Z')

const store = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
})
afterAll(() => {
  vi.unstubAllGlobals()
})

describe('what was practised', () => {
  beforeEach(() => {
    store.clear()
  })

  it('is rated by whether it was found, and by minutes beside the best course', () => {
    expect(ratingOf(false, 1, 10)).toBe(Rating.Again)
    expect(ratingOf(true, 30, 10)).toBe(Rating.Hard)
    expect(ratingOf(true, 20, 10)).toBe(Rating.Good)
    expect(ratingOf(true, 10, 10)).toBe(Rating.Easy)
    // A course of nothing but a look is no reason to divide by nothing.
    expect(ratingOf(true, 1, 0)).toBe(Rating.Easy)
  })

  it('comes back soon where it was hard, late where it was easy, and at growing intervals', () => {
    const hard = remember([], 'open-minus', Rating.Again, now)
    const easy = remember(hard, 'open-plus', Rating.Easy, now)
    const dueOf = (kind: string): number => +easy.find((one) => one.kind === kind)!.card.due - +now
    expect(dueOf('open-minus')).toBeLessThan(day)
    expect(dueOf('open-plus')).toBeGreaterThan(day)
    expect(dueKinds(easy, now)).toEqual([])
    const later = new Date(+now + day)
    expect(dueKinds(easy, later).map(({ kind }) => kind)).toEqual(['open-minus'])
    let memory = remember([], 'timing', Rating.Good, now)
    const gaps: number[] = []
    for (let times = 0; times < 4; times += 1) {
      const { due } = memory[0]!.card
      const next = remember(memory, 'timing', Rating.Good, due)
      gaps.push(+next[0]!.card.due - +due)
      memory = next
    }
    for (const [index, gap] of gaps.slice(1).entries())
      expect(gap).toBeGreaterThanOrEqual(gaps[index]!)
  })

  it('is kept on this device, and a broken store is none', () => {
    remember([], 'moisture', Rating.Good, now)
    const [kept] = keptMemory()
    expect(kept!.kind).toBe('moisture')
    expect(kept!.card.due).toBeInstanceOf(Date)
    store.set('practice of faults', '{')
    expect(keptMemory()).toEqual([])
  })
})
