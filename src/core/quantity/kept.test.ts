import { expect, it } from 'vitest'
import { Kept, KeptList, onTrial } from './kept'

it('works a thing out again where something that it is made of is another, and only then', () => {
  const kept = new Kept<object, { sum: number }>()
  let times = 0
  const ask = (key: object, a: number, b: number): { sum: number } =>
    kept.get(key, [a, b], () => {
      times += 1
      return { sum: a + b }
    })
  const [one, other] = [{}, {}]
  const first = ask(one, 1, 2)
  expect(ask(one, 1, 2)).toBe(first)
  expect(ask(other, 1, 2)).not.toBe(first)
  expect(times).toBe(2)
  // The last input counts as the first does, and what is no number is itself.
  expect(ask(one, 1, 3)).toEqual({ sum: 4 })
  expect(ask(one, NaN, 3).sum).toBe(NaN)
  expect(ask(one, NaN, 3)).toBe(ask(one, NaN, 3))
  expect(times).toBe(4)
})

it('does not take fewer inputs for the same', () => {
  const kept = new Kept<object, number>()
  const key = {}
  const ask = (...inputs: number[]): number => kept.get(key, inputs, () => inputs.length)
  expect([ask(1), ask(1, 2), ask(1)]).toEqual([1, 2, 1])
})

it('knows the items of a list again, wherever they stand now', () => {
  const kept = new KeptList<{ readonly mm: number }, { readonly cm: number }>()
  let times = 0
  const ask = (items: readonly { readonly mm: number }[], perCm = 10): { readonly cm: number }[] =>
    kept.map(items, ({ mm }, last, index) => {
      expect(items[index]?.mm).toBe(mm)
      if (last?.cm === mm / perCm) return last
      times += 1
      return { cm: mm / perCm }
    })
  const [a, b, c] = [{ mm: 10 }, { mm: 20 }, { mm: 30 }]
  const first = ask([a, b])
  expect(first).toEqual([{ cm: 1 }, { cm: 2 }])
  const second = ask([c, a, b])
  expect(second[0]).toEqual({ cm: 3 })
  expect([second[1], second[2]]).toEqual(first)
  expect(second[1]).toBe(first[0])
  expect(second[2]).toBe(first[1])
  expect(times).toBe(3)
  // One that was gone for a while, and one that is worth something else now.
  ask([b])
  expect(ask([a, b])[0]).toBe(first[0])
  expect(ask([a], 5)).toEqual([{ cm: 2 }])
  expect(ask([b, a], 5)).toEqual([{ cm: 4 }, { cm: 2 }])
  expect(times).toBe(5)
})

it('what is worked out on a trial does not take the place of what was there', () => {
  const kept = new Kept<object, { sum: number }>()
  const key = {}
  let times = 0
  const ask = (a: number): { sum: number } =>
    kept.get(key, [a], () => {
      times += 1
      return { sum: a }
    })
  const own = ask(1)
  const tried = onTrial(() => [ask(2), ask(2), onTrial(() => ask(1)), ask(3)])
  expect(tried.map(({ sum }) => sum)).toEqual([2, 2, 1, 3])
  expect(tried[1]).toBe(tried[0])
  expect(tried[2]).toBe(own)
  expect(ask(1)).toBe(own)
  expect(times).toBe(3)
  // A change that was tried and is made is known already, and stays from then on.
  expect(ask(3)).toBe(tried[3])
  onTrial(() => ask(4))
  expect(ask(3)).toBe(tried[3])
  expect(times).toBe(4)
  // An error ends the trial, too.
  expect(() =>
    onTrial(() => {
      throw new Error('no')
    }),
  ).toThrow('no')
  expect(ask(5)).toBe(ask(5))
  onTrial(() => ask(6))
  expect(ask(5).sum).toBe(5)
  expect(times).toBe(6)

  const list = new KeptList<{ readonly mm: number }, { readonly cm: number }>()
  const items = [{ mm: 10 }, { mm: 20 }]
  const inCm = (some: readonly { readonly mm: number }[], perCm: number): { cm: number }[] =>
    list.map(some, ({ mm }, last) => (last?.cm === mm / perCm ? last : { cm: mm / perCm }))
  const before = inCm(items, 10)
  expect(onTrial(() => inCm([items[1]!, { mm: 5 }, items[0]!], 5))).toEqual(
    [4, 1, 2].map((cm) => ({ cm })),
  )
  expect(onTrial(() => inCm(items, 10))[1]).toBe(before[1])
  const after = inCm(items, 10)
  expect(after[0]).toBe(before[0])
  expect(after[1]).toBe(before[1])
})
